import { skipToken } from '@reduxjs/toolkit/query';
import { useMemo } from 'react';
import { daysAfter } from '@core/units/dayNumber';
import { KM_DAYS, kmAWeek, withKmAWeek, type KmAWeek, type KmSource } from '@core/season/kmAWeek';
import type { RanMinutes } from '@core/season/load';
import { speedOfEntry } from '@core/paces/paceBook';
import type { SquadMember } from '@core/squad/athlete';
import { pacesOf, type SquadView } from './useSquad';
import type { ListedRun } from '@core/api/answers';
import { useRunsOnQuery } from '../store/api';
import { useToday } from '../ui/useToday';
import { useSeasons } from './useSeasons';

const NO_RUNS: readonly ListedRun[] = [];

/** Minutes that sessions came to, by the sessions' ids; those that were begun and not set aside. */
export const ranMinutesIn = (runs: readonly ListedRun[]): RanMinutes =>
  new Map(
    runs.flatMap(({ sessionId, summary, isSetAside }) =>
      summary?.startedAtMs === undefined || isSetAside ? [] : [[sessionId, summary.minutes] as const],
    ),
  );

/**
 * What kilometres a week are worked out from: the seasons with what was ticked, and the sessions that were run.
 * @param known sessions that were run, where those of the last weeks are here already.
 */
export function useKmSource(known?: readonly ListedRun[]): KmSource {
  const { seasons } = useSeasons();
  const now = useToday();
  const { data: asked = NO_RUNS } = useRunsOnQuery(known ? skipToken : { from: daysAfter(now, -KM_DAYS) });
  const runs = known ?? asked;
  return useMemo(() => ({ seasons: seasons ?? [], ranMinutes: ranMinutesIn(runs), today: now }), [seasons, runs, now]);
}

/** An athlete's easy running on a day, minutes a kilometre; undefined without a mark. */
export function easyMinPerKm(athlete: SquadMember, squad: SquadView, today: string): number | undefined {
  const { curve, paceBook } = pacesOf(athlete, squad, today);
  const easyMps = curve && speedOfEntry(paceBook, 'easy', curve);
  return easyMps === undefined ? undefined : 1000 / 60 / easyMps;
}

/** Minutes go into kilometres by their own easy running. */
const sourceFor = (athlete: SquadMember, squad: SquadView, source: KmSource): KmSource => ({
  ...source,
  minPerKm: () => easyMinPerKm(athlete, squad, source.today),
});

/** Kilometres a week of an athlete, ticked or told. */
export const kmOfAthlete = (athlete: SquadMember, squad: SquadView, source: KmSource): KmAWeek | undefined =>
  kmAWeek(athlete, sourceFor(athlete, squad, source));

/** An athlete with their kilometres a week as they were ticked, where enough was. */
export const athleteWithKm = (athlete: SquadMember, squad: SquadView, source: KmSource): SquadMember =>
  withKmAWeek(athlete, sourceFor(athlete, squad, source));
