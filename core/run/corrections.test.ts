import fc from 'fast-check';
import { correctedLog } from './corrections';
import type { RunEvent } from './events';

const stamp = { runId: 'r', deviceId: 'd', atMs: 1 };
const crossed = (id: string): RunEvent => ({ ...stamp, id, type: 'crossed' });
const undone = (id: string, eventId: string): RunEvent => ({ ...stamp, id, type: 'undone', eventId });
const counting = (events: readonly RunEvent[]) =>
  correctedLog(events)
    .entries.filter(({ counts }) => counts)
    .map(({ event }) => event.id);

test('a chain of undos as long as any log is followed to its end', () => {
  for (const length of [20_000, 20_001]) {
    const chain = [crossed('0')];
    for (let i = 1; i < length; i++) chain.push(undone(String(i), String(i - 1)));
    // The last one counts, so the one before does not, and so on down to the first.
    expect(counting(chain).includes('0')).toBe(length % 2 === 1);
  }
});

test('undos that name each other in a ring count for nothing, whatever order they come in', () => {
  const events = [
    crossed('x'),
    undone('a', 'b'),
    undone('b', 'c'),
    undone('c', 'a'),
    undone('d', 'x'),
    undone('e', 'e'),
  ];
  fc.assert(
    fc.property(fc.shuffledSubarray(events, { minLength: events.length }), (shuffled) => {
      expect(counting(shuffled)).toEqual(['d']);
    }),
  );
});

test('an event counts if and only if no counting undo names it, for all logs without rings', () => {
  const size = 30;
  fc.assert(
    fc.property(fc.array(fc.nat(), { minLength: size, maxLength: size }), (targets) => {
      // Each undo names an earlier event or another undo, so that there is no ring.
      const events = targets.map((target, i) => (i < 5 ? crossed(`e${i}`) : undone(`e${i}`, `e${target % i}`)));
      const counts = new Set(counting(events));
      for (const { id } of events) {
        const isUndone = events.some((e) => e.type === 'undone' && e.eventId === id && counts.has(e.id));
        expect(counts.has(id)).toBe(!isUndone);
      }
    }),
  );
});
