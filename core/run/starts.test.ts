import type { RunEvent, StartMode } from './events';
import { replay } from './replay';
import { dueStarts, startOf, startsByNow } from './starts';
import { at, end, pass, planOf, start, T0, twoGroups } from './testing';

const plan = planOf('3x400 @5k / 60s');
const sending = (kind: StartMode) => at(0, { type: 'sending', sending: kind });
const dues = (events: RunEvent[], of = plan) =>
  dueStarts(replay(of, events)).map(({ groupId, slot, athleteIds, atMs, byItself }) => ({
    groupId,
    repIndex: slot.repIndex,
    athleteIds,
    ...(atMs === undefined ? {} : { atS: (atMs - T0) / 1000 }),
    byItself,
  }));
const rep1 = [start(0), pass(88, 'a0', 400), pass(94, 'a1', 400)];

test('the next start is due when the last of the group has recovered; by a tap unless said otherwise', () => {
  expect(dues([])).toEqual([{ groupId: 'all', repIndex: 0, athleteIds: ['a0', 'a1'], byItself: false }]);
  expect(dues(rep1.slice(0, 2))).toEqual([{ groupId: 'all', repIndex: 1, athleteIds: ['a0', 'a1'], byItself: false }]);
  expect(dues(rep1)).toMatchObject([{ repIndex: 1, atS: 154, byItself: false }]);
  expect(dues([sending('together'), ...rep1])).toMatchObject([{ atS: 154, byItself: true }]);
  expect(dues([...rep1, end(100)])).toEqual([]);
});

test('each after their own recovery', () => {
  expect(dues([sending('each'), ...rep1])).toEqual([
    { groupId: 'all', repIndex: 1, athleteIds: ['a0'], atS: 148, byItself: true },
    { groupId: 'all', repIndex: 1, athleteIds: ['a1'], atS: 154, byItself: true },
  ]);
});

test('held back by 15 s, they wait; nobody else does', () => {
  const hold = at(100, { type: 'held', athleteIds: ['a1'], repIndex: 0, addS: 15 });
  expect(dues([sending('each'), ...rep1, hold]).map(({ atS }) => atS)).toEqual([148, 169]);
});

test('groups follow each other by their gaps, also when the phone slept over it', () => {
  const two = twoGroups('2x400 @5k / 60s', '2x600 @10k / 60s', 25);
  const first = at(0, { type: 'started', repIndex: 0, athleteIds: ['a0', 'a1'], staggers: true });
  expect(dues([first], two).find(({ groupId }) => groupId === 'g1')).toMatchObject({ atS: 25, byItself: true });
  const state = replay(two, [first]);
  expect(startsByNow(state, [first], T0 + 24_000)).toEqual([]);
  expect(startsByNow(state, [first], T0 + 240_000)).toMatchObject([{ groupId: 'g1', atMs: T0 + 25_000 }]);
  const alone = at(0, { type: 'started', repIndex: 0, athleteIds: ['a0', 'a1'] });
  expect(startsByNow(replay(two, [alone]), [alone], T0 + 240_000)).toEqual([]);
});

test('a start that the clock gave and the coach took back is not given again', () => {
  const given = at(154, { type: 'started', repIndex: 1, athleteIds: ['a0', 'a1'], byItself: true });
  const back = at(156, { type: 'undone', eventId: given.id });
  const events = [sending('together'), ...rep1, given, back];
  expect(startsByNow(replay(plan, events), events, T0 + 200_000)).toEqual([]);
});

test('a start says which rep it repeats only where it is one that was added', () => {
  const due = { groupId: 'all', athleteIds: ['a0'] };
  expect(startOf(plan, { ...due, slot: { repIndex: 1, planIndex: 1 } })).not.toHaveProperty('planIndex');
  expect(startOf(plan, { ...due, slot: { repIndex: 3, planIndex: 2 } })).toMatchObject({ repIndex: 3, planIndex: 2 });
});
