import { useMemo, useState } from 'react';
import { markTapped, tooSoon, type TooSoon } from '@core/run/arrivals';
import type { Source } from '../../store/source';
import { lastDone, lastUndone } from '../../log/undoing';
import type { Run } from '../../log/useRun';

/** Taking times and taking them back: by the run as it is at the press, not as it was last rendered. */
function actsOn({ getSnapshot: runNow }: Source<Run>, doubt: (tap: TooSoon | undefined) => void) {
  const line = (timeStamp: number) => {
    doubt(undefined);
    runNow().happen({ type: 'crossed' }, timeStamp);
  };
  const takeBack = (last: typeof lastDone, timeStamp: number) => {
    const run = runNow();
    const event = last(run.state, run.device);
    if (event) run.happen({ type: 'undone', eventId: event.id }, timeStamp);
  };
  /** The time of an athlete at the next mark. @returns whether they were on the way to one. */
  const tapAthlete = (athleteId: string, timeStamp: number): boolean => {
    const run = runNow();
    const taken = markTapped(run.state, athleteId, run.atOf(timeStamp));
    if (!taken) return false;
    const doubted = tooSoon(run.state, taken, run.atOf(timeStamp));
    doubt(doubted);
    const { repIndex, atM } = taken;
    // A bounce of the thumb, or the wrong tile: the time is kept, and can be named later.
    run.happen(doubted ? { type: 'crossed' } : { type: 'passed', athleteId, repIndex, atM }, timeStamp);
    return true;
  };
  return {
    line,
    tapAthlete,
    undo: (timeStamp: number) => takeBack(lastDone, timeStamp),
    redo: (timeStamp: number) => takeBack(lastUndone, timeStamp),
  };
}

/** What takes and takes back times, the same for as long as the board is open; `doubted` is the last tap that nobody can have run. */
export function useTimes(runs: Source<Run>) {
  const [doubted, setDoubted] = useState<TooSoon>();
  const acts = useMemo(() => actsOn(runs, setDoubted), [runs]);
  return { doubted, ...acts };
}
