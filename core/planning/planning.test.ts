import fc from 'fast-check';
import { fitCurve } from '../fitness/curve';
import { curveBook } from '../paces/shippedPaceBooks';
import { read } from '../session/testing';
import { isWork } from '../targets/targetsFor';
import { standardTrack } from '../venue/venue';
import { changedSession, changeOf, withChanges, withoutChanges } from './changes';
import {
  groupsFor,
  moveAthlete,
  REST_ID,
  takesPart,
  withGroupPart,
  withoutAthlete,
  withStartGaps,
  type Change,
  type DayGroup,
  type Whom,
} from './dayPlan';
import { groupRun, sessionLapS, suggestDayGroups, trafficOf } from './groupTargets';
import { countValue, itemRows, recoveryValue } from './itemRows';
import { targetTables, groupOfTable } from './runPlans';
import { AS_OF, member, plansOf, runner } from './testing';

const TEXT = 'main: 8x400 @5k / 75s jog\nfinish: 4x200 @mile / 200m jog';
const session = read(TEXT);
const ALL: Whom = { kind: 'all' };
const ANN: Whom = { kind: 'athlete', athleteId: 'ann' };
const REST: Whom = { kind: 'group', groupId: REST_ID };
const FOURS = [0, 0];
const ann = runner('ann', 1110, 1050);
const bob = runner('bob', 1200);
const targetsOf = (changes: Change[], who = 'ann') =>
  plansOf(TEXT, [ann, bob], { changes })
    .plans.find(({ runner: { id } }) => id === who)
    ?.legs.flatMap((leg) => (leg.kind === 'rep' && isWork(leg) ? (leg.targetS ?? 0) : [])) ?? [];

describe('who runs, in which groups', () => {
  test('those in training and easing back, unless the coach says otherwise', () => {
    expect(takesPart({}, member('a'))).toBe(true);
    expect(takesPart({}, member('a', { status: 'easing' }))).toBe(true);
    expect(takesPart({}, member('a', { status: 'injured' }))).toBe(false);
    expect(takesPart({ taking: { a: true } }, member('a', { status: 'away' }))).toBe(true);
    expect(takesPart({ taking: { a: false } }, member('a'))).toBe(false);
  });
  const squad = [
    member('a', { groupId: 'g' }),
    member('b', { groupId: 'h' }),
    member('c'),
    member('d', { status: 'away' }),
  ];
  const names = [
    { id: 'g', name: 'G' },
    { id: 'h', name: 'H' },
    { id: 'i', name: 'I' },
  ];
  test('the squad’s groups are the start; the rest come last; empty groups are left out', () => {
    expect(groupsFor({}, squad, names).map(({ name, athleteIds }) => [name, athleteIds])).toEqual([
      ['G', ['a']],
      ['H', ['b']],
      ['In no group', ['c']],
    ]);
    expect(groupsFor({}, squad, []).map(({ name }) => name)).toEqual(['Everyone']);
    expect(groupsFor({ taking: { a: false, b: false, c: false } }, squad, names)).toEqual([]);
  });
  test('the coach’s own groups stay, even empty, without those who are not there', () => {
    const groups: DayGroup[] = [
      { id: 'x', name: 'X', athleteIds: ['a', 'd'] },
      { id: 'y', name: 'Y', athleteIds: [] },
    ];
    const now = groupsFor({ groups }, squad, names);
    expect(now.map(({ athleteIds }) => athleteIds)).toEqual([['a'], [], ['b', 'c']]);
    const moved = moveAthlete(now, 'b', 'x');
    expect(moved.map(({ athleteIds }) => athleteIds)).toEqual([['a', 'b'], []]);
    expect(moveAthlete(moved, 'b', REST_ID).map(({ athleteIds }) => athleteIds)).toEqual([['a'], []]);
    expect(moveAthlete([{ id: 'x', name: 'X', athleteIds: ['a'], leaderId: 'a' }], 'a', 'y')).toEqual([
      { id: 'x', name: 'X', athleteIds: [] },
    ]);
  });
  test('what is set for those in no group makes them a group; nothing else does', () => {
    const groups = groupsFor({ groups: [{ id: 'x', name: 'X', athleteIds: ['a'] }] }, squad, names);
    expect(withGroupPart(groups, 'x', { lane: 2 }, 'new').map(({ id }) => id)).toEqual(['x']);
    expect(withGroupPart(groups, REST_ID, { lane: 2 }, 'new')).toEqual([
      { id: 'x', name: 'X', athleteIds: ['a'] },
      { id: 'new', name: 'In no group', athleteIds: ['b', 'c'], lane: 2 },
    ]);
    expect(withGroupPart([{ id: 'x', name: 'X', athleteIds: [], lane: 2 }], 'x', { lane: undefined }, 'n')).toEqual([
      { id: 'x', name: 'X', athleteIds: [] },
    ]);
    const gaps = withStartGaps(groups, { x: 0, rest: 20 }, 'new');
    expect(gaps.map(({ id, startGapS }) => [id, startGapS])).toEqual([
      ['x', undefined],
      ['new', 20],
    ]);
    expect(withStartGaps(groups, { x: 15 }, 'new').map(({ id, startGapS }) => [id, startGapS])).toEqual([['x', 15]]);
  });
  test('nothing is left of someone who is erased', () => {
    const plan = {
      taking: { a: true, b: false },
      groups: [{ id: 'x', name: 'X', athleteIds: ['a', 'b'], leaderId: 'a' }],
      changes: [
        { whom: { kind: 'athlete' as const, athleteId: 'a' }, set: { kind: 'aim' as const, aim: 'goal' as const } },
        { whom: ALL, set: { kind: 'aim' as const, aim: 'now' as const } },
      ],
    };
    expect(JSON.stringify(withoutAthlete(plan, 'a'))).not.toContain('"a"');
    expect(withoutAthlete(plan, 'a').changes).toHaveLength(1);
    expect(withoutAthlete(plan, 'b').groups?.[0]).toMatchObject({ leaderId: 'a', athleteIds: ['a'] });
    expect(withoutAthlete({}, 'a')).toEqual({});
  });
});

describe('changes', () => {
  test('a target, a count, a recovery and a pace, for one, a group or all; what is nearer goes before', () => {
    expect(targetsOf([]).slice(0, 2)).toEqual([expect.closeTo(88.8, 2), expect.closeTo(88.8, 2)]);
    const forAll = changeOf(session, FOURS, ALL, { kind: 'target', targetS: 92 });
    const forRest = changeOf(session, FOURS, REST, { kind: 'target', targetS: 91 });
    const forAnn = changeOf(session, FOURS, ANN, { kind: 'target', targetS: 90, rep: 1 });
    expect(targetsOf([forAnn, forRest, forAll]).slice(0, 3)).toEqual([91, 90, 91].map((s) => expect.closeTo(s, 6)));
    expect(targetsOf([forAnn, forRest, forAll], 'bob').slice(0, 2)).toEqual([91, 91].map((s) => expect.closeTo(s, 6)));
    expect(targetsOf([changeOf(session, FOURS, ANN, { kind: 'count', n: 5 })])).toHaveLength(9);
    expect(targetsOf([changeOf(session, FOURS, ANN, { kind: 'count', n: 5 })], 'bob')).toHaveLength(12);
    expect(targetsOf([changeOf(session, FOURS, ALL, { kind: 'pace', share: 0.5 })])[0]).toBeCloseTo(177.6, 2);
  });
  test('a rep by effort can be given a time; passing times follow it', () => {
    const text = 'main: 3x600 @effort 8 / 2:00';
    const { plans } = plansOf(text, [runner('new')], {
      changes: [changeOf(read(text), FOURS, ALL, { kind: 'target', targetS: 120 })],
    });
    expect(plans[0]?.legs[0]?.passes?.find(({ atM }) => atM === 300)?.timeS).toBeCloseTo(60, 6);
  });
  test('recoveries are changed by time or by distance, with how they are spent', () => {
    const rests = (change: Change) =>
      plansOf(TEXT, [ann], { changes: [change] }).plans[0]?.legs.filter(({ kind }) => kind === 'recovery')[0];
    expect(rests(changeOf(session, FOURS, ALL, { kind: 'recovery', durationS: 120 }))).toMatchObject({
      durationS: 120,
      manner: 'jog',
    });
    expect(rests(changeOf(session, FOURS, ALL, { kind: 'jog', distanceM: 200 }))).toMatchObject({ distanceM: 200 });
  });
  test('a change to an item that reads differently now waits, and is back when it reads so again', () => {
    const change = changeOf(session, FOURS, ANN, { kind: 'count', n: 5 });
    const other = TEXT.replace('8x400', '6x500');
    const [athletePlan] = plansOf(other, [ann], { changes: [change] }).plans;
    expect(athletePlan).toMatchObject({ changes: [], waiting: [change] });
    expect(plansOf(TEXT, [ann], { changes: [change] }).plans[0]).toMatchObject({ changes: [change], waiting: [] });
  });
  test('a change about the same takes the place of the one before; taking back leaves the others', () => {
    const change = changeOf(session, FOURS, ANN, { kind: 'recovery', durationS: 90 });
    const two = changeOf(session, FOURS, ANN, { kind: 'jog', distanceM: 300 });
    const all = changeOf(session, FOURS, ALL, { kind: 'recovery', durationS: 60 });
    expect(withChanges([change, all], [two])).toEqual([all, two]);
    const rep = changeOf(session, FOURS, ANN, { kind: 'target', targetS: 90, rep: 2 });
    expect(withChanges([rep], [changeOf(session, FOURS, ANN, { kind: 'target', targetS: 91 })])).toHaveLength(2);
    expect(withoutChanges([change, all, rep], ANN)).toEqual([all]);
    expect(withoutChanges([change, all], ANN, [1, 0])).toEqual([change, all]);
    expect(withoutChanges([change, all], ANN, FOURS)).toEqual([all]);
  });
  test('what is not there to be changed changes nothing', () => {
    const nowhere = changeOf(session, [7, 3], ALL, { kind: 'count', n: 3 });
    expect(changedSession(session, [nowhere])).toBe(session);
    expect(plansOf(TEXT, [ann], { changes: [nowhere] }).plans[0]?.waiting).toEqual([nowhere]);
  });
  test('the items that can be changed, and what they are set to', () => {
    const rows = itemRows(read('warm: 800 @easy\nmain: 2x(3x600 @3k / equal, drills) / 4:00\nfinish: 200 @mile'));
    expect(rows.map(({ path, depth }) => [path.join('.'), depth])).toEqual([
      ['1.0', 0],
      ['1.0.0', 1],
      ['2.0', 0],
    ]);
    const [set, reps] = rows;
    if (!set || !reps) throw new Error('no rows');
    expect([countValue(set.item), countValue(reps.item)]).toEqual([2, 3]);
    expect(recoveryValue(set.item, set.path, [])).toEqual({ kind: 'recovery', durationS: 240 });
    expect(recoveryValue(reps.item, reps.path, [])).toEqual({ kind: 'recovery', durationS: 60 });
    const [athletePlan] = plansOf('2x(3x600 @3k / equal) / 4:00', [ann]).plans;
    expect(recoveryValue(reps.item, [0, 0, 0], athletePlan?.legs ?? [])?.kind).toBe('recovery');
    expect(recoveryValue(rows[2]?.item ?? set.item, [2, 0], [])).toBeUndefined();
  });
});

describe('what is aimed at', () => {
  const fours = (aim: 'written' | 'now' | 'moving' | 'goal') =>
    targetsOf([{ whom: ALL, set: { kind: 'aim', aim } }]).slice(0, 12);
  test('now, the goal, or from the one to the other evenly in speed; the warm-up stays', () => {
    expect(fours('written')).toEqual(fours('now'));
    expect(fours('goal')[0]).toBeCloseTo(84, 1);
    const moving = fours('moving');
    expect(moving[0]).toBeCloseTo(88.8, 2);
    expect(moving.at(-1)).toBeCloseTo(fours('goal').at(-1) ?? 0, 6);
    const speeds = moving.slice(0, 8).map((timeS) => 400 / timeS);
    const steps = speeds.slice(1).map((speed, i) => speed - (speeds[i] ?? 0));
    for (const step of steps) expect(step).toBeCloseTo(steps[0] ?? 0, 6);
    const warm = plansOf('warm: 800 @easy\n400 @5k', [ann], {
      changes: [{ whom: ALL, set: { kind: 'aim', aim: 'goal' } }],
    });
    const usual = plansOf('warm: 800 @easy\n400 @5k', [ann]);
    expect(warm.plans[0]?.legs[0]?.targetS).toBe(usual.plans[0]?.legs[0]?.targetS);
  });
  test('goal paces that are written can be taken as those of now; without a goal all is as now', () => {
    const text = '3x1000 @goal 5k / 2:00';
    const first = (who: ReturnType<typeof runner>, aim: 'written' | 'now' | 'goal') =>
      plansOf(text, [who], { changes: [{ whom: ALL, set: { kind: 'aim', aim } }] }).plans[0]?.legs[0]?.targetS;
    expect(first(ann, 'written')).toBeCloseTo(210, 1);
    expect(first(ann, 'now')).toBeCloseTo(222, 1);
    expect(first(bob, 'goal')).toBeCloseTo(240, 1);
  });
});

describe('without a usable mark, and beyond what the curve says', () => {
  test('an athlete without a mark runs by effort, and it says why', () => {
    const [athletePlan] = plansOf(TEXT, [runner('new')]).plans;
    expect(athletePlan?.remark).toMatch(/^By effort: There is no mark/);
    expect(athletePlan?.legs.every((leg) => leg.kind !== 'rep' || leg.targetS === undefined)).toBe(true);
  });
  test('a rep faster than flat out is pointed out', () => {
    const [athletePlan] = plansOf('4x400 @50/400 / 3:00', [ann]).plans;
    expect(athletePlan?.remark).toMatch(/400 m in 50\.0 s is faster than flat out/);
    expect(plansOf(TEXT, [ann]).plans[0]?.remark).toBeUndefined();
  });
  test('a pace outside what the model is meant for is called a guess', () => {
    const marks = [
      { distanceM: 1500, timeS: 300, date: AS_OF, kind: 'race' as const },
      { distanceM: 3000, timeS: 640, date: AS_OF, kind: 'race' as const },
    ];
    const paces = { paceBook: curveBook, curve: fitCurve(marks, { asOf: AS_OF, model: 'critical-speed' }) };
    const cs = { id: 'cs', name: 'cs', tileName: 'cs', paces };
    expect(plansOf('8x200 @400 / 3:00', [cs]).plans[0]?.remark).toMatch(/2 to 20 minutes/);
    expect(plansOf('5x600 @3k / 2:00', [cs]).plans[0]?.remark).toBeUndefined();
  });
  test('a version of their own for a group; one that cannot be read is not used', () => {
    const groups = [
      { id: 'g', name: 'G', athleteIds: ['ann'], version: '3x300 @mile / 2:00' },
      { id: 'h', name: 'H', athleteIds: ['bob'], version: '3x300 @nowhere' },
    ];
    const { plans } = plansOf(TEXT, [ann, bob], { groups });
    expect(plans.map(({ legs }) => legs.filter(({ kind }) => kind === 'rep').length)).toEqual([3, 12]);
    expect(targetTables(plans).map((board) => groupOfTable(board, standardTrack).reps.length)).toEqual([3, 12]);
  });
});

describe('a group’s shared targets', () => {
  test('half way between the quickest and the slowest; offsets are each one’s own', () => {
    const { plans, groups } = plansOf(TEXT, [ann, bob, runner('cat', 1150)]);
    const run = groupRun(groups[0] as DayGroup, plans);
    const [first] = run.legs;
    expect(first?.targetS).toBeCloseTo((88.8 + 96) / 2, 2);
    expect(first?.offsetS).toEqual({
      ann: expect.closeTo(-3.6, 2),
      bob: expect.closeTo(3.6, 2),
      cat: expect.closeTo(-0.4, 1),
    });
    expect(run.leaderId).toBe('cat');
    expect(groupRun({ ...(groups[0] as DayGroup), leaderId: 'bob' }, plans).leaderId).toBe('bob');
  });
  test('members with fewer reps run those with the others; the group has as many as the one with the most', () => {
    const changes = [changeOf(session, FOURS, ANN, { kind: 'count', n: 5 })];
    const { plans, groups } = plansOf(TEXT, [ann, bob], { changes });
    const run = groupRun(groups[0] as DayGroup, plans);
    const reps = run.legs.filter(({ leg }) => leg.kind === 'rep');
    expect(reps.map(({ offsetS }) => Object.keys(offsetS).length)).toEqual([2, 2, 2, 2, 2, 1, 1, 1, 2, 2, 2, 2]);
    expect(targetTables(plans)).toHaveLength(2);
  });
  test('a group with nobody, and one by effort, have no shared time', () => {
    const { plans } = plansOf(TEXT, [runner('new')]);
    const run = groupRun({ id: REST_ID, name: 'Everyone', athleteIds: ['new'] }, plans);
    expect(run.legs.find(({ leg }) => leg.kind === 'rep')?.targetS).toBeUndefined();
    expect(groupRun({ id: 'none', name: 'None', athleteIds: [] }, plans)).toMatchObject({ members: [], legs: [] });
    expect(trafficOf(run, standardTrack).arrivals).toHaveLength(12);
  });
  test('suggested groups keep to the gap by this session’s own paces, and lose nobody', () => {
    const times = fc.array(fc.integer({ min: 900, max: 1500 }), { minLength: 1, maxLength: 14 });
    fc.assert(
      fc.property(times, fc.integer({ min: 1, max: 8 }), fc.integer({ min: 2, max: 6 }), (list, gapS, maxSize) => {
        const runners = [...list.map((timeS, i) => runner(`r${i}`, timeS)), runner('without')];
        const { plans } = plansOf('6x400 @5k / 60s', runners);
        const { groups, withoutIds } = suggestDayGroups(plans, { gapS, maxSize });
        expect(withoutIds).toEqual(['without']);
        expect(groups.flatMap(({ members }) => members)).toHaveLength(list.length);
        for (const { members, middleS } of groups) {
          expect(members.length).toBeLessThanOrEqual(maxSize);
          for (const { paceS } of members) expect(Math.abs(paceS - middleS)).toBeLessThanOrEqual(gapS + 1e-6);
        }
      }),
      { numRuns: 20 },
    );
  });
  test('the pace of a session is that of its timed reps alone', () => {
    const [athletePlan] = plansOf('warm: 2000 @easy\n2x400 @5k / 60s\n400 @effort 9', [ann]).plans;
    expect(sessionLapS(athletePlan?.legs ?? [])).toBeCloseTo(88.8, 2);
    expect(sessionLapS([])).toBeUndefined();
  });
});
