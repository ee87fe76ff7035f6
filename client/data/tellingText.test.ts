import { calibrationText, toldAboveText } from './tellingText';

test('says how much lower or higher somebody tells effort than most, to the half, and from how many reps', () => {
  expect(calibrationText({ a: -1.1, g: 1, aError: 0.34, n: 26 })).toBe(
    'Rates effort about 1 lower than most (give or take 0.3), from 26 reps.',
  );
  expect(calibrationText({ a: 0.1, g: 1.1, aError: 0.2, n: 1 })).toBe(
    'Rates effort about 1 higher than most (give or take 0.2), from 1 rep.',
  );
});

test('says nothing much of somebody who tells as most do', () => {
  expect(toldAboveText({ a: 0.4, g: 1 })).toBeUndefined();
  expect(calibrationText({ a: 0.4, g: 1, aError: 0.2, n: 30 })).toBe('Rates effort much as most do, from 30 reps.');
});
