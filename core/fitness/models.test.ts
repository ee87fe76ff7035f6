import fc from 'fast-check';
import { MILE_M } from '../units/distance';
import {
  CurveError,
  curveMovedTo,
  curveNudged,
  fitCurve,
  isExtrapolated,
  MODEL_NAMES,
  speedFor,
  timeErrorFor,
  timeFor,
} from './curve';
import { courseOffsets } from './courseOffsets';
import { enduranceSpeedFor, powerHeldFor, powerNeeded } from './endurance';
import { surenessOf } from './howSure';
import { straightLine } from './straightLine';
import type { Mark } from './mark';
import { wrongMarksIn } from './wrongMark';

const AS_OF = '2026-11-01';
const race = (distanceM: number, timeS: number, more: Partial<Mark> = {}): Mark => ({
  distanceM,
  timeS,
  date: AS_OF,
  kind: 'race',
  ...more,
});
const DISTANCES = [400, 800, 1500, 3000, 5000, 10_000, 21_097.5];
const TWO = [race(1500, 298), race(5000, 1110)];

test('a weighted straight line: what weighs nothing does not count', () => {
  const points = [0, 1, 2].map((x) => ({ x, y: 3 * x + 1, weight: 2 }));
  expect(straightLine([...points, { x: 5, y: 99, weight: 0 }])).toEqual({
    meanX: 1,
    atMean: 4,
    slope: 3,
    sumWeight: 6,
    sumXX: 4,
  });
});

describe('the records of 1987, as published', () => {
  const records: [number, number][] = [
    [800, 101.73],
    [1500, 209.46],
    [MILE_M, 226.32],
    [3000, 452.1],
    [5000, 778.39],
    [10_000, 1633.81],
  ];
  const marks = records.map(([distanceM, timeS]) => race(distanceM, timeS));
  test.each(records)('the curve of the others comes within 2.5 %% of %d m in %d s', (distanceM, timeS) => {
    const curve = fitCurve(
      marks.filter((mark) => mark.distanceM !== distanceM),
      { asOf: AS_OF },
    );
    expect(Math.abs(Math.log(timeFor(curve, distanceM) / timeS))).toBeLessThan(0.025);
    expect(wrongMarksIn(curve)).toEqual([]);
  });
  test('critical speed of the 1500, 3000 and 5000 is that of the line through them', () => {
    const three = marks.filter(({ distanceM }) => [1500, 3000, 5000].includes(distanceM));
    const curve = fitCurve(three, { asOf: AS_OF, model: 'critical-speed' });
    if (curve.model !== 'critical-speed') throw new Error(curve.model);
    // Through the first and the last: 3500 m in 568.93 s is 6.152 m/s, and 1500 − 6.152 · 209.46 = 211 m.
    expect(curve.parameters.criticalMps).toBeCloseTo(6.15, 1);
    expect(curve.parameters.reserveM).toBeGreaterThan(180);
    expect(curve.parameters.reserveM).toBeLessThan(240);
  });
});

describe('power law', () => {
  const fit = (...marks: Mark[]) => fitCurve(marks, { asOf: AS_OF, model: 'power-law' });
  test('one mark has the usual power of 1.06 (Riegel 1981): twice as far takes 2.085 times as long', () => {
    const curve = fit(race(5000, 1110));
    expect(timeFor(curve, 10_000)).toBeCloseTo(1110 * 2 ** 1.06, 6);
    expect(timeFor(curve, 5000)).toBeCloseTo(1110, 6);
  });
  const exponentOf = (...marks: Mark[]) => {
    const curve = fit(...marks);
    if (curve.model !== 'power-law') throw new Error(curve.model);
    return curve.parameters.exponent;
  };
  test('marks far apart set the power as a weighted mean with the usual one, kept between 1.03 and 1.12', () => {
    // Their own power weighs Σ(x − x̄)²/sd², the usual one 1/0.02².
    const apart = Math.log(5000 / 1500);
    const ofMarks = Math.log(1110 / 298) / apart;
    const weight = (2 * (apart / 2) ** 2) / 0.012 ** 2;
    const prior = 1 / 0.02 ** 2;
    expect(exponentOf(...TWO)).toBeCloseTo((ofMarks * weight + 1.06 * prior) / (weight + prior), 9);
    expect(exponentOf(race(800, 120), race(10_000, 3600))).toBe(1.12);
  });
  test('marks over one distance, or nearly one, say nothing about it', () => {
    expect(exponentOf(race(5000, 1110), race(5000, 1140))).toBe(1.06);
    expect(Math.abs(exponentOf(race(1500, 298), race(MILE_M, 300)) - 1.06)).toBeLessThan(0.01);
    const tens = [300, 322].map((mileS) => timeFor(fit(race(1500, 298), race(MILE_M, mileS)), 10_000));
    expect(Math.abs(Math.log((tens[1] ?? 1) / (tens[0] ?? 1)))).toBeLessThan(0.05);
  });
});

describe('critical speed', () => {
  const fit = (...marks: Mark[]) => fitCurve(marks, { asOf: AS_OF, model: 'critical-speed' });
  const lineOf = (...marks: Mark[]) => {
    const curve = fit(...marks);
    if (curve.model !== 'critical-speed') throw new Error(curve.model);
    return { curve, ...curve.parameters };
  };
  test('marks lie near D = CS·T + D′, between them its times are on that line', () => {
    const { curve, criticalMps, reserveM } = lineOf(...TWO);
    expect(Math.abs(criticalMps / (3500 / 812) - 1)).toBeLessThan(0.01);
    for (const { distanceM, timeS } of TWO)
      expect(Math.abs(Math.log(timeFor(curve, distanceM) / timeS))).toBeLessThan(0.012);
    expect(timeFor(curve, 3000)).toBeCloseTo((3000 - reserveM) / criticalMps, 6);
  });
  test('D′/CS is drawn towards that of the endurance curve of the same marks: two marks do not swing it', () => {
    const usual = lineOf(race(800, 149), race(3000, 637), race(5000, 1110));
    const swung = lineOf(race(1500, 290), race(5000, 1110));
    expect(Math.abs(Math.log(swung.reserveM / usual.reserveM))).toBeLessThan(0.6);
    // The line straight through the two would have had twice the reserve.
    const through = 3500 / 820;
    expect(swung.reserveM).toBeLessThan(1500 - through * 290);
  });
  test('a mark fades in and out at the edges of 2 to 20 minutes: no step there', () => {
    const at = (timeS: number) => timeFor(lineOf(race(1500, 298), race(3000, 637), race(7000, timeS)).curve, 3000);
    for (const edge of [1200, 1350, 1500]) expect(Math.abs(at(edge + 0.01) - at(edge - 0.01))).toBeLessThan(0.02);
    expect(at(1501)).not.toBeCloseTo(637, 3);
  });
  test('beyond them the endurance curve takes over without a step, with an error of its own', () => {
    // The runner for whom the straight line gave a 400 in 36.4 s, and an error of nothing.
    const { curve } = lineOf(race(1500, 298), race(3000, 640));
    const sprintS = timeFor(curve, 400);
    expect(sprintS).toBeGreaterThan(55);
    expect(timeErrorFor(curve, 400) / sprintS).toBeGreaterThan(0.02);
    for (const edge of [90, 120, 1200, 1500])
      expect(Math.abs(speedFor(curve, edge + 0.01) - speedFor(curve, edge - 0.01))).toBeLessThan(0.001);
    const slopeAt = (s: number) => (speedFor(curve, s * 1.001) - speedFor(curve, s * 0.999)) / (0.002 * s);
    for (const edge of [90, 120, 1200, 1500])
      expect(Math.abs(slopeAt(edge * 1.005) / slopeAt(edge * 0.995) - 1)).toBeLessThan(0.12);
  });
  test('beyond 2 to 20 minutes it says that it extrapolates', () => {
    const curve = fit(...TWO);
    expect([400, 1500, 5000, 10_000].map((m) => isExtrapolated(curve, m))).toEqual([true, false, false, true]);
    expect(isExtrapolated(fitCurve(TWO, { asOf: AS_OF }), 400)).toBe(false);
  });
  test.each([
    ['no mark of that length', [race(400, 60), race(10_000, 2400)], 'there are none'],
    ['only one', [race(5000, 1110)], 'there is one'],
    ['too little between them', [race(1500, 298), race(1609.344, 322)], 'too much alike'],
    ['one distance twice', [race(5000, 1110), race(5000, 1120)], 'there is one'],
    ['an estimate was not flat out', [race(5000, 1110), race(1500, 298, { kind: 'estimate' })], 'there is one'],
  ])('with %s it says what it needs', (_what, marks, message) => {
    expect(() => fit(...marks)).toThrow(CurveError);
    expect(() => fit(...marks)).toThrow(message);
  });
});

describe('the weights', () => {
  const curve = fitCurve(
    [race(5000, 1110), race(1500, 300, { date: '2026-05-01' }), race(800, 100, { leftOut: true })],
    {
      asOf: AS_OF,
    },
  );
  test('are shares of one, the fresh mark’s the larger; ages are in days; what is left out is not there', () => {
    expect(curve.marks.map(({ mark, ageDays }) => [mark.distanceM, ageDays])).toEqual([
      [5000, 0],
      [1500, 184],
    ]);
    expect(curve.marks.reduce((sum, { weight }) => sum + weight, 0)).toBeCloseTo(1, 9);
    expect(curve.marks[0]?.weight).toBeGreaterThan(curve.marks[1]?.weight ?? 1);
    expect(curve.marks[0]?.sd).toBe(0.012);
    expect(curve.marks[1]?.sd).toBeCloseTo(0.012 + (0.005 * 184) / 28, 9);
  });
});

describe('the coach’s own word', () => {
  const nudge = { distanceM: 5000, timeS: 1100, date: AS_OF };
  test.each(MODEL_NAMES)('moves the %s curve to it, keeps the shape, and is as sure as an estimate there', (model) => {
    const curve = fitCurve(TWO, { asOf: AS_OF, model });
    const moved = curveNudged(curve, nudge, AS_OF);
    expect(timeFor(moved, 5000)).toBeCloseTo(1100, 3);
    expect(moved.nudge).toEqual(nudge);
    expect(moved.model).toBe(model);
    expect(timeErrorFor(moved, 5000) / 1100).toBeCloseTo(0.03, 3);
    // Further away the shape is not known any better than before.
    expect(timeErrorFor(moved, 800) / timeFor(moved, 800)).toBeGreaterThan(0.03);
  });
  test('grows less sure as it ages', () => {
    const later = curveNudged(fitCurve(TWO, { asOf: AS_OF }), nudge, '2027-01-24');
    expect(timeErrorFor(later, 5000) / 1100).toBeCloseTo(0.03 + 0.005 * 3, 3);
  });
});

const anyFive = fc.double({ min: 800, max: 1900, noNaN: true });
const anyModel = fc.constantFrom(...MODEL_NAMES);
/** Two marks as one runner could have run them. */
const twoMarks = fc
  .tuple(anyFive, fc.double({ min: 1.04, max: 1.1, noNaN: true }))
  .map(([fiveS, power]) => [race(1500, fiveS * (1500 / 5000) ** power), race(5000, fiveS)]);

describe('whatever the model', () => {
  test('time and speed agree, further takes longer, longer is no faster, and moving hits the goal', () => {
    fc.assert(
      fc.property(twoMarks, anyModel, fc.double({ min: 0.9, max: 1.05, noNaN: true }), (marks, model, share) => {
        // A race of more than 20 minutes is no mark for critical speed.
        fc.pre(model !== 'critical-speed' || (marks[1]?.timeS ?? 0) <= 1200);
        const curve = fitCurve(marks, { asOf: AS_OF, model });
        const times = DISTANCES.map((distanceM) => timeFor(curve, distanceM));
        times.forEach((timeS, i) => expect(timeS).toBeGreaterThan(times[i - 1] ?? 0));
        for (const distanceM of [1500, 3000, 10_000]) {
          const timeS = timeFor(curve, distanceM);
          expect(speedFor(curve, timeS) * timeS).toBeCloseTo(distanceM, 2);
        }
        const speeds = [120, 300, 900, 3600].map((durationS) => speedFor(curve, durationS));
        speeds.forEach((speed, i) => expect(speed).toBeLessThanOrEqual((speeds[i - 1] ?? 15) + 1e-9));
        const goalS = timeFor(curve, 3000) * share;
        expect(timeFor(curveMovedTo(curve, 3000, goalS), 3000)).toBeCloseTo(goalS, 4);
      }),
      { numRuns: 60 },
    );
  });

  test('a faster mark never makes anything slower', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(800, 1500, 3000, 5000, 10_000),
        fc.double({ min: 2.8, max: 5.5, noNaN: true }),
        fc.double({ min: 0.001, max: 0.1, noNaN: true }),
        fc.constantFrom('endurance' as const, 'power-law' as const),
        (distanceM, speedMps, gain, model) => {
          const timeS = distanceM / speedMps;
          const [slow, fast] = [timeS, timeS * (1 - gain)].map((t) =>
            fitCurve([race(distanceM, t)], { asOf: AS_OF, model }),
          );
          if (!slow || !fast) throw new Error();
          for (const other of DISTANCES) expect(timeFor(fast, other)).toBeLessThan(timeFor(slow, other) + 1e-6);
        },
      ),
      { numRuns: 60 },
    );
  });

  test('beside other marks a faster one never makes its own distance slower', () => {
    fc.assert(
      fc.property(twoMarks, anyFive, fc.double({ min: 0.001, max: 0.08, noNaN: true }), (marks, threeS, gain) => {
        const with3000 = (timeS: number) => timeFor(fitCurve([...marks, race(3000, timeS)], { asOf: AS_OF }), 3000);
        const timeS = (threeS * 3000) / 5000;
        expect(with3000(timeS * (1 - gain))).toBeLessThan(with3000(timeS) + 1e-3);
      }),
      { numRuns: 40 },
    );
  });

  test('the standard error grows with the age of the marks', () => {
    fc.assert(
      fc.property(
        // Marks that agree: age makes those that do not disagree less, which counts the other way.
        anyFive.map((fiveS) => {
          const curve = fitCurve([race(5000, fiveS)], { asOf: AS_OF });
          return [1500, 5000].map((distanceM) => race(distanceM, timeFor(curve, distanceM)));
        }),
        fc.constant('endurance' as const),
        fc.integer({ min: 1, max: 60 }),
        fc.constantFrom(...DISTANCES),
        (marks, model, weeks, distanceM) => {
          const errorOn = (asOf: string) => {
            const curve = fitCurve(marks, { asOf, model });
            return timeErrorFor(curve, distanceM) / timeFor(curve, distanceM);
          };
          const later = new Date(Date.parse(AS_OF) + weeks * 7 * 86_400_000).toISOString().slice(0, 10);
          expect(errorOn(later)).toBeGreaterThan(errorOn(AS_OF));
        },
      ),
      { numRuns: 40 },
    );
  });
});

describe('marks that disagree', () => {
  const share = (marks: Mark[], distanceM: number, model: 'endurance' | 'power-law') => {
    const curve = fitCurve(marks, { asOf: AS_OF, model });
    return timeErrorFor(curve, distanceM) / timeFor(curve, distanceM);
  };
  test.each(['endurance', 'power-law'] as const)('two 5000s 190 s apart make the %s curve unsure', (model) => {
    const apart = [race(5000, 1110), race(5000, 1300)];
    expect(share(apart, 5000, model)).toBeGreaterThan(0.05);
    expect(share([race(5000, 1110), race(5000, 1115)], 5000, model)).toBeLessThan(0.01);
    expect(surenessOf(fitCurve(apart, { asOf: AS_OF, model }))).toBe('unsure');
  });
  test('the factor is √(χ²/dof), counted once', () => {
    const off = Math.log(1300 / 1110) / 2 / 0.012;
    const plain = 0.012 / Math.SQRT2;
    expect(share([race(5000, 1110), race(5000, 1300)], 5000, 'power-law')).toBeCloseTo(plain * off * Math.SQRT2, 3);
  });
  test('of two that contradict each other neither wins', () => {
    const at = (a: number, b: number) => timeFor(fitCurve([race(5000, a), race(5000, b)], { asOf: AS_OF }), 5000);
    expect(at(1110, 1300)).toBeCloseTo(Math.sqrt(1110 * 1300), 0);
    expect(at(1300, 1110)).toBeCloseTo(at(1110, 1300), 3);
  });
});

describe('no kink where a bound of the shape is met', () => {
  test('0.05 s of a 1500 never moves an 800 by more than about as much', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 230, max: 420, noNaN: true }),
        fc.double({ min: 1.0, max: 1.2, noNaN: true }),
        fc.double({ min: 0.95, max: 1.1, noNaN: true }),
        (milerS, power, bend) => {
          const eight = (timeS: number) => {
            const far = race(5000, milerS * (5000 / 1500) ** power * bend);
            return timeFor(fitCurve([race(1500, timeS), far], { asOf: AS_OF }), 800);
          };
          expect(Math.abs(eight(milerS + 0.05) - eight(milerS))).toBeLessThan(0.06);
        },
      ),
      { numRuns: 150 },
    );
  });
});

test('whatever the marks, no model gives a time, speed or error that is none, and further takes longer', () => {
  const anyMark = fc.record({
    distanceM: fc.integer({ min: 200, max: 42_195 }),
    speedMps: fc.double({ min: 1.2, max: 9, noNaN: true }),
    kind: fc.constantFrom('race' as const, 'trial' as const, 'session' as const),
    ageDays: fc.integer({ min: 0, max: 900 }),
  });
  fc.assert(
    fc.property(fc.array(anyMark, { minLength: 1, maxLength: 6 }), anyModel, (drawn, model) => {
      const marks = drawn.map(({ distanceM, speedMps, kind, ageDays }) =>
        race(distanceM, distanceM / speedMps, {
          kind,
          date: new Date(Date.parse(AS_OF) - ageDays * 86_400_000).toISOString().slice(0, 10),
        }),
      );
      let curve;
      try {
        curve = fitCurve(marks, { asOf: AS_OF, model });
      } catch (error) {
        expect(error).toBeInstanceOf(CurveError);
        return;
      }
      let before = 0;
      for (const distanceM of [100, 200, 400, 800, 1500, 3000, 5000, 10_000, 21_097.5, 42_195]) {
        const timeS = timeFor(curve, distanceM);
        const errorS = timeErrorFor(curve, distanceM);
        expect(timeS).toBeGreaterThan(before);
        expect(Number.isFinite(timeS) && Number.isFinite(errorS)).toBe(true);
        expect(errorS).toBeGreaterThan(0);
        before = timeS;
      }
      for (const durationS of [10, 60, 119, 600, 1300, 3600, 36_000]) {
        const speedMps = speedFor(curve, durationS);
        // No runner's, but a speed: some of these marks are nobody's.
        expect(speedMps > 0 && speedMps < 40).toBe(true);
      }
    }),
    { numRuns: 200 },
  );
});

describe('marks off the track', () => {
  const fit = (...marks: Mark[]) => fitCurve(marks, { asOf: AS_OF });
  test('a slow course never drags paces; a quick one counts, but less than on the track', () => {
    const alone = timeFor(fit(race(5000, 1110)), 5000);
    const slow = fit(race(5000, 1110), race(5000, 1250, { course: 'cross-country' }));
    expect(timeFor(slow, 5000)).toBe(alone);
    expect(slow.marks.map(({ weight }) => weight)).toEqual([1, 0]);
    expect(wrongMarksIn(slow)).toEqual([]);
    const quick = timeFor(fit(race(5000, 1110), race(5000, 1080, { course: 'hilly' })), 5000);
    const track = timeFor(fit(race(5000, 1110), race(5000, 1080)), 5000);
    expect(quick).toBeLessThan(alone - 1);
    expect(track).toBeLessThan(quick - 3);
  });
  test('with nothing else they are what there is, less sure', () => {
    const only = fit(race(5000, 1200, { course: 'cross-country' }));
    expect(timeFor(only, 5000)).toBeCloseTo(1200, 1);
    expect(timeErrorFor(only, 5000) / 1200).toBeGreaterThan(0.04);
  });
  test('what a named course costs is learned from those who have marks on both', () => {
    const on = (trackS: number, slower: number) => ({
      marks: [
        race(5000, trackS),
        race(4000, timeFor(fit(race(5000, trackS)), 4000) * slower, {
          course: 'cross-country',
          courseName: ' Mill  Hill ',
        }),
      ],
    });
    const courses = courseOffsets([on(1000, 1.06), on(1110, 1.07), on(1300, 1.08)], AS_OF);
    const [offset] = [...courses.values()];
    expect(courses.size).toBe(1);
    expect(offset?.lnOffset).toBeCloseTo(Math.log(1.07), 2);
    expect(offset?.sd).toBeLessThan(0.015);
    // Somebody who has only run there gets the paces of the track.
    const new1 = race(4000, 900, { course: 'cross-country', courseName: 'mill hill' });
    const plain = fitCurve([new1], { asOf: AS_OF });
    const knownCurve = fitCurve([new1], { asOf: AS_OF, courses });
    expect(timeFor(knownCurve, 4000) / timeFor(plain, 4000)).toBeCloseTo(1 / 1.07, 2);
    expect(timeErrorFor(knownCurve, 4000)).toBeLessThan(timeErrorFor(plain, 4000));
  });
  test('a mark of a day to come is none', () => {
    expect(() => fit(race(5000, 1110, { date: '2026-11-02' }))).toThrow(CurveError);
    expect(timeFor(fit(race(5000, 1110), race(5000, 900, { date: '2027-01-01' })), 5000)).toBeCloseTo(1110, 1);
  });
});

test('a speed held for a time needs just the power that can be held for it', () => {
  fc.assert(
    fc.property(
      fc.double({ min: 8, max: 26, noNaN: true }),
      fc.double({ min: -0.086, max: -0.014, noNaN: true }),
      fc.double({ min: 31, max: 79, noNaN: true }),
      fc.double({ min: 10, max: 36_000, noNaN: true }),
      (mapWkg, e, a, durationS) => {
        const parameters = { mapWkg, eWkg: e * mapWkg, aJkg: a * mapWkg };
        const speedMps = enduranceSpeedFor(parameters, durationS);
        // Nobody is asked for more than 15 m/s.
        fc.pre(speedMps < 15);
        expect(powerNeeded(speedMps, speedMps * durationS) / powerHeldFor(parameters, durationS)).toBeCloseTo(1, 9);
      },
    ),
  );
});
