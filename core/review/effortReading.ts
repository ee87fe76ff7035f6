/** Three lines that should lie together: the effort that was meant, the one predicted from what was run, and the one that was told. */
import type { Curve } from '../fitness/curve';
import { gaugeOf } from '../outlook/gauge';
import { meantFor } from '../outlook/outlook';
import { predict, stretchesOf } from '../outlook/predict';
import { proposalsFor, type LeverChange } from '../outlook/proposals';
import type { MeantArc } from '../session/intent';
import { asRun } from './asRun';
import type { ReviewCell } from './cell';

export type EffortPoint = { repIndex: number; meant: number; predicted?: number; reported?: number };

/**
 * What the efforts say of the recovery: `easy` all through is rests too long or a pace too slow; `early` is the effort meant for the
 * end before half way, `hard` one above it at the end: rests too short or a pace too fast.
 */
export type EffortVerdict = 'as-meant' | 'easy' | 'early' | 'hard';

export type EffortReading = {
  points: EffortPoint[];
  verdict?: EffortVerdict;
  /** The verdict is of the predicted effort: none was told. */
  isPredicted?: true;
  /** Of the rep that decides: its number from 1, and the effort there. */
  at?: { rep: number; effort: number };
};

/** So far above what is meant for the end is another session; so far below all the way is too easy: common coaching practice. */
const ABOVE = 0.8;
const BELOW = 1.5;
/** Half way says nothing in fewer reps than this. */
const ENOUGH = 4;

const mean = (values: readonly number[]) => values.reduce((sum, value) => sum + value, 0) / values.length;

type Judgement = Pick<EffortReading, 'verdict' | 'at'>;

/** The verdict of one line of efforts, where there is a last one to go by. */
function judge(points: readonly EffortPoint[], efforts: readonly (number | undefined)[], arc: MeantArc): Judgement {
  const n = points.length;
  const known = efforts.flatMap((effort, i) =>
    effort === undefined ? [] : [{ effort, i, meant: points[i]?.meant ?? 0 }],
  );
  const last = known.at(-1);
  // An effort of the first half says nothing about the end.
  if (!last || (n >= ENOUGH && last.i < n / 2 && last.effort < arc.last)) return {};
  const of = (verdict: EffortVerdict, { i, effort }: { i: number; effort: number }): Judgement => ({
    verdict,
    at: { rep: i + 1, effort },
  });
  const early = n >= ENOUGH ? known.find(({ effort, i }) => i + 1 < n / 2 && effort >= arc.last) : undefined;
  if (early) return of('early', early);
  if (last.effort - last.meant >= ABOVE) return of('hard', last);
  const isEasy = known.every(({ effort, meant }) => effort < meant + 0.5) && last.meant - last.effort >= BELOW;
  if (isEasy) return of('easy', last);
  return of('as-meant', last);
}

/** Reads the efforts of one athlete. @param curve theirs as of that day; without one nothing is predicted. */
export function readEffort(
  cells: readonly ReviewCell[],
  arc: MeantArc | undefined,
  curve: Curve | undefined,
): EffortReading {
  if (!arc) return { points: [] };
  const { legs, cells: ran } = asRun(cells);
  const gauge = curve && gaugeOf(curve);
  const predicted = gauge ? predict(gauge, stretchesOf(gauge, legs)) : undefined;
  const meant = meantFor(
    arc,
    ran.map(({ rep }) => (rep?.role === 'finish' ? { isFinish: true as const } : {})),
  );
  const points = ran.map(({ repIndex, effort }, i): EffortPoint => {
    const point = predicted?.[i];
    return {
      repIndex,
      meant: meant[i] ?? arc.last,
      ...(point?.effort === undefined || point.isAsked ? {} : { predicted: point.effort }),
      ...(effort === undefined ? {} : { reported: effort }),
    };
  });
  const reported = points.map((point) => point.reported);
  const isPredicted = reported.every((effort) => effort === undefined);
  const line = isPredicted ? points.map((point) => point.predicted) : reported;
  const read = judge(points, line, arc);
  return { points, ...read, ...(read.verdict && isPredicted ? { isPredicted: true as const } : {}) };
}

/** How much higher than predicted an athlete told their efforts, on average; 0 where that is not known. */
function toldAbove(points: readonly EffortPoint[]): number {
  const both = points.flatMap(({ predicted, reported }) =>
    predicted === undefined || reported === undefined ? [] : [reported - predicted],
  );
  return both.length === 0 ? 0 : mean(both);
}

const within = (effort: number) => Math.min(10, Math.max(1, effort));

/**
 * What to change next time, and by how much: the solver of "make it fit" run on the session as it was run, with the meant effort moved by
 * as much as this athlete told more or less than was predicted. Recovery first; undefined where nothing is to be changed, or nothing helps.
 */
export function nextTime(
  cells: readonly ReviewCell[],
  reading: EffortReading,
  arc: MeantArc | undefined,
  curve: Curve | undefined,
): LeverChange | undefined {
  if (!arc || !curve || !reading.verdict || reading.verdict === 'as-meant') return undefined;
  const above = toldAbove(reading.points);
  const moved = {
    first: within(arc.first - above),
    middle: within(arc.middle - above),
    last: within(arc.last - above),
  };
  const { session, legs } = asRun(cells);
  const found = proposalsFor(gaugeOf(curve), session, legs, moved).filter(({ next }) => !next);
  const wanted = reading.verdict === 'easy' ? -1 : 1;
  const rest = found.find(({ lever, from, to }) => lever === 'recovery' && Math.sign(to - from) === wanted);
  return rest ?? found[0];
}
