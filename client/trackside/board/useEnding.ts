import { useCallback, useEffect, useRef, useState } from 'react';
import type { Source } from '../../store/source';
import type { Run } from '../../log/useRun';
import { stillOut } from '../sheets/EndSheet';

export const END = { type: 'ended' } as const;

/**
 * The session's end: by itself when nobody is on the way any more, if that was asked for.
 * @param run as last rendered, which may be a moment old: what is done uses the current state.
 * @param onEnd once, as it ends here by whom it may; a board opened later leaves what follows to the results.
 */
export function useEnding(runs: Source<Run>, run: Run, onEnd: () => void) {
  const [endsWhenIn, setEndsWhenIn] = useState(false);
  const ended = run.state.endedAtMs !== undefined;
  // Done with: an end that is taken back is not done again by itself.
  if (ended && endsWhenIn) setEndsWhenIn(false);
  const wasEnded = useRef(ended);
  useEffect(() => {
    if (ended && !wasEnded.current && !run.isRehearsal && run.may(END)) onEnd();
    wasEnded.current = ended;
  }, [ended, run, onEnd]);
  const isAnyoneOut = stillOut(run).length > 0;
  useEffect(() => {
    const now = runs.getSnapshot();
    if (!endsWhenIn || ended || isAnyoneOut || stillOut(now).length > 0) return;
    now.happen(END);
  }, [endsWhenIn, ended, isAnyoneOut, runs]);
  const endWhenIn = useCallback(() => setEndsWhenIn(true), []);
  return { ended, endsWhenIn, endWhenIn };
}
