import { goalReach } from '@core/squad/goalReach';
import { reachTexts, trendText, trendVerdict } from './trendText';

beforeEach(() => jest.useFakeTimers({ now: new Date('2026-11-01T12:00:00') }));
afterEach(() => jest.useRealTimers());

const TODAY = '2026-11-01';
const NOW = { timeS: 1000, errorS: 8 };
const texts = (timeS: number, perWeek?: number, date = '2026-12-27') => {
  const trend = perWeek === undefined ? undefined : { perWeek, errorPerWeek: 0.0005, marks: 5 };
  const goal = { distanceM: 5000, timeS, date };
  const reach = goalReach(NOW, trend, goal, TODAY);
  return reach && reachTexts(reach, trend, goal);
};

test('how fast somebody comes along, and whether that is sure', () => {
  expect(trendText({ perWeek: 0.00212, errorPerWeek: 0.0008, marks: 4 })).toBe('0.21\u00a0% faster a week (± 0.08)');
  expect(trendText({ perWeek: -0.001, errorPerWeek: 0.0004, marks: 4 })).toBe('0.10\u00a0% slower a week (± 0.04)');
  const verdict = (perWeek: number) => trendVerdict({ perWeek, errorPerWeek: 0.001, marks: 4 });
  expect([verdict(0.002), verdict(0.0005), verdict(-0.002)]).toEqual(['fitter', 'unsure', 'less-fit']);
});

test('a goal that is there, one that is likely, and one that is too far', () => {
  expect(texts(1010, 0.001)).toEqual(['The marks say this goal is within reach today.']);
  expect(texts(990, 0.002)).toEqual([
    'It needs 0.13\u00a0% faster a week for 8 weeks; so far it was 0.20\u00a0% faster a week (± 0.05).',
    'Going on like that: 16:24 ± 9 s that day, about 75 chances in 100.',
  ]);
  expect(texts(950, 0.002)?.at(-1)).toBe(
    'A nearer goal would be 16:25; or the same one in a race from 30 Apr 2027 on.',
  );
  expect(texts(950, 0)?.at(-1)).toBe('A nearer goal would be 16:40.');
});

test('nothing is made up where too little is known', () => {
  expect(texts(990)).toEqual([
    'It needs 0.13\u00a0% faster a week for 8 weeks. Three marks over four weeks say how fast they come along; there are fewer yet.',
  ]);
  expect(texts(900, 0.002, '2027-09-01')?.at(-1)).toBe('It is too far ahead to say more.');
  expect(texts(990, 0.002, '2026-10-01')).toBeUndefined();
});
