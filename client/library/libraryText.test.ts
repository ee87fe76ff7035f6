import { libraryEntry } from '@core/library/searchLibrary';
import { STARTERS } from '@core/library/starters';
import { entryAbout, LENGTHS, resultText } from './libraryText';

const entry = (shorthand: string) => libraryEntry({ id: 'a', title: 'T', shorthand, tags: [] });

test('a session in the library is put into a line: kind, length, when it was last used', () => {
  expect(entryAbout(entry('4x1000 @threshold / 60s'), { days: 0 }, 'km')).toBe('Threshold · 4.0 km of reps');
  expect(entryAbout(entry('4x1000 @threshold / 60s'), { days: 1, last: '2020-02-03' }, 'km')).toBe(
    'Threshold · 4.0 km of reps · last 3 Feb 2020',
  );
  expect(entryAbout(entry('4x @'), { days: 0 }, 'km')).toBe('Mixed · draft, cannot be read yet');
});

test('the lengths to choose by leave no session out and take none twice', () => {
  const ranges = LENGTHS.filter(({ value }) => value !== '');
  for (const starter of STARTERS) {
    const { mainM } = libraryEntry(starter);
    const fits = ranges.filter(({ fromM, belowM }) => mainM >= (fromM ?? 0) && mainM < (belowM ?? Infinity));
    expect(fits).toHaveLength(1);
  }
});

test('how the squad came through it', () => {
  const summary = { athletes: 12, planned: 96, finished: 90, verdicts: { early: 20, on: 61, late: 9 } };
  expect(resultText(summary)).toBe('12 athletes, 90 of 96 reps; 61 on, 20 early, 9 late');
  const byEffort = { ...summary, verdicts: { early: 0, on: 0, late: 0 } };
  expect(resultText(byEffort)).toBe('12 athletes, 90 of 96 reps');
});
