import type { OutboxState } from '../../store/trackside';
import { fromStore, type Source } from '../../store/source';
import { store } from '../../store/store';
import type { Run } from '../../log/useRun';

const OUTBOX = fromStore(store, (state) => state.trackside.outbox);

/** Everything around the tiles, from one moment: what was tapped between two renders must not lie in the future of the later one. */
export type Moment = { run: Run; now: number; outbox: OutboxState };

export const momentsOf = (runs: Source<Run>): Source<Moment> => ({
  subscribe: (onChange) => {
    const stops = [runs.subscribe(onChange), OUTBOX.subscribe(onChange)];
    return () => stops.forEach((stop) => stop());
  },
  getSnapshot: () => ({ run: runs.getSnapshot(), now: runs.getSnapshot().now(), outbox: OUTBOX.getSnapshot() }),
});
