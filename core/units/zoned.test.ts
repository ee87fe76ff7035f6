import fc from 'fast-check';
import { daysBetween, isDate } from './dayNumber';
import { isTimeZone, zonedAt, zonedOrHere } from './zoned';

const at = (text: string) => Date.parse(text);

test.each([
  ['the evening before in the west', '2026-11-28T03:00:00Z', 'America/New_York', '2026-11-27'],
  ['the next morning in the east', '2026-11-28T21:00:00Z', 'Australia/Sydney', '2026-11-29'],
  ['a quarter of an hour past midnight', '2026-11-27T18:30:00Z', 'Asia/Kathmandu', '2026-11-28'],
  ['a second before midnight', '2026-11-28T23:59:59Z', 'Europe/London', '2026-11-28'],
  ['midnight', '2026-11-29T00:00:00Z', 'Europe/London', '2026-11-29'],
  ['the hour that is there twice', '2026-10-25T01:30:00Z', 'Europe/London', '2026-10-25'],
  ['the night the clocks go forward', '2026-03-28T23:30:00Z', 'Europe/Berlin', '2026-03-29'],
  ['midnight that summer time brings an hour early', '2026-06-30T23:00:00Z', 'Europe/London', '2026-07-01'],
])('the day of the place: %s', (_name, moment, zone, day) => {
  expect(zonedAt(at(moment), zone).date).toBe(day);
});

test('without a zone it is the day of the machine', () => {
  const now = new Date(2026, 10, 28, 0, 5).getTime();
  expect(zonedAt(now)).toEqual({ date: '2026-11-28', time: '00:05' });
});

test('at any moment any two places are at most a day or two apart', () => {
  const zones = ['Pacific/Kiritimati', 'Pacific/Pago_Pago', 'Asia/Kolkata', 'Europe/London', 'America/St_Johns'];
  fc.assert(
    fc.property(
      fc.date({ min: new Date('1990-01-01'), max: new Date('2100-12-31'), noInvalidDate: true }),
      fc.constantFrom(...zones),
      fc.constantFrom(...zones),
      (moment, here, other) => {
        const [a, b] = [here, other].map((zone) => zonedAt(moment.getTime(), zone).date) as [string, string];
        expect(isDate(a)).toBe(true);
        expect(Math.abs(daysBetween(a, b))).toBeLessThanOrEqual(2);
      },
    ),
  );
});

test('a zone that is nowhere is told from one that is', () => {
  expect(isTimeZone('Europe/London')).toBe(true);
  expect(isTimeZone('Europe/Nowhere')).toBe(false);
  expect(isTimeZone('')).toBe(false);
});

test('a zone that is not known is taken as this machine’s own', () => {
  const now = Date.UTC(2026, 10, 28, 12);
  expect(zonedOrHere(now, 'Middle/Nowhere')).toEqual(zonedAt(now));
  expect(zonedOrHere(now, 'Pacific/Auckland')).toEqual(zonedAt(now, 'Pacific/Auckland'));
});
