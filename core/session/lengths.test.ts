import { lengthOfAmount, recoveryLength, shareOfRep, timesOf } from './lengths';
import type { Recovery } from './session';
import { read } from './testing';

const recovery = (text: string) => read(`400 @5k / ${text}`).lines[0]?.items[0]?.recovery as Recovery;
const [METRES, SECONDS] = [{ distanceM: 400 }, { durationS: 60 }];

test.each([
  ['90s', METRES, { durationS: 90 }],
  ['60s-90s jog', METRES, { durationS: 90 }],
  ['200m jog', SECONDS, { distanceM: 200 }],
  ['equal jog', METRES, { distanceM: 400 }],
  ['half float', METRES, { distanceM: 200 }],
  ['equal walk', METRES, {}],
  ['80% jog', METRES, {}],
  ['equal jog', SECONDS, { durationS: 60 }],
  ['half', SECONDS, { durationS: 30 }],
  ['150% walk', SECONDS, { durationS: 90 }],
  ['half jog', undefined, {}],
])('%s after %j is %j', (text, after, length) => expect(recoveryLength(recovery(text), after)).toEqual(length));

test('a recovery with a length of its own is no share of the rep', () => {
  expect(['90s', '200m jog', 'equal', 'half', '75%'].map((text) => shareOfRep(recovery(text)))).toEqual([
    undefined,
    undefined,
    1,
    0.5,
    0.75,
  ]);
});

test('a range is run as often as its one end or its other; what is open, once', () => {
  expect(timesOf({ kind: 'range', min: 6, max: 8 }, 'min')).toBe(6);
  expect(timesOf({ kind: 'range', min: 6, max: 8 }, 'max')).toBe(8);
  expect(timesOf({ kind: 'fixed', n: 5 }, 'min')).toBe(5);
  expect(timesOf({ kind: 'open' }, 'max')).toBe(1);
  expect(lengthOfAmount({ kind: 'distance', distanceM: 1609.344, unit: 'mi' })).toEqual({ distanceM: 1609.344 });
});
