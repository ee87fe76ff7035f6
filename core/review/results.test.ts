import fc from 'fast-check';
import type { RunEvent } from '../run/events';
import { GrowingReplay } from '../run/growingReplay';
import { replay } from '../run/replay';
import { at, end, pass, planOf, start, T0, twoGroups } from '../run/testing';
import { changedBy, idsNamed, partOf, resultsOf } from './results';

const resultsAfter = (plan: ReturnType<typeof planOf>, events: RunEvent[]) =>
  resultsOf({ plan, events }, replay(plan, events));

test('a rep as it was run beside what it was to be: times, rests, effort, pulse, flags, who timed it', () => {
  const plan = planOf('2x400 @5k / 60s');
  const events = [
    start(0),
    pass(44, 'a0', 200),
    pass(90, 'a0', 400),
    at(92, { type: 'felt', athleteId: 'a0', repIndex: 0, effort: 7 }),
    at(93, { type: 'pulse', athleteId: 'a0', repIndex: 0, beatsPerMin: 172 }),
    at(94, { type: 'flagged', athleteId: 'a0', repIndex: 0, flag: 'stitch' }),
    start(160, 1),
    at(250, { type: 'passed', athleteId: 'a0', repIndex: 1, atM: 400, estimated: true }),
    at(251, { type: 'excluded', athleteId: 'a0', repIndex: 1, reason: 'fell' }),
    at(300, { type: 'sessionFelt', athleteId: 'a0', effort: 8 }),
    end(300),
  ];
  const { reps, athletes } = resultsAfter(plan, events);
  expect(reps.filter(({ athleteId }) => athleteId === 'a0')).toEqual([
    {
      athleteId: 'a0',
      place: 0,
      repIndex: 0,
      groupId: 'all',
      role: 'main',
      state: 'run',
      distanceM: 400,
      pace: '5k',
      targetS: expect.closeTo(88.8, 3),
      timeS: 90,
      deltaS: expect.closeTo(1.2, 3),
      verdict: 'late',
      openingDeltaS: -1,
      effort: 7,
      beatsPerMin: 172,
      restS: 70,
      plannedRestS: 60,
      recovery: '60s',
      flags: ['stitch'],
      notes: [],
      source: 'thumb',
    },
    expect.objectContaining({ place: 1, timeS: 90, source: 'typed', isExcluded: true }),
  ]);
  expect(reps.filter(({ athleteId }) => athleteId === 'a1').map(({ state }) => state)).toEqual([
    'unfinished',
    'unfinished',
  ]);
  expect(athletes.find(({ athleteId }) => athleteId === 'a0')).toMatchObject({
    planned: 2,
    finished: 2,
    late: 2,
    lastEffort: 7,
    sessionEffort: 8,
    startedAtMs: T0,
    effortSource: 'session',
    loadEffort: 8,
  });
});

test('metres of a rep by the clock: typed, or from the last mark passed; judged as the time that is missing', () => {
  const plan = planOf('2x2:00 @5k / 60s');
  const base = [start(0), start(200, 1), pass(290, 'a0', 400, 1), end(400)];
  const { reps } = resultsAfter(plan, [
    ...base,
    at(130, { type: 'covered', athleteId: 'a0', repIndex: 0, distanceM: 520 }),
  ]);
  const [first, second] = reps.filter(({ athleteId }) => athleteId === 'a0');
  expect(first).toMatchObject({ coveredM: 520, timeS: 120, verdict: 'late' });
  expect(first?.deltaS).toBeCloseTo(120 * ((first?.expectedM ?? 0) / 520 - 1), 6);
  expect(second?.coveredM).toBeCloseTo((400 * 120) / 90, 6);
  expect(resultsAfter(plan, base).reps[0]).not.toHaveProperty('coveredM');
});

test('typed in afterwards, rests are made up and times are typed', () => {
  const plan = { ...planOf('2x400 @5k / 60s'), isEntered: true as const };
  const { reps } = resultsAfter(plan, [start(0), pass(90, 'a0', 400), start(180, 1), pass(270, 'a0', 400, 1)]);
  expect(reps[0]).toMatchObject({ source: 'typed', plannedRestS: 60 });
  expect(reps[0]).not.toHaveProperty('restS');
});

test('a roll call that came to nothing has no reps, but names those who were called', () => {
  const { reps, athletes } = resultsAfter(planOf('400 @5k'), []);
  expect(reps).toEqual([]);
  expect(athletes.map(({ athleteId }) => athleteId)).toEqual(['a0', 'a1']);
});

test('reps run with another group are counted there, and what was missed before and after is nobody’s', () => {
  const plan = twoGroups('3x400 @5k / 60s', '3x600 @10k / 90s');
  const { reps } = resultsAfter(plan, [
    start(0, 0, ['a0', 'a1']),
    pass(88, 'a1', 400),
    start(10, 0, ['b0', 'b1']),
    at(100, { type: 'moved', athleteIds: ['a1'], groupId: 'g1' }),
    start(300, 1, ['a1', 'b0', 'b1']),
    pass(430, 'a1', 600, 1),
    end(600),
  ]);
  const theirs = reps.filter(({ athleteId }) => athleteId === 'a1');
  expect(theirs.map(({ groupId, repIndex, state }) => [groupId, repIndex, state])).toEqual([
    ['g0', 0, 'run'],
    ['g1', 1, 'run'],
    ['g1', 2, 'not-run'],
  ]);
});

const people = ['a0', 'a1', 'b0', 'b1'];
const someone = fc.constantFrom(...people);
const rep = fc.integer({ min: 0, max: 2 });
/** Things that happen, in the order of their times. */
const someLog = fc
  .array(
    fc.oneof(
      fc.tuple(rep, fc.subarray(people, { minLength: 1 })).map(([repIndex, athleteIds]) => ({
        type: 'started' as const,
        repIndex,
        athleteIds,
      })),
      fc
        .tuple(someone, rep, fc.constantFrom(200, 400, 600))
        .map(([athleteId, repIndex, atM]) => ({ type: 'passed' as const, athleteId, repIndex, atM })),
      fc
        .tuple(someone, rep, fc.integer({ min: 1, max: 10 }))
        .map(([athleteId, repIndex, effort]) => ({ type: 'felt' as const, athleteId, repIndex, effort })),
      fc.tuple(someone, rep).map(([athleteId, repIndex]) => ({
        type: 'excluded' as const,
        athleteId,
        repIndex,
        reason: 'x',
      })),
      fc
        .tuple(someone, fc.constantFrom('g0', 'g1'))
        .map(([athleteId, groupId]) => ({ type: 'moved' as const, athleteIds: [athleteId], groupId })),
      fc.tuple(someone, fc.constantFrom('stop' as const, 'cutDown' as const, 'endOpen' as const)).map(([id, kind]) => ({
        type: 'decided' as const,
        athleteIds: [id],
        decision: { kind },
      })),
      fc.tuple(someone, rep).map(([id, planIndex]) => ({
        type: 'decided' as const,
        athleteIds: [id],
        decision: { kind: 'oneMore' as const, repIndex: 10 + planIndex, planIndex },
      })),
      fc
        .tuple(someone, fc.constantFrom('absent' as const, 'present' as const))
        .map(([athleteId, presence]) => ({ type: 'came' as const, athleteId, presence })),
      fc.constant({ type: 'ended' as const }),
    ),
    { maxLength: 40 },
  )
  .map((happenings) => happenings.map((happening, i) => at(i * 30, happening)));

test('any log, in whatever order it comes in: only the parts of those whom an event changes have to be worked out anew', () => {
  const plan = twoGroups('3x400 @5k / 60s', 'open x 600|400 @10k / 90s');
  fc.assert(
    fc.property(someLog, fc.infiniteStream(fc.nat()), fc.boolean(), (inOrder, keys, isShuffled) => {
      const sorted = inOrder
        .map((event) => ({ event, key: keys.next().value as number }))
        .sort((a, b) => a.key - b.key);
      const events = isShuffled ? sorted.map(({ event }) => event) : inOrder;
      const growing = new GrowingReplay(plan);
      const parts = new Map(people.map((id) => [id, partOf(plan, growing.after([]), id)]));
      events.forEach((event, i) => {
        const state = growing.after(events.slice(0, i + 1));
        // What belongs further back has everything worked out anew.
        const changed = growing.wasWhole ? 'all' : changedBy(event);
        for (const id of changed === 'all' ? people : changed) parts.set(id, partOf(plan, state, id));
      });
      const whole = resultsAfter(plan, events);
      expect([...parts.values()].map(({ athlete }) => athlete)).toEqual(whole.athletes);
      expect([...parts.values()].flatMap(({ reps }) => reps)).toEqual(whole.reps);
    }),
    { numRuns: 200 },
  );
});

test('everyone who is named anywhere is known, so that they can be erased', () => {
  const plan = planOf('400 @5k');
  const named = idsNamed({
    plan: { ...plan, groups: plan.groups.map((group) => ({ ...group, leaderId: 'lead' })) },
    events: [at(0, { type: 'felt', athleteId: 'gone', repIndex: 0, effort: 5 }), start(1, 0, ['a0', 'other'])],
  });
  expect([...named].sort()).toEqual(['a0', 'a1', 'gone', 'lead', 'other']);
});
