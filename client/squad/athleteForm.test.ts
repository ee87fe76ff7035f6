import type { SquadMember } from '@core/squad/athlete';
import {
  emptyMark,
  isBlank,
  markIn,
  readGoal,
  readMark,
  readWholeMark,
  toMarkFields,
  type MarkFields,
} from './athleteForm';
import { checkAthlete, readAbout, type AboutFields } from '../data/readAthlete';

const TODAY = '2026-11-01';
const mark: MarkFields = { ...emptyMark('2026-10-01'), distance: '5k', time: '18.30' };

test('a typed mark becomes numbers; the distance settles the time', () => {
  expect(markIn(mark)).toEqual({ distanceM: 5000, timeS: 1110, date: '2026-10-01', kind: 'race' });
  expect(markIn({ ...mark, distance: '400', time: '58.30', note: ' windy ', leftOut: true })).toEqual({
    distanceM: 400,
    timeS: 58.3,
    date: '2026-10-01',
    kind: 'race',
    note: 'windy',
    leftOut: true,
  });
});

test('every field that cannot be read is named', () => {
  const problems = (part: Partial<MarkFields>) => {
    const read = readWholeMark({ ...mark, ...part }, TODAY);
    return read.ok ? {} : read.problems;
  };
  expect(problems({})).toEqual({});
  expect(Object.keys(problems({ distance: 'far', time: 'fast', date: '' }))).toEqual(['distance', 'time', 'date']);
  expect(problems({ date: '2026-11-02' }).date).toMatch(/still to come/);
  expect(problems({ note: 'x'.repeat(201) }).note).toMatch(/200 characters/);
});

test('a goal is typed as a mark, lies ahead, and its race is named in what is the note of a mark', () => {
  const typed = { ...mark, date: '2027-05-01', note: ' County final ' };
  expect(readGoal(typed)).toEqual({
    ok: true,
    value: { distanceM: 5000, timeS: 1110, date: '2027-05-01', race: 'County final' },
  });
  expect(readGoal({ ...typed, date: '', time: '' })).toEqual({
    ok: false,
    problems: { date: 'A date is needed.', time: expect.any(String) as string },
  });
});

test('a hardly believable mark is asked about, and taken all the same', () => {
  const odd = { ...mark, time: '8:00' };
  expect(readMark(odd)?.doubt).toMatch(/^Really\?/);
  expect(markIn(odd)).toEqual({ distanceM: 5000, timeS: 480, date: '2026-10-01', kind: 'race' });
  expect(readMark({ ...mark, time: '' })).toBeUndefined();
  expect(isBlank({ ...mark, distance: ' ', time: '' })).toBe(true);
});

test('what was stored is shown as it would be typed, and read back the same to the hundredth', () => {
  for (const timeS of [312.4, 1110.45, 58, 58.35, 3661]) {
    const stored = { distanceM: 1609.344, timeS, date: '2026-10-01', kind: 'trial' as const, note: 'indoors' };
    expect(markIn(toMarkFields(stored))).toEqual(stored);
  }
});

describe('particulars', () => {
  const before: SquadMember = {
    id: '01M7ZKC8B0Y78609PN4H3NMY4X',
    name: 'Ada',
    tileName: 'Ada',
    status: 'training',
    marks: [],
    goal: { distanceM: 5000, timeS: 1000, date: '2027-05-01' },
    leaning: '800-1500',
  };
  const typed: AboutFields = {
    name: ' Ada B ',
    tileName: 'Ada',
    bornYear: '2009',
    leaning: '',
    weeks: '6',
    weeklyKm: '32,5',
    groupId: '',
    status: 'easing',
    notes: ' ',
    chip: '',
    paceBookId: 'offset',
  };
  test('are read with all else of the athlete kept; what is emptied is gone', () => {
    expect(readAbout(typed, before, TODAY)).toEqual({
      ok: true,
      value: {
        name: 'Ada B',
        tileName: 'Ada',
        status: 'easing',
        marks: [],
        bornYear: 2009,
        runningSince: '2026-09-20',
        weeklyKm: 32.5,
        paceBookId: 'offset',
        goal: before.goal,
      },
    });
  });
  test.each([
    [{ name: '' }, 'name', 'A name is needed.'],
    [{ weeklyKm: 'lots' }, 'weeklyKm', 'Write a number of kilometres, like 35, or nothing.'],
    [{ weeklyKm: '900' }, 'weeklyKm', 'Kilometres a week can be 400 at most.'],
    [{ tileName: 'Adelheid the Third' }, 'tileName', /12 characters/],
    [{ bornYear: 'nine' }, 'bornYear', /Write a year/],
    [{ bornYear: '2030' }, 'bornYear', /still to come/],
    [{ bornYear: '1066' }, 'bornYear', /1900 at the earliest/],
    [{ weeks: 'many' }, 'weeks', /number of weeks/],
    [{ notes: 'x'.repeat(2001) }, 'notes', /2000 characters/],
    [{ paceBookId: 'mine' }, 'paceBookId', /no such pace book/],
  ])('%j is refused at %s', (part, field, message) => {
    const read = readAbout({ ...typed, ...part }, before, TODAY);
    expect(read).toEqual({ ok: false, problems: { [field]: expect.stringMatching(message) as string } });
  });
  test('all that is wrong is said at once', () => {
    const read = readAbout({ ...typed, name: '', weeks: 'many', chip: 'x'.repeat(99) }, before, TODAY);
    expect(read.ok ? [] : Object.keys(read.problems).sort()).toEqual(['chip', 'name', 'weeks']);
  });
  test('someone new needs no more than a name', () => {
    expect(checkAthlete({ name: 'Bo', marks: [] })).toEqual({ ok: true, value: { name: 'Bo', marks: [] } });
  });
});
