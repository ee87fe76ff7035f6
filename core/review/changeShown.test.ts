/** A change of fitness is told from chance by several sessions together. */
import fc from 'fast-check';
import type { Mark } from '../fitness/mark';
import { changeShown, levelsSince, type LevelRead } from './changeShown';

const DAY = '2026-11-01';
const level = (shift: number, date = DAY): LevelRead => ({ date, shift, error: 0.015 });

test('four sessions together, whose mean is beyond six tenths of the error', () => {
  expect(changeShown([0.03, 0.03, 0.03].map((shift) => level(shift)))).toBeUndefined();
  expect(changeShown([0.01, 0.01, 0.01, 0.01].map((shift) => level(shift)))).toBe('fitter');
  expect(changeShown([-0.01, -0.01, -0.01, -0.01].map((shift) => level(shift)))).toBe('less-fit');
  expect(changeShown([0.01, -0.01, 0.01, 0.01].map((shift) => level(shift)))).toBeUndefined();
  // Only the last ones count.
  expect(changeShown([0.09, 0.005, 0.005, 0.005, 0.005].map((shift) => level(shift)))).toBeUndefined();
});

test('better sessions never make anybody less fit', () => {
  const shift = fc.double({ min: -0.05, max: 0.05, noNaN: true });
  const rank = { 'less-fit': -1, none: 0, fitter: 1 };
  fc.assert(
    fc.property(
      fc.array(shift, { minLength: 4, maxLength: 6 }),
      fc.double({ min: 0, max: 0.03, noNaN: true }),
      (all, more) => {
        const of = (by: number) => rank[changeShown(all.map((shift) => level(shift + by))) ?? 'none'];
        expect(of(more)).toBeGreaterThanOrEqual(of(0));
      },
    ),
  );
});

test('a race or trial answers what was open before it; what is old or still to come does not count', () => {
  const levels = ['2026-08-01', '2026-10-01', '2026-10-10', '2026-10-20', '2026-11-02'].map((date) =>
    level(0.01, date),
  );
  const dates = (marks: Mark[]) => levelsSince(levels, marks, DAY).map(({ date }) => date);
  expect(dates([])).toEqual(['2026-10-01', '2026-10-10', '2026-10-20']);
  const raced: Mark = { distanceM: 5000, timeS: 1100, date: '2026-10-10', kind: 'race' };
  expect(dates([raced])).toEqual(['2026-10-20']);
  expect(dates([{ ...raced, leftOut: true }])).toHaveLength(3);
  expect(dates([{ ...raced, kind: 'session' }])).toHaveLength(3);
});
