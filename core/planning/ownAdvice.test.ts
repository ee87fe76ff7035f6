import { read } from '../session/testing';
import { changedSession, stillFits } from './changes';
import { withOwnAdvice } from './ownAdvice';

const TEXT = 'warm: 800 @easy\nmain: 8x400 @5k / 75s\nfinish: 2x200 @mile / 60s';
const next = { shorthand: TEXT, plan: {} };
const placed = [
  { athleteId: 'a', shorthand: TEXT },
  { athleteId: 'b', shorthand: 'main: 6x' },
  { athleteId: 'c', shorthand: TEXT },
];

test('the change is for them alone, on what they run most of, and fits the text', () => {
  const advice = new Map([
    ['a', { set: { kind: 'recovery' as const, durationS: 95 } }],
    ['b', { set: { kind: 'count' as const, n: 4 } }],
  ]);
  const found = withOwnAdvice(next, placed, advice, (text) => (text === TEXT ? read(text) : undefined));
  expect(found.plan.changes).toEqual([
    {
      whom: { kind: 'athlete', athleteId: 'a' },
      path: [1, 0],
      wrote: '8x400 @5k / 75s',
      set: { kind: 'recovery', durationS: 95 },
    },
  ]);
  const [change] = found.plan.changes ?? [];
  expect(change && stillFits(change, read(TEXT))).toBe(true);
  expect(changedSession(read(TEXT), found.plan.changes ?? []).lines[1]?.items[0]?.recovery?.amount).toMatchObject({
    maxS: 95,
  });
});

test('it takes the place of what was set for them before; without any, all stays as it is', () => {
  const before = {
    ...next,
    plan: {
      changes: [
        {
          whom: { kind: 'athlete' as const, athleteId: 'a' },
          path: [1, 0],
          wrote: '8x400 @5k / 75s',
          set: { kind: 'recovery' as const, durationS: 60 },
        },
      ],
    },
  };
  const advice = new Map([['a', { set: { kind: 'recovery' as const, durationS: 95 } }]]);
  expect(withOwnAdvice(before, placed, advice, read).plan.changes).toHaveLength(1);
  expect(withOwnAdvice(before, placed, new Map(), read)).toBe(before);
});
