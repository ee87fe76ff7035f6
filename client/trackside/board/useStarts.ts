import { useEffect } from 'react';
import { startOf, startsByNow } from '@core/run/starts';
import type { Source } from '../../store/source';
import type { Run } from '../../log/useRun';

/** Records the starts that are due by the clock, each at its due moment, also when the phone slept over it. */
export function useStarts(runs: Source<Run>): void {
  useEffect(() => {
    // Starts given but not yet in the log.
    const given = new Set<string>();
    const timer = setInterval(() => {
      const { plan, state, events, now, happenAt } = runs.getSnapshot();
      for (const due of startsByNow(state, events, now())) {
        const key = `${due.groupId} ${due.slot.repIndex} ${due.athleteIds.join()}`;
        if (given.has(key)) continue;
        given.add(key);
        happenAt({ ...startOf(plan, due), byItself: true }, due.atMs);
      }
    }, 100);
    return () => clearInterval(timer);
  }, [runs]);
}
