import fc from 'fast-check';
import { leastSquares } from './leastSquares';

test('a straight line is found exactly, with the covariance of the textbook', () => {
  const points = [0, 1, 2, 3].map((t) => ({ t, d: 5 * t + 200 }));
  const { x, covariance } = leastSquares(
    ([slope = 0, start = 0]) => points.map(({ t, d }) => slope * t + start - d),
    [0, 0],
  );
  expect(x).toEqual([expect.closeTo(5, 6), expect.closeTo(200, 6)]);
  // (JᵀJ)⁻¹ with Σt² = 14, Σt = 6, n = 4.
  expect(covariance.flat()).toEqual([4, -6, -6, 14].map((v) => expect.closeTo(v / 20, 5)));
});

test('a curved valley is followed to its bottom (Rosenbrock, Comput. J. 3:175, 1960)', () => {
  const { x } = leastSquares(([a = 0, b = 0]) => [10 * (b - a * a), 1 - a], [-1.2, 1]);
  expect(x).toEqual([expect.closeTo(1, 4), expect.closeTo(1, 4)]);
});

test('what the residuals do not depend on stays where it was, and nothing becomes NaN', () => {
  const { x, covariance } = leastSquares(([a = 0]) => [a - 3], [0, 7]);
  expect(x[1]).toBe(7);
  for (const value of [...x, ...covariance.flat()]) expect(Number.isFinite(value)).toBe(true);
});

test('it never ends further off than it began', () => {
  fc.assert(
    fc.property(
      fc.array(fc.integer({ min: -50, max: 50 }), { minLength: 2, maxLength: 6 }),
      fc.integer({ min: -5, max: 5 }),
      (data, start) => {
        const residuals = ([a = 0, b = 0]: readonly number[]) =>
          data.map((value, i) => a * Math.exp(-i / 3) + b * i - value);
        const cost = (x: readonly number[]) => residuals(x).reduce((sum, r) => sum + r * r, 0);
        expect(cost(leastSquares(residuals, [start, start]).x)).toBeLessThanOrEqual(cost([start, start]) + 1e-9);
      },
    ),
  );
});

test('with bounds the least within them is found, as well as it would be on the bound itself', () => {
  fc.assert(
    fc.property(
      fc.array(fc.integer({ min: -50, max: 50 }), { minLength: 3, maxLength: 6 }),
      fc.double({ min: -2, max: 2, noNaN: true }),
      (data, most) => {
        const residuals = ([a = 0, b = 0]: readonly number[]) => data.map((value, i) => a + b * i - value);
        const { x } = leastSquares(residuals, [0, 0], { bounds: [undefined, { min: -Infinity, max: most }] });
        const free = leastSquares(residuals, [0, 0]).x;
        if ((free[1] ?? 0) <= most) return expect(x[1]).toBeCloseTo(free[1] ?? 0, 5);
        const bounded = leastSquares(([a = 0]) => residuals([a, most]), [0]).x;
        // Where the free least lies right on the bound, it is no nearer to it than the search comes.
        expect(x[1]).toBeCloseTo(most, 6);
        expect(x[0]).toBeCloseTo(bounded[0] ?? 0, 5);
      },
    ),
    { examples: [[[-40, -32, -40], 0]] },
  );
});
