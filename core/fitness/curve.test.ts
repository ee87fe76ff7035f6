import fc from 'fast-check';
import { MILE_M } from '../units/distance';
import { CurveError, curveMovedTo, fitCurve, speedFor, timeErrorFor, timeFor, type EnduranceCurve } from './curve';
import { enduranceTimeFor } from './endurance';
import type { Mark } from './mark';
import { wrongMarksIn } from './wrongMark';

const AS_OF = '2026-11-01';
const race = (distanceM: number, timeS: number, date = AS_OF): Mark => ({ distanceM, timeS, date, kind: 'race' });
const fit = (...marks: Mark[]) => fitCurve(marks, { asOf: AS_OF });

/** Published check values: one mark, prior shape. Times in seconds, to the tenth they are given in. */
describe.each([
  { mark: race(5000, 1110), map: 20.319, times: [150.6, 300.4, 323.8, 638.2, 1110, 2324.2, 5125] },
  { mark: race(MILE_M, 312), map: 21.058, times: [144.6, 289.4, 312, 614.5, 1069.6, 2240.3, 4939] },
  { mark: race(800, 135), map: 22.387, times: [135, 271.6, 293, 576.2, 1004.5, 2105.1, 4640] },
])('from $mark.distanceM m in $mark.timeS s alone', ({ mark, map, times }) => {
  const curve = fit(mark);
  test('maximal aerobic power', () => expect(curve.parameters.mapWkg).toBeCloseTo(map, 2));
  test.each([800, 1500, MILE_M, 3000, 5000, 10_000, 21_097.5].map((distanceM, i) => [distanceM, times[i] ?? 0]))(
    '%d m in %d s',
    (distanceM, timeS) => expect(Math.abs(timeFor(curve, distanceM) - timeS)).toBeLessThan(timeS > 3000 ? 0.7 : 0.11),
  );
});

test('speeds that can be held, from 5000 m in 18:30', () => {
  const curve = fit(race(5000, 1110));
  expect(speedFor(curve, 480)).toBeCloseTo(4.831, 3);
  expect(speedFor(curve, 1800)).toBeCloseTo(4.368, 3);
  expect(speedFor(curve, 3600)).toBeCloseTo(4.198, 3);
});

test("the paper's runner comes to within 1 % of the records of 1987", () => {
  const record = { mapWkg: 29.1, aJkg: 1700, eWkg: -1.6 };
  expect(enduranceTimeFor(record, 400)).toBeCloseTo(43.6, 1);
  expect(enduranceTimeFor(record, 1500)).toBeCloseTo(210.5, 1);
  expect(enduranceTimeFor(record, 5000)).toBeCloseTo(780.7, 1);
  expect(enduranceTimeFor(record, 42_195)).toBeCloseTo(7626, -1);
});

test('two fresh marks far apart bend the curve and make it surer', () => {
  const curve = fit(race(800, 137));
  const two = fit(race(800, 137), race(10_000, 2100));
  expect(timeErrorFor(two, 5000)).toBeLessThan(timeErrorFor(curve, 5000) / 2);
  expect(Math.abs(timeFor(two, 10_000) - 2100)).toBeLessThan(Math.abs(timeFor(curve, 10_000) - 2100));
});

test('an old mark counts less than a fresh one', () => {
  const fresh = fit(race(5000, 1100), race(5000, 1200, '2025-06-01'));
  expect(timeFor(fresh, 5000)).toBeLessThan(1115);
});

test('a mark that does not fit is named and does not spoil the rest', () => {
  const curve = fit(race(5000, 1110), race(3000, 637), race(1500, 299), race(1500, 335));
  expect(wrongMarksIn(curve).map(({ weighed }) => weighed.mark.timeS)).toEqual([335]);
  for (const { mark, residual } of curve.marks.slice(0, 3))
    expect([mark.distanceM, Math.abs(residual) < 0.03]).toEqual([mark.distanceM, true]);
});

test('the goal curve goes through the goal and keeps its shape', () => {
  const now = fit(race(5000, 1110));
  const goal = curveMovedTo(now, 5000, 1050);
  expect(timeFor(goal, 5000)).toBeCloseTo(1050, 3);
  const shape = ({ parameters: { mapWkg, eWkg, aJkg } }: EnduranceCurve) => [eWkg / mapWkg, aJkg / mapWkg];
  shape(goal).forEach((value, i) => expect(value).toBeCloseTo(shape(now)[i] ?? 0, 9));
});

test.each([[[]], [[race(60, 9)]], [[race(5000, 5)]], [[race(5000, 86_000)]], [[race(5000, 1100, 'someday')]]])(
  'without a usable mark it says so',
  (marks) => expect(() => fit(...marks)).toThrow(CurveError),
);

const anyMark = fc.record({
  distanceM: fc.integer({ min: 200, max: 42_195 }),
  speedMps: fc.double({ min: 1.5, max: 9, noNaN: true }),
  ageDays: fc.integer({ min: 0, max: 900 }),
  kind: fc.constantFrom('race' as const, 'trial' as const, 'session' as const, 'estimate' as const),
});

test('any set of marks, however odd, gives a curve on which further takes longer and longer is slower', () => {
  fc.assert(
    fc.property(fc.array(anyMark, { minLength: 1, maxLength: 6 }), (drawn) => {
      const marks = drawn.map(({ distanceM, speedMps, ageDays, kind }) => ({
        distanceM,
        timeS: distanceM / speedMps,
        date: new Date(Date.parse(AS_OF) - ageDays * 86_400_000).toISOString().slice(0, 10),
        kind,
      }));
      const curve = fitCurve(marks, { asOf: AS_OF });
      const times = [400, 800, 1500, 3000, 5000, 10_000, 21_097.5].map((distanceM) => timeFor(curve, distanceM));
      times.forEach((timeS, i) => expect(timeS).toBeGreaterThan(times[i - 1] ?? 0));
      const speeds = [60, 300, 900, 3600].map((durationS) => speedFor(curve, durationS));
      speeds.forEach((speed, i) => expect(speed).toBeLessThanOrEqual(speeds[i - 1] ?? 15));
      expect(timeErrorFor(curve, 5000)).toBeGreaterThanOrEqual(0);
    }),
    { numRuns: 60 },
  );
});

test('time and speed agree: the speed held for the time of a distance covers that distance', () => {
  fc.assert(
    fc.property(fc.integer({ min: 300, max: 30_000 }), fc.integer({ min: 800, max: 1600 }), (distanceM, five) => {
      const curve = fit(race(5000, five));
      const timeS = timeFor(curve, distanceM);
      expect(speedFor(curve, timeS) * timeS).toBeCloseTo(distanceM, 2);
    }),
    { numRuns: 50 },
  );
});

test.each(['', 'soon', '2026-02-30', '0002-01-01'])('on “%s”, which is no day, there is no curve', (asOf) =>
  expect(() => fitCurve([{ distanceM: 5000, timeS: 1110, date: '2026-10-03', kind: 'race' }], { asOf })).toThrow(
    CurveError,
  ),
);
