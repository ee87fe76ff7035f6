import { readMark, toFields } from './athleteForm';
import { readAthlete } from './readAthlete';

const mark = { distance: '5k', time: '18.30', date: '2026-10-01', kind: 'race' as const };

test('typed marks become numbers; the distance settles the time', () => {
  expect(readAthlete({ name: ' Ada ', marks: [mark, { ...mark, distance: '400', time: '58.30' }] })).toEqual({
    ok: true,
    athlete: {
      name: 'Ada',
      marks: [
        { distanceM: 5000, timeS: 1110, date: '2026-10-01', kind: 'race' },
        { distanceM: 400, timeS: 58.3, date: '2026-10-01', kind: 'race' },
      ],
    },
  });
});

test('every field that cannot be read is named at its place', () => {
  const read = readAthlete({ name: '', marks: [mark, { ...mark, distance: 'far', time: 'fast' }] });
  expect(read.ok).toBe(false);
  if (!read.ok) expect(read.problems.map(({ field }) => field)).toEqual(['marks.1.distance', 'marks.1.time', 'name']);
});

test('a day that is missing is said at the day', () => {
  const read = readAthlete({ name: 'Ada', marks: [{ ...mark, date: '' }] });
  expect(read).toMatchObject({ ok: false, problems: [{ field: 'marks.0.date', message: 'A date is needed.' }] });
});

test('a hardly believable mark is asked about, and taken all the same', () => {
  const odd = { ...mark, time: '8:00' };
  expect(readMark(odd)?.doubt).toMatch(/^Really\?/);
  expect(readAthlete({ name: 'Ada', marks: [odd] }).ok).toBe(true);
  expect(readMark({ ...mark, time: '' })).toBeUndefined();
});

test('what was stored is shown as it would be typed', () => {
  const stored = {
    name: 'Ada',
    marks: [{ distanceM: 1609.344, timeS: 312.4, date: '2026-10-01', kind: 'trial' as const }],
  };
  expect(toFields(stored).marks[0]).toEqual({ distance: 'mile', time: '5:12.4', date: '2026-10-01', kind: 'trial' });
  expect(readAthlete(toFields(stored))).toEqual({ ok: true, athlete: stored });
});
