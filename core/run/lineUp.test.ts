import type { TrackDecision, RunEvent } from './events';
import { countOf, cutDownsLeft, nextSlot, ownRep, runnersOf } from './lineUp';
import { replay } from './replay';
import type { RunState } from './runState';
import { at, pass, planOf, someone, start, twoGroups } from './testing';

const decide = (atS: number, decision: TrackDecision, athleteIds = ['a0']): RunEvent =>
  at(atS, { type: 'decided', athleteIds, decision });

/** What an athlete is to run in each slot of their group. */
function ahead(state: RunState, athleteId = 'a0') {
  const athlete = someone(state, athleteId);
  const group = state.groups.find(({ id }) => id === athlete.groupId);
  return group?.slots.map((slot) => ownRep(state, athlete, slot));
}
const group = (state: RunState) => {
  const [first] = state.groups;
  if (!first) throw new Error('no group');
  return first;
};
const ran = (n: number, distanceM = 400, everyS = 200): RunEvent[] =>
  Array.from({ length: n }, (_, i) => [
    start(i * everyS, i),
    pass(i * everyS + 90, 'a0', distanceM, i),
    pass(i * everyS + 91, 'a1', distanceM, i),
  ]).flat();

describe('what is decided on the way', () => {
  const plan = planOf('4x400 @5k / 60s');
  test('holds from the next rep on, for that athlete only; what was run stays as it was planned', () => {
    const state = replay(plan, [...ran(1), decide(100, { kind: 'ease', percent: 5 })]);
    expect(ahead(state)?.[1]?.target.targetS).toBeCloseTo(88.8 * 1.05, 3);
    expect(ahead(state, 'a1')?.[1]?.target.targetS).toBeCloseTo(88.8, 3);
    expect(someone(state).runs[0]?.target.targetS).toBeCloseTo(88.8, 3);
    const later = replay(plan, [...ran(1), decide(100, { kind: 'ease', percent: 5 }), start(200, 1)]);
    expect(someone(later).runs[1]?.target.targetS).toBeCloseTo(88.8 * 1.05, 3);
  });
  test('a longer recovery counts for the one being taken too', () => {
    const state = replay(plan, [...ran(1), decide(100, { kind: 'recovery', addS: 15 })]);
    expect(someone(state).runs[0]?.target.recoveryS).toBe(75);
    expect(ahead(state)?.[1]?.target.recoveryS).toBe(75);
  });
  test('cut to a distance at the same pace, with the marks that are left', () => {
    const state = replay(plan, [...ran(1), decide(100, { kind: 'distance', distanceM: 300 })]);
    expect(ahead(state)?.[1]).toMatchObject({
      rep: { distanceM: 300, callM: [200, 300] },
      target: { targetS: expect.closeTo(66.6, 3) },
    });
  });
  test('a rep dropped is not theirs, and the group runs it without them', () => {
    const state = replay(plan, [...ran(3), decide(500, { kind: 'drop', repIndex: 3 }), start(600, 3)]);
    expect(someone(state).runs).toHaveLength(3);
    expect(someone(state, 'a1').runs).toHaveLength(4);
  });
  test('one more is for those it was said for, behind the rep it repeats', () => {
    const plan2 = planOf('2x400 @5k / 60s\nfinish: 200 @mile');
    const more: TrackDecision = { kind: 'oneMore', repIndex: 3, planIndex: 1 };
    const state = replay(plan2, [...ran(2), decide(400, more)]);
    expect(group(state).slots.map(({ repIndex }) => repIndex)).toEqual([0, 1, 3, 2]);
    expect(nextSlot(state, group(state))).toMatchObject({ repIndex: 3 });
    const after = replay(plan2, [...ran(2), decide(400, more), start(500, 3)]);
    expect(someone(after).runs.at(-1)?.rep.distanceM).toBe(400);
    expect(someone(after, 'a1').runs).toHaveLength(2);
  });
  test('who has stopped is sent nowhere; when all have, there is no next rep', () => {
    const state = replay(plan, [...ran(1), decide(150, { kind: 'stop' }, ['a0', 'a1'])]);
    expect(nextSlot(state, group(state))).toBeUndefined();
  });
});

describe('open work', () => {
  const plan = planOf('open x 1500|1100|700 @threshold / 60s');
  const turn = (i: number, athleteIds = ['a0', 'a1']): RunEvent[] => [
    at(i * 500, { type: 'started', repIndex: i === 0 ? 0 : 2 + i, planIndex: 0, athleteIds }),
    ...athleteIds.map((id) => pass(i * 500 + 300, id, 1500, i === 0 ? 0 : 2 + i)),
  ];
  test('goes on for as long as it is started again, and no count is known to anyone', () => {
    const state = replay(plan, [turn(0), turn(1), turn(2)].flat());
    expect(someone(state).runs.map(({ rep }) => rep.distanceM)).toEqual([1500, 1500, 1500]);
    expect(nextSlot(state, group(state))).toMatchObject({ planIndex: 0 });
    expect(countOf(group(state), 0)).toBeUndefined();
  });
  test('each athlete is cut down when it is time, at the same pace, and ends alone', () => {
    const cut = decide(400, { kind: 'cutDown' });
    const begun = [...turn(0), cut];
    const state = replay(plan, begun);
    expect(cutDownsLeft(group(state), someone(state))).toBe(1);
    expect(cutDownsLeft(group(state), someone(state, 'a1'))).toBe(2);
    const next = replay(plan, [
      ...begun,
      at(500, { type: 'started', repIndex: 3, planIndex: 0, athleteIds: ['a0', 'a1'] }),
    ]);
    expect([someone(next), someone(next, 'a1')].map(({ runs }) => runs.at(-1)?.rep.distanceM)).toEqual([1100, 1500]);
    const [long, short] = someone(next).runs;
    expect((short?.target.targetS ?? 0) / 1100).toBeCloseTo((long?.target.targetS ?? 0) / 1500, 2);
    const over = replay(plan, [...begun, decide(450, { kind: 'endOpen' }, ['a0', 'a1'])]);
    expect(nextSlot(over, group(over))).toBeUndefined();
  });
});

test('who changes to another group runs its reps, in their own pace where they have it', () => {
  const plan = twoGroups('2x400 @5k / 60s', '2x800 @5k / 90s, 300 @mile');
  const state = replay(plan, [at(0, { type: 'moved', athleteIds: ['a0'], groupId: 'g1' })]);
  const [eight, , three] = ahead(state) ?? [];
  expect(eight).toMatchObject({
    rep: { distanceM: 800 },
    target: { targetS: expect.closeTo(177.6, 2), recoveryS: 90 },
  });
  // No pace of their own for it: in the middle of the group.
  expect(three?.target.targetS).toBeCloseTo(ahead(state, 'b0')?.[2]?.target.targetS ?? 0, 6);
});

test('a visitor runs as somebody of the group does', () => {
  const state = replay(planOf('2x400 @5k / 60s'), [
    at(0, {
      type: 'joined',
      groupId: 'all',
      athlete: { athleteId: 'v', name: 'Vi', tileName: 'Vi', targets: [{ targetS: 95 }, { targetS: 95 }] },
    }),
    start(10, 0, ['a0', 'a1', 'v']),
  ]);
  expect(someone(state, 'v').runs[0]?.target).toEqual({ targetS: 95 });
});

test('who runs a part of it today is not sent off on the rest, and can be put back', () => {
  const plan = planOf('6x400 @5k / 90s');
  const part = at(-5, { type: 'careChosen', athleteId: 'a0', choice: 'part' });
  const four = [0, 1, 2, 3].flatMap((rep) => [start(rep * 200, rep), pass(rep * 200 + 88, 'a0', 400, rep)]);
  const state = replay(plan, [part, ...four]);
  const [group] = state.groups;
  const next = group && nextSlot(state, group);
  expect(next?.repIndex).toBe(4);
  expect(group && next && runnersOf(state, group, next).map(({ athleteId }) => athleteId)).toEqual(['a1']);
  const whole = replay(plan, [part, ...four, at(900, { type: 'careChosen', athleteId: 'a0', choice: 'planned' })]);
  const [wholeGroup] = whole.groups;
  expect(wholeGroup && next && runnersOf(whole, wholeGroup, next)).toHaveLength(2);
  expect(replay(plan, [at(-5, { type: 'careChosen', athleteId: 'a0', choice: 'out' })]).athletes.a0?.presence).toBe(
    'absent',
  );
});
