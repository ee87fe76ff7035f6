import fc from 'fast-check';
import { band, logScale, path, scale, ticks } from './plot';

test('a scale goes straight from one end to the other, either way round', () => {
  const x = scale([10, 20], [0, 100]);
  expect([10, 15, 20, 25].map(x)).toEqual([0, 50, 100, 150]);
  const y = scale([60, 90], [200, 20]);
  expect([60, 90].map(y)).toEqual([200, 20]);
  expect(scale([5, 5], [0, 100])(5)).toBe(0);
});

test('on a scale by doubling each doubling is as wide', () => {
  const x = logScale([400, 3200], [10, 40]);
  expect([400, 800, 1600, 3200].map((m) => Math.round(x(m)))).toEqual([10, 20, 30, 40]);
});

test('ticks are round values inside, in the finest step that leaves room', () => {
  expect(ticks(62, 91, 6, [2, 5, 10, 20])).toEqual([65, 70, 75, 80, 85, 90]);
  expect(ticks(60, 90, 6, [2, 5, 10, 20])).toEqual([60, 65, 70, 75, 80, 85, 90]);
  expect(ticks(1, 1.5, 4, [10])).toEqual([]);
  expect(ticks(7, 7, 4, [1, 2])).toEqual([7]);
});

test('ticks are always inside, in order, and not many', () => {
  fc.assert(
    fc.property(
      fc.double({ min: 1, max: 500, noNaN: true }),
      fc.double({ min: 0.5, max: 300, noNaN: true }),
      (from, span) => {
        const values = ticks(from, from + span, 6, [1, 2, 5, 10, 20, 50, 100]);
        expect(values.length).toBeLessThanOrEqual(7);
        values.forEach((value, i) => {
          expect(value).toBeGreaterThanOrEqual(from - 1e-6);
          expect(value).toBeLessThanOrEqual(from + span + 1e-6);
          if (i > 0) expect(value).toBeGreaterThan(values[i - 1] ?? Infinity);
        });
      },
    ),
  );
});

test('a band goes there along its upper edge, back along its lower one, and is closed', () => {
  expect(path([[0, 1.25]])).toBe('M0.0 1.3');
  expect(
    band(
      [
        [0, 0],
        [10, 0],
      ],
      [
        [0, 5],
        [10, 5],
      ],
    ),
  ).toBe('M0.0 0.0L10.0 0.0L10.0 5.0L0.0 5.0Z');
});
