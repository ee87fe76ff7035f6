/** How somebody comes along, and what a goal needs, in a coach's words. */
import type { Trend } from '@core/fitness/trend';
import type { GoalReach } from '@core/squad/goalReach';
import { formatDistance } from '@core/units/distance';
import { formatMarkTime, formatTime } from '@core/units/time';
import { dayInText } from '../ui/days';

/** A distance and the time they need for it now: shares of speed are given in its seconds. */
export type Over = { distanceM: number; timeS: number };

/** Seconds a week: whole ones, tenths of a short race. */
function secondsText(share: number, { timeS }: Over): string {
  const s = Math.abs(share) * timeS;
  return `${s < 3 ? s.toFixed(1) : Math.round(s)}\u00a0s`;
}

/** `2.1 s a week faster over 5k (± 0.8)` */
export function trendText({ perWeek, errorPerWeek }: Trend, over: Over): string {
  const way = perWeek < 0 ? 'slower' : 'faster';
  return `${secondsText(perWeek, over)} a week ${way} over ${formatDistance(over.distanceM)} (± ${(errorPerWeek * over.timeS).toFixed(1)})`;
}

/** Standard errors from which a rate is reported; chance alone reaches them once in ten. */
const SURE_SES = 1.64;

/** What the marks say together: `fitter`, `less-fit`, or that it cannot be told. */
export const trendVerdict = ({ perWeek, errorPerWeek }: Trend): 'fitter' | 'less-fit' | 'unsure' =>
  Math.abs(perWeek) <= SURE_SES * errorPerWeek ? 'unsure' : perWeek > 0 ? 'fitter' : 'less-fit';

const weeksText = (weeks: number) =>
  weeks < 1 ? 'less than a week' : Math.round(weeks) === 1 ? 'a week' : `${Math.round(weeks)} weeks`;

/** Chances in everyday words. */
const CHANCES: readonly [number, string][] = [
  [0.05, '1 in 20'],
  [0.1, '1 in 10'],
  [0.2, '1 in 5'],
  [0.25, '1 in 4'],
  [0.33, '1 in 3'],
  [0.5, 'about even'],
  [0.67, '2 in 3'],
  [0.75, '3 in 4'],
  [0.8, '4 in 5'],
  [0.9, '9 in 10'],
];

/** Odds of reaching a goal, in a coach's words. */
function chanceText(chance: number): string {
  if (chance < 0.02) return 'next to no chance';
  if (chance > 0.98) return 'all but sure';
  const off = ([value]: readonly [number, string]) => Math.abs(value - chance);
  return CHANCES.reduce((best, other) => (off(other) < off(best) ? other : best))[1];
}

/** Whether a goal can be reached by its day, a sentence each; nothing of one whose day is over. */
export function reachTexts(
  reach: GoalReach,
  trend: Trend | undefined,
  { timeS: goalS }: { timeS: number },
  now: Over,
): string[] {
  const { verdict, weeks, neededPerWeek, then, chance = 0, laterDay } = reach;
  if (verdict === 'there') return ['The marks say this goal is within reach today.'];
  const needs = `It needs ${secondsText(neededPerWeek, now)} a week for ${weeksText(weeks)}`;
  if (!trend) return [`${needs}. Three marks over four weeks say how fast they come along; there are fewer yet.`];
  const so = `${needs}; so far it was ${trendText(trend, now)}.`;
  if (!then) return [so, 'It is too far ahead to say more.'];
  const nearer = Math.ceil(then.timeS);
  return [
    so,
    `Going on like that: ${formatTime(then.timeS)} ± ${formatTime(Math.max(1, then.errorS))} s that day, ${chanceText(chance)}.`,
    ...(verdict === 'unlikely' && nearer > goalS
      ? [
          `A nearer goal would be ${formatMarkTime(nearer)}${laterDay === undefined ? '.' : `; or the same one in a race from ${dayInText(laterDay)} on.`}`,
        ]
      : []),
  ];
}
