/** How somebody comes along, and what a goal needs, in a coach's words. */
import type { Trend } from '@core/fitness/trend';
import type { GoalReach } from '@core/squad/goalReach';
import { formatMarkTime, formatTime } from '@core/units/time';
import { dayInText } from '../ui/days';

const percent = (share: number) => `${(Math.abs(share) * 100).toFixed(2)}\u00a0%`;

/** `0.21 % faster a week (± 0.08)` */
export const trendText = ({ perWeek, errorPerWeek }: Trend): string =>
  `${percent(perWeek)} ${perWeek < 0 ? 'slower' : 'faster'} a week (± ${(errorPerWeek * 100).toFixed(2)})`;

/** What the marks say together: `fitter`, `less-fit`, or that it cannot be told. */
export const trendVerdict = ({ perWeek, errorPerWeek }: Trend): 'fitter' | 'less-fit' | 'unsure' =>
  Math.abs(perWeek) <= errorPerWeek ? 'unsure' : perWeek > 0 ? 'fitter' : 'less-fit';

const weeksText = (weeks: number) =>
  weeks < 1 ? 'less than a week' : Math.round(weeks) === 1 ? 'a week' : `${Math.round(weeks)} weeks`;

/** How many times in a hundred, as a coach would say it. */
function chanceText(chance: number): string {
  if (chance < 0.02) return 'next to no chance';
  if (chance > 0.98) return 'all but sure';
  return `about ${Math.round(chance * 20) * 5 || 2} chances in 100`;
}

/** Whether a goal can be reached by its day, a sentence each; nothing of one whose day is over. */
export function reachTexts(reach: GoalReach, trend: Trend | undefined, { timeS: goalS }: { timeS: number }): string[] {
  const { verdict, weeks, neededPerWeek, then, chance = 0, laterDay } = reach;
  if (verdict === 'there') return ['The marks say this goal is within reach today.'];
  const needs = `It needs ${percent(neededPerWeek)} faster a week for ${weeksText(weeks)}`;
  if (!trend) return [`${needs}. Three marks over four weeks say how fast they come along; there are fewer yet.`];
  const so = `${needs}; so far it was ${trendText(trend)}.`;
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
