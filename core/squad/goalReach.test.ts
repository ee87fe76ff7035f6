import fc from 'fast-check';
import { goalReach } from './goalReach';

const TODAY = '2026-11-01';
const NOW = { timeS: 1000, errorS: 8 };
const goalOf = (timeS: number, date = '2026-12-27') => ({ distanceM: 5000, timeS, date });
const trend = (perWeek: number, errorPerWeek = 0.0005) => ({ perWeek, errorPerWeek, marks: 5 });

test('a goal within reach today needs nothing more', () => {
  expect(goalReach(NOW, trend(0), goalOf(1005), TODAY)).toEqual({ verdict: 'there', weeks: 8, neededPerWeek: 0 });
});

test('the needed rate stands beside what they would run at their own', () => {
  const reach = goalReach(NOW, trend(0.002), goalOf(990), TODAY);
  expect(reach?.neededPerWeek).toBeCloseTo(Math.log(1000 / 990) / 8, 9);
  // Precisions of 0.05 % and of 0.11 % about 0.07 %, and eight weeks of a rate that fades.
  const [own, seen] = [1 / 0.0005 ** 2, 1 / 0.0011 ** 2];
  const perWeek = (0.002 * own + 0.0007 * seen) / (own + seen);
  const worth = 17 * (1 - Math.exp(-8 / 17));
  expect(reach?.then?.timeS).toBeCloseTo(1000 * Math.exp(-perWeek * worth), 6);
  expect(reach?.then?.errorS).toBeCloseTo(
    (reach?.then?.timeS ?? 0) * Math.hypot(0.008, worth / Math.sqrt(own + seen), 0.012),
    6,
  );
  const old = goalReach({ ...NOW, lagWeeks: 4 }, trend(0.002), goalOf(990), TODAY);
  expect(old?.then?.timeS).toBeCloseTo(1000 * Math.exp(-perWeek * (worth + 4)), 6);
});

test.each<[number, number, string]>([
  [997, 0.003, 'likely'],
  [990, 0.002, 'open'],
  [980, 0.002, 'open'],
  [950, 0.002, 'unlikely'],
  [990, -0.003, 'unlikely'],
])('a goal of %d at %d a week is %s', (timeS, perWeek, verdict) =>
  expect(goalReach(NOW, trend(perWeek), goalOf(timeS), TODAY)?.verdict).toBe(verdict),
);

test('a later race, where the rate comes to it; none where it never does, or only years from now', () => {
  // 2 % at a rate of 0.18 % that fades: 19 weeks.
  expect(goalReach(NOW, trend(0.002), goalOf(980), TODAY)?.laterDay).toBe('2027-03-13');
  expect(goalReach(NOW, trend(0), goalOf(980), TODAY)).not.toHaveProperty('laterDay');
  expect(goalReach(NOW, trend(0.0004), goalOf(960), TODAY)).not.toHaveProperty('laterDay');
});

test('nothing is made up: no rate, too far ahead, or over', () => {
  expect(goalReach(NOW, undefined, goalOf(990), TODAY)).toMatchObject({
    verdict: 'unknown',
    neededPerWeek: expect.any(Number),
  });
  expect(goalReach(NOW, trend(0.002), goalOf(900, '2027-09-01'), TODAY)?.verdict).toBe('unknown');
  expect(goalReach(NOW, trend(0.002), goalOf(990, '2026-10-31'), TODAY)).toBeUndefined();
  expect(goalReach(NOW, trend(0.002), goalOf(990, TODAY), TODAY)?.chance).toBeLessThan(0.25);
});

test('a harder goal is never likelier, and a better rate never makes one less likely', () => {
  const chanceOf = (timeS: number, perWeek: number) =>
    goalReach(NOW, trend(perWeek), goalOf(timeS), TODAY)?.chance ?? 1;
  fc.assert(
    fc.property(
      fc.integer({ min: 850, max: 999 }),
      fc.integer({ min: 0, max: 50 }),
      fc.double({ min: -0.005, max: 0.01, noNaN: true }),
      fc.double({ min: 0, max: 0.005, noNaN: true }),
      (timeS, harderS, perWeek, better) => {
        expect(chanceOf(timeS - harderS, perWeek)).toBeLessThanOrEqual(chanceOf(timeS, perWeek) + 1e-9);
        expect(chanceOf(timeS, perWeek + better)).toBeGreaterThanOrEqual(chanceOf(timeS, perWeek) - 1e-9);
      },
    ),
  );
});

test('a goal whose day is still being typed is no goal yet', () =>
  expect(goalReach(NOW, trend(0.002), { ...goalOf(990), date: '0002-01-01' }, TODAY)).toBeUndefined());
