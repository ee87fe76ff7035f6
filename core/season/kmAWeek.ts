/** Kilometres an athlete runs a week: from ticked days, or as they told. */
import type { SquadMember } from '../squad/athlete';
import { daysAfter } from '../units/dayNumber';
import { exceptionOn } from './exceptions';
import { isToRun, MIN_PER_KM, ranAmount, type RanMinutes } from './load';
import { daysOf, type DayDone, type SeasonDay, type SeasonPlan, type SeasonWeek } from './season';

/** The last four weeks say what is usual. */
export const KM_DAYS = 28;
/** With less than half of the days ticked, the rest cannot be inferred. */
const MOST_TICKED = 0.5;
/** With fewer days nothing is said. */
const FEWEST_DAYS = 5;

export type KmAWeek = { km: number; from: 'ticked' | 'told' };

type LaidOut = { season: SeasonPlan; weeks: readonly SeasonWeek[] };

/** What else it takes. `minPerKm` is asked for only where minutes were ticked: their easy running, minutes a kilometre. */
export type KmSource = {
  seasons: readonly LaidOut[];
  /** Sessions that were run, and how many minutes they came to, where that is known. */
  ranMinutes: RanMinutes;
  today: string;
  minPerKm?: () => number | undefined;
};

/** Whether a season is for an athlete. */
export const isSeasonFor = (
  { groupIds }: Pick<SeasonPlan, 'groupIds'>,
  { groupId }: Pick<SquadMember, 'groupId'>,
): boolean => !groupIds || (groupId !== undefined && groupIds.includes(groupId));

/** Kilometres of one day; undefined if nothing says it was run. */
function kmOf(
  day: SeasonDay,
  done: DayDone | undefined,
  athleteId: string,
  { ranMinutes, minPerKm }: KmSource,
): number | undefined {
  if (done?.notIds?.includes(athleteId)) return 0;
  const ran = ranAmount(day, done, ranMinutes);
  return ran?.unit === 'min' ? ran.amount / (minPerKm?.() ?? MIN_PER_KM) : ran?.amount;
}

/**
 * Kilometres a week of an athlete: the mean of the last four weeks where at least half of their days are ticked or were run as a session, else
 * what they told; undefined where neither is known. About: minutes count as easy running, days away do not count.
 */
export function kmAWeek(
  athlete: Pick<SquadMember, 'id' | 'groupId' | 'weeklyKm'>,
  source: KmSource,
): KmAWeek | undefined {
  const { seasons, today } = source;
  const from = daysAfter(today, -KM_DAYS);
  let [days, toRun, ticked, km] = [0, 0, 0, 0];
  for (const laid of seasons) {
    const { season } = laid;
    const lately = season.done?.filter(({ date }) => date >= from && date < today) ?? [];
    // The weeks of a season are laid out when they are asked for: those that say nothing are not.
    if (lately.length === 0 || !isSeasonFor(season, athlete)) continue;
    const doneOn = new Map(lately.map((done) => [done.date, done]));
    for (const day of daysOf(laid.weeks)) {
      const { date } = day;
      if (date < from || date >= today || date < season.firstDay) continue;
      const found = exceptionOn(season.exceptions, athlete.id, date);
      if (found && !found.isEasing) continue;
      days += 1;
      const ran = kmOf(day, doneOn.get(date), athlete.id, source);
      if (ran === undefined && !isToRun(day)) continue;
      toRun += 1;
      if (ran === undefined) continue;
      ticked += 1;
      km += ran;
    }
  }
  if (toRun >= FEWEST_DAYS && ticked / toRun >= MOST_TICKED) return { km: Math.round((km / days) * 7), from: 'ticked' };
  return athlete.weeklyKm === undefined ? undefined : { km: athlete.weeklyKm, from: 'told' };
}

/** An athlete with the kilometres they run a week, by what was ticked where enough was. */
export function withKmAWeek<T extends SquadMember>(athlete: T, source: KmSource): T {
  const found = kmAWeek(athlete, source);
  return found && found.km !== athlete.weeklyKm ? { ...athlete, weeklyKm: found.km } : athlete;
}
