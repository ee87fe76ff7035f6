import { useMemo } from 'react';
import type { Library } from '@core/season/threads/threadSession';
import type { SquadMember } from '@core/squad/athlete';
import type { Group } from '@core/squad/athlete';
import type { KmSource } from '@core/season/kmAWeek';
import { isSeasonOver, lastDayOf } from '@core/season/phases';
import { daysAfter } from '@core/units/dayNumber';
import { ranMinutesIn, useKmSource } from '../data/useKmSource';
import { useSeasons, type LaidSeason } from '../data/useSeasons';
import { useSquad, type SquadView } from '../data/useSquad';
import type { ListedRun, ScheduledSession } from '@core/api/answers';
import { useLibraryQuery, useRunsOnQuery, useSessionsOnQuery, type Days } from '../store/api';
import { useToday } from '../ui/useToday';
import { withStarters } from '@core/library/starters';

/** All that the season's screens show. */
export type SeasonData = {
  seasons: LaidSeason[];
  /** The days that sessions and runs are of. */
  days: Days;
  sessions: readonly ScheduledSession[];
  runs: readonly ListedRun[];
  squad: SquadView;
  athletes: readonly SquadMember[];
  groups: readonly Group[];
  paceNames: readonly string[];
  library: Library;
  /** The coach’s own library cannot be reached: what is not in it says nothing. */
  isLibraryHere: boolean;
  /** Dates on which something was run. */
  runDates: ReadonlySet<string>;
  /** What kilometres a week and the load that was run are worked out from. */
  km: KmSource;
  today: string;
};

const NO_RUNS: readonly ListedRun[] = [];

/** Days before today that are looked at in any case: as long as most seasons, so that their days need not be waited for. */
const BACK_DAYS = 126;

/** The days that are looked at: those of one season that is over, or of all that are not, and what is still to come. */
export function daysShown(seasons: readonly LaidSeason[], today: string, seasonId?: string): Days {
  const asked = seasons.find(({ id }) => id === seasonId);
  if (asked && isSeasonOver(asked.season, today)) return { from: asked.season.firstDay, to: lastDayOf(asked.season) };
  const firstDays = seasons.flatMap(({ season }) => (isSeasonOver(season, today) ? [] : [season.firstDay]));
  return { from: [daysAfter(today, -BACK_DAYS), ...firstDays].sort()[0] ?? today };
}

/** Everything the season's screens show, once it is here; results may come later. @param seasonId the season that is shown by itself. */
export function useSeasonData(seasonId?: string): { data: SeasonData | undefined; error: unknown; retry: () => void } {
  const { seasons, error, retry } = useSeasons();
  const { squad, error: squadError, retry: retrySquad } = useSquad();
  const now = useToday();
  const days = useMemo(() => daysShown(seasons ?? [], now, seasonId), [seasons, now, seasonId]);
  const sessions = useSessionsOnQuery(days);
  const { data: runs = NO_RUNS } = useRunsOnQuery(days);
  const stored = useLibraryQuery();
  // Days without an end go back further than kilometres are counted.
  const lately = useKmSource(days.to === undefined ? runs : undefined);
  const km = useMemo(
    () => ({ ...lately, ranMinutes: new Map([...lately.ranMinutes, ...ranMinutesIn(runs)]) }),
    [lately, runs],
  );
  const library = useMemo(
    () =>
      stored.data || stored.error
        ? { sessions: withStarters(stored.data?.sessions ?? []), progressions: stored.data?.progressions ?? [] }
        : undefined,
    [stored.data, stored.error],
  );
  const isLibraryHere = stored.data !== undefined;
  const data = useMemo((): SeasonData | undefined => {
    if (!seasons || !squad || !sessions.data || !library) return undefined;
    return {
      seasons,
      days,
      sessions: sessions.data,
      runs,
      squad,
      athletes: squad.athletes,
      groups: squad.settings.groups,
      paceNames: squad.paceNames,
      library,
      isLibraryHere,
      runDates: new Set(
        runs.flatMap(({ date, summary, isSetAside }) =>
          summary?.startedAtMs !== undefined && !isSetAside ? [date] : [],
        ),
      ),
      km,
      today: now,
    };
  }, [seasons, days, squad, sessions.data, runs, library, isLibraryHere, km, now]);
  return {
    data,
    error: error ?? squadError ?? sessions.error,
    retry: () => {
      retry();
      retrySquad();
      void sessions.refetch();
      void stored.refetch();
    },
  };
}
