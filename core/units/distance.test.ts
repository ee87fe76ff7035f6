import { formatDistance, formatLength, MILE_M, parseDistance } from './distance';

test.each([
  ['800', 800],
  ['1500 m', 1500],
  ['5k', 5000],
  ['10 km', 10_000],
  ['mile', MILE_M],
  ['2 miles', 2 * MILE_M],
  ['Half Marathon', 21_097.5],
  ['1,5 km', 1500],
])('%s is read as %d m', (text, distanceM) => {
  const read = parseDistance(text);
  expect(read).toEqual({ ok: true, distanceM: expect.closeTo(distanceM, 2) });
});

test.each(['', 'far', '5 leagues', '20', '0', '-800', '900 km'])('%j is refused with a sentence', (text) => {
  const read = parseDistance(text);
  expect(read.ok).toBe(false);
  if (!read.ok) expect(read.message).toMatch(/\.$/);
});

test.each([
  [800, '800'],
  [5000, '5k'],
  [MILE_M, 'mile'],
  [21_097.5, 'half marathon'],
  [1234, '1234 m'],
])('%d m are printed as %s, and read back', (distanceM, text) => {
  expect(formatDistance(distanceM)).toBe(text);
  expect(parseDistance(text)).toEqual({ ok: true, distanceM: expect.closeTo(distanceM, 2) });
});

test('a total has one decimal, in kilometres or in miles', () => {
  expect(formatLength(6421)).toBe('6.4 km');
  expect(formatLength(MILE_M * 4, 'mi')).toBe('4.0 miles');
});
