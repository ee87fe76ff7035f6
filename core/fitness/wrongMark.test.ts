/** The mark that may be wrong is found by asking all the others. */
import { fitCurve, timeFor } from './curve';
import type { Mark } from './mark';
import { mayBeWrong, wrongMarksIn } from './wrongMark';
import { normal } from '../rehearsal/simulate';
import { seeded } from '../units/seeded';

const AS_OF = '2026-11-01';
const race = (distanceM: number, timeS: number): Mark => ({ distanceM, timeS, date: AS_OF, kind: 'race' });
const truth = fitCurve([race(5000, 1110)], { asOf: AS_OF });
const wrongIn = (marks: Mark[]) =>
  wrongMarksIn(fitCurve(marks, { asOf: AS_OF })).map(({ weighed }) => weighed.mark.distanceM);

test.each([0.9, 1.1])('a 5k typed at %d of its time beside right 800, 1500 and 3000 is the one asked about', (slip) => {
  const random = seeded(17);
  let [found, blamed] = [0, 0];
  const n = 200;
  for (let i = 0; i < n; i++) {
    const marks = [800, 1500, 3000, 5000].map((distanceM) =>
      race(distanceM, timeFor(truth, distanceM) * Math.exp(normal(random, 0.012)) * (distanceM === 5000 ? slip : 1)),
    );
    const asked = wrongIn(marks);
    if (asked.includes(5000)) found++;
    else if (asked.length > 0) blamed++;
  }
  expect(found / n).toBeGreaterThanOrEqual(0.95);
  expect(blamed / n).toBeLessThanOrEqual(0.02);
});

test('of marks that agree none is asked about, and one alone has nothing to be held against', () => {
  expect(wrongIn([800, 1500, 5000].map((distanceM) => race(distanceM, timeFor(truth, distanceM))))).toEqual([]);
  expect(wrongIn([race(5000, 500)])).toEqual([]);
});

test('of two that contradict each other neither is taken for the right one', () => {
  const curve = fitCurve([race(5000, 1110), race(5000, 1300)], { asOf: AS_OF });
  expect(wrongMarksIn(curve)).toHaveLength(2);
  for (const weighed of curve.marks) expect(mayBeWrong(curve, weighed)).toBe(true);
});

test('by how much it is off is told against the others alone', () => {
  const marks = [race(1500, timeFor(truth, 1500)), race(3000, timeFor(truth, 3000)), race(5000, 1000)];
  const [wrong] = wrongMarksIn(fitCurve(marks, { asOf: AS_OF }));
  expect(wrong?.weighed.mark.distanceM).toBe(5000);
  expect(wrong?.off).toBeCloseTo(Math.log(1000 / timeFor(fitCurve(marks.slice(0, 2), { asOf: AS_OF }), 5000)), 6);
});
