import { check } from './check';
import { curveBook } from '../paces/shippedPaceBooks';
import { athleteSchema, paceBookSchema, sessionSchema, squadChangeSchema } from './schemas';
import { eventSchema, planSchema } from './tracksideSchemas';

const ID = '01M7ZKC8B0Y78609PN4H3NMY4X';
const mark = { distanceM: 5000, timeS: 1110, date: '2026-10-01', kind: 'race' };
const stamp = { id: ID, runId: ID, deviceId: ID, atMs: 1 };

test('an athlete is taken, the name trimmed', () => {
  expect(check(athleteSchema, { name: ' Ada ', marks: [mark] })).toEqual({
    ok: true,
    value: { name: 'Ada', marks: [mark] },
  });
});

test.each([
  [{ name: '', marks: [mark] }, 'name', 'A name is needed.'],
  [{ name: 'Ada', marks: Array.from({ length: 101 }, () => mark) }, 'marks', /100 marks at most/],
  [{ name: 'Ada', marks: [], tileName: 'Adelheid the Third' }, 'tileName', /12 characters/],
  [{ name: 'Ada', marks: [], bornYear: '2009' }, 'bornYear', /number/],
  [{ name: 'Ada', marks: [], status: 'lazy' }, 'status', /must be one of/],
  [{ name: 'Ada', marks: [], goal: { ...mark, kind: undefined, timeS: 0 } }, 'goal.timeS', /more than zero/],
  [{ name: 'Ada', marks: [], nudge: { distanceM: 5000, timeS: 1000, date: 'now' } }, 'nudge.date', /year-month-day/],
  [{ name: 'Ada', marks: [], paceBookId: 'mine' }, 'paceBookId', /no such pace book/],
  [{ name: 'Ada', marks: [mark, { ...mark, timeS: 'fast' }] }, 'marks[1].timeS', 'A mark needs a time.'],
  [{ name: 'Ada', marks: [{ ...mark, timeS: '1110' }] }, 'marks[0].timeS', 'A mark needs a time.'],
  [{ name: 'Ada', marks: [{ ...mark, timeS: -1 }] }, 'marks[0].timeS', /more than zero/],
  [{ name: 'Ada', marks: [{ ...mark, date: '2026-02-30' }] }, 'marks[0].date', /no such day/],
  [{ name: 'Ada', marks: [{ ...mark, date: 'soon' }] }, 'marks[0].date', /year-month-day/],
  [{ name: 'Ada', marks: [{ ...mark, kind: 'guess' }] }, 'marks[0].kind', /must be one of/],
  [{ name: 'Ada', marks: [mark], shoeSize: 41 }, 'shoeSize', /not allowed/],
  [undefined, '', /.+/],
])('%j is refused at %s', (input, field, message) => {
  const result = check(athleteSchema.required(), input);
  expect(result).toMatchObject({ ok: false, field });
  if (!result.ok) expect(result.message).toMatch(message);
});

test('a session may be a draft, but not endless', () => {
  const session = { title: 'Reps', date: '2026-10-01', shorthand: '' };
  expect(check(sessionSchema, session).ok).toBe(true);
  expect(check(sessionSchema, { ...session, shorthand: 'x'.repeat(20_001) })).toMatchObject({
    ok: false,
    field: 'shorthand',
  });
  expect(check(sessionSchema, { ...session, title: ' ' })).toMatchObject({ ok: false, message: 'A title is needed.' });
});

test.each([
  { ...stamp, type: 'started', repIndex: 0, athleteIds: [ID] },
  { ...stamp, type: 'passed', repIndex: 3, athleteId: ID, atM: 200 },
  { ...stamp, type: 'undone', eventId: ID },
  { ...stamp, type: 'ended' },
])('an event $type is taken as it is', (event) =>
  expect(check(eventSchema, event)).toEqual({ ok: true, value: event }),
);

test.each([
  [{ ...stamp, type: 'flew' }, 'type'],
  [{ ...stamp, type: 'passed', repIndex: 0, athleteId: ID }, 'atM'],
  [{ ...stamp, type: 'started', repIndex: -1, athleteIds: [ID] }, 'repIndex'],
  [{ ...stamp, atMs: 1.5, type: 'ended' }, 'atMs'],
  [{ ...stamp, id: 'mine', type: 'ended' }, 'id'],
  [{ ...stamp, type: 'ended', extra: 1 }, 'extra'],
  ['what', ''],
])('%j is refused at %s', (event, field) => expect(check(eventSchema, event)).toMatchObject({ ok: false, field }));

test('a plan with nobody in it is refused', () => {
  const plan = {
    id: ID,
    sessionId: ID,
    title: 'Reps',
    date: '2026-10-01',
    shorthand: '400',
    groups: [{ id: 'all', name: 'Everyone', reps: [{ role: 'main', callM: [400] }], athletes: [] }],
  };
  expect(check(planSchema, plan)).toMatchObject({
    ok: false,
    field: 'groups',
    message: 'There is nobody in this session.',
  });
});

describe('a pace book', () => {
  const { id: _id, ...book } = curveBook;
  test('that ships fits its own schema', () => expect(check(paceBookSchema, book)).toEqual({ ok: true, value: book }));
  test.each([
    [{ name: '' }, 'name', /needs a name/],
    [{ model: 'guess' }, 'model', /must be one of/],
    [{ entries: [] }, 'entries', /the pace book needs an entry for each/],
    [{ entries: [{ ...book.entries[0], tolerance: 2 }] }, 'entries[0].tolerance', /0.2/],
    [
      { entries: [{ ...book.entries[0], basis: { kind: 'share', of: 'easy', share: 9 } }] },
      'entries[0].basis.share',
      /2/,
    ],
    [{ entries: [{ ...book.entries[0], basis: { kind: 'magic' } }] }, 'entries[0].basis.kind', /must be/],
  ])('with %j is refused at %s', (part, field, message) =>
    expect(check(paceBookSchema, { ...book, ...part })).toMatchObject({
      ok: false,
      field,
      message: expect.stringMatching(message),
    }),
  );
});

test('a change of the squad names no group or athlete twice', () => {
  const group = { id: ID, name: 'A' };
  expect(check(squadChangeSchema, { groups: [group] }).ok).toBe(true);
  expect(check(squadChangeSchema, { groups: [group, group] }).ok).toBe(false);
  expect(check(squadChangeSchema, { groups: [{ ...group, name: ' ' }] })).toMatchObject({
    field: 'groups[0].name',
    message: 'A group needs a name.',
  });
  expect(check(squadChangeSchema, { athletes: [{ name: 'Ada', marks: [] }] })).toMatchObject({
    field: 'athletes[0].id',
  });
});
