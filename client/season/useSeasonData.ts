import { useMemo } from 'react';
import type { Library } from '@core/season/threads/threadSession';
import type { SquadMember } from '@core/squad/athlete';
import type { Group } from '@core/squad/athlete';
import type { KmSource } from '@core/season/kmAWeek';
import { useKmSource } from '../data/useKmSource';
import { useSeasons, type LaidSeason } from '../data/useSeasons';
import { useSquad, type SquadView } from '../data/useSquad';
import type { ListedRun, ScheduledSession } from '@core/api/answers';
import { useLibraryQuery, useRunsQuery, useSessionsQuery } from '../store/api';
import { useToday } from '../ui/useToday';
import { withStarters } from '@core/library/starters';

/** All that the season's screens show. */
export type SeasonData = {
  seasons: LaidSeason[];
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

/** Everything the season's screens show, once it is here; results may come later. */
export function useSeasonData(): { data: SeasonData | undefined; error: unknown; retry: () => void } {
  const { seasons, error, retry } = useSeasons();
  const { squad, error: squadError, retry: retrySquad } = useSquad();
  const sessions = useSessionsQuery();
  const { data: runs = NO_RUNS } = useRunsQuery();
  const stored = useLibraryQuery();
  const now = useToday();
  const km = useKmSource();
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
  }, [seasons, squad, sessions.data, runs, library, isLibraryHere, km, now]);
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
