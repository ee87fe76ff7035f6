import fc from 'fast-check';
import { dateOfDay, dayNumber, daysAfter, daysBetween, isDate, weekdayOf } from './dayNumber';

test('days are counted over centuries, leap days and the change of the clocks', () => {
  expect(dayNumber('1970-01-01')).toBe(0);
  expect(daysAfter('2024-02-28', 2)).toBe('2024-03-01');
  expect(daysAfter('2100-02-28', 1)).toBe('2100-03-01');
  expect(daysBetween('2027-03-27', '2027-03-29')).toBe(2);
  expect(daysAfter('1899-12-31', 1)).toBe('1900-01-01');
  expect([weekdayOf(dayNumber('2026-11-30')), weekdayOf(dayNumber('1969-12-28'))]).toEqual([0, 6]);
});

test('a day is the same there and back', () => {
  fc.assert(
    fc.property(fc.integer({ min: -60_000, max: 100_000 }), (day) => {
      expect(dayNumber(dateOfDay(day))).toBe(day);
      expect(isDate(dateOfDay(day))).toBe(true);
    }),
  );
});

test.each(['2026-02-30', '2026-13-01', '26-01-01', 'soon', '2026-1-1', ''])('%s is no day', (text) =>
  expect(isDate(text)).toBe(false),
);
