/** The expected shape of a runner, against published tables of equivalent times. */
import { fitCurve, timeFor } from './curve';
import { LEANINGS, shapePrior } from './shapePrior';
import type { Mark } from './mark';

const AS_OF = '2026-11-01';
const race = (distanceM: number, timeS: number, date = AS_OF): Mark => ({ distanceM, timeS, date, kind: 'race' });

/** Riegel, American Scientist 69:285 (1981). */
const riegel = (timeS: number, fromM: number, toM: number) => timeS * (toM / fromM) ** 1.06;

test('from a 5000 of 13:30 to 33:00 the 1500 to the half marathon lie within 4 % of a published power law', () => {
  for (let fiveS = 810; fiveS <= 1980; fiveS += 90) {
    const curve = fitCurve([race(5000, fiveS)], { asOf: AS_OF });
    for (const distanceM of [1500, 3000, 10_000, 21_097.5])
      expect(Math.abs(Math.log(timeFor(curve, distanceM) / riegel(fiveS, 5000, distanceM)))).toBeLessThan(0.04);
  }
});

test('who runs short races best is expected to be slower over 5000 m, who runs long ones best quicker', () => {
  const over5k = (leaning: (typeof LEANINGS)[number] | undefined) =>
    timeFor(fitCurve([race(800, 120)], { asOf: AS_OF, leaning }), 5000);
  const general = over5k(undefined);
  // By the general prior an 800 type's 5000 comes out some 4 % too quick.
  expect(over5k('400-800') / general).toBeGreaterThan(1.035);
  expect(over5k('400-800') / general).toBeLessThan(1.06);
  expect(over5k('5k-10k')).toBeLessThan(general);
  expect(LEANINGS.map(over5k)).toEqual([...LEANINGS.map(over5k)].sort((a, b) => b - a));
});

test('bounds lie three standard deviations to either side, and never where a longer race would be faster', () => {
  for (const leaning of [undefined, ...LEANINGS])
    for (let lnMap = Math.log(5); lnMap < Math.log(40); lnMap += 0.1) {
      const { e, aSdS, aMeanS, boundsAt } = shapePrior(leaning);
      const bounds = boundsAt(lnMap);
      expect([bounds.e.min, bounds.e.max]).toEqual([e.mean - 3 * e.sd, e.mean + 3 * e.sd]);
      expect(bounds.a.max).toBeCloseTo(aMeanS(lnMap) + 3 * aSdS, 9);
      expect(bounds.a.min).toBeGreaterThanOrEqual(31);
      expect(bounds.e.max).toBeLessThan(0);
    }
});

describe('a drift of the level beside the marks', () => {
  const day = (weeks: number) => new Date(Date.parse(AS_OF) - weeks * 7 * 86_400_000).toISOString().slice(0, 10);
  const curveOf = (marks: Mark[], asOf = AS_OF) => fitCurve(marks, { asOf });
  test('who gets quicker from mark to mark is believed to be nearly at the newest', () => {
    const quicker = curveOf([12, 8, 4, 0].map((weeks) => race(5000, 1110 * (1 + 0.002 * weeks), day(weeks))));
    expect(timeFor(quicker, 5000)).toBeLessThan(1117);
    expect(timeFor(quicker, 5000)).toBeGreaterThan(1109);
  });
  test('nobody’s paces get quicker or slower by waiting', () => {
    const marks = [12, 8, 4, 0].map((weeks) => race(5000, 1110 * (1 + 0.002 * weeks), day(weeks)));
    expect(timeFor(curveOf(marks, '2027-03-01'), 5000) / timeFor(curveOf(marks), 5000)).toBeCloseTo(1, 2);
    const one = [race(5000, 1110, day(20))];
    expect(timeFor(curveOf(one, '2027-03-01'), 5000)).toBeCloseTo(1110, 3);
  });
  test('a single mark is doubted more with its age, at the full rate', () => {
    const [weighed] = curveOf([race(5000, 1110, day(20))]).marks;
    expect(weighed?.driftedSd).toBeCloseTo(0.012 + (0.005 * 140) / 28, 9);
    const [older] = curveOf([race(5000, 1110, day(20)), race(3000, 640)]).marks;
    expect(older?.driftedSd).toBeCloseTo(0.012 + (0.0025 * 140) / 28, 9);
    expect(older?.sd).toBeCloseTo(0.012 + (0.005 * 140) / 28, 9);
  });
});

describe('marks kept of sessions', () => {
  const kept = (weeks: number): Mark => ({
    ...race(5000, 1110, new Date(Date.parse(AS_OF) - weeks * 7 * 86_400_000).toISOString().slice(0, 10)),
    kind: 'session',
    alone: { timeS: 1100, sd: 0.03 },
  });
  const freshSds = (marks: Mark[]) => fitCurve(marks, { asOf: AS_OF }).marks.map(({ freshSd }) => freshSd);
  test('share an error: the more of them in some months, the less each counts', () => {
    expect(freshSds([kept(0)])).toEqual([0.03]);
    for (const sd of freshSds([0, 2, 4, 6].map(kept))) expect(sd).toBeCloseTo(0.03 * Math.sqrt(2.5), 9);
    // A mark of half a year ago shares nothing with today's.
    expect(freshSds([kept(0), kept(30)])).toEqual([0.03, 0.03]);
    expect(freshSds([kept(0), race(3000, 640)])).toEqual([0.03, 0.012]);
  });
});
