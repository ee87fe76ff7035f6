import { curveBook, SHIPPED_PACE_BOOKS } from '@core/paces/shippedPaceBooks';
import { copyOf, readEntry, toEntryFields, withEntry } from './paceBookForm';

test('every entry that ships is shown as it would be typed, and read back the same', () => {
  for (const { entries } of SHIPPED_PACE_BOOKS)
    for (const entry of entries) expect(readEntry(toEntryFields(entry))).toEqual({ ok: true, value: entry });
});

const [easy] = curveBook.entries;
const fields = easy ? toEntryFields(easy) : undefined;

test.each([
  [{ share: '5' }, { share: /not a share/ }],
  [
    { share: 'half', mostShare: 'all' },
    { share: /“half” is not a share/, mostShare: /“all” is not a share/ },
  ],
  [
    { tolerance: '50', short: '' },
    { tolerance: /not a tolerance/, short: /1 to 4 characters/ },
  ],
  [{ short: 'EASYY' }, { short: /1 to 4 characters/ }],
  [{ kind: 'race' as const, distance: 'far' }, { distance: /not a distance/ }],
  [{ kind: 'held' as const, duration: '0:05' }, { duration: /between 10 seconds/ }],
  [
    { kind: 'offset' as const, offset: '999', per: '3' },
    { offset: /seconds from −120/, per: /metres from 100/ },
  ],
  [{ kind: 'effort' as const, effort: '11' }, { effort: /number from 1 to 10/ }],
])('%j is refused, each field with its reason', (part, reasons) => {
  if (!fields) throw new Error();
  const problems = Object.entries(reasons).map(([field, reason]) => [field, expect.stringMatching(reason)]);
  expect(readEntry({ ...fields, ...part })).toEqual({ ok: false, problems: Object.fromEntries(problems) });
});

test('commas and long dashes are read', () => {
  if (!fields) throw new Error();
  expect(
    readEntry({ ...fields, kind: 'offset', of: '5k', offset: '−3,5', per: '400', tolerance: '1,5' }),
  ).toMatchObject({
    value: { tolerance: 0.015, basis: { kind: 'offset', offsetS: -3.5, perM: 400, of: '5k' } },
  });
});

test('changing, adding and taking out; what would break the book says so', () => {
  if (!easy) throw new Error();
  const ownEntry = { ...easy, name: 'cruise', short: 'Cr' };
  const added = withEntry(curveBook, curveBook.entries.length, ownEntry);
  expect(added.problem).toBeUndefined();
  expect(withEntry(added.book, added.book.entries.length - 1, undefined)).toEqual({ book: curveBook });
  expect(withEntry(curveBook, 0, undefined).problem).toMatch(/Sessions may use easy/);
  expect(withEntry(curveBook, 0, { ...easy, basis: { kind: 'share', of: 'easy', share: 1 } }).problem).toMatch(
    /leads back to itself/,
  );
});

test('a copy has a name of its own', () => {
  const first = copyOf(curveBook, 'x', []);
  expect(first).toMatchObject({ id: 'x', name: 'Fitness curve, my own', entries: curveBook.entries });
  expect(copyOf(curveBook, 'y', [first.name]).name).toBe('Fitness curve, my own 2');
});
