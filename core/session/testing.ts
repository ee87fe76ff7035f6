/** For tests: sessions of every kind by chance, and reading that must succeed. */
import fc from 'fast-check';
import { PACE_NAMES } from './paceNames';
import { MILE_M } from '../units/distance';
import { parseStored } from './parseSession';
import type { Amount, Item, Pace, Recovery, SessionTree } from './session';
import { legCount, MAX_LEGS } from './treeTotals';

/** Reads a session that is known to be readable. */
export function read(text: string): SessionTree {
  const parsed = parseStored(text);
  if (!parsed.ok) throw new Error(parsed.problems.map((problem) => problem.message).join(' '));
  return parsed.session;
}

const amount: fc.Arbitrary<Amount> = fc.oneof(
  fc.integer({ min: 5, max: 5000 }).map((distanceM): Amount => ({ kind: 'distance', distanceM })),
  fc
    .integer({ min: 1, max: 4 })
    .map((miles): Amount => ({ kind: 'distance', distanceM: Math.round(miles * MILE_M * 1000) / 1000, unit: 'mi' })),
  fc.integer({ min: 5, max: 7200 }).map((durationS): Amount => ({ kind: 'duration', durationS })),
);
const pace: fc.Arbitrary<Pace> = fc.oneof(
  fc.record({ kind: fc.constant('named' as const), name: fc.constantFrom(...PACE_NAMES), goal: fc.boolean() }),
  fc.constantFrom<Pace[]>(
    { kind: 'named', name: '5k', goal: false, offset: { offsetS: -1.5, perM: 400 } },
    { kind: 'share', percent: 95, name: 'threshold' },
    { kind: 'absolute', timeS: 74, perM: 400 },
    { kind: 'absolute', timeS: 222, perM: 1000 },
    { kind: 'effort', min: 6, max: 8 },
  ),
);
const recovery: fc.Arbitrary<Recovery> = fc.oneof(
  fc
    .integer({ min: 10, max: 600 })
    .map((s): Recovery => ({ amount: { kind: 'time', minS: s, maxS: s }, manner: 'walk' })),
  fc
    .integer({ min: 20, max: 800 })
    .map((distanceM): Recovery => ({ amount: { kind: 'distance', distanceM }, manner: 'jog' })),
  fc.constantFrom<Recovery[]>(
    { amount: { kind: 'equal' }, manner: 'jog' },
    { amount: { kind: 'half' } },
    { amount: { kind: 'share', percent: 75 }, manner: 'stand' },
    { amount: { kind: 'ready' }, manner: 'walk' },
    { amount: { kind: 'time', minS: 120, maxS: 180 }, manner: 'moving' },
    {
      amount: { kind: 'time', minS: 60, maxS: 90 },
      manner: 'float',
      pace: { kind: 'named', name: 'easy', goal: false },
    },
  ),
);
/** A range of amounts stands alone. */
const range: fc.Arbitrary<Amount> = fc.constantFrom<Amount[]>(
  { kind: 'duration', durationS: 360, leastS: 300 },
  { kind: 'duration', durationS: 45, leastS: 30 },
  { kind: 'distance', distanceM: 3000, leastM: 2000 },
  { kind: 'distance', distanceM: 6 * MILE_M, leastM: 4 * MILE_M, unit: 'mi' },
);
const count = fc.oneof(
  fc.integer({ min: 1, max: 5 }).map((n) => ({ kind: 'fixed' as const, n })),
  fc.constant({ kind: 'range' as const, min: 2, max: 4 }),
  fc.constant({ kind: 'open' as const }),
);
const rep = fc.record(
  {
    kind: fc.constant('rep' as const),
    amounts: fc.oneof(
      { weight: 4, arbitrary: fc.array(amount, { minLength: 1, maxLength: 3 }) },
      { weight: 1, arbitrary: range.map((amount) => [amount]) },
    ),
    sequence: fc.constant('ladder' as const),
    free: fc.boolean(),
    hill: fc.constant(true as const),
    pace: fc.oneof(
      fc.record({ from: pace, to: pace }, { requiredKeys: ['from'] }),
      fc.record({ from: pace, band: pace }),
    ),
    note: fc.constantFrom('easy does it', 'on the grass'),
  },
  { requiredKeys: ['kind', 'amounts', 'sequence', 'free'] },
);
const { item } = fc.letrec<{ item: Item }>((tie) => ({
  item: fc.record(
    {
      count,
      body: fc.oneof(
        { maxDepth: 2 },
        rep,
        fc.record({
          kind: fc.constant('set' as const),
          items: fc.array(tie('item'), { minLength: 1, maxLength: 3 }),
        }),
      ),
      recovery,
    },
    { requiredKeys: ['count', 'body'] },
  ),
}));
export const anySession: fc.Arbitrary<SessionTree> = fc
  .array(
    fc.record({
      role: fc.constantFrom('warm' as const, 'main' as const, 'finish' as const, 'cool' as const),
      items: fc.array(item, { minLength: 1, maxLength: 3 }),
    }),
    { minLength: 1, maxLength: 3 },
  )
  .map((lines) => ({ lines }))
  .filter((session) => legCount(session) <= MAX_LEGS);
