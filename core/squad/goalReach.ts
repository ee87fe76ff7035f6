/** Can a goal be reached by its day: the rate that it needs beside the athlete's own. */
import type { Curve } from '../fitness/curve';
import type { Trend } from '../fitness/trend';
import type { Goal } from './athlete';
import { aboveZero } from '../units/door';
import { daysAfter, daysBetween, isDate } from '../units/dayNumber';

/** `there`: within reach today. Chances of about 60 in 100 and more are `likely`, of less than 15 `unlikely`. */
export type ReachVerdict = 'there' | 'likely' | 'open' | 'unlikely' | 'unknown';

export type GoalReach = {
  verdict: ReachVerdict;
  weeks: number;
  /** How much faster by the week it has to go, as a share of the time. */
  neededPerWeek: number;
  /** What they would run that day at the rate so far, and how many times in a hundred that reaches the goal. */
  then?: { timeS: number; errorS: number };
  chance?: number;
  /** The day by which the rate so far comes to the goal, where it does within half a year of the goal's own day. */
  laterDay?: string;
};

const LIKELY = 0.6;
const UNLIKELY = 0.15;
/** A rate does not go on for ever: what is more than half a year ahead is not said. */
const MOST_WEEKS = 26;
/** Rates seen among runners, as shares of time a week: a few marks say less about somebody's than this does. This project's own values. */
const RATE = { mean: 0.0007, sd: 0.0011 };
/** No rate goes on: what is gained by it falls by a factor e in so many weeks. */
const FADES_WEEKS = 17;
/** A race's own chance: standard deviation of ln(time). */
const RACE_SD = 0.012;

/** Weeks at the rate so far that so many weeks ahead are worth. */
const worthWeeks = (weeks: number) => FADES_WEEKS * (1 - Math.exp(-weeks / FADES_WEEKS));

/** The rate that the marks and what is seen among runners make likely together, with its standard error. */
function likelyRate({ perWeek, errorPerWeek }: Trend): { perWeek: number; error: number } {
  const [own, seen] = [1 / errorPerWeek ** 2, 1 / RATE.sd ** 2];
  return { perWeek: (perWeek * own + RATE.mean * seen) / (own + seen), error: 1 / Math.sqrt(own + seen) };
}

/** Weeks ahead that are worth so many at the rate so far; Infinity where none are. */
const weeksWorth = (worth: number) =>
  worth >= FADES_WEEKS ? Infinity : -FADES_WEEKS * Math.log(1 - Math.max(0, worth) / FADES_WEEKS);

/** Weeks since the newest mark that counts: so long ago a curve stands still. */
export const lagWeeksOf = ({ marks }: Pick<Curve, 'marks'>): number =>
  Math.max(0, Math.min(...marks.filter(({ weight }) => weight > 0).map(({ ageDays }) => ageDays / 7), MOST_WEEKS));

/** The share of a standard normal distribution below z (Abramowitz & Stegun, Handbook of Mathematical Functions, 1964, 26.2.17). */
function normalBelow(z: number): number {
  const t = 1 / (1 + 0.2316419 * Math.abs(z));
  const tail =
    (Math.exp((-z * z) / 2) / Math.sqrt(2 * Math.PI)) *
    t *
    (0.31938153 + t * (-0.356563782 + t * (1.781477937 + t * (-1.821255978 + t * 1.330274429))));
  return z > 0 ? 1 - tail : tail;
}

/**
 * Holds a goal against what an athlete is worth now and how fast they come along. Undefined for a goal whose day is over, or is no day.
 * @throws RangeError for times that are none.
 * @param now what they are worth over the goal's distance; `lagWeeks` how long ago that was, see `lagWeeksOf`.
 * @param trend theirs so far; without one only the needed rate is known.
 */
export function goalReach(
  now: { timeS: number; errorS: number; lagWeeks?: number },
  trend: Trend | undefined,
  goal: Goal,
  asOf: string,
): GoalReach | undefined {
  aboveZero(now.timeS, 'A time in seconds');
  aboveZero(goal.timeS, 'A goal in seconds');
  if (!isDate(asOf) || !isDate(goal.date)) return undefined;
  const days = daysBetween(asOf, goal.date);
  if (days < 0) return undefined;
  const weeks = days / 7;
  const toFind = Math.log(now.timeS / goal.timeS);
  const neededPerWeek = toFind <= 0 ? 0 : toFind / Math.max(weeks, 1 / 7);
  const common = { weeks, neededPerWeek };
  if (toFind <= 0) return { verdict: 'there', ...common };
  if (!trend || weeks > MOST_WEEKS) return { verdict: 'unknown', ...common };
  const { perWeek, error } = likelyRate(trend);
  const { lagWeeks = 0 } = now;
  const atRate = lagWeeks + worthWeeks(weeks);
  const thenS = now.timeS * Math.exp(-perWeek * atRate);
  const share = Math.hypot(now.errorS / now.timeS, error * atRate, RACE_SD);
  const chance = normalBelow(Math.log(goal.timeS / thenS) / share);
  const laterWeeks = perWeek > 0 ? weeksWorth(toFind / perWeek - lagWeeks) : Infinity;
  return {
    verdict: chance >= LIKELY ? 'likely' : chance < UNLIKELY ? 'unlikely' : 'open',
    ...common,
    then: { timeS: thenS, errorS: thenS * share },
    chance,
    ...(laterWeeks > weeks && laterWeeks <= weeks + MOST_WEEKS
      ? { laterDay: daysAfter(asOf, Math.ceil(laterWeeks * 7)) }
      : {}),
  };
}
