import { offsetText } from './offsetText';

test('an offset is said as a coach says it', () => {
  expect(offsetText(undefined)).toBe('as it is');
  expect(offsetText({ offsetS: -0.5, perM: 400 })).toBe('0.5 s a lap quicker');
  expect(offsetText({ offsetS: 1.5, perM: 1000 })).toBe('1.5 s a km slower');
  expect(offsetText({ offsetS: 2, perM: 200 })).toBe('2 s per 200 m slower');
});
