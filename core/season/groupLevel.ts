import { CurveError, fitCurve, timeFor } from '../fitness/curve';
import type { SquadMember } from '../squad/athlete';
import { isSeasonFor } from './kmAWeek';
import type { SeasonPlan } from './season';

/** Seconds over 5000 m by their marks; undefined without one. */
function worthOf({ marks, leaning }: Pick<SquadMember, 'marks' | 'leaning'>, asOf: string): number | undefined {
  try {
    return timeFor(fitCurve(marks, { asOf, leaning }), 5000);
  } catch (error) {
    if (error instanceof CurveError) return undefined;
    throw error;
  }
}

/** The median time over 5000 m of those a season is for, in seconds, by their marks of a day; undefined where nobody has one. */
export function median5kOf(
  season: Pick<SeasonPlan, 'groupIds'>,
  athletes: readonly SquadMember[],
  asOf: string,
): number | undefined {
  const times = athletes
    .filter((athlete) => !athlete.archived && isSeasonFor(season, athlete))
    .flatMap((athlete) => worthOf(athlete, asOf) ?? [])
    .sort((a, b) => a - b);
  const [low, high] = [times[Math.floor((times.length - 1) / 2)], times[Math.ceil((times.length - 1) / 2)]];
  return low === undefined || high === undefined ? undefined : Math.round((low + high) / 2);
}
