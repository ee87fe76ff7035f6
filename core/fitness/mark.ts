import { formatDistance } from '../units/distance';
import { runnable } from '../units/runnable';
import { formatMarkTime } from '../units/time';

/** How a mark was made; it decides how far the mark is trusted. */
export const MARK_KINDS = ['race', 'trial', 'session', 'estimate'] as const;
export type MarkKind = (typeof MARK_KINDS)[number];

/** What it was run on. Off the track a time says less: ground, hills and the length itself are uncertain. */
export const COURSES = ['track', 'road', 'cross-country', 'hilly'] as const;
export type Course = (typeof COURSES)[number];

/** One dated performance: `distanceM` metres in `timeS` seconds on `date` (YYYY-MM-DD). */
export type Mark = {
  /** Given when it is first stored, and kept when the mark is changed. */
  id?: string;
  distanceM: number;
  timeS: number;
  date: string;
  kind: MarkKind;
  /** On the track if left out. */
  course?: Course;
  /** The name of a course that is not a track, by which its marks are compared: `Mill Hill 4 km`. */
  courseName?: string;
  /** Where it was and under what conditions: wind, heat, a hilly road. */
  note?: string;
  /** Left out of the curve by the coach. */
  leftOut?: true;
  /** The run it comes from. */
  runId?: string;
  /**
   * Of a fitness estimate: what that session says alone, and the standard deviation of ln(time) of that. `timeS` is what it came to with
   * all that was known before; the curve, which knows that already, is fitted to this.
   */
  alone?: { timeS: number; sd: number };
};

/** True of a race or trial; a session or a coach's estimate was not run flat out. */
export const wasFlatOut = ({ kind }: Pick<Mark, 'kind'>): boolean => kind === 'race' || kind === 'trial';

export const isOnTrack = ({ course }: Pick<Mark, 'course'>): boolean => course === undefined || course === 'track';

/** `5k in 18:30` */
export const formatMark = ({ distanceM, timeS }: Pick<Mark, 'distanceM' | 'timeS'>): string =>
  `${formatDistance(distanceM)} in ${formatMarkTime(timeS)}`;

/**
 * A question for the coach about a hardly believable mark (a 5000 in 8 minutes, an 800 in 40); else undefined. Never refuses: the coach
 * may know better.
 */
export function doubtAboutMark(mark: Pick<Mark, 'distanceM' | 'timeS'>): string | undefined {
  const ran = runnable(mark.distanceM, mark.timeS);
  const what = formatMark(mark);
  if (ran === 'too-fast') return `Really? ${what} is faster than anyone has run it.`;
  if (ran === 'walking') return `Really? ${what} is walking pace.`;
  return undefined;
}
