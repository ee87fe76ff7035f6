/** Limits of one session at the track: more than a club runs at once, small enough to replay between two taps. */
import type { Plan } from './plan';

/** Athletes in a plan, all groups together. */
export const MOST_ATHLETES = 120;
/** People who were not in the plan and joined on the way. */
export const MOST_JOINED = 60;
/** Times to take, if everybody ran every rep and was timed at every mark: 120 athletes who run 60 reps with 4 marks each. */
export const MOST_TIMES = 120 * 60 * 4;

/** Returns a sentence that says by how much a plan is too large for one session; undefined if it is not. */
export function whyTooLarge({ groups }: Pick<Plan, 'groups'>): string | undefined {
  const athletes = groups.reduce((sum, group) => sum + group.athletes.length, 0);
  if (athletes > MOST_ATHLETES)
    return `One session has room for ${MOST_ATHLETES} athletes; this one has ${athletes}. Make two of it.`;
  const times = groups.reduce(
    (sum, { athletes: members, reps }) =>
      sum + members.length * reps.reduce((ofReps, { callM }) => ofReps + Math.max(1, callM.length), 0),
    0,
  );
  return times > MOST_TIMES
    ? `One session has room for ${MOST_TIMES.toLocaleString('en-GB')} times; this one asks for ${times.toLocaleString('en-GB')}. Take fewer reps or athletes, or two sessions.`
    : undefined;
}
