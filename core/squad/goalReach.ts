/** Can a goal be reached by its day: the rate that it needs beside the athlete's own. */
import type { Trend } from '../fitness/trend';
import type { Goal } from './athlete';
import { daysAfter, daysBetween } from '../units/dayNumber';

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
/** Nobody gets faster by more than this a week for long, in share of the time: common coaching experience. */
const MOST_PER_WEEK = 0.006;

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
 * Holds a goal against what an athlete is worth now and how fast they come along. Undefined for a goal whose day is over.
 * @param now what they are worth over the goal's distance. @param trend theirs so far; without one only the needed rate is known.
 */
export function goalReach(
  now: { timeS: number; errorS: number },
  trend: Trend | undefined,
  goal: Goal,
  asOf: string,
): GoalReach | undefined {
  const days = daysBetween(asOf, goal.date);
  if (days < 0) return undefined;
  const weeks = days / 7;
  const toFind = Math.log(now.timeS / goal.timeS);
  const neededPerWeek = toFind <= 0 ? 0 : toFind / Math.max(weeks, 1 / 7);
  const common = { weeks, neededPerWeek };
  if (toFind <= 0) return { verdict: 'there', ...common };
  if (!trend || weeks > MOST_WEEKS) return { verdict: 'unknown', ...common };
  const perWeek = Math.min(MOST_PER_WEEK, trend.perWeek);
  const thenS = now.timeS * Math.exp(-perWeek * weeks);
  const share = Math.hypot(now.errorS / now.timeS, trend.errorPerWeek * weeks);
  const chance = normalBelow(Math.log(goal.timeS / thenS) / share);
  const laterWeeks = perWeek > 0 ? toFind / perWeek : Infinity;
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
