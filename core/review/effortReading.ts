/** Three lines that should agree: meant effort, effort predicted from what was run, and told effort. */
import type { Curve } from '../fitness/curve';
import { gaugeOf } from '../outlook/gauge';
import { asMostTell, calibrated, type EffortPair, type Telling } from '../outlook/calibration';
import { meantFor, TOO_EASY, TOO_HARD_AT_END } from '../outlook/outlook';
import { predict, stretchesOf } from '../outlook/predict';
import { changesOf, outlookProposals, type LeverChange } from '../outlook/proposals';
import type { MeantArc } from '../session/intent';
import type { TargetLeg } from '../targets/targetsFor';
import { asRun } from './asRun';
import type { ReviewCell } from './cell';

/** Efforts as this athlete tells them; `predictedForMost` is what most would tell of the same. */
export type EffortPoint = {
  repIndex: number;
  meant: number;
  predicted?: number;
  predictedForMost?: number;
  reported?: number;
};

/**
 * What the efforts say of the recovery: `easy` all through is rests too long or a pace too slow; `early` is the effort meant for the
 * end before half way, `hard` one above it at the end: rests too short or a pace too fast.
 */
export type EffortVerdict = 'as-meant' | 'easy' | 'early' | 'hard';

export type EffortReading = {
  points: EffortPoint[];
  verdict?: EffortVerdict;
  /** Judged by predicted effort: none was told. */
  isPredicted?: true;
  /** Of the rep that decides: its number from 1, and the effort there. */
  at?: { rep: number; effort: number };
};

/** Rests longer than this factor make another session: another lever is used instead. */
const MOST_REST = 2.5;
/** Nor is it the same session with so small a share of its reps. */
const FEWEST_SHARE = 0.6;
/** With fewer reps half way says nothing. */
const ENOUGH = 4;

type Judgement = Pick<EffortReading, 'verdict' | 'at'>;

/** The verdict of one line of efforts, where there is a last one to go by. */
function judge(meant: readonly number[], efforts: readonly (number | undefined)[], arc: MeantArc): Judgement {
  const n = meant.length;
  const rated = efforts.flatMap((effort, i) => (effort === undefined ? [] : [{ effort, i, meant: meant[i] ?? 0 }]));
  const last = rated.at(-1);
  // An effort of the first half says nothing about the end.
  if (!last || (n >= ENOUGH && last.i < n / 2 && last.effort < arc.last)) return {};
  const of = (verdict: EffortVerdict, { i, effort }: { i: number; effort: number }): Judgement => ({
    verdict,
    at: { rep: i + 1, effort },
  });
  const early = n >= ENOUGH ? rated.find(({ effort, i }) => i + 1 < n / 2 && effort >= arc.last) : undefined;
  if (early) return of('early', early);
  if (last.effort - last.meant > TOO_HARD_AT_END) return of('hard', last);
  const isEasy = rated.every(({ effort, meant }) => effort < meant + 0.5) && last.meant - last.effort > TOO_EASY;
  if (isEasy) return of('easy', last);
  return of('as-meant', last);
}

/** What most would tell of each rep, as it was run; undefined where that is not predicted. */
function predictedFor(curve: Curve | undefined, legs: readonly TargetLeg[]): (number | undefined)[] {
  if (!curve) return [];
  const gauge = gaugeOf(curve);
  return predict(gauge, stretchesOf(gauge, legs)).map(({ effort, isAsked }) => (isAsked ? undefined : effort));
}

/** Every effort that was told beside the one predicted; reps that are left out of the reading say nothing. */
export function effortPairs(cells: readonly ReviewCell[], curve: Curve): Pick<EffortPair, 'predicted' | 'reported'>[] {
  const { legs, cells: ran } = asRun(cells);
  const predicted = predictedFor(curve, legs);
  return ran.flatMap(({ effort, excluded }, i) => {
    const at = predicted[i];
    return effort === undefined || excluded || at === undefined ? [] : [{ predicted: at, reported: effort }];
  });
}

/**
 * Reads the efforts of one athlete. The verdict takes a told effort for what most would tell of it: who tells all one lower is not to be
 * told to run harder.
 * @param curve theirs as of that day; without one nothing is predicted. @param telling how they tell effort, as far as it is known.
 */
export function readEffort(
  cells: readonly ReviewCell[],
  arc: MeantArc | undefined,
  curve: Curve | undefined,
  telling?: Telling,
): EffortReading {
  if (!arc) return { points: [] };
  const { legs, cells: ran } = asRun(cells);
  const theirs = (effort: number) => (telling ? calibrated(effort, telling) : effort);
  const predicted = predictedFor(curve, legs);
  const meant = meantFor(
    arc,
    ran.map(({ rep }) => (rep?.role === 'finish' ? { isFinish: true as const } : {})),
  );
  const points = ran.map(({ repIndex, effort }, i): EffortPoint => {
    const at = predicted[i];
    return {
      repIndex,
      meant: theirs(meant[i] ?? arc.last),
      ...(at === undefined ? {} : { predicted: theirs(at), predictedForMost: at }),
      ...(effort === undefined ? {} : { reported: effort }),
    };
  });
  const isPredicted = points.every(({ reported }) => reported === undefined);
  const line = points.map(({ predictedForMost, reported }) =>
    isPredicted ? predictedForMost : reported === undefined ? undefined : asMostTell(reported, telling),
  );
  const { verdict, at } = judge(meant, line, arc);
  const told = at && points[at.rep - 1]?.reported;
  const read: Judgement = {
    ...(verdict ? { verdict } : {}),
    ...(at ? { at: told === undefined ? at : { rep: at.rep, effort: told } } : {}),
  };
  return { points, ...read, ...(read.verdict && isPredicted ? { isPredicted: true as const } : {}) };
}

/** The meant effort of the last rep with a reported one; undefined without one, or without an arc. */
export function meantOfLast(arc: MeantArc | undefined, cells: readonly ReviewCell[]): number | undefined {
  if (!arc) return undefined;
  const { cells: ran } = asRun(cells);
  const at = ran.findLastIndex(({ effort, excluded }) => effort !== undefined && !excluded);
  if (at < 0) return undefined;
  return meantFor(
    arc,
    ran.map(({ rep }) => (rep?.role === 'finish' ? { isFinish: true as const } : {})),
  )[at];
}

/** How much higher than predicted the effort was on the rep that decides, as most would tell it; 0 where that is not known. */
function toldAbove({ points, at }: EffortReading, telling: Telling | undefined): number {
  const { predictedForMost: predicted, reported } = points[(at?.rep ?? 0) - 1] ?? {};
  return predicted === undefined || reported === undefined ? 0 : asMostTell(reported, telling) - predicted;
}

/**
 * The meant arc on the scale of what is predicted, for somebody who tells so much more or less than that. What the first rep costs no rest
 * can change: the arc begins no lower.
 */
function movedArc(arc: MeantArc, reading: EffortReading, telling: Telling | undefined): MeantArc {
  const above = toldAbove(reading, telling);
  const least = above > 0 ? (reading.points[0]?.predictedForMost ?? 1) : 1;
  const moved = (effort: number) => Math.min(10, Math.max(least, effort - above));
  return { first: moved(arc.first), middle: moved(arc.middle), last: moved(arc.last) };
}

/**
 * What to change next time, and by how much: the solver of "make it fit" run on the session as it was run, with the meant effort moved by
 * as much as this athlete told more or less than was predicted. Recovery first; empty where nothing is to be changed, or nothing helps.
 */
export function nextTime(
  cells: readonly ReviewCell[],
  reading: EffortReading,
  arc: MeantArc | undefined,
  curve: Curve | undefined,
  telling?: Telling,
): LeverChange[] {
  if (!arc || !curve || !reading.verdict || reading.verdict === 'as-meant') return [];
  const { session, legs } = asRun(cells);
  const found = outlookProposals(gaugeOf(curve), session, legs, movedArc(arc, reading, telling)).filter((proposal) =>
    changesOf(proposal).every(({ lever, from, to }) =>
      lever === 'recovery' ? to <= MOST_REST * from : lever === 'pace' || to >= FEWEST_SHARE * from,
    ),
  );
  const wanted = reading.verdict === 'easy' ? -1 : 1;
  const alone = found.filter(({ next }) => !next);
  const rest = alone.find(({ lever, from, to }) => lever === 'recovery' && Math.sign(to - from) === wanted);
  const best = rest ?? alone[0] ?? found[0];
  return best ? changesOf(best) : [];
}
