import { check } from './check';
import { athleteSchema, eventSchema, planSchema, sessionSchema } from './schemas';

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
  [{ name: 'Ada', marks: [] }, 'marks', 'At least one mark is needed: a race, a trial or an estimate.'],
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
    reps: [{ role: 'main', callM: [400] }],
    athletes: [],
  };
  expect(check(planSchema, plan)).toMatchObject({
    ok: false,
    field: 'athletes',
    message: 'There is nobody in this session.',
  });
});
