import { useMemo, useState } from 'react';
import { finishBefore, markTapped, tooSoon, type TooSoon } from '@core/run/arrivals';
import type { Source } from '../../store/source';
import { lastDone, lastUndone } from '../../log/undoing';
import type { Run } from '../../log/useRun';

/** Remark of the board on the last tap. */
export type TapRemark =
  /** Faster than anybody can run: the time was stored without a name. */
  | ({ kind: 'tooSoon' } & TooSoon)
  /** The tap before it was the finish. */
  | { kind: 'wasFinish'; name: string; tookS: number };

/** Taking times and taking them back: by the run as it is at the press, not as it was last rendered. */
function actsOn({ getSnapshot: runNow }: Source<Run>, remark: (about: TapRemark | undefined) => void) {
  const line = (timeStamp: number) => {
    remark(undefined);
    runNow().happen({ type: 'crossed' }, timeStamp);
  };
  const takeBack = (last: typeof lastDone, timeStamp: number) => {
    remark(undefined);
    const run = runNow();
    const event = last(run.state, run.device);
    if (event) run.happen({ type: 'undone', eventId: event.id }, timeStamp);
  };
  /** The time of an athlete at the next mark. @returns whether they were on the way to one. */
  const tapAthlete = (athleteId: string, timeStamp: number): boolean => {
    const run = runNow();
    const taken = markTapped(run.state, athleteId, run.atOf(timeStamp));
    if (!taken) return false;
    const { repIndex, atM } = taken;
    const doubted = tooSoon(run.state, taken, run.atOf(timeStamp));
    if (!doubted) {
      remark(undefined);
      run.happen({ type: 'passed', athleteId, repIndex, atM }, timeStamp);
      return true;
    }
    const finish = finishBefore(run.state, taken);
    if (finish) {
      const { tookS, ...named } = finish;
      remark({ kind: 'wasFinish', name: doubted.name, tookS });
      run.happen({ type: 'named', ...named }, timeStamp);
      return true;
    }
    // A bounce of the thumb, or the wrong tile: the time is kept, and can be named later.
    remark({ kind: 'tooSoon', ...doubted });
    run.happen({ type: 'crossed', tappedId: athleteId }, timeStamp);
    return true;
  };
  return {
    line,
    tapAthlete,
    undo: (timeStamp: number) => takeBack(lastDone, timeStamp),
    redo: (timeStamp: number) => takeBack(lastUndone, timeStamp),
  };
}

/** Returns stable callbacks that take and undo times, and the remark on the last tap, if any. */
export function useTimes(runs: Source<Run>) {
  const [remark, setRemark] = useState<TapRemark>();
  const acts = useMemo(() => actsOn(runs, setRemark), [runs]);
  return { remark, ...acts };
}
