/** Places to run that the coach has measured: a lap of any length, or a way from one point to another. */
import type { Venue, VenueMark } from './venue';

/** As the coach keeps it: `lengthM` is one lap, or the way there. Marks are metres from the start, in running direction. */
export type OwnVenue = {
  id: string;
  name: string;
  shape: 'lap' | 'there-and-back';
  lengthM: number;
  marks: VenueMark[];
  /** Metres up in a hundred, on the way there: times uphill are compared on their own hill only. */
  slopePct?: number;
};

/** Metres: shorter is no lap, longer no training ground. */
export const VENUE_LENGTH_M = { min: 50, max: 20_000 };
export const MOST_MARKS = 60;
/** Steeper, up or down, is a climb and no running ground. */
export const MOST_SLOPE_PCT = 30;
/** Two marks nearer to each other than this are one. */
const APART_M = 1;

/** What is wrong with a place, each with the mark it is about, and what of that mark; empty when nothing is. */
export function checkVenue({ lengthM, marks, shape }: Pick<OwnVenue, 'lengthM' | 'marks' | 'shape'>) {
  const problems: { message: string; mark?: number; of?: 'at' | 'name' }[] = [];
  const { min, max } = VENUE_LENGTH_M;
  const what = shape === 'lap' ? 'lap' : 'way';
  if (!(lengthM >= min && lengthM <= max))
    return [{ message: `A ${what} has to be between ${min} m and ${max / 1000} km long.` }];
  marks.forEach(({ atM, name }, mark) => {
    const isInside = atM >= 0 && (shape === 'lap' ? atM < lengthM : atM <= lengthM);
    if (!isInside)
      problems.push({
        mark,
        of: 'at',
        message: `“${name}” is at ${atM} m, but the ${what} is only ${lengthM} m long.`,
      });
    const twin = marks.findIndex((other, i) => i < mark && Math.abs(other.atM - atM) < APART_M);
    if (twin >= 0)
      problems.push({
        mark,
        of: 'at',
        message: `“${name}” and “${marks[twin]?.name ?? ''}” are at the same place, ${atM} m.`,
      });
    if (marks.findIndex((other) => other.name === name) < mark)
      problems.push({ mark, of: 'name', message: `There are two marks called “${name}”.` });
  });
  return problems;
}

/** A lap shorter than this is a slip of the pen. */
const SHORTEST_M = 20;

/**
 * The place as sessions are laid out on it; there is always a mark at its start.
 * @throws RangeError for a lap under 20 m or without a length.
 */
export function venueOf({ id, name, shape, lengthM, marks }: OwnVenue): Venue {
  if (!(lengthM >= SHORTEST_M && lengthM < Infinity))
    throw new RangeError(`${name} is to be ${SHORTEST_M} m long at least, not ${lengthM}.`);
  const sorted = [...marks].sort((a, b) => a.atM - b.atM);
  const [first] = sorted;
  const all = first && first.atM < APART_M ? sorted : [{ atM: 0, name: 'start' }, ...sorted];
  if (shape === 'lap') return { id, name, lapM: lengthM, marks: all, starts: [] };
  const back = all
    .filter(({ atM }) => atM > 0 && atM < lengthM)
    .map((mark): VenueMark => ({ atM: 2 * lengthM - mark.atM, name: `${mark.name} on the way back` }));
  return { id, name, lapM: 2 * lengthM, marks: [...all, ...back.reverse()], starts: [], outAndBack: true };
}
