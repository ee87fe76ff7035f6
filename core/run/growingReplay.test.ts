import fc from 'fast-check';
import type { RunEvent } from './events';
import { GrowingReplay } from './growingReplay';
import { replay } from './replay';
import { at, chance, curve, pass, planOf, start, T0, undo } from './testing';
import { simulateRun } from '../rehearsal/simulate';

const plan = planOf('3x400 @5k / 60s');

/** What both come to, after each of the lengths of one log. */
function bothAfter(events: readonly RunEvent[], steps: readonly number[]) {
  const growing = new GrowingReplay(plan);
  for (const length of steps) {
    const now = events.slice(0, length);
    expect(growing.after(now)).toEqual(replay(plan, now));
  }
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
  bothAfter(
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
      bothAfter(events, [...steps, events.length]);
    }),
    { numRuns: 300 },
  );
});

test('an undo that came before what it undoes still counts', () => {
  const taken = pass(44, 'a0', 200);
  const events = [start(0), undo(50, taken), taken];
  bothAfter(events, [1, 2, 3]);
});

test('asked again with the same events it is the same state; after another log it begins anew', () => {
  const growing = new GrowingReplay(plan);
  const events = [start(0)];
  expect(growing.after(events)).toBe(growing.after(events));
  const others = [start(5), pass(60, 'a0', 200)];
  expect(growing.after(others)).toEqual(replay(plan, others));
});
