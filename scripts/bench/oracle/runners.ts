/** Made-up athletes whose fitness is known: the oracle that the app's conclusions are held against. */
import { curveMovedBy, timeFor, type Curve } from '@core/fitness/curve';
import { enduranceTimeFor } from '@core/fitness/endurance';
import type { Mark } from '@core/fitness/mark';
import { gaugeOf } from '@core/outlook/gauge';
import { predict, stretchesOf } from '@core/outlook/predict';
import { legsRan, repsRan, type RepRan } from '@core/review/ranLegs';
import { normal, type Random } from '@core/rehearsal/simulate';
import { legSpeed, reserveAfter, reserveModel } from '@core/targets/reserve';
import { isTimedRep, type TargetLeg } from '@core/targets/targetsFor';

/** `own`: the app's own model of endurance. `other`: ln of speed falls evenly with ln of time, by 0.060 ± 0.009 among runners. */
export const WORLDS = ['own', 'other'] as const;
export type World = (typeof WORLDS)[number];

/** Standard deviations of what chance does, as shares of time or speed, seconds, and points of effort. */
const SD = { dayForm: 0.006, rep: 0.01, thumbS: 0.2, race: 0.012, tellSession: 0.7, tellRep: 0.6 };
/** Told = off + slope × felt. */
const TELLING = { offSd: 0.8, slopeSd: 0.12 };
const FALL = { mean: 0.06, sd: 0.009 };
/** Times over 5000 m, seconds. */
const FIVE_K_S = { best: 840, worst: 1980 };
/** Those who run short races stand on other marks. */
const RACES_M = [
  [800, 1500, 3000],
  [1500, 3000, 5000],
  [3000, 5000, 10_000],
];

export type Runner = {
  truth: Curve;
  /** The distances they race. */
  racesM: readonly number[];
  tell: { off: number; slope: number };
};

const none = (n: number) => Array.from({ length: n }, () => Array.from({ length: n }, () => 0));

/** A curve of the app's model, through a time over 5000 m, with a shape drawn from those seen among runners. */
function ownTruth(fiveKS: number, random: Random): Curve {
  const e = Math.min(-0.02, -0.048 + normal(random, 0.012));
  const aOff = normal(random, 8);
  const at = (mapWkg: number) => {
    const aS = Math.max(32, 55 + 20 * Math.log(mapWkg / 22) + aOff);
    return { mapWkg, eWkg: e * mapWkg, aJkg: aS * mapWkg };
  };
  let [low, high] = [5, 40];
  for (let i = 0; i < 60; i++) {
    const middle = (low + high) / 2;
    if (enduranceTimeFor(at(middle), 5000) > fiveKS) low = middle;
    else high = middle;
  }
  return { model: 'endurance', parameters: at(low), covariance: none(3), marks: [] };
}

function otherTruth(fiveKS: number, random: Random): Curve {
  const fall = FALL.mean + normal(random, FALL.sd);
  return {
    model: 'power-law',
    parameters: { atM: 5000, speedMps: 5000 / fiveKS, exponent: 1 / (1 - fall) },
    covariance: none(3),
    marks: [],
  };
}

export function runnerOf(world: World, random: Random): Runner {
  const fiveKS = FIVE_K_S.best + (FIVE_K_S.worst - FIVE_K_S.best) * random();
  return {
    truth: world === 'own' ? ownTruth(fiveKS, random) : otherTruth(fiveKS, random),
    racesM: RACES_M[Math.floor(random() * RACES_M.length)] ?? [],
    tell: { off: normal(random, TELLING.offSd), slope: 1 + normal(random, TELLING.slopeSd) },
  };
}

/** The same athlete, fitter by a share of speed. */
export const movedBy = (truth: Curve, share: number): Curve => curveMovedBy(truth, [share]);

const tenth = (timeS: number) => Math.round(timeS * 10) / 10;

export const raceOf = (truth: Curve, distanceM: number, date: string, random: Random): Mark => ({
  distanceM,
  timeS: tenth(timeFor(truth, distanceM) * Math.exp(normal(random, SD.race))),
  date,
  kind: 'race',
});

/** From this share of the reserve on the legs go, faster the less there is. */
const LEGS_GO = 0.33;
const SLOWED = 0.07;

/** A session as that athlete runs it on a day, with what they tell of it. */
export function ranBy({ truth, tell }: Runner, legs: readonly TargetLeg[], random: Random): RepRan[] {
  const day = movedBy(truth, normal(random, SD.dayForm));
  const model = reserveModel(day);
  let leftM = model.reserveM;
  const ran: RepRan[] = [];
  let isBegun = false;
  for (const leg of legs) {
    if (!isTimedRep(leg)) {
      if (isBegun) leftM = reserveAfter(model, leftM, legSpeed(leg, model), leg.targetS ?? leg.durationS ?? 0);
      continue;
    }
    isBegun = true;
    const distanceM = leg.distanceM ?? 0;
    let timeS = (leg.targetS ?? 0) * (1 + normal(random, SD.rep));
    const left = reserveAfter(model, leftM, distanceM / timeS, timeS) / model.reserveM;
    if (left < LEGS_GO) timeS *= 1 + SLOWED * (LEGS_GO - Math.max(left, -0.5));
    leftM = reserveAfter(model, leftM, distanceM / timeS, timeS);
    ran.push({ repIndex: ran.length, timeS });
  }
  const gauge = gaugeOf(day);
  const felt = predict(gauge, stretchesOf(gauge, legsRan(legs, repsRan(legs, ran))));
  const ofSession = normal(random, SD.tellSession);
  return ran.map((rep, i): RepRan => {
    const told = tell.off + tell.slope * (felt[i]?.effort ?? 5) + ofSession + normal(random, SD.tellRep);
    return {
      ...rep,
      timeS: tenth((rep.timeS ?? 0) + normal(random, SD.thumbS)),
      effort: Math.min(10, Math.max(1, Math.round(told * 2) / 2)),
    };
  });
}
