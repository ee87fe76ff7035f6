import { useMemo } from 'react';
import { athleteOn } from '@core/season/exceptions';
import { layOutSeason } from '@core/season/layout/layOut';
import type { SeasonPlan, SeasonWeek, StoredSeason } from '@core/season/season';
import { useSeasonsQuery } from '../store/api';
import type { SquadView } from './useSquad';

/** A season with its weeks. */
export type LaidSeason = StoredSeason & { weeks: SeasonWeek[] };

/** Layouts, cached for each season. */
const laid = new WeakMap<SeasonPlan, SeasonWeek[]>();

export function weeksOf(season: SeasonPlan): SeasonWeek[] {
  const cached = laid.get(season) ?? layOutSeason(season);
  laid.set(season, cached);
  return cached;
}

/** Laid out on demand: most old seasons are never looked at. */
const laidOut = (stored: StoredSeason): LaidSeason => ({
  ...stored,
  get weeks() {
    return weeksOf(stored.season);
  },
});

/** All seasons; undefined until they are here. */
export function useSeasons(): { seasons: LaidSeason[] | undefined; error: unknown; retry: () => void } {
  const { data, error, refetch } = useSeasonsQuery();
  const seasons = useMemo(() => data?.map(laidOut), [data]);
  return { seasons, error, retry: () => void refetch() };
}

/** The squad on a day: athletes who are away, ill or injured by a season's exceptions do not take part; after illness they ease back. */
export function useSquadOn(squad: SquadView | undefined, date: string | undefined): SquadView | undefined {
  const { data } = useSeasonsQuery();
  return useMemo(() => {
    const exceptions = (data ?? []).flatMap(({ season }) => season.exceptions);
    if (!squad || date === undefined || exceptions.length === 0) return squad;
    return { ...squad, athletes: squad.athletes.map((athlete) => athleteOn(athlete, exceptions, date)) };
  }, [squad, date, data]);
}
