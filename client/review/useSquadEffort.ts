import { useDeferredValue, useMemo } from 'react';
import { nextTime, readEffort, squadEffort, type SquadEffort } from '@core/review/effortReading';
import { everyoneIn, pacesOf, useSquad } from '../data/useSquad';
import { useTellings } from '../data/useTellings';
import type { ReadRun } from './useReview';

/** What the efforts of all together say, a moment after the times are there. */
export function useSquadEffort(now: ReadRun): SquadEffort | undefined {
  const read = useDeferredValue(now);
  const { squad } = useSquad();
  const tellings = useTellings(read.plan.date);
  return useMemo(() => {
    const { arc, date } = read.plan;
    if (!squad || !arc) return undefined;
    const members = new Map(everyoneIn(squad).map((athlete) => [athlete.id, athlete]));
    const rows = read.reviews.flatMap((review) => review.rows);
    return squadEffort(
      rows.map(({ athleteId, name, cells }) => {
        const telling = tellings?.[athleteId];
        const member = members.get(athleteId);
        const told = cells.some(({ effort }) => effort !== undefined);
        // Who told nothing is not looked at: a curve is costly on a slow phone.
        const curve = member && told ? pacesOf(member, squad, date).curve : undefined;
        const reading = told ? readEffort(cells, arc, curve, telling) : { points: [] };
        return { name, reading, change: () => nextTime(cells, reading, arc, curve, telling) };
      }),
    );
  }, [read, squad, tellings]);
}
