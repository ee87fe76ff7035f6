import type { SpanEnd } from '../../../data/sessionView';
import { clockAfter, metresText, minutesText, percentText } from './totalsText';

const end = (share: number): SpanEnd => ({
  name: 'Ada',
  shareOfLimit: share,
  totals: { distanceM: 0, durationS: 0, trackS: 0, isGuessed: false, byWork: [], byPace: [] },
});

test.each([
  [[2880], '48 min'],
  [[2880, 3660], '48 to 61 min'],
  [[2880, 2890], '48 min'],
  [[20, 24], '24 s'],
])('%j s is %s', (values, text) => expect(minutesText(values)).toBe(text));

test.each([
  [400, '400 m'],
  [3204, '3,200 m'],
  [9994, '9,990 m'],
  [10_400, '10.4 km'],
])('%d m is %s', (metres, text) => expect(metresText(metres, 'km')).toBe(text));

test('a share from the one to the other, once where they are the same', () => {
  expect(percentText([end(0.62), end(0.66)])).toBe('62 to 66 %');
  expect(percentText([end(0.641), end(0.644)])).toBe('64 %');
});

test('the time of day goes on past midnight', () => {
  expect(clockAfter('17:45', 3660)).toBe('18:46');
  expect(clockAfter('23:30', 3600)).toBe('00:30');
});
test('totals are said in miles where that is wanted', () => expect(metresText(16_093, 'mi')).toBe('10.0 miles'));
