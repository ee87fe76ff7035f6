import { shortDay } from './shortDay';

test.each([
  ['2026-11-22', 'Sun 22 Nov'],
  ['2027-01-04', 'Mon 4 Jan'],
])('%s is %s', (date, text) => expect(shortDay(date)).toBe(text));
