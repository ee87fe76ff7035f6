import type { FitnessReading, GoalReps } from '@core/review/fitnessReading';
import type { Equivalent } from '@core/review/fitness';
import type { Goal } from '@core/squad/athlete';
import { formatDistance } from '@core/units/distance';
import { listed } from '@core/units/listed';
import { formatMarkTime, formatRest, formatTime } from '@core/units/time';

/** Shorter times are told to a tenth. */
const LONG_S = 300;

/** `16:31 ± 9 s`, `2:16.4 ± 1.9 s` */
function withError({ timeS, errorS }: Equivalent): string {
  const decimals = timeS < LONG_S ? 1 : 0;
  return `${formatTime(timeS, decimals)} ± ${Math.max(decimals ? 0.1 : 1, errorS).toFixed(decimals)}\u00a0s`;
}

const CHANGED_TEXT = {
  fitter: 'Fitter than the marks, by this session and those before it',
  'less-fit': 'Below the marks, by this session and those before it',
};

const READING_TEXT: Record<FitnessReading['is'], string> = {
  fitter: 'Looked a little above the marks',
  'less-fit': 'Looked a little below the marks',
  'as-known': 'As expected from the marks',
};

/** `Looked a little above the marks: 16:31 ± 9 s over 5k, before the session 16:50 ± 13 s.` */
export function fitnessText(reading: FitnessReading): string {
  const { is, changed, nothingNew, distanceM, before, after, atLeastS, surprise } = reading;
  const over = formatDistance(distanceM);
  if (surprise) {
    const { timeS, expectedS } = surprise;
    const what = timeS < expectedS ? 'much fitter' : 'not their day';
    return `${formatDistance(surprise.distanceM)} in ${formatTime(timeS)} does not fit what is known (${formatTime(expectedS)}): a wrong time or course, or ${what}. Keep it as a trial?`;
  }
  if (atLeastS !== undefined)
    return `Far quicker than the marks allow: ${over} in ${formatTime(Math.round(atLeastS / 5) * 5)} or better, by the marks ${withError(before)}.`;
  if (nothingNew) return `Nothing new: still ${withError(before)} over ${over}.`;
  return `${changed ? CHANGED_TEXT[changed] : READING_TEXT[is]}: ${withError(after)} over ${over}, before the session ${withError(before)}.`;
}

/** Explains why the day's times count for less; undefined if they count in full. */
export function doubtText({
  hot,
  isWindy,
  isWet,
}: Pick<FitnessReading, 'hot' | 'isWindy' | 'isWet'>): string | undefined {
  const what = [
    ...(hot ? [`${Math.round(hot.airC)}\u00a0°C (felt ${Math.round(hot.feltC)})`] : []),
    ...(isWindy ? ['windy'] : []),
    ...(isWet ? ['wet or soft underfoot'] : []),
  ];
  return what.length === 0 ? undefined : `It was ${listed(what)}: times say less about fitness then.`;
}

/** `Held 4 of 5 at goal 5k with 60 s of rest: points to 16:31 ± 9 s; the goal is 16:25.` */
export function goalRepsText(
  { held, of, pace, restS }: GoalReps,
  { distanceM, after }: FitnessReading,
  goal: Goal,
): string {
  const rest = restS === undefined ? '' : ` with ${formatRest(restS)} of rest`;
  const points = distanceM === goal.distanceM ? `: points to ${withError(after)}` : '';
  return `Held ${held} of ${of} at ${pace}${rest}${points}; the goal is ${formatMarkTime(goal.timeS)}.`;
}

/** Of those whom the session says nothing new about. */
export const othersText = (others: number, learnedCount: number): string =>
  learnedCount === 0
    ? 'Nothing new about anyone: times and efforts are what their marks made likely.'
    : `Nothing new about the other${others === 1 ? '' : ` ${others}`}.`;
