/**
 * How sure a prediction is: the same session drawn again and again, each time with a curve that the marks would also allow and a
 * day that is better or worse than usual (Monte Carlo). The targets stay as they are.
 */
import { curveMovedBy, type Curve } from '../fitness/curve';
import { reserveModel } from '../targets/reserve';
import type { MeantArc } from '../session/intent';
import type { TargetLeg } from '../targets/targetsFor';
import { gaugeOf, type Gauge } from './gauge';
import { judgePoints, meantFor, MOST_OF_LIMIT } from './outlook';
import { predict, stretchesOf } from './predict';

/** An athlete whose session is drawn. */
export type Entrant = { athleteId: string; curve: Curve; legs: readonly TargetLeg[] };

export type Chances = {
  athleteId: string;
  /** Shares of the draws, 0 to 1: the session could be finished; it was no harder than meant. */
  finishes: number;
  fits: number;
  /** Four draws in five lie between these: effort at the end, and least reserve left. */
  lastEffort?: { low: number; high: number };
  leastLeft: { low: number; high: number };
};

export const DRAWS = 1000;
/** Standard deviation of a day's form, as a share of speed: common practice. */
const FORM_SD = 0.012;
const TENTHS = { low: 0.1, high: 0.9 };

/** Two independent standard normal numbers from two even ones (Box & Muller, Ann. Math. Stat. 29:610, 1958). */
function normalPair(random: () => number): [number, number] {
  const radius = Math.sqrt(-2 * Math.log(1 - random()));
  const angle = 2 * Math.PI * random();
  return [radius * Math.cos(angle), radius * Math.sin(angle)];
}

/** The lower triangle that a covariance is the square of (Cholesky); a direction without spread stays without. */
function rootOf(covariance: readonly (readonly number[])[]): number[][] {
  const root: number[][] = covariance.map(() => []);
  covariance.forEach((row, i) => {
    for (let j = 0; j <= i; j++) {
      let rest = row[j] ?? 0;
      for (let k = 0; k < j; k++) rest -= (root[i]?.[k] ?? 0) * (root[j]?.[k] ?? 0);
      const pivot = root[j]?.[j] ?? 0;
      (root[i] as number[])[j] = i === j ? Math.sqrt(Math.max(0, rest)) : pivot > 0 ? rest / pivot : 0;
    }
  });
  return root;
}

/**
 * How critical speed and D′ change with each unknown of the curve. A fresh fit for every draw would take a hundred times as long,
 * and within the errors of a curve both go straight with its unknowns.
 */
function slopesOf(curve: Curve) {
  const base = reserveModel(curve);
  return curve.covariance.map((row, i) => {
    const step = Math.max(1e-4, Math.sqrt(Math.max(0, row[i] ?? 0)) / 2);
    const moved = reserveModel(
      curveMovedBy(
        curve,
        curve.covariance.map((_, j) => (i === j ? step : 0)),
      ),
    );
    return {
      criticalMps: (moved.criticalMps - base.criticalMps) / step,
      reserveM: (moved.reserveM - base.reserveM) / step,
    };
  });
}

/** Gauges that the athlete may have on the day. */
function* drawnGauges(curve: Curve, draws: number, random: () => number): Generator<Gauge> {
  const base = gaugeOf(curve);
  const { criticalMps, reserveM } = base.model;
  const root = rootOf(curve.covariance);
  const slopes = slopesOf(curve);
  const n = root.length;
  for (let i = 0; i < draws; i++) {
    const z: number[] = [];
    while (z.length <= n) z.push(...normalPair(random));
    const form = 1 + FORM_SD * (z[n] ?? 0);
    let [critical, reserve] = [criticalMps, reserveM];
    for (let j = 0; j < n; j++) {
      let by = 0;
      for (let k = 0; k <= j; k++) by += (root[j]?.[k] ?? 0) * (z[k] ?? 0);
      critical += (slopes[j]?.criticalMps ?? 0) * by;
      reserve += (slopes[j]?.reserveM ?? 0) * by;
    }
    // A tenth of the usual reserve is the least anyone has.
    const model = { criticalMps: critical * form, reserveM: Math.max(reserveM / 10, reserve * form) };
    const faster = model.criticalMps / criticalMps;
    yield {
      model,
      heldS: (speedMps) => base.heldS(speedMps / faster),
      staminaM: base.staminaM * faster,
      limitWeight: (speedMps) => base.limitWeight(speedMps / faster),
    };
  }
}

const between = (values: number[]) => {
  const sorted = values.sort((a, b) => a - b);
  const at = (share: number) => sorted[Math.min(sorted.length - 1, Math.floor(share * sorted.length))] ?? 0;
  return { low: at(TENTHS.low), high: at(TENTHS.high) };
};

/** Draws one athlete's session. @param random even numbers from 0 up to 1. */
export function chancesFor(
  { athleteId, curve, legs }: Entrant,
  arc: MeantArc,
  random: () => number,
  draws = DRAWS,
): Chances {
  const stretches = stretchesOf(gaugeOf(curve), legs);
  const efforts: number[] = [];
  const lefts: number[] = [];
  let [finished, fitted] = [0, 0];
  let meant: number[] | undefined;
  for (const gauge of drawnGauges(curve, draws, random)) {
    const points = predict(gauge, stretches);
    meant ??= meantFor(arc, points);
    const { fit, lastEffort, leastLeft } = judgePoints(points, arc, meant);
    if (fit !== 'cannot') finished++;
    if (fit !== 'cannot' && fit !== 'stretched') fitted++;
    if (lastEffort !== undefined) efforts.push(lastEffort);
    lefts.push(leastLeft);
  }
  return {
    athleteId,
    finishes: finished / draws,
    fits: fitted / draws,
    leastLeft: between(lefts),
    ...(efforts.length > 0 ? { lastEffort: between(efforts) } : {}),
  };
}

/**
 * The share of the draws (0 to 1) in which one rep more would have fitted, run as the last of the main part was: some of the reserve is
 * left after it, and no more was done of what could be run flat out than a session may be. Undefined where no rep was run.
 * @param legs as they were run, see asRun().
 */
export function oneMoreFits(
  curve: Curve,
  legs: readonly TargetLeg[],
  random: () => number,
  draws = DRAWS,
): number | undefined {
  const at = legs.findLastIndex((leg) => leg.kind === 'rep' && leg.role === 'main');
  const last = legs[at];
  if (!last) return undefined;
  const rest = legs.slice(0, at).findLast((leg) => leg.kind === 'recovery');
  const more = [...legs.slice(0, at + 1), ...(rest ? [rest] : []), last];
  const stretches = stretchesOf(gaugeOf(curve), more);
  let fitted = 0;
  for (const gauge of drawnGauges(curve, draws, random)) {
    const end = predict(gauge, stretches).at(-1);
    if (end && end.leftShare >= 0 && end.limitShare <= MOST_OF_LIMIT) fitted++;
  }
  return fitted / draws;
}
