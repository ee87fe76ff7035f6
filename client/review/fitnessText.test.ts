import type { FitnessReading } from '@core/review/fitnessReading';
import { fitnessText, goalRepsText, othersText } from './fitnessText';

const reading = (more: Partial<FitnessReading> = {}): FitnessReading => ({
  athleteId: 'a',
  distanceM: 5000,
  before: { timeS: 1010, errorS: 13.2 },
  after: { timeS: 991.4, errorS: 9.4 },
  learned: 0.3,
  nothingNew: false,
  is: 'fitter',
  ...more,
});

test.each<[Partial<FitnessReading>, string]>([
  [{}, 'Looked a little above the marks: 16:31 ± 9\u00a0s over 5k, before the session 16:50 ± 13\u00a0s.'],
  [
    { is: 'less-fit' },
    'Looked a little below the marks: 16:31 ± 9\u00a0s over 5k, before the session 16:50 ± 13\u00a0s.',
  ],
  [
    { is: 'as-known', distanceM: 800, before: { timeS: 136.44, errorS: 1.94 }, after: { timeS: 136, errorS: 0.02 } },
    'As expected from the marks: 2:16.0 ± 0.1\u00a0s over 800, before the session 2:16.4 ± 1.9\u00a0s.',
  ],
  [
    { changed: 'fitter' },
    'Fitter than the marks, by this session and those before it: 16:31 ± 9\u00a0s over 5k, before the session 16:50 ± 13\u00a0s.',
  ],
  [
    { surprise: { distanceM: 3000, timeS: 598, expectedS: 637 } },
    '3000 in 9:58 does not fit what is known (10:37): a wrong time or course, or much fitter. Keep it as a trial?',
  ],
  [{ nothingNew: true }, 'Nothing new: still 16:50 ± 13\u00a0s over 5k.'],
])('what is said of fitness: %j', (more, text) => expect(fitnessText(reading(more))).toBe(text));

test('how far the goal is, by its reps; over another distance it is not held against it', () => {
  const goal = { distanceM: 5000, timeS: 985, date: '2027-05-01' };
  const reps = { held: 4, of: 5, pace: 'goal 5k', restS: 60 };
  expect(goalRepsText(reps, reading(), goal)).toBe(
    'Held 4 of 5 at goal 5k with 60 s of rest: points to 16:31 ± 9\u00a0s; the goal is 16:25.',
  );
  expect(goalRepsText({ held: 4, of: 5, pace: 'goal 5k' }, reading({ distanceM: 1500 }), goal)).toBe(
    'Held 4 of 5 at goal 5k; the goal is 16:25.',
  );
});

test('those of whom nothing new is known are counted', () => {
  expect(othersText(8, 3)).toBe('Nothing new about the other 8.');
  expect(othersText(1, 3)).toBe('Nothing new about the other.');
  expect(othersText(8, 0)).toMatch(/^Nothing new about anyone/);
});
