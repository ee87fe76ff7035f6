import {
  CurveError,
  curveMovedTo,
  curveNudged,
  fitCurve,
  type Curve,
  type ModelName,
  type Nudge,
} from '../fitness/curve';
import type { Mark } from '../fitness/mark';
import type { CourseOffsets } from '../fitness/weighing';
import type { PaceBook } from '../paces/paceBook';
import type { PaceSource } from '../paces/paceSpeed';
import { curveBook } from '../paces/shippedPaceBooks';
import type { Athlete } from './athlete';
import { withStrides, type Schools } from './schools';

/** What an athlete's paces are worked out from; `remark` says why there is no curve, or not the one the book asks for. */
export type AthletePaces = PaceSource & { remark?: string };

/** The book with this id; the default one when it is gone. */
export const paceBookById = (books: readonly PaceBook[], id: string | undefined): PaceBook =>
  books.find((book) => book.id === id) ?? curveBook;

/** The curve by the book's model, or by the default one where the marks cannot carry that. */
function fitted(
  marks: readonly Mark[],
  options: { asOf: string; model: ModelName; courses?: CourseOffsets },
): { curve?: Curve; remark?: string } {
  try {
    return { curve: fitCurve(marks, options) };
  } catch (error) {
    if (!(error instanceof CurveError)) throw error;
    if (options.model === 'endurance') return { remark: error.message };
    const { curve } = fitted(marks, { ...options, model: 'endurance' });
    return curve
      ? { curve, remark: `${error.message} Until then the paces come from the fitness curve.` }
      : { remark: error.message };
  }
}

function nudged(curve: Curve | undefined, nudge: Nudge, asOf: string): Curve {
  // Without any mark the coach's word is all there is: the usual shape at that level.
  const from = curve ?? fitCurve([{ ...nudge, kind: 'estimate' }], { asOf });
  return curveNudged(from, nudge, asOf);
}

/**
 * An athlete's curves and book on a day: the curve of their marks, moved where the coach has set the level, and the goal
 * curve, which is the same one moved so that the goal race comes out at the goal time.
 * @param asOf YYYY-MM-DD
 * @param options what is known of courses off the track, see courseOffsets(), and what the squad's strides hang on.
 */
export function athletePaces(
  { marks, nudge: word, goal }: Pick<Athlete, 'marks' | 'nudge' | 'goal'>,
  paceBook: PaceBook,
  asOf: string,
  { courses, stridesBy = '400' }: { courses?: CourseOffsets; stridesBy?: Schools['stridesBy'] } = {},
): AthletePaces {
  const fit = fitted(marks, { asOf, model: paceBook.model, ...(courses ? { courses } : {}) });
  // On a day before it was said it does not hold.
  const nudge = word && word.date <= asOf ? word : undefined;
  const curve = nudge ? nudged(fit.curve, nudge, asOf) : fit.curve;
  const goalCurve = goal && curve && curveMovedTo(curve, goal.distanceM, goal.timeS);
  return {
    paceBook: withStrides(paceBook, stridesBy, { curve, marks }),
    ...(curve ? { curve } : {}),
    ...(goalCurve ? { goalCurve } : {}),
    ...(fit.remark === undefined || (nudge && !fit.curve) ? {} : { remark: fit.remark }),
  };
}
