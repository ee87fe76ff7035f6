import { mean, meanOfKnown, variance } from './mean';

test('the mean of what is known leaves out what is not', () => {
  expect(mean([1, 2, 6])).toBe(3);
  expect(meanOfKnown([1, undefined, 3])).toBe(2);
  expect(meanOfKnown([undefined])).toBeUndefined();
  expect(meanOfKnown([])).toBeUndefined();
});

test('the variance of a sample, by hand; of one value there is none', () => {
  expect(variance([2, 4, 6])).toBe(4);
  expect(variance([5])).toBe(0);
});
