import type { AthleteException, RaceEntry, SeasonPlan } from './season';

/** One athlete's part in a season. */
export type OwnSeason = {
  exceptions?: Omit<AthleteException, 'id' | 'athleteId'>[];
  races?: ({ date: string; name: string } & Omit<RaceEntry, 'athleteId'>)[];
  /** Days that the others ran and they did not. */
  notRun?: string[];
};

/** What a season says about one athlete; undefined where it says nothing. */
export function aboutAthleteInSeason(
  { exceptions, races, done = [] }: SeasonPlan,
  athleteId: string,
): OwnSeason | undefined {
  const ownExceptions = exceptions.flatMap(({ athleteId: whose, id: _id, ...exception }) =>
    whose === athleteId ? [exception] : [],
  );
  const entered = races.flatMap(({ date, name, entries = [] }) =>
    entries.flatMap(({ athleteId: whose, ...entry }) => (whose === athleteId ? [{ date, name, ...entry }] : [])),
  );
  const notRun = done.flatMap(({ date, notIds = [] }) => (notIds.includes(athleteId) ? [date] : []));
  if (ownExceptions.length + entered.length + notRun.length === 0) return undefined;
  return {
    ...(ownExceptions.length > 0 ? { exceptions: ownExceptions } : {}),
    ...(entered.length > 0 ? { races: entered } : {}),
    ...(notRun.length > 0 ? { notRun } : {}),
  };
}

/** A season without anything about one athlete. */
export const seasonWithoutAthlete = (season: SeasonPlan, athleteId: string): SeasonPlan => ({
  ...season,
  exceptions: season.exceptions.filter((exception) => exception.athleteId !== athleteId),
  races: season.races.map((race) =>
    race.entries ? { ...race, entries: race.entries.filter((entry) => entry.athleteId !== athleteId) } : race,
  ),
  ...(season.done
    ? {
        done: season.done.map(({ notIds, ...day }) => {
          const left = notIds?.filter((id) => id !== athleteId) ?? [];
          return { ...day, ...(left.length > 0 ? { notIds: left } : {}) };
        }),
      }
    : {}),
});
