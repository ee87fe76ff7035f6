/** The next session, with all else as it was. */
import fc from 'fast-check';
import { formatSession } from '../session/formatSession';
import { parseStored } from '../session/parseSession';
import { changedSession, changesFor } from './changes';
import { REST_ID, type DayGroup, type DayPlan } from './dayPlan';
import { nextPlan, titleFor, type Placed } from './nextPlan';

const WAS = 'main: 8x400 @5k / 75s';
const ON = 'main: 9x400 @5k / 75s';
const LESS = 'main: 8x400 @5k / 60s';
const MILERS: DayGroup = {
  id: 'm',
  name: 'Milers',
  athleteIds: ['a', 'b', 'c'],
  leaderId: 'a',
  lane: 2,
  startGapS: 20,
};
const FIVES: DayGroup = { id: 'f', name: 'Fives', athleteIds: ['d', 'e'] };

const place = (ids: string, groupId: string, shorthand: string, more: Partial<Placed> = {}): Placed[] =>
  [...ids].map((athleteId) => ({ athleteId, groupId, shorthand, label: athleteId.toUpperCase(), ...more }));

function next(placed: Placed[], plan: DayPlan = {}, groups = [MILERS, FIVES]) {
  let n = 0;
  return nextPlan({
    placed,
    groups,
    before: { plan, shorthand: WAS },
    read: (text) => {
      const parsed = parseStored(text);
      return parsed.ok ? parsed.session : undefined;
    },
    newId: () => `new${n++}`,
  });
}

test('where all go on, it is the new text, and the squad’s own groups stay the squad’s', () => {
  expect(next([...place('abc', 'm', ON), ...place('de', 'f', ON)])).toEqual({ shorthand: ON, plan: {} });
});

const FAR = 'main: 4x1000 @threshold / 60s';

test('who runs a rep fewer, or rests longer, stays in the group and does so by name', () => {
  const placed = [
    ...place('ab', 'm', ON, { libraryId: 'two' }),
    ...place('c', 'm', WAS, { libraryId: 'one' }),
    ...place('de', 'f', ON, { libraryId: 'two' }),
  ];
  expect(next(placed)).toEqual({
    shorthand: ON,
    libraryId: 'two',
    plan: {
      changes: [
        {
          whom: { kind: 'athlete', athleteId: 'c' },
          path: [0, 0],
          wrote: '9x400 @5k / 75s',
          set: { kind: 'count', n: 8 },
        },
      ],
    },
  });
  const rested = next([...place('ab', 'm', LESS), ...place('c', 'm', WAS), ...place('de', 'f', LESS)]);
  expect(rested?.plan.changes?.map(({ set }) => set)).toEqual([{ kind: 'recovery', durationS: 75 }]);
});

test('who runs something else altogether becomes a group named after them; lane, gap and leader stay', () => {
  const placed = [...place('ab', 'm', ON), ...place('c', 'm', FAR, { libraryId: 'far' }), ...place('de', 'f', ON)];
  expect(next(placed)?.plan.groups).toEqual([
    { id: 'm', name: 'Milers', athleteIds: ['a', 'b'], leaderId: 'a', lane: 2, startGapS: 20 },
    { id: 'new0', name: 'C', athleteIds: ['c'], lane: 2, startGapS: 20, version: FAR, libraryId: 'far' },
    { id: 'f', name: 'Fives', athleteIds: ['d', 'e'] },
  ]);
});

test('a whole group that runs something else keeps its name; a version it had before gives way', () => {
  const groups = [MILERS, { ...FIVES, version: 'main: 6x300 @5k / 60s', libraryId: 'short' }];
  const { plan } = next([...place('abc', 'm', ON), ...place('de', 'f', LESS)], { groups }, groups) ?? {};
  expect(plan?.groups?.[1]).toEqual({ ...FIVES, version: LESS });
});

test('those in no group stay so, unless they run something of their own', () => {
  const rest: DayGroup = { id: REST_ID, name: 'In no group', athleteIds: ['d', 'e'] };
  const groupsOf = (shorthand: string) =>
    next([...place('abc', 'm', ON), ...place('de', REST_ID, shorthand)], {}, [MILERS, rest])?.plan.groups;
  expect(groupsOf(ON)).toBeUndefined();
  expect(groupsOf(WAS)?.[1]).toEqual({
    id: 'new0',
    name: 'D and E',
    athleteIds: ['d', 'e'],
    version: WAS,
  });
});

test('place and rounding are kept; who was away and when the track was taken are not', () => {
  const plan: DayPlan = {
    venueId: 'v',
    rounding: 1,
    windowS: 2,
    toleranceTimes: 1.5,
    taking: { a: false },
    busy: [{ from: '18:00', to: '19:00', who: 'hockey' }],
  };
  expect(next(place('abc', 'm', ON), plan)?.plan).toEqual({
    venueId: 'v',
    rounding: 1,
    windowS: 2,
    toleranceTimes: 1.5,
  });
});

test('what was set by hand moves with the text: two fewer stay two fewer, 15 s more stay 15 s more', () => {
  const wrote = '8x400 @5k / 75s';
  const changes: DayPlan['changes'] = [
    { whom: { kind: 'athlete', athleteId: 'a' }, path: [0, 0], wrote, set: { kind: 'count', n: 6 } },
    { whom: { kind: 'all' }, path: [0, 0], wrote, set: { kind: 'recovery', durationS: 90 } },
    { whom: { kind: 'group', groupId: 'm' }, set: { kind: 'aim', aim: 'goal' } },
    { whom: { kind: 'all' }, path: [0, 0], wrote: 'something else', set: { kind: 'pace', share: 0.9 } },
    { whom: { kind: 'all' }, path: [0, 7], wrote, set: { kind: 'pace', share: 0.9 } },
  ];
  const on = next([...place('abc', 'm', ON), ...place('de', 'f', ON)], { changes });
  expect(on?.plan.changes?.map(({ set }) => set)).toEqual([
    { kind: 'count', n: 7 },
    { kind: 'recovery', durationS: 90 },
    { kind: 'aim', aim: 'goal' },
  ]);
  // In one group all moves with what most of it run; what somebody has of their own comes on top.
  const less = next([...place('ab', 'm', LESS), ...place('c', 'm', WAS), ...place('de', 'f', LESS)], { changes });
  const of = (athleteId: string) =>
    less?.plan.changes
      ?.filter(({ whom }) => whom.kind === 'athlete' && whom.athleteId === athleteId)
      .map(({ set }) => set);
  expect(less?.plan.changes?.find(({ whom }) => whom.kind === 'all')?.set).toEqual({ kind: 'recovery', durationS: 75 });
  expect(of('a')).toEqual([{ kind: 'count', n: 6 }]);
  expect(of('c')).toEqual([{ kind: 'recovery', durationS: 75 }]);
});

test('a time that was set for a rep goes with the rep, not with another one', () => {
  const wrote = '8x400 @5k / 75s';
  const changes: DayPlan['changes'] = [
    { whom: { kind: 'all' }, path: [0, 0], wrote, set: { kind: 'target', targetS: 88 } },
  ];
  const longer = 'main: 8x500 @5k / 75s';
  expect(next(place('abc', 'm', LESS), { changes })?.plan.changes).toHaveLength(1);
  expect(next(place('abc', 'm', longer), { changes })?.plan).not.toHaveProperty('changes');
});

test('nobody is lost, nobody is twice, and everyone runs what was chosen for them', () => {
  const tree = (text: string) => {
    const parsed = parseStored(text);
    if (!parsed.ok) throw new Error(text);
    return parsed.session;
  };
  fc.assert(
    fc.property(fc.array(fc.constantFrom(WAS, ON, LESS, FAR), { minLength: 5, maxLength: 5 }), (texts) => {
      const placed = [...'abcde'].flatMap((id, i) => place(id, i < 3 ? 'm' : 'f', texts[i] ?? ON));
      const found = next(placed);
      const groups = found?.plan.groups ?? [MILERS, FIVES];
      expect(groups.flatMap(({ athleteIds }) => athleteIds).sort()).toEqual([...'abcde']);
      for (const { athleteId, shorthand } of placed) {
        const group = groups.find(({ athleteIds }) => athleteIds.includes(athleteId));
        const written = tree(group?.version ?? found?.shorthand ?? '');
        const own = changesFor(found?.plan.changes ?? [], athleteId, group?.id ?? '');
        expect(formatSession(changedSession(written, own))).toBe(formatSession(tree(shorthand)));
      }
      expect(new Set(groups.map(({ id }) => id)).size).toBe(groups.length);
    }),
  );
  expect(next([])).toBeUndefined();
});

test('a title made from the text goes with the text; one that was given stays', () => {
  const nameOf = (shorthand: string) =>
    ({
      '5x400': '5 × 400',
      '6x400': '6 × 400',
      '5x400 @5k': '5 × 400 at 5k pace',
      '6x400 @5k': '6 × 400 at 5k pace',
    })[shorthand];
  expect(titleFor('5 × 400', '5x400', '6x400', nameOf)).toBe('6 × 400');
  expect(titleFor('5x400', '5x400', '6x400', nameOf)).toBe('6 × 400');
  expect(titleFor('5 × 400', '5x400 @5k', '6x400 @5k', nameOf)).toBe('6 × 400 at 5k pace');
  expect(titleFor('Tuesday reps', '5x400', '6x400', nameOf)).toBe('Tuesday reps');
  expect(titleFor('5 × 400', '5x400', 'not readable', nameOf)).toBe('5 × 400');
});
