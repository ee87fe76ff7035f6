import { isAhead } from '@core/season/checks/checkRule';
import { checkSeason, type SeasonCheck } from '@core/season/checks/checks';
import { tooShortFor } from '@core/season/longestRun';
import { lastDayOf } from '@core/season/phases';
import type { SeasonPlan } from '@core/season/season';
import { isSeasonFor } from '@core/season/kmAWeek';
import { INTENT_FACTS } from '@core/session/intent';
import type { SquadMember } from '@core/squad/athlete';
import { athleteWithKm, easyMinPerKm } from '../data/useKmSource';
import type { LaidSeason } from '../data/useSeasons';
import type { SeasonData } from './useSeasonData';

/** The athletes of a season's groups. */
export const athletesIn = ({ season }: Pick<LaidSeason, 'season'>, athletes: readonly SquadMember[]): SquadMember[] =>
  athletes.filter((athlete) => isSeasonFor(season, athlete));

/** Sessions from today on that no season has on a day of its own. */
function ownSessions({ seasons, sessions, today }: SeasonData) {
  const inSeason = new Set(seasons.flatMap(({ season }) => season.fixed.flatMap(({ sessionId }) => sessionId ?? [])));
  return sessions.flatMap(({ id, date, title, intent }) =>
    date < today || inSeason.has(id)
      ? []
      : [{ id, date, title, isHard: intent === undefined || INTENT_FACTS[intent].isHard }],
  );
}

function worked(laid: LaidSeason, data: SeasonData): SeasonCheck[] {
  const { seasons, athletes, sessions, library, isLibraryHere, today, squad, km, runDates } = data;
  const { season, weeks } = laid;
  const sessionIds = new Set(library.sessions.map(({ id }) => id));
  const progressions = new Set(library.progressions.map(({ id }) => id));
  const goneThreadIds = season.threads.flatMap(({ id, libraryId, progressionId }) => {
    const isGone =
      (libraryId !== undefined && !sessionIds.has(libraryId)) ||
      (progressionId !== undefined && !progressions.has(progressionId));
    return isGone && isLibraryHere ? [id] : [];
  });
  const planned = sessions.flatMap(({ date, plan }) => {
    const taking = Object.entries(plan?.taking ?? {});
    const idsWhere = (isTaking: boolean) => taking.flatMap(([id, takes]) => (takes === isTaking ? [id] : []));
    return date >= today && taking.length > 0 ? [{ date, athleteIds: idsWhere(true), notIds: idsWhere(false) }] : [];
  });
  const ownAthletes = athletesIn(laid, athletes).map((athlete) => athleteWithKm(athlete, squad, km));
  const { heatMonths = [] } = squad.settings.club ?? {};
  return checkSeason(season, weeks, {
    athletes: ownAthletes,
    goneThreadIds,
    planned,
    ownSessions: ownSessions(data),
    heatMonths,
    others: seasons.flatMap(({ season: other }) => {
      const lastDay = lastDayOf(other);
      return other === season || lastDay < today ? [] : [{ season: other, lastDay }];
    }),
    easyMinPerKm: (athlete) => easyMinPerKm(athlete, squad, today),
    today,
    runDates,
  }).filter((check) => isAhead(check, { today, runDates }) || check.code === 'rhythm-too-tight');
}

/** Cached for the season's data: the to-do list and the ladder both show them. */
const cache = new WeakMap<SeasonData, Map<SeasonPlan, SeasonCheck[]>>();

/** What to look at again from today on. */
export function checksOf(laid: LaidSeason, data: SeasonData): SeasonCheck[] {
  const checks = cache.get(data) ?? new Map<SeasonPlan, SeasonCheck[]>();
  cache.set(data, checks);
  const found = checks.get(laid.season) ?? worked(laid, data);
  checks.set(laid.season, found);
  return found;
}

/** Says what there are too few weeks for. */
export const leftOutOf = ({ season, weeks }: LaidSeason): string[] => tooShortFor(season, weeks);
