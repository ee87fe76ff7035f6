/** Stopping an athlete, in one place for every sheet that does it. */
import type { Happening } from '@core/run/events';
import type { AthleteState } from '@core/run/runState';

/** They stop for the day; `repIndex` is the rep in or after which it was. */
export const stopOf = ({ athleteId, runs }: Pick<AthleteState, 'athleteId' | 'runs'>): Happening => ({
  type: 'decided',
  athleteIds: [athleteId],
  decision: { kind: 'stop' },
  repIndex: runs.at(-1)?.repIndex ?? -1,
});
