import { useEffect } from 'react';
import { startOf, startsByNow } from '@core/run/starts';
import type { Source } from '../../store/source';
import type { Run } from '../../log/useRun';

/** Gives the starts that are the clock's to give, each at the moment it was due, also when the phone slept over it. */
export function useStarts(runs: Source<Run>): void {
  useEffect(() => {
    // Until it is in the log, what was given is known here.
    const given = new Set<string>();
    const timer = setInterval(() => {
      const { plan, state, events, now, happenAt } = runs.now();
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
