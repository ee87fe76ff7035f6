import fc from 'fast-check';
import type { TrackDecision, Happening, RunEvent } from './events';
import { guessNames } from './arrivals';
import { nextSlot } from './lineUp';
import { replay } from './replay';
import { at, end, pass, planOf, runsOf, start, T0, twoGroups, undo } from './testing';

const plan = planOf('2x400 @5k / 60s');
const atNext = (text: string, events: RunEvent[]) => {
  const state = replay(planOf(text), events);
  return state.groups[0] && nextSlot(state, state.groups[0])?.repIndex;
};

test('takes times from the start of each rep', () => {
  const events = [start(0), pass(44, 'a0', 200), pass(88.5, 'a0', 400), start(160, 1), pass(250, 'a0', 400, 1)];
  const [first, second] = runsOf(plan, events);
  expect(first).toMatchObject({
    passes: [
      { atM: 200, elapsedS: 44 },
      { atM: 400, elapsedS: 88.5 },
    ],
    finishedAtMs: T0 + 88_500,
  });
  expect(second?.passes).toEqual([expect.objectContaining({ elapsedS: 90 })]);
  expect(runsOf(plan, events, 'a1')[0]?.finishedAtMs).toBeUndefined();
  expect(atNext('2x400 @5k / 60s', events)).toBeUndefined();
});

test('keeps apart what has no place: taps before a start, twice, of nobody, at no mark', () => {
  const odd = [
    pass(-5, 'a0', 200),
    pass(50, 'a0', 123),
    pass(50, 'zz', 200),
    start(1),
    pass(61, 'a0', 200),
    pass(30, 'a0', 400, 7),
  ];
  const state = replay(plan, [start(0), pass(44, 'a0', 200), ...odd, end(300), end(301)]);
  expect(state.unplaced).toHaveLength(7);
  expect(state.athletes.a0?.runs[0]?.passes).toHaveLength(1);
  expect(state.endedAtMs).toBe(T0 + 300_000);
});

test('an undone start takes its times with it; undoing the undo brings them back', () => {
  const first = start(0);
  const taken = pass(44, 'a0', 200);
  const wrong = undo(50, first);
  expect(runsOf(plan, [first, taken, wrong])).toEqual([]);
  expect(replay(plan, [first, taken, wrong]).unplaced).toEqual([taken]);
  expect(runsOf(plan, [first, taken, wrong, undo(55, wrong)])[0]?.passes).toHaveLength(1);
});

test('a rep by the clock ends by itself, and reps run on', () => {
  const text = '2x(60s @3k, 30s @easy) / 60s';
  const runs = runsOf(planOf(text), [start(0)]);
  expect(runs.map((run) => run.startedAtMs)).toEqual([T0, T0 + 60_000]);
  expect(runs[1]?.finishedAtMs).toBe(T0 + 90_000);
  expect(atNext(text, [start(0)])).toBe(2);
  const over = '600 @10k, 400 @marathon';
  expect(atNext(over, [start(0)])).toBeUndefined();
  expect(runsOf(planOf(over), [start(0), pass(130, 'a0', 600)])[1]?.startedAtMs).toBe(T0 + 130_000);
});

describe('two phones', () => {
  test('the same mark taken by both is one time; both can be seen, whichever comes first', () => {
    const mine = pass(44, 'a0', 200);
    const theirs = at(44.3, { type: 'passed', athleteId: 'a0', repIndex: 0, atM: 200 }, 'other');
    for (const events of [
      [start(0), mine, theirs],
      [theirs, mine, start(0)],
    ]) {
      const [run] = runsOf(
        plan,
        events.map((event) => (event.type === 'started' ? { ...event, atMs: T0 } : event)),
      );
      expect(run?.passes).toMatchObject([{ elapsedS: 44, also: [{ deviceId: 'other', elapsedS: 44.3 }] }]);
    }
  });
  test('a phone whose clock is off is put right, the times it took before too', () => {
    const late = at(39, { type: 'passed', athleteId: 'a0', repIndex: 0, atM: 200 }, 'slow');
    const clock = at(60, { type: 'clock', offsetMs: 5000 }, 'slow');
    const events = [start(0), late, clock];
    expect(runsOf(plan, events)[0]?.passes[0]?.elapsedS).toBe(44);
    expect(runsOf(plan, [...events].reverse())).toEqual(runsOf(plan, events));
  });
  test('each says which groups it times, the last word counts', () => {
    const events = [
      at(0, { type: 'times', groupIds: ['g0'] }),
      at(1, { type: 'times', groupIds: ['g1'] }, 'other'),
      at(2, { type: 'times', groupIds: ['g0', 'g1'] }),
    ];
    expect(replay(twoGroups('400 @5k', '400 @5k'), events).timers).toEqual({ d: ['g0', 'g1'], other: ['g1'] });
  });
});

describe('times put right', () => {
  test('shifted, named, renamed and added ones', () => {
    const line = at(44, { type: 'crossed' });
    const named = at(50, { type: 'named', eventId: line.id, athleteId: 'a0', repIndex: 0, atM: 200 });
    expect(replay(plan, [start(0), line]).unnamed).toEqual([{ eventId: line.id, atMs: T0 + 44_000 }]);
    expect(runsOf(plan, [start(0), line, named])[0]?.passes).toMatchObject([{ atM: 200, elapsedS: 44 }]);
    const renamed = at(51, { type: 'named', eventId: line.id, athleteId: 'a1', repIndex: 0, atM: 200 });
    expect(runsOf(plan, [start(0), line, named, renamed])[0]?.passes).toEqual([]);
    expect(runsOf(plan, [start(0), line, named, renamed], 'a1')[0]?.passes).toHaveLength(1);
    const moved = at(52, { type: 'shifted', eventId: line.id, toMs: T0 + 43_500 });
    expect(runsOf(plan, [start(0), line, named, moved])[0]?.passes[0]?.elapsedS).toBe(43.5);
    const added = at(88, { type: 'passed', athleteId: 'a0', repIndex: 0, atM: 400, estimated: true });
    expect(runsOf(plan, [start(0), added])[0]?.passes).toMatchObject([{ atM: 400, estimated: true }]);
  });
});

describe('people', () => {
  const groups = twoGroups('2x400 @5k / 60s', '3x600 @10k / 90s');
  test('come late, go away, join and change groups; their times stay with the reps they ran', () => {
    const state = replay(groups, [
      at(0, { type: 'came', athleteId: 'a1', presence: 'late' }),
      at(1, {
        type: 'joined',
        groupId: 'g1',
        athlete: { athleteId: 'v', name: 'Vi Oakhem', tileName: 'Vi', targets: [{}, {}, {}] },
      }),
      at(2, { type: 'started', repIndex: 0, athleteIds: ['a0'] }),
      pass(90, 'a0', 400),
      at(100, { type: 'moved', athleteIds: ['a0'], groupId: 'g1' }),
      at(150, { type: 'started', repIndex: 1, athleteIds: ['a0', 'b0', 'v'] }),
    ]);
    expect(state.athletes.a1?.presence).toBe('late');
    expect(state.athletes.v).toMatchObject({ isVisitor: true, groupId: 'g1' });
    expect(state.athletes.a0?.runs.map(({ groupId, rep }) => [groupId, rep.distanceM])).toEqual([
      ['g0', 400],
      ['g1', 600],
    ]);
    expect(state.unplaced).toEqual([]);
  });
  test('nobody joins twice, or a group that is not there', () => {
    const athlete = { athleteId: 'a0', name: 'A', tileName: 'A', targets: [] };
    const state = replay(groups, [
      at(0, { type: 'joined', groupId: 'g1', athlete }),
      at(1, { type: 'joined', groupId: 'nowhere', athlete: { ...athlete, athleteId: 'new' } }),
      at(2, { type: 'moved', athleteIds: ['a0'], groupId: 'nowhere' }),
    ]);
    expect(state.unplaced).toHaveLength(3);
    expect(Object.keys(state.athletes)).toEqual(['a0', 'a1', 'b0', 'b1']);
  });
});

test('effort, pulse, flags, notes and distance go with the rep', () => {
  const stamp = { athleteId: 'a0', repIndex: 0 };
  const [run] = runsOf(plan, [
    start(0),
    at(90, { type: 'felt', ...stamp, effort: 6 }),
    at(91, { type: 'felt', ...stamp, effort: 7 }),
    at(92, { type: 'pulse', ...stamp, beatsPerMin: 174 }),
    at(93, { type: 'flagged', ...stamp, flag: 'stitch' }),
    at(94, { type: 'flagged', ...stamp, flag: 'stitch' }),
    at(95, { type: 'noted', ...stamp, text: 'shoulders' }),
    at(96, { type: 'covered', ...stamp, distanceM: 402 }),
  ]);
  expect(run).toMatchObject({
    effort: 7,
    beatsPerMin: 174,
    flags: ['stitch'],
    notes: ['shoulders'],
    coveredM: 402,
  });
});

describe('whatever happens', () => {
  const groups = twoGroups('2x400 @5k / 60s', '4-6x300 @mile / 60s-90s, 60s @3k');
  const who = fc.constantFrom('a0', 'a1', 'b0', 'b1', 'v', 'nobody');
  const group = fc.constantFrom('g0', 'g1', 'nowhere');
  const rep = fc.nat(9);
  const decision: fc.Arbitrary<TrackDecision> = fc.oneof(
    fc.integer({ min: -3, max: 5 }).map((percent): TrackDecision => ({ kind: 'ease', percent })),
    fc.integer({ min: -30, max: 30 }).map((addS): TrackDecision => ({ kind: 'recovery', addS })),
    fc.constantFrom(100, 200, 300).map((distanceM): TrackDecision => ({ kind: 'distance', distanceM })),
    rep.map((repIndex): TrackDecision => ({ kind: 'drop', repIndex })),
    fc.tuple(fc.integer({ min: 5, max: 9 }), fc.nat(3)).map(([repIndex, planIndex]): TrackDecision => {
      return { kind: 'oneMore', repIndex, planIndex };
    }),
    fc.constantFrom<TrackDecision>({ kind: 'stop' }, { kind: 'cutDown' }, { kind: 'endOpen' }, { kind: 'talk' }),
  );
  const happening: fc.Arbitrary<Happening> = fc.oneof(
    fc.tuple(rep, fc.uniqueArray(who, { minLength: 1, maxLength: 4 })).map(([repIndex, athleteIds]): Happening => {
      return { type: 'started', repIndex, athleteIds };
    }),
    fc.tuple(who, rep, fc.constantFrom(100, 200, 300, 400)).map(([athleteId, repIndex, atM]): Happening => {
      return { type: 'passed', athleteId, repIndex, atM };
    }),
    fc.constant<Happening>({ type: 'crossed' }),
    fc.tuple(who, fc.constantFrom('present', 'late', 'absent')).map(([athleteId, presence]): Happening => {
      return { type: 'came', athleteId, presence: presence as 'present' };
    }),
    fc.tuple(who, group).map(([athleteId, groupId]): Happening => {
      return { type: 'moved', athleteIds: [athleteId], groupId };
    }),
    group.map((groupId): Happening => {
      return { type: 'joined', groupId, athlete: { athleteId: 'v', name: 'V', tileName: 'V', targets: [{}] } };
    }),
    fc.tuple(who, decision, rep).map(([athleteId, decided, repIndex]): Happening => {
      return { type: 'decided', athleteIds: [athleteId], decision: decided, rule: 'late-twice', repIndex };
    }),
    fc.tuple(who, rep, fc.integer({ min: 1, max: 10 })).map(([athleteId, repIndex, effort]): Happening => {
      return { type: 'felt', athleteId, repIndex, effort };
    }),
    fc.tuple(who, rep).map(([athleteId, repIndex]): Happening => {
      return { type: 'held', athleteIds: [athleteId], repIndex, addS: 15 };
    }),
    fc.integer({ min: -5000, max: 5000 }).map((offsetMs): Happening => ({ type: 'clock', offsetMs })),
    fc.tuple(group, fc.boolean()).map(([groupId, isOn]): Happening => ({ type: 'surged', groupId, isOn })),
    fc.constant<Happening>({ type: 'ended' }),
  );
  /** Histories of two phones, with corrections and undos of anything, undos among them. */
  const history = fc
    .array(fc.tuple(fc.option(happening), fc.nat(600), fc.nat(60), fc.nat(2), fc.boolean(), who, rep), {
      maxLength: 40,
    })
    .map((steps) => {
      const events: RunEvent[] = [];
      for (const [what, atS, target, how, isOther, athleteId, repIndex] of steps) {
        const aim = events[target % Math.max(1, events.length)];
        const device = isOther ? 'other' : 'd';
        if (what) events.push(at(atS, what, device));
        else if (!aim) continue;
        else if (how === 0) events.push(at(atS, { type: 'undone', eventId: aim.id }, device));
        else if (how === 1) events.push(at(atS, { type: 'shifted', eventId: aim.id, toMs: T0 + atS * 500 }, device));
        else events.push(at(atS, { type: 'named', eventId: aim.id, athleteId, repIndex, atM: 200 }, device));
      }
      return events;
    });

  test('the order of arrival makes no difference, nor that anything arrives twice', () => {
    fc.assert(
      fc.property(history, fc.infiniteStream(fc.nat()), (events, keys) => {
        const shuffled = [...events, ...events.filter((_, i) => i % 3 === 0)]
          .map((event) => ({ event, key: keys.next().value ?? 0 }))
          .sort((a, b) => a.key - b.key)
          .map(({ event }) => event);
        expect(replay(groups, shuffled)).toEqual(replay(groups, events));
      }),
      { numRuns: 300 },
    );
  });
  test('in two heaps, each played over the other, it comes to the same', () => {
    fc.assert(
      fc.property(history, fc.infiniteStream(fc.boolean()), (events, coin) => {
        const mine = events.filter(() => coin.next().value);
        expect(replay(groups, [...mine, ...events])).toEqual(replay(groups, [...events, ...mine]));
      }),
    );
  });
  test('undo restores what was before, and loses nothing', () => {
    fc.assert(
      fc.property(history, fc.nat(300), happening, (events, atS, what) => {
        const { log: _before, ...before } = replay(groups, events);
        const extra = at(atS, what);
        const { log, ...after } = replay(groups, [...events, extra, undo(700, extra)]);
        expect(after).toEqual(before);
        expect(log).toHaveLength(events.length + 2);
      }),
    );
  });
  test('every time that counts is somebody’s, without a name, or kept apart: never two of them, never none', () => {
    fc.assert(
      fc.property(history, (events) => {
        const state = replay(groups, events);
        const placed = Object.values(state.athletes).flatMap(({ runs }) =>
          runs.flatMap(({ passes }) =>
            passes.flatMap((passing) => [passing.eventId, ...(passing.also ?? []).map(({ eventId }) => eventId)]),
          ),
        );
        const unnamed = state.unnamed.map(({ eventId }) => eventId);
        const counting = state.log.flatMap(({ event, counts }) => (counts ? event : []));
        const taken = counting.filter(({ type }) => type === 'passed' || type === 'crossed');
        const apart = state.unplaced.filter(({ type }) => type === 'passed' || type === 'crossed');
        expect([...placed, ...unnamed, ...apart.map(({ id }) => id)].sort()).toEqual(taken.map(({ id }) => id).sort());
      }),
    );
  });
});

describe('a later mark cannot have an earlier time', () => {
  const shifted = (atS: number, event: RunEvent, toS: number) =>
    at(atS, { type: 'shifted', eventId: event.id, toMs: T0 + toS * 1000 });
  test('such a tap waits to be explained; taken back or named it is out of the way', () => {
    const [at200, at400] = [pass(44, 'a0', 200), pass(88, 'a0', 400)];
    const events = [start(0), at200, at400, shifted(90, at400, 30)];
    const state = replay(plan, events);
    expect(state.athletes.a0?.runs[0]?.passes.map(({ atM }) => atM)).toEqual([400]);
    expect(state.unnamed).toEqual([
      { eventId: at200.id, atMs: T0 + 44_000, waits: { athleteId: 'a0', repIndex: 0, atM: 200, otherM: 400 } },
    ]);
    expect(guessNames(state)).toEqual([state.unnamed[0]]);
    expect(replay(plan, [...events, undo(95, at200)]).unnamed).toEqual([]);
    const named = at(96, { type: 'named', eventId: at200.id, athleteId: 'a1', repIndex: 0, atM: 200 });
    const explained = replay(plan, [...events, named]);
    expect(explained.unnamed).toEqual([]);
    expect(explained.athletes.a1?.runs[0]?.passes).toEqual([expect.objectContaining({ atM: 200, elapsedS: 44 })]);
  });
  test('whatever is taken, named and shifted, the times of a rep rise with its marks', () => {
    const takes = fc.array(
      fc.tuple(fc.integer({ min: 1, max: 200 }), fc.constantFrom(200, 400), fc.integer({ min: -60, max: 60 })),
      { maxLength: 6 },
    );
    fc.assert(
      fc.property(takes, (list) => {
        const events = list.flatMap(([atS, atM, byS]) => {
          const taken = pass(atS, 'a0', atM);
          return [taken, shifted(300, taken, Math.max(1, atS + byS))];
        });
        const [run] = runsOf(plan, [start(0), ...events]);
        const times = run?.passes.map(({ elapsedS }) => elapsedS) ?? [];
        times.forEach((s, i) => expect(s).toBeGreaterThanOrEqual(times[i - 1] ?? 0));
      }),
    );
  });
});

test('the same distance with no rest between is started by hand each time; an alternation runs on', () => {
  const events = [start(0), pass(44, 'a0', 200), pass(88, 'a0', 400), pass(90, 'a1', 400)];
  expect(atNext('6x400', events)).toBe(1);
  expect(runsOf(planOf('6x400'), events)).toHaveLength(1);
  expect(runsOf(planOf('400 @5k, 400 @10k'), events)).toHaveLength(2);
});

describe('a time that is named as somebody’s who has one', () => {
  const plan = planOf('2x400 @5k / 60s');
  const [a, b] = [pass(88, 'a0', 400), pass(91, 'a1', 400)];
  const name = (event: RunEvent, athleteId: string, atS = 100) =>
    at(atS, { type: 'named', eventId: event.id, athleteId, repIndex: 0, atM: 400 });
  const finishes = (events: RunEvent[]) => {
    const state = replay(plan, [start(0), a, b, ...events]);
    const timeOf = (id: string) => state.athletes[id]?.runs[0]?.passes.at(-1)?.elapsedS;
    return { a0: timeOf('a0'), a1: timeOf('a1'), unnamed: state.unnamed, unplaced: state.unplaced };
  };
  test('is theirs, and the other is kept without a name, with whose it was', () => {
    const was = { athleteId: 'a1', repIndex: 0, atM: 400 };
    expect(finishes([name(a, 'a1')])).toEqual({
      a0: undefined,
      a1: 88,
      unnamed: [{ eventId: b.id, atMs: b.atMs, was }],
      unplaced: [],
    });
    // Also where the one that is named comes in later than the one it displaces.
    expect(finishes([name(b, 'a0')])).toMatchObject({ a0: 91, a1: undefined, unnamed: [{ eventId: a.id }] });
  });
  test('both named are swapped, and nothing is left over', () =>
    expect(finishes([name(a, 'a1'), name(b, 'a0')])).toEqual({ a0: 91, a1: 88, unnamed: [], unplaced: [] }));
  test('of two named as the same the last naming counts', () => {
    const line = at(95, { type: 'crossed' });
    expect(finishes([line, name(a, 'a1'), name(line, 'a1', 110)])).toMatchObject({ a0: undefined, a1: 95 });
    expect(finishes([line, name(a, 'a1', 110), name(line, 'a1')])).toMatchObject({ a1: 88 });
    expect(finishes([line, name(a, 'a1'), name(line, 'a1', 110)]).unnamed.map(({ eventId }) => eventId)).toEqual(
      expect.arrayContaining([a.id, b.id]),
    );
  });
});
