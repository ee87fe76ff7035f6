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
import { straightLine } from './straightLine';
import type { Mark } from './mark';

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
    expect(curve.marks.some(({ outlier }) => outlier)).toBe(false);
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
  test('two marks far apart set the power, kept between 1.03 and 1.12', () => {
    const curve = fit(...TWO);
    expect(timeFor(curve, 1500)).toBeCloseTo(298, 6);
    expect(timeFor(curve, 5000)).toBeCloseTo(1110, 6);
    const slow = fit(race(800, 120), race(10_000, 3600));
    if (slow.model !== 'power-law') throw new Error(slow.model);
    expect(slow.parameters.exponent).toBe(1.12);
  });
});

describe('critical speed', () => {
  const fit = (...marks: Mark[]) => fitCurve(marks, { asOf: AS_OF, model: 'critical-speed' });
  test('two marks lie on D = CS·T + D′', () => {
    const curve = fit(...TWO);
    if (curve.model !== 'critical-speed') throw new Error(curve.model);
    expect(curve.parameters.criticalMps).toBeCloseTo(3500 / 812, 9);
    expect(curve.parameters.reserveM).toBeCloseTo(1500 - (3500 / 812) * 298, 6);
    expect(timeFor(curve, 3000)).toBeCloseTo((3000 - curve.parameters.reserveM) / curve.parameters.criticalMps, 6);
  });
  test('beyond 2 to 20 minutes it says that it extrapolates', () => {
    const curve = fit(...TWO);
    expect([400, 1500, 5000, 10_000].map((m) => isExtrapolated(curve, m))).toEqual([true, false, false, true]);
    expect(isExtrapolated(fitCurve(TWO, { asOf: AS_OF }), 400)).toBe(false);
  });
  test.each([
    ['no mark of that length', [race(400, 60), race(10_000, 2400)], 'there are none'],
    ['only one', [race(5000, 1110)], 'there is one'],
    ['one distance twice', [race(5000, 1110), race(5000, 1120)], 'there is one'],
    ['an estimate was not flat out', [race(5000, 1110), race(1500, 298, { kind: 'estimate' })], 'there is one'],
  ])('with %s it says what it needs', (_what, marks, says) => {
    expect(() => fit(...marks)).toThrow(CurveError);
    expect(() => fit(...marks)).toThrow(says);
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
        const own = (timeS: number) => timeFor(fitCurve([...marks, race(3000, timeS)], { asOf: AS_OF }), 3000);
        const timeS = (threeS * 3000) / 5000;
        expect(own(timeS * (1 - gain))).toBeLessThan(own(timeS) + 1e-3);
      }),
      { numRuns: 40 },
    );
  });

  test('the standard error grows with the age of the marks', () => {
    fc.assert(
      fc.property(
        twoMarks,
        fc.constantFrom('endurance' as const, 'power-law' as const),
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
