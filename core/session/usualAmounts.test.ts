import fc from 'fast-check';
import { MILE_M } from '../units/distance';
import { formatAmount } from './formatSession';
import { parseAmount } from './parseSession';
import { amountOf, lengthOf, longerAmount, shorterAmount, usualAfter, usualBefore } from './usualAmounts';

test.each([
  ['400', '500', '300'],
  ['90s', '2:00', '75s'],
  ['1000', '1200', '800'],
  ['350', '400', '300'],
  ['50', '60', '50'],
  ['15s', '20s', '15s'],
  ['1mi', '2000', '1600'],
  ['60min', '4500s', '50min'],
])('a step from %s goes to %s or %s', (from, longer, shorter) => {
  const amount = parseAmount(from);
  const wanted = (text: string) => formatAmount(parseAmount(text) ?? amountOf('distance', 0));
  expect(amount && formatAmount(longerAmount(amount))).toBe(wanted(longer));
  expect(amount && formatAmount(shorterAmount(amount))).toBe(wanted(shorter));
});

test('a mile is left for metres', () =>
  expect(longerAmount({ kind: 'distance', distanceM: MILE_M, unit: 'mi' })).toEqual(amountOf('distance', 2000)));

test('a step up and one down come back to a usual amount, and up always is longer', () => {
  fc.assert(
    fc.property(
      fc.constantFrom('distance' as const, 'duration' as const),
      fc.integer({ min: 15, max: 20_000 }),
      (kind, length) => {
        const amount = amountOf(kind, length);
        expect(lengthOf(longerAmount(amount))).toBeGreaterThan(length);
        expect(lengthOf(shorterAmount(amount))).toBeLessThanOrEqual(length);
        const up = usualAfter(kind, length);
        const down = usualBefore(kind, up);
        if (down !== undefined && up < 3600) expect(down).toBeLessThanOrEqual(length);
      },
    ),
  );
});
