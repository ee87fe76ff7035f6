import { check } from './check';
import { dayPlanSchema, venueSchema } from './dayPlanSchema';

const A = '01JAAAAAAAAAAAAAAAAAAAAAAA';
const B = '01JBBBBBBBBBBBBBBBBBBBBBBB';
const G = '01JGGGGGGGGGGGGGGGGGGGGGGG';
const change = { whom: { kind: 'athlete', athleteId: A }, path: [1, 0], wrote: '8x400 @5k / 75s jog' };

const full = {
  venueId: 'standard-400',
  rounding: 0.5,
  toleranceTimes: 1.5,
  taking: { [A]: false },
  groups: [{ id: G, name: 'Milers', athleteIds: [A, B], leaderId: A, lane: 2, startGapS: 15, version: '4x400 @5k' }],
  changes: [
    { ...change, set: { kind: 'count', n: 6 } },
    { ...change, whom: { kind: 'group', groupId: 'rest' }, set: { kind: 'recovery', durationS: 90 } },
    { ...change, whom: { kind: 'all' }, set: { kind: 'jog', distanceM: 200 } },
    { ...change, set: { kind: 'pace', share: 0.98 } },
    { ...change, set: { kind: 'target', targetS: 88.5, rep: 2 } },
    { whom: { kind: 'all' }, set: { kind: 'aim', aim: 'goal' } },
  ],
  windowS: 3,
  busy: [{ from: '18:00', to: '18:20', who: 'sprinters' }],
};

test('a plan with everything in it, and one with nothing, are let in', () => {
  expect(check(dayPlanSchema, full)).toEqual({ ok: true, value: full });
  expect(check(dayPlanSchema, {})).toEqual({ ok: true, value: {} });
});

test.each([
  ['an unknown field', { ...full, weather: 'fine' }, /weather/],
  ['a place that is none', { venueId: 'moon' }, /no such place/],
  ['a count of nothing', { changes: [{ ...change, set: { kind: 'count', n: 0 } }] }, /whole number from 1 to 100/],
  ['half a count', { changes: [{ ...change, set: { kind: 'count', n: 2.5 } }] }, /whole number/],
  ['a recovery of a day', { changes: [{ ...change, set: { kind: 'recovery', durationS: 86_400 } }] }, /to an hour/],
  [
    'a negative target',
    { changes: [{ ...change, set: { kind: 'target', targetS: -3 } }] },
    /between a second and ten hours/,
  ],
  ['a target as text', { changes: [{ ...change, set: { kind: 'target', targetS: '88' } }] }, /between a second/],
  ['twice as fast', { changes: [{ ...change, set: { kind: 'pace', share: 2 } }] }, /a fifth faster/],
  ['a jog round the world', { changes: [{ ...change, set: { kind: 'jog', distanceM: 4e7 } }] }, /from 10 m to 5 km/],
  [
    'a change to nothing in particular',
    { changes: [{ whom: { kind: 'all' }, path: [0, 0], set: { kind: 'count', n: 3 } }] },
    /wrote/,
  ],
  [
    'nobody that could be',
    { changes: [{ ...change, whom: { kind: 'athlete', athleteId: 'ann' }, set: { kind: 'count', n: 3 } }] },
    /not an id/,
  ],
  [
    'someone in two groups',
    {
      groups: [
        { id: G, name: 'X', athleteIds: [A] },
        { id: B, name: 'Y', athleteIds: [A] },
      ],
    },
    /in two groups/,
  ],
  ['a group without a name', { groups: [{ id: G, name: ' ', athleteIds: [] }] }, /A group needs a name/],
  [
    'a start before the first',
    { groups: [{ id: G, name: 'X', athleteIds: [], startGapS: -5 }] },
    /cannot start before the first/,
  ],
  [
    'a busy time that ends before it begins',
    { busy: [{ from: '18:20', to: '18:00', who: '' }] },
    /until before it began/,
  ],
  ['a busy time of no clock', { busy: [{ from: '25:00', to: '26:00', who: '' }] }, /hours and minutes/],
])('%s is refused with a sentence', (_what, plan, message) => {
  expect(check(dayPlanSchema, plan)).toMatchObject({ ok: false, message: expect.stringMatching(message) });
});

const loop = { name: 'Mill loop', shape: 'lap', lengthM: 820, marks: [{ atM: 0, name: 'gate' }] };
test.each([
  ['a mark outside its lap', { ...loop, marks: [{ atM: 900, name: 'pond' }] }, /“pond” is at 900 m/],
  ['no length', { ...loop, lengthM: undefined }, /length/i],
  ['a length of a step', { ...loop, lengthM: 1 }, /between 50 m and 20 km/],
  ['another shape', { ...loop, shape: 'spiral' }, /shape/],
  ['no name', { ...loop, name: '' }, /A place needs a name/],
  ['a mark without a name', { ...loop, marks: [{ atM: 0, name: '' }] }, /A mark needs a name/],
])('a place with %s is refused', (_what, venue, message) => {
  expect(check(venueSchema, venue)).toMatchObject({ ok: false, message: expect.stringMatching(message) });
});
test('a place that can be is let in', () => {
  expect(check(venueSchema, loop)).toMatchObject({ ok: true });
});
