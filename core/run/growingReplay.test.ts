import fc from 'fast-check';
import type { RunEvent } from './events';
import { GrowingReplay } from './growingReplay';
import { replay } from './replay';
import { at, chance, curve, pass, planOf, start, T0, undo } from './testing';
import { simulateRun } from '../rehearsal/simulate';

const plan = planOf('3x400 @5k / 60s');

/** Whether an object and all that is in it is frozen. */
const isFrozenDeep = (value: unknown): boolean =>
  typeof value !== 'object' || value === null || (Object.isFrozen(value) && Object.values(value).every(isFrozenDeep));

/** Grown by these steps, each state equals a replay of its events; and still does when later ones have been worked out. */
function expectSnapshots(events: readonly RunEvent[], steps: readonly number[]) {
  const growing = new GrowingReplay(plan);
  const states = steps.map((length) => growing.after(events.slice(0, length)));
  states.forEach((state, i) => {
    expect(state).toEqual(replay(plan, events.slice(0, steps[i])));
    expect(isFrozenDeep(state)).toBe(true);
  });
}

test('event by event, a whole session comes to the same as worked out at once', () => {
  let n = 0;
  const habits = { curve, rush: 0.02, unevenness: 0.01 };
  const events = simulateRun({
    plan,
    startAtMs: T0,
    deviceId: 'd',
    idAt: () => `x${String(n++).padStart(4, '0')}`,
    random: chance(5),
    athletes: { a0: habits, a1: habits },
  });
  expectSnapshots(
    events,
    Array.from(events, (_, i) => i + 1),
  );
});

test('corrections, undos, late comers, doubles and another phone’s clock, in any order and in any heaps', () => {
  const event = fc.tuple(fc.nat(8), fc.nat(400), fc.nat(2), fc.nat(20), fc.boolean());
  fc.assert(
    fc.property(fc.array(event, { maxLength: 30 }), fc.array(fc.nat(4), { maxLength: 30 }), (seeds, heaps) => {
      const events: RunEvent[] = [];
      for (const [kind, atS, repIndex, target, isOther] of seeds) {
        const device = isOther ? 'other' : 'd';
        const aim = events[target % Math.max(1, events.length)];
        if (kind <= 1) events.push(start(atS, repIndex));
        else if (kind <= 4) events.push(pass(atS, isOther ? 'a0' : 'a1', kind === 2 ? 200 : 400, repIndex));
        else if (kind === 5) events.push(at(atS, { type: 'crossed' }, device));
        else if (kind === 6) events.push(at(atS, { type: 'clock', offsetMs: 10 * atS }, device));
        else if (aim) events.push(kind === 7 ? undo(atS, aim) : aim);
      }
      let length = 0;
      const steps = heaps.map((more) => (length = Math.min(events.length, length + more)));
      expectSnapshots(events, [...steps, events.length]);
    }),
    { numRuns: 300 },
  );
});

test('an undo that came before what it undoes still counts', () => {
  const taken = pass(44, 'a0', 200);
  const events = [start(0), undo(50, taken), taken];
  expectSnapshots(events, [1, 2, 3]);
});

test('asked again with the same events it is the same state; after another log it begins anew', () => {
  const growing = new GrowingReplay(plan);
  const events = [start(0)];
  expect(growing.after(events)).toBe(growing.after(events));
  const others = [start(5), pass(60, 'a0', 200)];
  expect(growing.after(others)).toEqual(replay(plan, others));
});

test('a state handed out keeps what it said when the next mark is taken, and shares what did not change', () => {
  const growing = new GrowingReplay(plan);
  const events = [start(0), pass(44, 'a0', 200)];
  const before = growing.after(events);
  const after = growing.after([...events, pass(88, 'a0', 400)]);
  expect(before.athletes.a0?.runs[0]?.passes).toHaveLength(1);
  expect(after.athletes.a0?.runs[0]?.passes).toHaveLength(2);
  expect(after.athletes.a1).toBe(before.athletes.a1);
  expect(after.groups).toBe(before.groups);
});
