/** What a session says about fitness: by hand-made examples, by properties, and against runners whose fitness is known. */
import fc from 'fast-check';
import { curveMovedBy, fitCurve, timeErrorFor, timeFor, type Curve } from '../fitness/curve';
import { gaugeOf } from '../outlook/gauge';
import { predict, stretchesOf } from '../outlook/predict';
import { curveBook } from '../paces/shippedPaceBooks';
import { read } from '../session/testing';
import { isTimedRep, targetsFor, type TargetLeg } from '../targets/targetsFor';
import { standardTrack } from '../venue/venue';
import { normal, SimulatedRunner, type Random } from '../rehearsal/simulate';
import { seeded } from '../units/seeded';
import { calibrate, calibrated, UNCALIBRATED, type EffortPair } from '../outlook/calibration';
import { firstSlipped, sharesOf } from './clues';
import { estimateFitness, isDoubtfulDay, type FitnessInput } from './fitness';
import { legsRan, repsRan, type RepRan } from './ranLegs';

const DAY = '2026-11-01';
/** So old that the curve of three is sure to 1.3 %. */
const race = (distanceM: number, timeS: number, date = '2026-09-28') => ({
  distanceM,
  timeS,
  date,
  kind: 'race' as const,
});
const curve = fitCurve([race(1500, 270), race(3000, 585), race(5000, 1010)], { asOf: DAY });
const errorOf = (curve: Curve) => timeErrorFor(curve, 5000) / timeFor(curve, 5000);
const legsOf = (text: string, of: Curve = curve) =>
  targetsFor(read(text), { curve: of, paceBook: curveBook, venue: standardTrack });
/** Everyone on target, with the rests as planned; what else is known is added. */
function onTarget(legs: readonly TargetLeg[], more: (repIndex: number) => Partial<RepRan> = () => ({})): RepRan[] {
  return legs.filter(isTimedRep).map((leg, repIndex) => ({
    repIndex,
    ...(leg.targetS === undefined ? {} : { timeS: leg.targetS }),
    ...more(repIndex),
  }));
}

/** The efforts that would be predicted for what was run, for somebody with that curve. */
function predictedFor(of: Curve, legs: readonly TargetLeg[], runs: readonly RepRan[]): number[] {
  const gauge = gaugeOf(of);
  return predict(gauge, stretchesOf(gauge, legsRan(legs, repsRan(legs, runs)))).map(({ effort }) => effort ?? 0);
}

const estimate = (
  text: string,
  more: (repIndex: number) => Partial<RepRan> = () => ({}),
  rest: Partial<FitnessInput> = {},
) => {
  const legs = legsOf(text);
  return estimateFitness({ curve, legs, runs: onTarget(legs, more), ...rest });
};

const CRITICAL = '8x400 @3k / 90s jog';

describe('nothing new', () => {
  test.each<[string, FitnessInput['runs'] | undefined]>([
    ['on target, no efforts told', undefined],
    ['nothing run at all', []],
    ['only times that nobody took', [{ repIndex: 0 }, { repIndex: 1 }]],
    ['a rep that is not in the session', [{ repIndex: 99, timeS: 80, effort: 10 }]],
  ])('%s', (_what, runs) => {
    const legs = legsOf('4x1mi @threshold / 60s');
    const read = estimateFitness({ curve, legs, runs: runs ?? onTarget(legs) });
    expect(read).toMatchObject({ levelShift: 0, learned: 0, nothingNew: true });
    expect(read.equivalent(5000)).toEqual({
      timeS: timeFor(curve, 5000),
      errorS: expect.closeTo(timeErrorFor(curve, 5000), 9),
    });
  });
  test('a session run by effort, or uphill, tells nothing of speed', () => {
    for (const text of ['6x3min @effort 7 / 90s', '8x200 hill @effort 8 / 2min', '20min free @effort 6']) {
      const read = estimateFitness({ curve, legs: legsOf(text), runs: onTarget(legsOf(text), () => ({ effort: 9 })) });
      expect(read).toMatchObject({ levelShift: 0, nothingNew: true });
    }
  });
  test('one slow rep is no sign, nor are two straight after one that was run too fast', () => {
    const slow = (of: Record<number, number>) => (rep: number) => {
      const targetS = legsOf(CRITICAL).filter(isTimedRep)[rep]?.targetS ?? 0;
      return { timeS: targetS * (of[rep] ?? 1) };
    };
    expect(estimate(CRITICAL, slow({ 5: 1.05 })).nothingNew).toBe(true);
    expect(estimate(CRITICAL, slow({ 3: 0.97, 4: 1.05, 5: 1.05 })).nothingNew).toBe(true);
    expect(estimate(CRITICAL, slow({ 5: 1.05, 6: 1.05, 7: 1.06 })).levelShift).toBeLessThan(-0.002);
  });
});

describe('what tells', () => {
  test('efforts above or below those predicted, the more the surer it is how they are told', () => {
    const legs = legsOf(CRITICAL);
    const predicted = predictedFor(curve, legs, onTarget(legs));
    const told = (by: number, calibration?: FitnessInput['calibration']) =>
      estimate(CRITICAL, (rep) => ({ effort: (predicted[rep] ?? 0) + by }), calibration ? { calibration } : {});
    expect(told(0).levelShift).toBeCloseTo(0, 3);
    expect(told(1).levelShift).toBeLessThan(-0.0005);
    expect(told(-1).levelShift).toBeGreaterThan(0.0005);
    const sure = { a: 0, g: 1, aError: 0.2, n: 40 };
    expect(told(1, sure).levelShift).toBeLessThan(told(1).levelShift);
    expect(told(1, sure).learned).toBeGreaterThan(told(1).learned);
    // Who always tells one more has told nothing with it.
    expect(Math.abs(told(1, { ...sure, a: 1 }).levelShift)).toBeLessThan(0.001);
  });
  test('who stopped spent with much left is less fit; who was to have run dry long before is fitter', () => {
    const stoppedAfter = (text: string, reps: number, more: Partial<RepRan> = { spent: true }) => {
      const legs = legsOf(text);
      const runs = onTarget(legs).slice(0, reps);
      return estimateFitness({
        curve,
        legs,
        runs: runs.map((run, i) => (i === reps - 1 ? { ...run, stopped: true, ...more } : run)),
      });
    };
    expect(stoppedAfter(CRITICAL, 3).levelShift).toBeLessThan(-0.005);
    for (let reps = 2; reps <= 8; reps++)
      expect(stoppedAfter(CRITICAL, reps).levelShift).toBeGreaterThan(stoppedAfter(CRITICAL, reps - 1).levelShift);
    expect(stoppedAfter('12x400 @1500 / 60s', 12).levelShift).toBeGreaterThan(0.009);
    // In the middle of a rep, without a time, as well.
    const legs = legsOf(CRITICAL);
    const runs = [...onTarget(legs).slice(0, 3), { repIndex: 3, stopped: true, spent: true }];
    expect(estimateFitness({ curve, legs, runs }).levelShift).toBeLessThan(-0.01);
    // At or below critical speed it is the share of the limit that is used up.
    expect(stoppedAfter('6x1mi @threshold / 60s', 2).levelShift).toBeLessThan(-0.01);
    // Nobody is less fit for a stitch, or for having had to go.
    for (const more of [{}, { effort: 7 }])
      for (const text of [CRITICAL, '6x1mi @threshold / 60s'])
        expect(stoppedAfter(text, 2, more).levelShift).toBeGreaterThanOrEqual(
          stoppedAfter(text, 2, { ...more, stopped: false }).levelShift - 0.0005,
        );
  });
  test('what the marks call impossible is a lower bound, without any effort told', () => {
    const slow = fitCurve([race(5000, 1500)], { asOf: DAY });
    const legs = legsOf('6x900 @5k / 75s', slow);
    const early = (byS: number) =>
      estimateFitness({
        curve: slow,
        legs,
        runs: onTarget(legs).map((run) => ({ ...run, timeS: (run.timeS ?? 0) - byS })),
      });
    const { shown = 0, levelShift, nothingNew } = early(22);
    expect(timeFor(curveMovedBy(slow, [shown]), 5000)).toBeGreaterThan(1320);
    expect(timeFor(curveMovedBy(slow, [shown]), 5000)).toBeLessThan(1390);
    expect(levelShift).toBeGreaterThan(0.03);
    expect(nothingNew).toBe(false);
    expect(early(0)).not.toHaveProperty('shown');
  });
  test('efforts, stops and open ends make nobody surer than one percent', () => {
    for (let n = 4; n <= 12; n += 4)
      expect(estimate(`${n}x1000 @5k / 60s`, () => ({ effort: 10 })).errorShare).toBeGreaterThanOrEqual(
        Math.min(0.01, estimate('4x400 @easy').errorShare),
      );
  });
  test('open work that the coach or the plan has ended says nothing of less fitness', () => {
    const legs = legsOf('4x1000 @cv / 60s').map((leg): TargetLeg =>
      leg.kind === 'rep' ? { ...leg, open: true } : leg,
    );
    const ended = (reps: number, more: Partial<RepRan> = {}) =>
      estimateFitness({
        curve,
        legs,
        runs: onTarget(legs, (rep) => (rep === reps - 1 ? more : {})).slice(0, reps),
      }).levelShift;
    expect(ended(2)).toBeGreaterThan(-0.001);
    expect(ended(2, { stopped: true, spent: true })).toBeLessThan(-0.01);
  });
  test('a rep flat out is a mark: the quicker the fitter; after hard work it says less, as a race more', () => {
    const legs = legsOf('3000 @max');
    const ran = (share: number, more: Partial<RepRan> = {}) =>
      estimateFitness({ curve, legs, runs: [{ repIndex: 0, timeS: timeFor(curve, 3000) * share, ...more }] });
    expect(ran(1).levelShift).toBeCloseTo(0, 3);
    expect(ran(0.97).levelShift).toBeGreaterThan(0.008);
    expect(ran(1.03).levelShift).toBeLessThan(-0.008);
    expect(ran(1).learned).toBeGreaterThan(0.25);
    expect(ran(1, { flatOut: 'race' }).learned).toBeGreaterThan(0.4);
    // Its effort is ten whatever it was: it is not counted a second time.
    expect(ran(0.98, { effort: 10 }).levelShift).toBe(ran(0.98).levelShift);
    const after = legsOf('6x800 @5k / 60s, 600 @max');
    const fresh = legsOf('600 @max');
    const timeS = timeFor(curve, 600);
    expect(
      estimateFitness({ curve, legs: after, runs: onTarget(after, (rep) => (rep === 6 ? { timeS } : {})) }).learned,
    ).toBeLessThan(estimateFitness({ curve, legs: fresh, runs: [{ repIndex: 0, timeS }] }).learned);
  });
  test('a time flat out that does not fit what is known is asked about, and is never nothing new', () => {
    const legs = legsOf('3000 @max');
    const ran = (share: number) =>
      estimateFitness({ curve, legs, runs: [{ repIndex: 0, timeS: timeFor(curve, 3000) * share }] });
    expect(ran(0.94).surprise).toMatchObject({ distanceM: 3000, expectedS: expect.closeTo(timeFor(curve, 3000), 6) });
    expect(ran(0.94).nothingNew).toBe(false);
    expect(ran(1.06).surprise).toBeDefined();
    expect(ran(0.98)).not.toHaveProperty('surprise');
    expect(ran(1)).not.toHaveProperty('surprise');
  });
  test('what is known of a kind of session counts in sessions of that kind only', () => {
    const legs = legsOf(CRITICAL);
    const predicted = predictedFor(curve, legs, onTarget(legs));
    const calibration = { a: 0, g: 1, aError: 0.3, n: 30, kinds: { 'aerobic-power': { b: 1, known: 0.8 } } };
    const told = (kind: FitnessInput['kind']) =>
      estimate(CRITICAL, (rep) => ({ effort: (predicted[rep] ?? 0) + 1 }), { calibration, ...(kind ? { kind } : {}) })
        .levelShift;
    expect(Math.abs(told('aerobic-power'))).toBeLessThan(0.001);
    expect(told('threshold')).toBeLessThan(-0.001);
  });
  test('reps by the clock are read by the metres covered', () => {
    const legs = legsOf('10min @max');
    const ran = (distanceM: number) => estimateFitness({ curve, legs, runs: [{ repIndex: 0, distanceM }] }).levelShift;
    expect(ran(2950)).toBeLessThan(ran(3050));
    expect(ran(3300)).toBeGreaterThan(0.01);
  });
  test('in heat, wind or wet it says less', () => {
    const told = (conditions?: FitnessInput['conditions']) =>
      estimate(CRITICAL, () => ({ effort: 10 }), conditions ? { conditions } : {}).levelShift;
    expect(told({ wind: 'windy' })).toBeGreaterThan(told());
    // The heat has added to the ten.
    expect(told({ temperatureC: 31, humidityPct: 70 })).toBeGreaterThan(told({ wind: 'windy' }));
    expect(told({ surface: 'dry', wind: 'calm', temperatureC: 12 })).toBe(told());
    expect(isDoubtfulDay({ temperatureC: 24, humidityPct: 40 })).toBe(true);
    expect(isDoubtfulDay({ temperatureC: 60, humidityPct: 90 })).toBe(true);
    expect(isDoubtfulDay({ temperatureC: 21 })).toBe(false);
    expect(isDoubtfulDay(undefined)).toBe(false);
  });
  test('ten for every rep, or one, is only so far believed', () => {
    for (const effort of [1, 10]) {
      const read = estimate('4x1mi @threshold / 60s', () => ({ effort }));
      expect(Math.sign(read.levelShift)).toBe(effort === 1 ? 1 : -1);
      expect(Math.abs(read.levelShift)).toBeLessThan(0.012);
    }
  });
  test('a curve from one old mark: widely unsure before, and still after', () => {
    const old = fitCurve([race(800, 140, '2024-11-01')], { asOf: DAY });
    const legs = legsOf('3000 @max', old);
    const read = estimateFitness({ curve: old, legs, runs: [{ repIndex: 0, timeS: timeFor(old, 3000) * 1.05 }] });
    expect(read.levelShift).toBeLessThan(-0.02);
    expect(read.errorShare).toBeLessThan(errorOf(old));
    expect(read.equivalent(800).errorS).toBeGreaterThan(0);
  });
});

test('a slip is two running, later than those before by 3 %, at the same target', () => {
  const late = (...shares: number[]) => {
    const legs = legsOf('8x400 @3k / 90s');
    const [first] = legs.filter(isTimedRep);
    return firstSlipped(
      repsRan(
        legs,
        shares.map((share, repIndex) => ({ repIndex, timeS: (first?.targetS ?? 0) * (1 + share) })),
      ),
    );
  };
  expect(late(0, 0, 0.04, 0.05)).toBe(2);
  expect(late(0.04, 0.04, 0.05, 0.05)).toBeUndefined();
  expect(late(0, 0.04, 0.04, 0.04)).toBeUndefined();
  expect(late(0, 0, 0, 0.05, 0)).toBeUndefined();
  expect(late(0, 0, -0.03, 0.04, 0.04)).toBeUndefined();
  // Nor is it one where somebody comes back, or is never even.
  expect(late(0, 0, 0.04, 0.05, 0, 0.01)).toBeUndefined();
  expect(late(0.03, -0.02, 0.02, -0.01, 0.04, 0.045)).toBeUndefined();
  const unlike = legsOf('2x400 @3k / 90s, 2x800 @threshold / 90s');
  const slow = onTarget(unlike).map((run) => (run.repIndex < 2 ? run : { ...run, timeS: (run.timeS ?? 0) * 1.05 }));
  expect(firstSlipped(repsRan(unlike, slow))).toBeUndefined();
});

test('shares: none below nothing, those that change with fitness most count most, and none other tells more', () => {
  const slope = fc.double({ min: 0, max: 1, noNaN: true });
  const variance = fc.double({ min: 0.05, max: 2, noNaN: true });
  const told = (shares: readonly number[], slopes: readonly number[], ownVariance: number, common: number) => {
    const total = shares.reduce((sum, share) => sum + share, 0);
    const signal = shares.reduce((sum, share, i) => sum + share * (slopes[i] ?? 0), 0);
    return signal ** 2 / (ownVariance * shares.reduce((sum, share) => sum + share ** 2, 0) + common * total ** 2);
  };
  fc.assert(
    fc.property(
      fc.array(fc.tuple(slope, fc.double({ min: 0.01, max: 1, noNaN: true })), { minLength: 1, maxLength: 12 }),
      variance,
      variance,
      (pairs, ownVariance, common) => {
        const slopes = pairs.map(([slope]) => slope + 1e-6);
        const shares = sharesOf(slopes, ownVariance, common);
        expect(Math.min(...shares)).toBeGreaterThanOrEqual(0);
        const others = pairs.map(([, other]) => other);
        expect(told(shares, slopes, ownVariance, common)).toBeGreaterThanOrEqual(
          told(others, slopes, ownVariance, common) * (1 - 1e-9),
        );
      },
    ),
  );
});

describe('whatever was told', () => {
  const SESSIONS = [
    CRITICAL,
    '6x1000 @5k / 2min jog',
    '4x1mi @threshold / 60s',
    '2x(4x300 @1500 / 60s) / 5min, 800 @max',
  ];
  const anyRun = fc.record({
    text: fc.constantFrom(...SESSIONS),
    shares: fc.array(fc.double({ min: 0.95, max: 1.06, noNaN: true }), { minLength: 12, maxLength: 12 }),
    efforts: fc.array(fc.option(fc.integer({ min: 1, max: 10 }), { nil: undefined }), { minLength: 12, maxLength: 12 }),
    stopped: fc.boolean(),
  });
  type AnyRun = { text: string; shares: number[]; efforts: (number | undefined)[]; stopped: boolean };
  const runsOf = ({ text, shares, efforts, stopped }: AnyRun) => {
    const runs = onTarget(legsOf(text)).map((run, i): RepRan => {
      const effort = efforts[i];
      return { ...run, timeS: (run.timeS ?? 120) * (shares[i] ?? 1), ...(effort === undefined ? {} : { effort }) };
    });
    return stopped ? runs.map((run, i) => (i === runs.length - 1 ? { ...run, stopped } : run)) : runs;
  };
  const SLIPPED_THEN_STOPPED: AnyRun = {
    text: '2x(4x300 @1500 / 60s) / 5min, 800 @max',
    shares: [0.95, 0.95, 0.95, 0.95, 0.95, 0.981, 0.99, 0.99, 0.95, 0.95, 0.95, 0.95],
    efforts: [],
    stopped: true,
  };
  test('a higher effort never says fitter', () => {
    fc.assert(
      fc.property(anyRun, fc.nat(11), (drawn, at) => {
        const legs = legsOf(drawn.text);
        const runs = runsOf(drawn);
        const told = (effort: number) =>
          estimateFitness({
            curve,
            legs,
            runs: runs.map((run, i) => (i === at % runs.length ? { ...run, effort } : run)),
          }).levelShift;
        const shifts = [1, 4, 7, 10].map(told);
        shifts.forEach((shift, i) => expect(shift).toBeLessThanOrEqual((shifts[i - 1] ?? Infinity) + 1e-9));
      }),
      { numRuns: 60, examples: [[SLIPPED_THEN_STOPPED, 8]] },
    );
  });
  test('a faster rep flat out never says less fit', () => {
    fc.assert(
      fc.property(anyRun, fc.nat(11), (drawn, at) => {
        const legs = legsOf(drawn.text);
        const runs = runsOf({ ...drawn, stopped: false });
        const ran = (share: number) =>
          estimateFitness({
            curve,
            legs,
            runs: runs.map((run, i) =>
              i === at % runs.length ? { ...run, timeS: (run.timeS ?? 0) * share, flatOut: 'trial' as const } : run,
            ),
          }).levelShift;
        const shifts = [1.03, 1, 0.97, 0.94].map(ran);
        shifts.forEach((shift, i) => expect(shift).toBeGreaterThanOrEqual((shifts[i - 1] ?? -Infinity) - 1e-9));
      }),
      {
        numRuns: 60,
        examples: [
          // The last rep, slow, once made the one before it look like a slip.
          [
            {
              text: '6x1000 @5k / 2min jog',
              shares: [0.95, 0.95, 0.95, 0.984, 1.026, 0.964, 1, 1, 1, 1, 1, 1],
              efforts: Array.from({ length: 12 }, () => undefined),
              stopped: false,
            },
            11,
          ],
        ],
      },
    );
  });
  test('all figures are figures, and nothing is unlearned', () => {
    fc.assert(
      fc.property(anyRun, (drawn) => {
        const read = estimateFitness({ curve, legs: legsOf(drawn.text), runs: runsOf(drawn) });
        const { timeS, errorS } = read.equivalent(1500);
        for (const figure of [read.levelShift, read.errorShare, timeS, errorS])
          expect(Number.isFinite(figure)).toBe(true);
        expect(read.learned).toBeGreaterThanOrEqual(0);
        expect(read.learned).toBeLessThan(1);
      }),
      { numRuns: 60 },
    );
  });
});

describe('runners whose fitness is known', () => {
  const KINDS = [
    '8x400 @3k / 90s jog',
    '6x1000 @5k / 2min jog',
    '4x1mi @threshold / 60s',
    '2x(5x300 @1500 / 60s) / 5min',
    '12x400 @cv / 45s',
  ];
  const planned = KINDS.map((text) => legsOf(text));

  /** A session of a runner with that curve, who tells efforts so much higher than most. */
  function ranBy(truth: Curve, kind: number, random: Random, tellsAbove = 0) {
    const legs = planned[kind % KINDS.length] ?? [];
    const runner = new SimulatedRunner({ curve: truth, rush: 0.008, unevenness: 0.01 }, random);
    const runs: RepRan[] = [];
    legs.forEach((leg, i) => {
      if (!isTimedRep(leg) || leg.distanceM === undefined) return;
      const { timeS } = runner.run(
        { distanceM: leg.distanceM, callM: [] },
        leg.targetS === undefined ? {} : { targetS: leg.targetS },
      );
      const rest = legs[i + 1];
      const restS = rest?.kind === 'recovery' ? (rest.targetS ?? 60) * (1 + Math.abs(normal(random, 0.05))) : undefined;
      if (restS !== undefined) runner.rest(restS, rest?.kind === 'recovery' ? rest.manner : undefined);
      runs.push({
        repIndex: runs.length,
        timeS: Math.round(timeS * 10) / 10,
        ...(restS === undefined ? {} : { restS }),
      });
    });
    const efforts = predictedFor(truth, legs, runs).map((effort) =>
      Math.min(10, Math.max(1, Math.round(effort + tellsAbove + normal(random, 1)))),
    );
    return { legs, runs: runs.map((run, i): RepRan => ({ ...run, effort: efforts[i] ?? 5 })) };
  }
  const pairsOf = ({ legs, runs }: ReturnType<typeof ranBy>, session: number): EffortPair[] =>
    predictedFor(curve, legs, runs).map((predicted, i) => ({
      predicted,
      reported: runs[i]?.effort ?? 0,
      ageDays: 60 - session * 7,
      sessionId: `${session}`,
    }));
  const sixBefore = (random: Random, tellsAbove: number) =>
    calibrate([0, 1, 2, 3, 4, 5].flatMap((kind) => pairsOf(ranBy(curve, kind, random, tellsAbove), kind)));

  test('no bias, and as sure as it says', () => {
    const random = seeded(11);
    let [off, inside] = [0, 0];
    const n = 200;
    for (let i = 0; i < n; i++) {
      const shift = normal(random, errorOf(curve));
      const read = estimateFitness({ curve, ...ranBy(curveMovedBy(curve, [shift]), i, random) });
      off += (read.levelShift - shift) / n;
      if (Math.abs(read.levelShift - shift) <= read.errorShare) inside++;
    }
    expect(Math.abs(off)).toBeLessThan(0.003);
    expect(inside / n).toBeGreaterThan(0.6);
    expect(inside / n).toBeLessThan(0.76);
  });
  test.each([
    ['with six sessions before that tell how they tell effort', true, 0.93],
    ['with none', false, 0.85],
  ])('two percent fitter, or less fit, shows over six sessions: %s', (_what, isCalibrated, least) => {
    const random = seeded(23);
    const n = 60;
    let right = 0;
    for (let i = 0; i < n; i++) {
      const sign = i % 2 === 0 ? 1 : -1;
      const tellsAbove = isCalibrated ? normal(random, 0.8) : 0;
      const calibration = isCalibrated ? sixBefore(random, tellsAbove) : UNCALIBRATED;
      const truth = curveMovedBy(curve, [0.02 * sign]);
      let sum = 0;
      for (let kind = 0; kind < 6; kind++)
        sum += estimateFitness({ curve, ...ranBy(truth, kind, random, tellsAbove), calibration }).levelShift;
      if (Math.sign(sum) === sign) right++;
    }
    expect(right / n).toBeGreaterThan(least);
  });
  test('who always tells 0.8 more and has not changed reads as unchanged after six sessions', () => {
    const random = seeded(31);
    let sum = 0;
    const n = 40;
    for (let i = 0; i < n; i++)
      sum +=
        estimateFitness({ curve, ...ranBy(curve, i, random, 0.8), calibration: sixBefore(random, 0.8) }).levelShift / n;
    expect(Math.abs(sum)).toBeLessThan(0.006);
  });
});

describe('how somebody tells effort', () => {
  const told = (predicted: number, reported: number, more: Partial<EffortPair> = {}): EffortPair => ({
    predicted,
    reported,
    ageDays: 0,
    ...more,
  });
  test('with nothing told it is as for most', () => {
    expect(calibrate([])).toEqual({ a: 0, g: 1, aError: expect.closeTo(Math.hypot(0.8, 0.15 * 6.5), 9), n: 0 });
    expect(calibrate([told(NaN, 5)])).toEqual(UNCALIBRATED);
  });
  test('by hand: one report of 8 where 6 was predicted', () => {
    // Precision of a and g: 1/0.64 + 1/0.81, 6/0.81, 1/0.0225 + 36/0.81; right-hand sides 8/0.81 and 1/0.0225 + 48/0.81.
    const { a, g, aError, n } = calibrate([told(6, 8)]);
    expect([a, g, n]).toEqual([expect.closeTo(0.5664, 3), expect.closeTo(1.1195, 3), 1]);
    expect(aError).toBeCloseTo(Math.sqrt(1 / (1 / (0.64 + 0.0225 * 36) + 1 / 0.81)), 6);
  });
  test('many reports win over what holds for most; old ones and those of one session count less', () => {
    const many = (more: (i: number) => Partial<EffortPair>) =>
      calibrate(Array.from({ length: 40 }, (_, i) => told(4 + (i % 5), 3 + (i % 5), more(i))));
    const level = (calibration: ReturnType<typeof calibrate>) => calibrated(6, calibration);
    const each = many((i) => ({ sessionId: `${i}` }));
    expect(level(each)).toBeCloseTo(5, 1);
    expect(level(many(() => ({ sessionId: 'one' })))).toBeGreaterThan(level(each));
    expect(level(many(() => ({ ageDays: 600 })))).toBeGreaterThan(level(each));
    expect(many(() => ({ ageDays: 600 })).aError).toBeGreaterThan(each.aError);
  });
  test('never less sure than with nothing told', () => {
    fc.assert(
      fc.property(
        fc.array(fc.tuple(fc.double({ min: 1, max: 10, noNaN: true }), fc.integer({ min: 1, max: 10 }), fc.nat(900)), {
          maxLength: 20,
        }),
        (drawn) => {
          const { a, g, aError } = calibrate(
            drawn.map(([predicted, reported, ageDays]) => told(predicted, reported, { ageDays })),
          );
          expect(Number.isFinite(a) && Number.isFinite(g)).toBe(true);
          expect(aError).toBeLessThanOrEqual(UNCALIBRATED.aError);
          expect(aError).toBeGreaterThan(0);
        },
      ),
    );
  });
});
