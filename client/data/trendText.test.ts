import { goalReach } from '@core/squad/goalReach';
import { reachTexts, trendText, trendVerdict } from './trendText';

beforeEach(() => jest.useFakeTimers({ now: new Date('2026-11-01T12:00:00') }));
afterEach(() => jest.useRealTimers());

const TODAY = '2026-11-01';
const NOW = { timeS: 1000, errorS: 8 };
const OVER = { distanceM: 5000, timeS: 1000 };
const texts = (timeS: number, perWeek?: number, date = '2026-12-27') => {
  const trend = perWeek === undefined ? undefined : { perWeek, errorPerWeek: 0.0005, marks: 5 };
  const goal = { distanceM: 5000, timeS, date };
  const reach = goalReach(NOW, trend, goal, TODAY);
  return reach && reachTexts(reach, trend, goal, OVER);
};

test('how fast somebody comes along, and whether that is sure', () => {
  expect(trendText({ perWeek: 0.00212, errorPerWeek: 0.0008, marks: 4 }, OVER)).toBe(
    '2.1\u00a0s a week faster over 5k (± 0.8)',
  );
  expect(trendText({ perWeek: -0.004, errorPerWeek: 0.0004, marks: 4 }, OVER)).toBe(
    '4\u00a0s a week slower over 5k (± 0.4)',
  );
  const verdict = (perWeek: number) => trendVerdict({ perWeek, errorPerWeek: 0.001, marks: 4 });
  expect([verdict(0.002), verdict(0.0005), verdict(-0.002)]).toEqual(['fitter', 'unsure', 'less-fit']);
});

test('a goal that is there, one that is likely, and one that is too far', () => {
  expect(texts(1010, 0.001)).toEqual(['The marks say this goal is within reach today.']);
  expect(texts(990, 0.002)).toEqual([
    'It needs 1.3\u00a0s a week for 8 weeks; so far it was 2.0\u00a0s a week faster over 5k (± 0.5).',
    'Going on like that: 16:29 ± 15 s that day, about even.',
  ]);
  expect(texts(950, 0.002)?.at(-1)).toBe('A nearer goal would be 16:29.');
  expect(texts(950, 0)?.at(-1)).toBe('A nearer goal would be 16:40.');
});

test('nothing is made up where too little is known', () => {
  expect(texts(990)).toEqual([
    'It needs 1.3\u00a0s a week for 8 weeks. Three marks over four weeks say how fast they come along; there are fewer yet.',
  ]);
  expect(texts(900, 0.002, '2027-09-01')?.at(-1)).toBe('It is too far ahead to say more.');
  expect(texts(990, 0.002, '2026-10-01')).toBeUndefined();
});
