import { useMemo } from 'react';
import { checkSeason, type SeasonCheck } from '@core/season/checks';
import { phasesOf } from '@core/season/phases';
import type { Library } from '@core/season/threadSession';
import type { SquadMember } from '@core/squad/athlete';
import type { LaidSeason } from '../data/useSeasons';
import type { Session } from '../store/api';

type Known = {
  athletes: readonly SquadMember[];
  sessions: readonly Session[];
  library: Library;
  isLibraryHere: boolean;
  today: string;
};

/** The athletes of a season's groups. */
export const athletesIn = ({ season }: Pick<LaidSeason, 'season'>, athletes: readonly SquadMember[]): SquadMember[] =>
  athletes.filter(({ groupId }) => !season.groupIds || (groupId !== undefined && season.groupIds.includes(groupId)));

/** What to look at again from today on. */
export function checksOf(
  laid: LaidSeason,
  { athletes, sessions, library, isLibraryHere, today }: Known,
): SeasonCheck[] {
  const { season, weeks } = laid;
  const books = new Set(library.sessions.map(({ id }) => id));
  const progressions = new Set(library.progressions.map(({ id }) => id));
  const goneThreadIds = season.threads.flatMap(({ id, bookId, progressionId }) => {
    const isGone =
      (bookId !== undefined && !books.has(bookId)) || (progressionId !== undefined && !progressions.has(progressionId));
    return isGone && isLibraryHere ? [id] : [];
  });
  const planned = sessions.flatMap(({ date, plan }) => {
    const athleteIds = Object.entries(plan?.taking ?? {}).flatMap(([id, takes]) => (takes ? [id] : []));
    return date >= today && athleteIds.length > 0 ? [{ date, athleteIds }] : [];
  });
  const own = athletesIn(laid, athletes);
  return checkSeason(season, weeks, { athletes: own, goneThreadIds, planned }).filter(
    ({ code, date }) => date >= today || code === 'rhythm-too-tight',
  );
}

export function useChecks(laid: LaidSeason, known: Known) {
  const { athletes, sessions, library, isLibraryHere, today } = known;
  return useMemo(
    () => ({
      checks: checksOf(laid, { athletes, sessions, library, isLibraryHere, today }),
      leftOut: phasesOf(laid.season).leftOut.map(({ says }) => says),
    }),
    [laid, athletes, sessions, library, isLibraryHere, today],
  );
}
