import { readSplits, splitMarks } from './readSplits';

test('marks by lap and by kilometre', () => {
  expect(splitMarks(1500, 'lap')).toEqual([300, 700, 1100, 1500]);
  expect(splitMarks(3000, 'km')).toEqual([1000, 2000, 3000]);
  expect(splitMarks(1500, 'km')).toEqual([1000, 1500]);
});

const FROM_GUN = [
  { atM: 300, timeS: 50 },
  { atM: 700, timeS: 120 },
  { atM: 1100, timeS: 192 },
  { atM: 1500, timeS: 260 },
];

test('times from the gun and lap times come to the same', () => {
  expect(readSplits('50 2:00 3:12 4:20', 1500, 'lap')).toEqual({ ok: true, splits: FROM_GUN });
  expect(readSplits('50; 70; 72; 68', 1500, 'lap')).toEqual({ ok: true, splits: FROM_GUN });
});

test('too few are said, and what cannot be read', () => {
  expect(readSplits('50 2:00', 1500, 'lap')).toEqual({
    ok: false,
    message: 'This race has 4 of them (one a lap); there are 2.',
  });
  expect(readSplits('50 2:00 x 4:20', 1500, 'lap').ok).toBe(false);
});
