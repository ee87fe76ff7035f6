/** What a session is put together from: parts with sensible amounts, to be changed to taste. Written in the shorthand itself. */
import { parseStored } from './parseSession';
import type { Line } from './session';

export type Part = { name: string; description: string; shorthand: string };

export const PARTS: readonly Part[] = [
  { name: 'Warm-up', description: 'easy running', shorthand: 'warm: 1600 @easy' },
  { name: 'Drills', description: 'mobility, running drills', shorthand: 'warm: drills' },
  { name: 'Strides', description: 'short, fast, relaxed', shorthand: 'warm: 4x100 @strides / 60s walk' },
  {
    name: 'Pace-finders',
    description: 'short reps to feel the pace',
    shorthand: 'main: 3x200 @5k "find the pace" / 60s walk',
  },
  { name: 'Reps', description: 'the same again and again', shorthand: 'main: 6x400 @5k / 90s walk' },
  { name: 'Set', description: 'reps in groups', shorthand: 'main: 2x(3x300 @mile / 90s walk) / 4:00 walk' },
  { name: 'Ladder', description: 'reps of changing length', shorthand: 'main: 1000-800-600-400 @5k>mile / 2:30 jog' },
  { name: 'Alternation', description: 'over and under, no break', shorthand: 'main: 4x(600 @10k, 600 @marathon)' },
  { name: 'Fartlek', description: 'fast and slow by the clock', shorthand: 'main: 8x60s @effort 7-8 / 60s jog' },
  {
    name: 'Free fartlek',
    description: 'when the leader calls',
    shorthand: 'main: 20min free @effort 6-8 "surge when the leader calls"',
  },
  { name: 'Steady block', description: 'one long stretch', shorthand: 'main: 20min @threshold' },
  {
    name: 'Until it tires',
    description: 'open-ended, then shorter',
    shorthand: 'main: open x 1300|900|500 @threshold / 45s jog',
  },
  { name: 'Fast finish', description: 'quick ones at the end', shorthand: 'finish: 4x200 @mile / 200m jog' },
  { name: 'Cool-down', description: 'easy running', shorthand: 'cool: 1200 @easy' },
];

/** The part as a line of a session. */
export function lineOf({ name, shorthand }: Part): Line {
  const parsed = parseStored(shorthand);
  const line = parsed.ok ? parsed.session.lines[0] : undefined;
  if (!line) throw new Error(`The part “${name}” cannot be read.`);
  return line;
}
