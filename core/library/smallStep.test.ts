/** Steps that the app makes up are small. */
import fc from 'fast-check';
import { formatSession } from '../session/formatSession';
import type { Intent } from '../session/intent';
import { read } from '../session/testing';
import { treeTotals } from '../session/treeTotals';
import type { Lever } from './librarySession';
import { smallEase, smallJog, smallRest, smallStep } from './smallStep';

const stepped = (text: string, lever: Lever, intent?: Intent) => {
  const step = smallStep(read(text), lever, intent);
  return step && formatSession(step).replace(/^main: /, '');
};
const eased = (text: string) => {
  const step = smallEase(read(text));
  return step && formatSession(step).replace(/^main: /, '');
};

test.each<[string, Lever, string | undefined, Intent | undefined]>([
  ['6x400 @5k / 90s', 'more', '7x400 @5k / 90s', undefined],
  ['12x300 @mile / 90s', 'more', '13x300 @mile / 90s', undefined],
  ['20x200 @mile / 60s', 'more', '22x200 @mile / 60s', undefined],
  // Of two or three long ones none is added.
  ['3x3000 @threshold / 90s', 'more', '3x3400 @threshold / 90s', undefined],
  ['2x20min @threshold / 3min', 'more', '2x23min @threshold / 3:00', undefined],
  // A ladder grows by its shortest rep, never twice.
  ['1500-900-600-300 @3k / 2:00', 'more', '1500-900-600-300-300 @3k / 2:00', undefined],
  [
    '(1000 @5k / 2:00, 400 @3k / 2:00, 200 @mile) / 3:00',
    'more',
    '1000 @5k / 2:00, 400 @3k / 2:00, 2x200 @mile',
    undefined,
  ],
  ['6x400 @5k / 90s', 'less-rest', '6x400 @5k / 75s', undefined],
  ['6x800 @5k / 3:00', 'less-rest', '6x800 @5k / 2:30', undefined],
  ['6x400 @5k / 200 jog', 'less-rest', '6x400 @5k / 150m jog', undefined],
  ['6x400 @5k / 100 jog', 'less-rest', undefined, undefined],
  ['4x1000 @threshold / 30s', 'less-rest', undefined, 'threshold'],
  ['6x60 @max / 2:00', 'less-rest', undefined, 'speed'],
  ['4x1000 @threshold / 60s', 'faster', undefined, 'threshold'],
  ['6x800 @5k / 2:00', 'faster', '6x800 @5k>goal 5k / 2:00', 'aerobic-power'],
  ['3x1mi @threshold / 90s', 'more', '3x1800 @threshold / 90s', undefined],
  ['2x(3x600 @3k / 90s) / 4:00', 'more', undefined, undefined],
  ['2x(3x600 @3k / 90s) / 4:00', 'merged', undefined, undefined],
  // Three sets instead of two would be half as much again.
  ['2x(4x300 @mile / 60s) / 4:00', 'sets', undefined, undefined],
  ['6x400 @5k / 90s', 'longer-same', undefined, undefined],
])('%s, %s: %s', (text, lever, expected, intent) => {
  const step = stepped(text, lever, intent);
  if (expected === undefined) expect(step).toBeUndefined();
  else expect(step).toContain(expected);
});

test('a step easier is a rep fewer, of few reps 2 % slower', () => {
  expect(eased('6x400 @5k / 90s')).toBe('5x400 @5k / 90s');
  expect(eased('2x3000 @threshold / 90s')).toBe('2x3000 @98% threshold / 90s');
});

test('more is never more than one rep or 15 %, and easier is never more', () => {
  fc.assert(
    fc.property(fc.integer({ min: 2, max: 30 }), fc.constantFrom(100, 200, 400, 800, 1000, 2000, 3000), (n, m) => {
      const text = `${n}x${m} @5k / 90s`;
      const metres = (session: ReturnType<typeof read>) => treeTotals(session).distanceM;
      const before = metres(read(text));
      const step = smallStep(read(text), 'more', undefined);
      if (step) expect(metres(step) - before).toBeLessThanOrEqual(Math.max(m, before * 0.15) + 1e-6);
      const easier = smallEase(read(text));
      if (easier) expect(metres(easier)).toBeLessThanOrEqual(before);
    }),
  );
});

test('a rest moves by a quarter at most, the way it is meant to, to a round one', () => {
  fc.assert(
    fc.property(fc.integer({ min: 15, max: 600 }), fc.integer({ min: 15, max: 600 }), (fromS, toS) => {
      const s = smallRest(fromS, toS, undefined);
      expect(Math.abs(s - fromS)).toBeLessThanOrEqual(fromS * 0.25 + 1e-9);
      expect((toS - fromS) * (s - fromS)).toBeGreaterThanOrEqual(0);
    }),
  );
  expect(smallRest(75, 200, undefined)).toBe(90);
  expect(smallRest(180, 60, undefined)).toBe(135);
  expect(smallRest(60, 30, 'transition')).toBe(60);
  expect(smallRest(100, 300, 'threshold')).toBe(120);
  expect(smallJog(400, 100)).toBe(300);
});
