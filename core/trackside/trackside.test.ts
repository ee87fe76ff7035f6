import fc from 'fast-check';
import { reviewRun } from '../review/review';
import { summarise } from '../review/summary';
import { parseSession } from '../session/parseSession';
import { fitCurve } from '../fitness/curve';
import { curveBook } from '../paces/shippedBooks';
import { standardTrack } from '../track/venue';
import type { RunEvent } from './events';
import { makePlan, repLabel, type Plan } from './plan';
import { repColumns } from './repColumns';
import { nextRepIndex, replay } from './replay';
import { simulateRun } from './simulate';
import { isOwnTap, tileFor } from './tile';
import { verdictOn } from './verdict';

const DAY = '2026-11-01';
const T0 = 1_790_000_000_000;
const curve = fitCurve([{ distanceM: 5000, timeS: 1110, date: DAY, kind: 'race' }], { asOf: DAY });

function planOf(shorthand: string, names: string[] = ['Ada Brindlecote', 'Bo Tarrowby']): Plan {
  const parsed = parseSession(shorthand);
  if (!parsed.ok) throw new Error(parsed.problems[0]?.message);
  const people = names.map((name, i) => ({
    athleteId: `a${i}`,
    name,
    tileName: name,
    paces: { curve, paceBook: curveBook },
  }));
  return makePlan(
    { id: 'run', sessionId: 's', title: 'T', date: DAY, shorthand },
    parsed.session,
    people,
    standardTrack,
  );
}

let nextId = 0;
const stamp = (atS: number) => ({
  id: `e${String(nextId++).padStart(4, '0')}`,
  runId: 'run',
  deviceId: 'd',
  atMs: T0 + atS * 1000,
});
const start = (atS: number, repIndex = 0, athleteIds = ['a0', 'a1']): RunEvent => ({
  ...stamp(atS),
  type: 'started',
  repIndex,
  athleteIds,
});
const pass = (atS: number, athleteId: string, atM: number, repIndex = 0): RunEvent => ({
  ...stamp(atS),
  type: 'passed',
  athleteId,
  repIndex,
  atM,
});
const undo = (atS: number, event: RunEvent): RunEvent => ({ ...stamp(atS), type: 'undone', eventId: event.id });
const end = (atS: number): RunEvent => ({ ...stamp(atS), type: 'ended' });

describe('the plan', () => {
  test('has the timed reps only, with calls at the 200s and what follows', () => {
    const plan = planOf('warm: 1600 @easy, drills\nmain: 2x600 @3k / 90s walk\nfinish: 200 @mile\ncool: 800 @easy');
    expect(plan.reps.map(repLabel)).toEqual(['600 @3k', '600 @3k', '200 @mile']);
    expect(plan.reps.map((rep) => rep.callM)).toEqual([[200, 400, 600], [200, 400, 600], [200]]);
    expect(plan.reps[0]).toMatchObject({ recovery: '90s walk', role: 'main', startM: 0 });
    expect(plan.athletes[0]?.targets[0]).toEqual({ targetS: expect.any(Number), recoveryS: 90 });
  });
  test('a rep by the clock is expected to cover some metres', () => {
    expect(planOf('2x60s @5k / equal jog').athletes[0]?.targets).toEqual([
      { targetS: 60, expectedM: expect.closeTo(60 * (5000 / 1110), 3), recoveryS: 60 },
      { targetS: 60, expectedM: expect.closeTo(270.27, 1) },
    ]);
  });
  test('columns gather what is the same for everyone', () => {
    const columns = repColumns(planOf('2x(3x600 @3k / 90s, 60s @mile) / 4:00, 600 @5k'));
    expect(columns.map(({ label, repIndexes }) => [label, repIndexes])).toEqual([
      ['600 @3k', [0, 1, 2, 4, 5, 6]],
      ['60s @mile', [3, 7]],
      ['600 @5k', [8]],
    ]);
  });
  test('a mile is not called as it crosses the line after 9 m', () => {
    const [mile] = planOf('1mi @10k').reps;
    expect(mile?.callM[0]).toBeCloseTo(209.34, 1);
    expect(mile?.callM).toHaveLength(8);
  });
  test('reps without a break run on', () => {
    expect(planOf('2x(600 @10k, 400 @marathon)').reps.map((rep) => rep.runsOn)).toEqual([true, true, true, undefined]);
  });
  test('someone without a mark gets no times but the clock', () => {
    const parsed = parseSession('2x400 @5k / 60s');
    if (!parsed.ok) throw new Error();
    const about = { id: 'run', sessionId: 's', title: 'T', date: DAY, shorthand: '' };
    const plan = makePlan(
      about,
      parsed.session,
      [{ athleteId: 'a0', name: 'New', tileName: 'New', paces: { paceBook: curveBook } }],
      standardTrack,
    );
    expect(plan.athletes[0]?.targets).toEqual([{ recoveryS: 60 }, {}]);
  });
});

describe('replay', () => {
  const plan = planOf('2x400 @5k / 60s');
  test('takes times from the start of each rep', () => {
    const state = replay(plan, [
      start(0),
      pass(44, 'a0', 200),
      pass(88.5, 'a0', 400),
      start(160, 1),
      pass(250, 'a0', 400, 1),
    ]);
    expect(state.athletes.a0?.[0]).toMatchObject({
      passes: [
        { atM: 200, elapsedS: 44 },
        { atM: 400, elapsedS: 88.5 },
      ],
      finishedAtMs: T0 + 88_500,
    });
    expect(state.athletes.a0?.[1]?.passes).toEqual([expect.objectContaining({ elapsedS: 90 })]);
    expect(state.athletes.a1?.[0]?.finishedAtMs).toBeUndefined();
    expect(nextRepIndex(plan, state)).toBeUndefined();
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
    expect(state.athletes.a0?.[0]?.passes).toHaveLength(1);
    expect(state.endedAtMs).toBe(T0 + 300_000);
  });
  test('an undone start takes its times with it; undoing the undo brings them back', () => {
    const first = start(0);
    const taken = pass(44, 'a0', 200);
    const wrong = undo(50, first);
    expect(replay(plan, [first, taken, wrong]).athletes.a0).toEqual([]);
    expect(replay(plan, [first, taken, wrong]).unplaced).toEqual([taken]);
    expect(replay(plan, [first, taken, wrong, undo(55, wrong)]).athletes.a0?.[0]?.passes).toHaveLength(1);
  });
  test('a rep by the clock ends by itself, and reps run on', () => {
    const clock = planOf('2x(60s @3k, 30s @easy) / 60s');
    const state = replay(clock, [start(0)]);
    expect(state.athletes.a0?.map((run) => run?.startedAtMs)).toEqual([T0, T0 + 60_000]);
    expect(state.athletes.a0?.[1]?.finishedAtMs).toBe(T0 + 90_000);
    expect(nextRepIndex(clock, state)).toBe(2);
    const over = planOf('600 @10k, 400 @marathon');
    expect(nextRepIndex(over, replay(over, [start(0)]))).toBeUndefined();
    expect(replay(over, [start(0), pass(130, 'a0', 600)]).athletes.a0?.[1]?.startedAtMs).toBe(T0 + 130_000);
  });

  /** Histories with starts, passes, and undos of anything, undos among them. */
  const history = fc
    .array(
      fc.tuple(
        fc.constantFrom('start', 'pass', 'undo', 'end'),
        fc.nat(1),
        fc.nat(1),
        fc.constantFrom(200, 400),
        fc.nat(300),
        fc.nat(50),
      ),
      { maxLength: 40 },
    )
    .map((steps) => {
      const events: RunEvent[] = [];
      for (const [kind, who, repIndex, atM, atS, target] of steps) {
        const aim = events[target % Math.max(1, events.length)];
        if (kind === 'start') events.push(start(atS, repIndex));
        else if (kind === 'pass') events.push(pass(atS, `a${who}`, atM, repIndex));
        else if (kind === 'end') events.push(end(atS));
        else if (aim) events.push(undo(atS, aim));
      }
      return events;
    });

  test('does not depend on the order of arrival, nor on anything arriving twice', () => {
    fc.assert(
      fc.property(history, fc.infiniteStream(fc.nat()), (events, keys) => {
        const shuffled = [...events, ...events.filter((_, i) => i % 3 === 0)]
          .map((event) => ({ event, key: keys.next().value ?? 0 }))
          .sort((a, b) => a.key - b.key)
          .map(({ event }) => event);
        expect(replay(plan, shuffled)).toEqual(replay(plan, events));
      }),
    );
  });
  test('undo restores what was before, and loses nothing', () => {
    fc.assert(
      fc.property(history, fc.nat(300), (events, atS) => {
        const extra = pass(atS, 'a0', 400);
        const before = replay(plan, events);
        expect(replay(plan, [...events, extra, undo(atS + 1, extra)])).toEqual(before);
        const state = replay(plan, events);
        const placed = Object.values(state.athletes).flatMap((runs) => runs.flatMap((run) => run?.passes ?? []));
        const passes = state.active.filter((event) => event.type === 'passed');
        expect(placed.length + state.unplaced.filter((event) => event.type === 'passed').length).toBe(passes.length);
      }),
    );
  });
});

describe('a tile', () => {
  const plan = planOf('2x400 @5k / 60s');
  const at = (events: RunEvent[], atS: number) => tileFor(plan, replay(plan, events), 'a0', T0 + atS * 1000);
  const first = start(0);
  test('before the start shows the target', () =>
    expect(at([], 0)).toEqual({ phase: 'ready', targetS: expect.closeTo(88.8, 3) }));
  test('fills on the way to the next mark', () => {
    expect(at([first], 22.2)).toMatchObject({
      phase: 'running',
      nextM: 200,
      expectedS: expect.closeTo(44.4, 3),
      share: expect.closeTo(0.5, 3),
    });
    expect(at([first, pass(44, 'a0', 200)], 66.4)).toMatchObject({
      nextM: 400,
      last: { verdict: 'on', deltaS: expect.closeTo(-0.4, 3) },
    });
  });
  test('offers the finish when the mark before it was clearly missed', () => {
    expect(at([first], 60)).toMatchObject({ nextM: 200 });
    expect(at([first], 70)).toMatchObject({ nextM: 400 });
  });
  test('takes a second tap at once for a bounce', () => {
    const run = replay(plan, [first, pass(44, 'a0', 200)]).athletes.a0?.[0];
    if (!run) throw new Error('not started');
    expect([44.3, 45.9, 46.1, 88].map((elapsedS) => isOwnTap(run, elapsedS))).toEqual([false, false, true, true]);
  });
  test('then counts the recovery down, past the end too', () => {
    const taken = [first, pass(90.8, 'a0', 400)];
    expect(at(taken, 100.8)).toMatchObject({
      phase: 'recovering',
      leftS: expect.closeTo(50, 3),
      result: { verdict: 'late', deltaS: expect.closeTo(2, 3) },
    });
    expect(at(taken, 200)).toMatchObject({ phase: 'recovering', share: 1, leftS: expect.closeTo(-49.2, 3) });
    expect(at([...taken, start(200, 1)], 201)).toMatchObject({ phase: 'running', repIndex: 1, elapsedS: 1 });
  });
  test('a finish that was taken counts at once, also on a phone whose clock is behind', () => {
    expect(at([first, pass(90.8, 'a0', 400)], 90.7)).toMatchObject({
      phase: 'recovering',
      share: 0,
      leftS: 60,
      result: { verdict: 'late', deltaS: expect.closeTo(2, 3) },
    });
  });
  test('a rep by the clock runs until its time is up', () => {
    const byClock = planOf('2x60s @5k / 30s');
    const phaseAt = (atS: number) => tileFor(byClock, replay(byClock, [start(0)]), 'a0', T0 + atS * 1000).phase;
    expect([0, 59.9, 60, 89].map(phaseAt)).toEqual(['running', 'running', 'recovering', 'recovering']);
  });
  test('is done after the last rep, or when the session has ended', () => {
    expect(at([start(0, 1), pass(80, 'a0', 400, 1)], 90)).toMatchObject({
      phase: 'done',
      result: { verdict: 'early' },
    });
    expect(at([first, end(50)], 60)).toEqual({ phase: 'done', repIndex: 0 });
  });
});

test('early, on and late', () => {
  expect(verdictOn(-1.4, 88)).toBe('early');
  expect(verdictOn(0.8, 88)).toBe('on');
  expect(verdictOn(0.6, 30)).toBe('late');
  expect(verdictOn(-0.5, 30)).toBe('on');
});

describe('the review', () => {
  test('reads actual, target, early or late, mean and spread', () => {
    const plan = planOf('2x400 @5k / 60s, 200 @mile');
    const taken = [start(0), pass(87, 'a0', 400), start(160, 1), pass(249, 'a0', 400, 1), start(400, 2)];
    const { rows, meanOver } = reviewRun(plan, replay(plan, taken));
    expect(meanOver).toBe('400');
    const [ada, bo] = rows;
    expect(ada?.cells[0]).toMatchObject({ actualS: 87, verdict: 'early', deltaS: expect.closeTo(-1.8, 3) });
    expect(ada?.cells[1]).toMatchObject({ actualS: 89, verdict: 'on' });
    expect(ada?.cells[2]).toMatchObject({ unfinished: true });
    expect(ada).toMatchObject({
      finished: 2,
      meanS: expect.closeTo(88, 6),
      meanDeltaS: expect.closeTo(-0.8, 3),
      spreadS: expect.closeTo(Math.SQRT2, 3),
    });
    expect(bo?.finished).toBe(0);
    expect(bo?.meanS).toBeUndefined();
  });
});

describe('the simulator', () => {
  const plan = planOf('warm: 800 @easy\n6x800 @3k / 60s walk');
  const habits = { curve, rush: 0.03, unevenness: 0.001 };
  /** A plain generator (Park & Miller, CACM 31:1192, 1988), so that the core is tested with no package. */
  const random = (seed: number) => {
    let state = seed;
    return () => (state = (state * 48_271) % 2_147_483_647) / 2_147_483_647;
  };
  const simulate = (seed: number) => {
    let n = 0;
    return simulateRun({
      plan,
      startAtMs: T0,
      deviceId: 'd',
      idAt: () => `x${n++}`,
      random: random(seed),
      athletes: { a0: habits, a1: habits },
    });
  };
  test('is the same for the same seed and another for another', () => {
    expect(simulate(7)).toEqual(simulate(7));
    expect(simulate(7)).not.toEqual(simulate(8));
  });
  test('runs every rep, the first too fast and the last ones fading', () => {
    const state = replay(plan, simulate(7));
    expect(state.unplaced).toEqual([]);
    expect(summarise(plan, state)).toMatchObject({ athletes: 2, reps: 6, finished: 12, startedAtMs: T0 });
    const deltas = reviewRun(plan, state).rows[0]?.cells.map((cell) => cell.deltaS ?? 0) ?? [];
    expect(deltas[0]).toBeLessThan(deltas[1] ?? 0);
    expect(deltas[5]).toBeGreaterThan((deltas[1] ?? 0) + 1);
  });
});

describe('a pace’s own tolerance', () => {
  const strides = planOf('2x200 @strides / 60s, 400 @5k');
  test('goes into the plan where it is not the usual one, and judges times at the track and afterwards', () => {
    expect(strides.athletes[0]?.targets.map(({ tolerance }) => tolerance)).toEqual([0.04, 0.04, undefined]);
    const targetS = strides.athletes[0]?.targets[0]?.targetS ?? 0;
    // 3 % slow: late by the usual 1 %, on target for strides.
    const ranS = targetS * 1.03;
    expect(verdictOn(ranS - targetS, targetS)).toBe('late');
    expect(verdictOn(ranS - targetS, targetS, 0.04)).toBe('on');
    const state = replay(strides, [start(0), pass(ranS, 'a0', 200)]);
    expect(tileFor(strides, state, 'a0', T0 + (ranS + 1) * 1000)).toMatchObject({ result: { verdict: 'on' } });
    expect(reviewRun(strides, state).rows[0]?.cells[0]?.verdict).toBe('on');
  });
  test('is never less than half a second, about what a thumb is good for', () =>
    expect([0.45, 0.55].map((deltaS) => verdictOn(deltaS, 30, 0))).toEqual(['on', 'late']));
});
