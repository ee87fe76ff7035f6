/** Months of training of made-up athletes, read as the app reads them: how right and how sure it is, and what it says. */
import { errorShareFor, fitCurve, timeFor, type Curve } from '@core/fitness/curve';
import type { Mark } from '@core/fitness/mark';
import { calibrate, LEARNED_AFTER_DAYS, UNCALIBRATED, type EffortPair } from '@core/outlook/calibration';
import { gaugeOf } from '@core/outlook/gauge';
import { predict, stretchesOf } from '@core/outlook/predict';
import { curveBook } from '@core/paces/shippedPaceBooks';
import { changeShown, type LevelRead } from '@core/review/changeShown';
import { markOfEstimate, readFitness } from '@core/review/fitnessReading';
import { legsRan, repsRan, type RepRan } from '@core/review/ranLegs';
import type { Intent } from '@core/session/intent';
import { parseStored } from '@core/session/parseSession';
import type { SessionTree } from '@core/session/session';
import { targetsFor, type TargetLeg } from '@core/targets/targetsFor';
import { daysAfter } from '@core/units/dayNumber';
import { seeded } from '@core/units/seeded';
import { standardTrack } from '@core/venue/venue';
import { movedBy, raceOf, ranBy, runnerOf, type World } from './runners';

const tree = (text: string): SessionTree => {
  const parsed = parseStored(text);
  if (!parsed.ok) throw new Error(text);
  return parsed.session;
};

const KINDS: readonly { intent: Intent; of: (reps: (n: number) => number) => string }[] = [
  { intent: 'aerobic-power', of: (reps) => `${reps(8)}x400 @3k / 90s` },
  { intent: 'threshold', of: (reps) => `${reps(4)}x1600 @threshold / 60s` },
  { intent: 'aerobic-power', of: (reps) => `${reps(6)}x1000 @5k / 2min jog` },
  { intent: 'critical-speed-short', of: (reps) => `${reps(14)}x400 @cv / 45s jog` },
  { intent: 'race-pace', of: (reps) => `${reps(9)}x350 @mile / 1:50` },
  { intent: 'aerobic-power', of: (reps) => `${reps(14)}x300 @5k / 30s jog` },
  { intent: 'threshold', of: (reps) => `${reps(5)}x1200 @threshold / 60s` },
  { intent: 'aerobic-power', of: (reps) => `${reps(6)}x700 @3k / 2:10` },
];
/** Sessions are written for this time over 5000 m; slower runners get fewer reps. */
const WRITTEN_FOR_S = 1140;

const DAY_0 = '2026-06-01';
/** Weeks before the day from which on something may change, and after it; two sessions a week. */
const WEEKS = { before: 12, after: 16 };
const SESSION_DAYS = [2, 5];
const RACE_WEEKS = [-12, -8, -3];

export type Scenario = {
  world: World;
  /** The change on day 0, and what is gained from then on by the week, as shares of speed. */
  step?: number;
  perWeek?: number;
  /** Every estimate that is offered is kept as a mark. */
  keeps?: true;
  /** A race every so many weeks of the sixteen. */
  raceWeeks?: number;
};

/** One session read: the level that it showed, and how far the curve after it is from the truth. */
type Reading = LevelRead & { off: number; sd: number };

/** What holds of an athlete's season: each session of the sixteen weeks. */
function seasonOf({ world, step = 0, perWeek = 0, keeps, raceWeeks }: Scenario, seed: number): Reading[] {
  const random = seeded(seed);
  const runner = runnerOf(world, random);
  const scale = Math.min(1, WRITTEN_FOR_S / timeFor(runner.truth, 5000));
  const marks: Mark[] = runner.racesM.map((distanceM, i) =>
    raceOf(runner.truth, distanceM, daysAfter(DAY_0, 7 * (RACE_WEEKS[i] ?? 0)), random),
  );
  const pairs: (EffortPair & { date: string })[] = [];
  const readings: Reading[] = [];
  let session = 0;
  for (let week = -WEEKS.before; week < WEEKS.after; week++) {
    if (raceWeeks !== undefined && week >= 0 && week % raceWeeks === raceWeeks - 1) {
      const raceM = runner.racesM[Math.floor(random() * 3)] ?? 5000;
      marks.push(raceOf(movedBy(runner.truth, step + perWeek * week), raceM, daysAfter(DAY_0, 7 * week), random));
    }
    for (const day of SESSION_DAYS) {
      const date = daysAfter(DAY_0, 7 * week + day);
      const truth = week < 0 ? runner.truth : movedBy(runner.truth, step + perWeek * week);
      const kind = KINDS[session++ % KINDS.length] ?? KINDS[0];
      const curve = fitCurve(marks, { asOf: date });
      if (!kind) continue;
      const text = kind.of((n) => Math.max(2, Math.round(n * scale)));
      const legs = targetsFor(tree(text), { curve, paceBook: curveBook, venue: standardTrack });
      const runs = ranBy({ ...runner, truth }, legs, random);
      const known = pairs.flatMap(({ date: of, ...pair }): EffortPair[] => {
        const ageDays = (Date.parse(date) - Date.parse(of)) / 86_400_000;
        return ageDays > LEARNED_AFTER_DAYS ? [{ ...pair, ageDays }] : [];
      });
      pairs.push(
        ...pairsOf(curve, legs, runs, `${session}`).map((pair) => ({ ...pair, ageDays: 0, date, kind: kind.intent })),
      );
      if (week < 0) continue;
      const calibration = known.length > 0 ? calibrate(known) : UNCALIBRATED;
      const reading = readFitness({
        athleteId: 'a',
        distanceM: 5000,
        curve,
        legs,
        runs,
        calibration,
        kind: kind.intent,
      });
      const mark = markOfEstimate(reading, { id: `${session}`, date, title: kind.intent });
      if (keeps && mark) marks.push(mark);
      const after = fitCurve(marks, { asOf: date });
      readings.push({
        date,
        shift: Math.log(reading.before.timeS / reading.after.timeS),
        error: reading.before.errorS / reading.before.timeS,
        off: Math.log(timeFor(after, 5000) / timeFor(truth, 5000)),
        sd: errorShareFor(after, 5000),
      });
    }
  }
  return readings;
}

function pairsOf(curve: Curve, legs: readonly TargetLeg[], runs: readonly RepRan[], sessionId: string) {
  const gauge = gaugeOf(curve);
  const points = predict(gauge, stretchesOf(gauge, legsRan(legs, repsRan(legs, runs))));
  return runs.flatMap(({ effort }, i) => {
    const predicted = points[i]?.effort;
    return effort === undefined || predicted === undefined ? [] : [{ predicted, reported: effort, sessionId }];
  });
}

export type Figures = {
  /** How much slower the curve is than the truth at the end, in %, on average. */
  slowPct: number;
  /** Percent of athletes whose truth lies within one and two errors, at the end. */
  within1: number;
  within2: number;
  /** Percent of athletes of whom it was said in the sixteen weeks, and within six sessions. */
  fitter: number;
  lessFit: number;
  fitterIn6: number;
};

const percent = (part: number, of: number) => (100 * part) / of;

export function figuresOf(scenario: Scenario, athletes: number): Figures {
  let [slow, within1, within2, fitter, lessFit, fitterIn6] = [0, 0, 0, 0, 0, 0];
  for (let i = 0; i < athletes; i++) {
    const readings = seasonOf(scenario, 1000 + i);
    const last = readings.at(-1);
    if (!last) continue;
    slow += last.off;
    if (Math.abs(last.off) <= last.sd) within1++;
    if (Math.abs(last.off) <= 2 * last.sd) within2++;
    const words = readings.map((_, at) => changeShown(readings.slice(0, at + 1)));
    if (words.includes('fitter')) fitter++;
    if (words.includes('less-fit')) lessFit++;
    if (words.slice(0, 6).includes('fitter')) fitterIn6++;
  }
  return {
    slowPct: percent(slow, athletes),
    within1: percent(within1, athletes),
    within2: percent(within2, athletes),
    fitter: percent(fitter, athletes),
    lessFit: percent(lessFit, athletes),
    fitterIn6: percent(fitterIn6, athletes),
  };
}
