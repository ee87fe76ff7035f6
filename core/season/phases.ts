/** The phase of each week: laid back from every A race, with what was dropped where weeks were too few. */
import { counted } from '../units/counted';
import { aDay } from '../units/door';
import { dateOfDay, dayNumber, daysAfter, weekdayOf } from '../units/dayNumber';
import { comingBackOf, offDaysOf } from './comingBack';
import type { Phase, PhasePlan, SeasonPlan, SeasonRace } from './season';

/** The longest season. */
export const MOST_WEEKS = 104;

/** A second A race this soon after the first is run from the same form. */
const SAME_PEAK_DAYS = 14;

export type PhaseWeek = {
  /** The day number of its first day. */
  fromDay: number;
  phase: Phase;
  /** How many weeks of this stretch of the phase were before it. */
  place: number;
  /** How many weeks that stretch has. */
  of: number;
};

/** A phase that there were too few weeks for. */
export type LeftOut = { phase: Phase; weeks: number; planned: number; text: string };

/** The first day of the week that a day is in. */
export const weekStartOf = (day: number, { weekStart }: Pick<SeasonPlan, 'weekStart'>): number =>
  day - (weekStart === 'sunday' ? (weekdayOf(day) + 1) % 7 : weekdayOf(day));

/** Races within the season, by day. */
export function racesOf({ races, firstDay }: SeasonPlan): SeasonRace[] {
  const first = dayNumber(firstDay);
  return races
    .filter(({ date }) => dayNumber(date) >= first && dayNumber(date) < first + MOST_WEEKS * 7)
    .sort((a, b) => dayNumber(a.date) - dayNumber(b.date));
}

/** The A races the season is laid back from: of two within a fortnight the first. */
export function peaksOf(season: SeasonPlan): SeasonRace[] {
  const peaks: SeasonRace[] = [];
  for (const race of racesOf(season)) {
    const before = peaks.at(-1);
    if (race.weight === 'A' && (!before || dayNumber(race.date) - dayNumber(before.date) >= SAME_PEAK_DAYS))
      peaks.push(race);
  }
  return peaks;
}

/** The order in which phases give up weeks, and in the end go; the taper never does. */
const GIVES_FIRST: readonly Phase[] = ['base', 'transition', 'middle', 'early', 'late'];
/** The order in which they take spare weeks. */
const TAKES_FIRST: readonly Phase[] = ['base', 'middle', 'early', 'late', 'transition'];

const inOrder = (plans: readonly PhasePlan[], order: readonly Phase[]) =>
  order.flatMap((phase) => plans.flatMap((plan, i) => (plan.phase === phase ? [i] : [])));

/** A length that is no number of weeks, or more than a season has, is brought within it. */
const weeksOf = (weeks: number): number => (weeks > 0 ? Math.min(MOST_WEEKS, Math.round(weeks)) : 0);
const inWeeks = (plan: PhasePlan): PhasePlan => ({
  ...plan,
  weeks: weeksOf(plan.weeks),
  least: weeksOf(plan.least),
  most: weeksOf(plan.most),
});

/** How many weeks each phase gets, of so many. */
function lengthsFor(plans: readonly PhasePlan[], weeks: number): number[] {
  const lengths = plans.map((plan) => plan.weeks);
  let over = weeks - lengths.reduce((sum, n) => sum + n, 0);
  const change = (i: number, to: number) => {
    over -= to - (lengths[i] ?? 0);
    lengths[i] = to;
  };
  const give = (order: readonly number[], least: (plan: PhasePlan) => number) => {
    for (const i of order) {
      const plan = plans[i];
      if (over >= 0 || !plan) return;
      const now = lengths[i] ?? 0;
      change(i, Math.max(Math.min(now, least(plan)), now + over));
    }
  };
  const free = plans.map((plan) => !plan.isKept);
  const givers = inOrder(plans, GIVES_FIRST);
  give(
    givers.filter((i) => free[i]),
    ({ least }) => least,
  );
  give(
    givers.filter((i) => free[i]),
    () => 0,
  );
  give(givers, () => 0);
  // Only if nothing else is left.
  give([...plans.keys()].reverse(), () => 0);
  // Without an easy-only phase there is nothing to move on from.
  const has = (phase: Phase) => plans.some((plan, i) => plan.phase === phase && (lengths[i] ?? 0) > 0);
  const isComingOver = plans.some(({ phase }) => phase === 'base') && plans.some(({ phase }) => phase !== 'transition');
  if (isComingOver && !has('base') && (has('early') || has('middle') || has('late')))
    plans.forEach(({ phase, isKept }, i) => {
      if (phase === 'transition' && !isKept) change(i, 0);
    });
  for (const i of inOrder(plans, TAKES_FIRST)) {
    const plan = plans[i];
    const now = lengths[i] ?? 0;
    if (over > 0 && plan && !plan.isKept && now > 0) change(i, Math.min(Math.max(now, plan.most), now + over));
  }
  // The rest is base work, or more of whatever it begins with.
  if (over > 0) {
    const first = inOrder(plans, ['base', ...TAKES_FIRST]).find((i) => (lengths[i] ?? 0) > 0 && free[i]);
    const i = first ?? lengths.findIndex((n) => n > 0);
    change(i < 0 ? 0 : i, (lengths[i < 0 ? 0 : i] ?? 0) + over);
  }
  return lengths;
}

const weeksText = (n: number) => counted(n, 'week');

function leftOutOf(plans: readonly PhasePlan[], lengths: readonly number[], race: SeasonRace | undefined): LeftOut[] {
  return plans.flatMap(({ phase, weeks: planned }, i) => {
    const weeks = lengths[i] ?? 0;
    if (weeks >= planned) return [];
    const why = race ? `too few weeks before ${race.name}` : 'too few weeks';
    const text =
      weeks === 0
        ? `The ${phase} phase falls out: ${why}.`
        : `The ${phase} phase has ${weeksText(weeks)} in place of ${planned}: ${why}.`;
    return [{ phase, weeks, planned, text }];
  });
}

/** True for weeks in which the squad is off on most days. */
function offWeeks({ daysOff }: SeasonPlan, starts: readonly number[]): boolean[] {
  const spans = daysOff.map(({ from, to }) => [dayNumber(from), dayNumber(to)] as const);
  return starts.map((start) => {
    let days = 0;
    for (let day = start; day < start + 7; day++) if (spans.some(([from, to]) => day >= from && day <= to)) days += 1;
    return days >= 5;
  });
}

/** After this many easy weeks in a row hard work starts small. */
export const EASY_WEEKS = 2;
/** Phases that begin with a week of coming over, where they follow easy weeks. */
export const COMES_OVER: readonly Phase[] = ['early', 'middle', 'late'];

/** Tells of a week whether one of its hard days comes soon after seven days off or more. */
function backWeeks(season: SeasonPlan, starts: readonly number[]): (i: number) => boolean {
  if (season.daysOff.length === 0) return () => false;
  const off = offDaysOf(season.daysOff);
  const stretches = comingBackOf(off);
  const isSoon = (day: number) => !off.isOff(day) && stretches.some(({ from, to }) => day >= from && day <= to);
  return (i) => {
    const start = starts[i] ?? 0;
    return [0, 1, 2, 3, 4, 5, 6].some((n) => season.rhythm[weekdayOf(start + n)] === 'hard' && isSoon(start + n));
  };
}

/**
 * The weeks of a season, each with its phase; and what of its template there was no room for.
 * @throws RangeError when its first day is no day.
 */
export function phasesOf(season: SeasonPlan): { weeks: PhaseWeek[]; leftOut: LeftOut[] } {
  const first = weekStartOf(dayNumber(aDay(season.firstDay, 'The first day of a season')), season);
  const weekOf = (date: string) => (weekStartOf(dayNumber(date), season) - first) / 7;
  const peaks = peaksOf(season);
  const planned = season.phases.reduce((sum, { weeks }) => sum + weeksOf(weeks), 0);
  const lastRace = Math.max(-1, ...racesOf(season).map(({ date }) => weekOf(date)));
  const all = Array.from({ length: MOST_WEEKS }, (_, i) => first + i * 7);
  const isOff = offWeeks(season, all);
  // Without a race to be ready for, a week off makes the season longer.
  let count = Math.max(1, lastRace + 1);
  if (peaks.length === 0)
    for (let open = isOff.slice(0, count).filter((off) => !off).length; open < planned && count < MOST_WEEKS; count++)
      if (!isOff[count]) open += 1;
  const starts = all.slice(0, count);
  const phases = new Array<Phase>(count).fill('break');
  const leftOut: LeftOut[] = [];

  /** Lays the phases over the weeks from one up to another that nobody is off in. */
  const layPart = (from: number, until: number, isFirst: boolean, race: SeasonRace | undefined) => {
    let open = Array.from({ length: until - from }, (_, i) => from + i).filter((i) => !isOff[i]);
    const later = season.phases.filter(({ phase }) => phase !== 'base' && phase !== 'transition');
    // After a race a week of rest, where there is the time.
    if (!isFirst && open.length > 2) open = open.slice(1);
    const isLong = isFirst || later.length === 0 || open.length > later.reduce((sum, { most }) => sum + most, 0);
    const plans = (isLong ? season.phases : later).map(inWeeks);
    const lengths = lengthsFor(plans, open.length);
    if (isFirst) leftOut.push(...leftOutOf(plans, lengths, race));
    let next = 0;
    plans.forEach(({ phase }, i) => {
      for (let n = 0; n < (lengths[i] ?? 0); n++) {
        const week = open[next++];
        if (week !== undefined) phases[week] = phase;
      }
    });
  };

  let from = 0;
  peaks.forEach((race, i) => {
    const week = weekOf(race.date);
    layPart(from, week, i === 0, race);
    phases[week] = 'race week';
    from = week + 1;
  });
  if (peaks.length === 0) layPart(0, count, true, undefined);
  else {
    // The weeks after the last A race stay; a week of rest precedes them.
    for (let i = from + 1; i < count; i++) if (!isOff[i]) phases[i] = 'late';
  }
  // After easy weeks or rest, hard work comes back step by step.
  const isEasy = (i: number) => phases[i] === 'base' || (isOff[i] && phases[i] === 'break');
  for (let i = EASY_WEEKS; i < count; i++)
    if (COMES_OVER.includes(phases[i] as Phase) && isEasy(i - 1) && isEasy(i - 2)) phases[i] = 'transition';
  const isBack = backWeeks(season, starts);
  for (let i = 0; i < count; i++) if (COMES_OVER.includes(phases[i] as Phase) && isBack(i)) phases[i] = 'transition';
  return { weeks: placed(starts, phases), leftOut };
}

/** The last day of a season (YYYY-MM-DD). */
export function lastDayOf(season: SeasonPlan): string {
  const last = phasesOf(season).weeks.at(-1);
  return dateOfDay((last?.fromDay ?? dayNumber(season.firstDay)) + 6);
}

/** A season stays with the week for so many days after its end. */
const OVER_DAYS = 21;

/** Whether a season has ended and no longer stands with the week. */
export const isSeasonOver = (season: SeasonPlan, today: string): boolean =>
  lastDayOf(season) < daysAfter(today, -OVER_DAYS);

function placed(starts: readonly number[], phases: readonly Phase[]): PhaseWeek[] {
  const weeks: PhaseWeek[] = starts.map((fromDay, i) => ({ fromDay, phase: phases[i] ?? 'break', place: 0, of: 1 }));
  let begin = 0;
  weeks.forEach((week, i) => {
    if (weeks[begin]?.phase !== week.phase) begin = i;
    week.place = i - begin;
    for (let j = begin; j <= i; j++) (weeks[j] as PhaseWeek).of = i - begin + 1;
  });
  return weeks;
}
