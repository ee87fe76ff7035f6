import { useMemo } from 'react';
import { athleteOn } from '@core/season/exceptions';
import { layOutSeason } from '@core/season/layOut';
import type { SeasonPlan, SeasonWeek, StoredSeason } from '@core/season/season';
import { useSeasonsQuery } from '../store/api';
import type { SquadView } from './useSquad';

/** A season with its weeks. */
export type LaidSeason = StoredSeason & { weeks: SeasonWeek[] };

/** A season is laid out once for as long as it is the same. */
const laid = new WeakMap<SeasonPlan, SeasonWeek[]>();

export function weeksOf(season: SeasonPlan): SeasonWeek[] {
  const known = laid.get(season) ?? layOutSeason(season);
  laid.set(season, known);
  return known;
}

/** A season is laid out when it is looked at: most of those of years ago never are. */
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

/** The squad as it is on a day: who is away, ill or injured by a season's exceptions does not take part, whoever was ill eases back. */
export function useSquadOn(squad: SquadView | undefined, date: string | undefined): SquadView | undefined {
  const { data } = useSeasonsQuery();
  return useMemo(() => {
    const exceptions = (data ?? []).flatMap(({ season }) => season.exceptions);
    if (!squad || date === undefined || exceptions.length === 0) return squad;
    return { ...squad, athletes: squad.athletes.map((athlete) => athleteOn(athlete, exceptions, date)) };
  }, [squad, date, data]);
}
