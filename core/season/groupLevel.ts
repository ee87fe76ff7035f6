import { timeFor } from '../fitness/curve';
import { curveBook } from '../paces/shippedPaceBooks';
import type { SquadMember } from '../squad/athlete';
import { athletePaces } from '../squad/athletePaces';
import { isSeasonFor } from './kmAWeek';
import type { SeasonPlan } from './season';

/** The median time over 5000 m of those a season is for, in seconds, by their paces of a day; undefined where nobody has one. */
export function median5kOf(
  season: Pick<SeasonPlan, 'groupIds'>,
  athletes: readonly SquadMember[],
  asOf: string,
): number | undefined {
  const times = athletes
    .filter((athlete) => !athlete.archived && isSeasonFor(season, athlete))
    .flatMap((athlete) => {
      const { curve } = athletePaces(athlete, curveBook, asOf);
      return curve ? [timeFor(curve, 5000)] : [];
    })
    .sort((a, b) => a - b);
  const [low, high] = [times[Math.floor((times.length - 1) / 2)], times[Math.ceil((times.length - 1) / 2)]];
  return low === undefined || high === undefined ? undefined : Math.round((low + high) / 2);
}
