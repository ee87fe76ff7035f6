/** What an athlete's told efforts mean: somebody who always tells one lower than predicted is not fitter for it. */
import type { Intent } from '../session/intent';
import { grouped } from '../units/grouped';
import { mean } from '../units/mean';

/**
 * A told effort with the one predicted from what was run, and how many days before the current session it was; `kind` is the session's
 * intent.
 */
export type EffortPair = { predicted: number; reported: number; ageDays: number; sessionId?: string; kind?: Intent };

/** By how much sessions of a kind are told above all of theirs, and how much of the spread among kinds is known by it, 0 to 1. */
export type OfKind = { b: number; known: number };

/**
 * Told = `a` + `g` × predicted. `aError` is the standard error of that where they tell theirs; `n` how many were told; `kinds` what kinds
 * of session add to it.
 */
export type Calibration = {
  a: number;
  g: number;
  aError: number;
  n: number;
  kinds?: Partial<Record<Intent, OfKind>>;
};

/** Before anything is known: most tell within a point of what is predicted. This project's own values, as all here. */
const PRIOR = { aSd: 0.8, g: 1, gSd: 0.15 };
const NOISE_SD = 0.9;
/** Spread among kinds of session, of one athlete and of the prediction, and from one session of a kind to the next. */
const KIND_SD = 0.6;
const SESSION_SD = 0.75;
/** The effort at which tellings are compared where nothing is known of theirs: what most hard sessions come to. */
const USUAL_EFFORT = 6.5;
/** How far anybody's telling may be off before anything is known of it. */
const MOST_ERROR = Math.hypot(PRIOR.aSd, PRIOR.gSd * USUAL_EFFORT);
/** The half-life of a report in days. */
const HALF_LIFE_DAYS = 60;
/** Reps of one session are told much alike: n of them count as n / (1 + 0.5 (n − 1)). */
export const ALIKE = 0.5;

/** Standard deviation of told efforts without any calibration. */
export const UNCALIBRATED: Calibration = { a: 0, g: PRIOR.g, aError: MOST_ERROR, n: 0 };

/** The weight of a report: less for several of one session, and for older ones. */
function weigh(pairs: readonly EffortPair[]): { pair: EffortPair; weight: number }[] {
  const inSession = new Map<string, number>();
  for (const { sessionId } of pairs)
    if (sessionId !== undefined) inSession.set(sessionId, (inSession.get(sessionId) ?? 0) + 1);
  return pairs.map((pair) => {
    const n = pair.sessionId === undefined ? 1 : (inSession.get(pair.sessionId) ?? 1);
    return { pair, weight: 0.5 ** (Math.max(0, pair.ageDays) / HALF_LIFE_DAYS) / (1 + ALIKE * (n - 1)) };
  });
}

/** Pairs with a larger prediction or age than this are ignored. */
const MOST = { predicted: 20, ageDays: 10_000 };
/** Efforts are told from 1 to 10; a pair with any other number says nothing. */
const saysSomething = ({ predicted, reported, ageDays }: EffortPair) =>
  reported >= 1 && reported <= 10 && Math.abs(predicted) <= MOST.predicted && Math.abs(ageDays) <= MOST.ageDays;

/**
 * How an athlete tells effort, from all they told before: Bayesian linear regression in closed form (Bishop, Pattern Recognition and
 * Machine Learning, 2006, section 3.3). With nothing told it is what holds for most.
 */
export function calibrate(pairs: readonly EffortPair[]): Calibration {
  const weighed = weigh(pairs.filter(saysSomething));
  if (weighed.length === 0) return UNCALIBRATED;
  const sum = (of: (pair: EffortPair) => number) =>
    weighed.reduce((total, { pair, weight }) => total + (weight * of(pair)) / NOISE_SD ** 2, 0);
  const [count, p] = [sum(() => 1), sum(({ predicted }) => predicted)];
  // The precision of a and g together, and what they come to.
  const aa = 1 / PRIOR.aSd ** 2 + count;
  const gg = 1 / PRIOR.gSd ** 2 + sum(({ predicted }) => predicted ** 2);
  const rA = sum(({ reported }) => reported);
  const rG = PRIOR.g / PRIOR.gSd ** 2 + sum(({ predicted, reported }) => predicted * reported);
  const determinant = aa * gg - p * p;
  const usual = p / count;
  // Of a + g × usual: how sure it is where they told theirs, which is where it is asked for.
  const variance = (gg - 2 * usual * p + usual ** 2 * aa) / determinant;
  const a = (gg * rA - p * rG) / determinant;
  const g = (aa * rG - p * rA) / determinant;
  const kinds = kindsOf(
    weighed.map(({ pair }) => pair),
    { a, g },
  );
  return {
    a,
    g,
    aError: Math.min(MOST_ERROR, Math.sqrt(variance)),
    n: weighed.length,
    ...(Object.keys(kinds).length > 0 ? { kinds } : {}),
  };
}

/** What is left over for each kind of session, shrunk by how few sessions of it there were. */
function kindsOf(pairs: readonly EffortPair[], { a, g }: Telling): NonNullable<Calibration['kinds']> {
  const known = pairs.flatMap(({ kind, sessionId, ...pair }) =>
    kind === undefined || sessionId === undefined ? [] : [{ ...pair, kind, sessionId }],
  );
  const sessions = [...grouped(known, ({ sessionId }) => sessionId).values()].flatMap((ofSession) => {
    const [first] = ofSession;
    const above = mean(ofSession.map(({ predicted, reported }) => reported - (a + g * predicted)));
    return first ? [{ kind: first.kind, above }] : [];
  });
  const found: NonNullable<Calibration['kinds']> = {};
  for (const [kind, ofKind] of grouped(sessions, (session) => session.kind)) {
    const share = (ofKind.length * KIND_SD ** 2) / (ofKind.length * KIND_SD ** 2 + SESSION_SD ** 2);
    found[kind] = { b: share * mean(ofKind.map(({ above }) => above)), known: share };
  }
  return found;
}

/** How they tell effort in sessions of a kind: the spread among kinds that is not known yet makes it less sure. */
export function calibrationFor(calibration: Calibration, kind: Intent | undefined): Calibration {
  const { a, aError, n, kinds } = calibration;
  if (n === 0) return calibration;
  const { b, known } = (kind && kinds?.[kind]) ?? { b: 0, known: 0 };
  return { ...calibration, a: a + b, aError: Math.min(MOST_ERROR, Math.hypot(aError, KIND_SD * Math.sqrt(1 - known))) };
}

/** How somebody tells effort, if asked of them: see Calibration. */
export type Telling = Pick<Calibration, 'a' | 'g'>;

const within = (effort: number) => Math.min(10, Math.max(1, effort));

/** Most points explained by how an athlete reports effort: beyond it, it is tiredness. */
const MOST_EXPLAINED = 1.5;
const explained = (by: number) => Math.min(MOST_EXPLAINED, Math.max(-MOST_EXPLAINED, by));

/** The least age in days of a session to learn an athlete's reporting from. */
export const LEARNED_AFTER_DAYS = 42;

/** What this athlete would tell of an effort predicted for most, on 1 to 10. */
export const calibrated = (predicted: number, { a, g }: Telling): number =>
  within(predicted + explained(a + g * predicted - predicted));

/** Nobody tells ten efforts alike. */
const LEAST_G = 0.3;

/** An effort told by this athlete, as most would tell it, on 1 to 10; unchanged without a calibration. */
export const asMostTell = (told: number, telling: Telling | undefined): number =>
  telling ? within(told - explained(told - (told - telling.a) / Math.max(LEAST_G, telling.g))) : told;

/** A hard rep, at which tellings are compared. */
const HARD = 7;

/** How much higher than most this athlete tells a hard rep; below 0 is lower. */
export const toldAboveMost = ({ a, g }: Telling): number => a + g * HARD - HARD;
