import { read } from '../session/testing';
import type { LeverChange } from '../outlook/proposals';
import { advised } from './advised';
import { changedText } from './stepsFrom';

const change = (
  lever: LeverChange['lever'],
  to: number,
  kind: LeverChange['set']['kind'] = 'recovery',
): LeverChange => ({
  lever,
  path: [0, 0],
  set: kind === 'jog' ? { kind, distanceM: to } : { kind: 'recovery', durationS: to },
  from: 1,
  to,
});

test.each<[string, LeverChange, string]>([
  ['8x400 @5k / 75s jog', change('recovery', 58), '8x400 @5k / 60s jog'],
  ['8x400 @5k / 60-90s', change('recovery', 95), '8x400 @5k / 95s'],
  ['8x400 @5k / 200m jog', change('recovery', 150, 'jog'), '8x400 @5k / 150m jog'],
  ['8x400 @5k / 75s', change('count', 6), '6x400 @5k / 75s'],
  ['2x(6x300 @1500 / 45s) / 3:00', change('reps-in-set', 4), '2x(4x300 @1500 / 45s) / 3:00'],
  ['8x400 @5k / 75s', change('pace', 0.985), '8x400 @98.5% 5k / 75s'],
  ['8x400 @101% 5k / 75s', change('pace', 0.99), '8x400 @100% 5k / 75s'],
  ['8x400 @80/400 / 75s', change('pace', 0.98), '8x400 @81.6/400 / 75s'],
])('%s', (text, change, expected) =>
  expect(changedText(`main: ${text}`, (session) => advised(session, change))).toBe(`main: ${expected}`),
);

test('what does not go with how it is written is left alone', () => {
  expect(advised(read('8x400 @5k / 200m jog'), change('recovery', 60))).toBeUndefined();
  expect(advised(read('20min @threshold'), change('recovery', 60))).toBeUndefined();
  expect(advised(read('8x400 @goal 5k / 75s'), change('pace', 0.98))).toBeUndefined();
  expect(advised(read('8x400 @5k>mile / 75s'), change('pace', 0.98))).toBeUndefined();
  expect(advised(read('open x 400 @threshold / 60s'), change('count', 5))).toBeUndefined();
  expect(advised(read('cool: 800 @easy'), change('count', 5))).toBeUndefined();
});
