/** What a session is put together from: parts with sensible amounts, to be changed to taste. Written in the shorthand itself. */
import { parseStored } from './parseSession';
import type { Line } from './session';

export type Part = { name: string; about: string; shorthand: string };

export const PARTS: readonly Part[] = [
  { name: 'Warm-up', about: 'easy running', shorthand: 'warm: 1600 @easy' },
  { name: 'Drills', about: 'mobility, running drills', shorthand: 'warm: drills' },
  { name: 'Strides', about: 'short, fast, relaxed', shorthand: 'warm: 4x100 @strides / 60s walk' },
  {
    name: 'Pace-finders',
    about: 'short reps to feel the pace',
    shorthand: 'main: 3x200 @5k "find the pace" / 60s walk',
  },
  { name: 'Reps', about: 'the same again and again', shorthand: 'main: 6x400 @5k / 90s walk' },
  { name: 'Set', about: 'reps in groups', shorthand: 'main: 2x(3x300 @mile / 90s walk) / 4:00 walk' },
  { name: 'Ladder', about: 'reps of changing length', shorthand: 'main: 1000-800-600-400 @5k>mile / 2:30 jog' },
  { name: 'Alternation', about: 'over and under, no break', shorthand: 'main: 4x(600 @10k, 600 @marathon)' },
  { name: 'Fartlek', about: 'fast and slow by the clock', shorthand: 'main: 8x60s @effort 7-8 / 60s jog' },
  {
    name: 'Free fartlek',
    about: 'when the leader calls',
    shorthand: 'main: 20min free @effort 6-8 "surge when the leader calls"',
  },
  { name: 'Steady block', about: 'one long stretch', shorthand: 'main: 20min @threshold' },
  {
    name: 'Until it tires',
    about: 'open-ended, then shorter',
    shorthand: 'main: open x 1300|900|500 @threshold / 45s jog',
  },
  { name: 'Fast finish', about: 'quick ones at the end', shorthand: 'finish: 4x200 @mile / 200m jog' },
  { name: 'Cool-down', about: 'easy running', shorthand: 'cool: 1200 @easy' },
];

/** The part as a line of a session. */
export function lineOf({ name, shorthand }: Part): Line {
  const parsed = parseStored(shorthand);
  const line = parsed.ok ? parsed.session.lines[0] : undefined;
  if (!line) throw new Error(`The part “${name}” cannot be read.`);
  return line;
}
