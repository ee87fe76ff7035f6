import fc from 'fast-check';
import { dayOrderOf, parseDay, parseDayCell } from './day';

const TODAY = '2026-11-01';
const read = (text: string, order?: 'day-first' | 'month-first') => parseDay(text, TODAY, order);

test.each([
  ['2026-10-03', '2026-10-03'],
  ['2026/10/3', '2026-10-03'],
  ['3.10.2026', '2026-10-03'],
  ['3/10/26', '2026-10-03'],
  ['03-10-2026', '2026-10-03'],
  ['3 Oct 2026', '2026-10-03'],
  ['3rd October, 2026', '2026-10-03'],
  ['Oct 3, 2026', '2026-10-03'],
  ['21 Sept 2025', '2025-09-21'],
  ['29.2.2024', '2024-02-29'],
  ['1.1.99', '1999-01-01'],
  ['3-Oct-26', '2026-10-03'],
  ['03 oct 26', '2026-10-03'],
  ['3-October-2026', '2026-10-03'],
  ['2026-10-03T18:00:00', '2026-10-03'],
])('%s is %s', (text, date) => expect(read(text)).toEqual({ ok: true, date }));

test('the bare number of a spreadsheet is a day in a column of days only', () => {
  expect(parseDayCell('46298', TODAY)).toEqual({ ok: true, date: '2026-10-03' });
  expect(parseDayCell('46298.5', TODAY)).toEqual({ ok: true, date: '2026-10-03' });
  expect(parseDayCell('3-Oct-26', TODAY)).toEqual({ ok: true, date: '2026-10-03' });
  for (const metres of ['5000', '10000', '60000', '42195000']) expect(parseDayCell(metres, TODAY).ok).toBe(false);
  expect(read('46298').ok).toBe(false);
});

test('month first when it is so', () =>
  expect(read('10/3/2026', 'month-first')).toEqual({ ok: true, date: '2026-10-03' }));

test.each(['', 'soon', '31.2.2026', '2026-13-01', '3.10', '40/40/2026', '1.1.2500', '18:30', '5000'])(
  '“%s” is refused with an example of how to write it',
  (text) => {
    const result = read(text);
    expect(result.ok).toBe(false);
    if (!result.ok) expect(result.message).toMatch(/Write it like 2026-10-03/);
  },
);

test('a number above 12 settles how a column is written; without one the day comes first', () => {
  expect(dayOrderOf(['3/10/2026', '10/23/2026'])).toBe('month-first');
  expect(dayOrderOf(['23/10/2026', '3/4/2026'])).toBe('day-first');
  expect(dayOrderOf(['3/4/2026'])).toBe('day-first');
  expect(dayOrderOf(['2026-10-03', 'soon'])).toBe('day-first');
});

test('any day is read back as it was, however it is written; any text gets an answer', () => {
  fc.assert(
    fc.property(fc.date({ min: new Date(2000, 0, 1), max: new Date(2027, 11, 31), noInvalidDate: true }), (day) => {
      const [y, m, d] = [day.getFullYear(), day.getMonth() + 1, day.getDate()];
      const date = `${y}-${String(m).padStart(2, '0')}-${String(d).padStart(2, '0')}`;
      for (const text of [date, `${d}.${m}.${y}`, `${d}/${m}/${String(y).slice(2)}`])
        expect(read(text)).toEqual({ ok: true, date });
      expect(read(`${m}/${d}/${y}`, 'month-first')).toEqual({ ok: true, date });
    }),
  );
  fc.assert(fc.property(fc.string(), (text) => void read(text)));
});
