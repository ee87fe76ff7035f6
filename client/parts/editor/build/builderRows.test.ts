import fc from 'fast-check';
import { itemAt } from '@core/session/edit';
import { anySession, read } from '@core/session/testing';
import { builderRows, itemWords, keyOf } from './builderRows';

const EXAMPLE = 'warm: 1600 @easy, drills "hips"\nmain: 2x(3x600 @3k / 90s walk, 200 @mile) / 4:00 walk';

test('lines, items and the ends of sets and lines, sets indented', () => {
  const rows = builderRows(read(EXAMPLE)).map((row) =>
    row.kind === 'line'
      ? `[${row.role}]`
      : `${'  '.repeat(row.depth)}${row.kind === 'item' ? itemWords(row.item).title : `end of ${row.of}`}`,
  );
  expect(rows).toEqual([
    '[warm]',
    '1600',
    'drills',
    'end of line',
    '[main]',
    '2 × set',
    '  3 × 600',
    '  200',
    '  end of set',
    'end of line',
  ]);
});

test('every row has a key of its own, and its path leads to its item', () => {
  fc.assert(
    fc.property(anySession, (session) => {
      const rows = builderRows(session);
      expect(new Set(rows.map(({ key }) => key)).size).toBe(rows.length);
      for (const row of rows)
        if (row.kind === 'item') {
          expect(itemAt(session, row.path)).toBe(row.item);
          expect(row.key).toBe(keyOf(row.path));
        } else if (row.kind === 'end') expect(itemAt(session, row.path)).toBeUndefined();
    }),
  );
});

test.each([
  ['6x400 @5k / 90s walk', { title: '6 × 400', pace: '5k', recovery: '90s walk' }],
  ['8-10x400 @5k>goal 5k / 40s-60s jog', { title: '8–10 × 400', pace: '5k>goal 5k', recovery: '40s-60s jog' }],
  ['open x 1500|700 @threshold / 60s', { title: 'open × 1500|700', pace: 'threshold', recovery: '60s' }],
  ['30min free @effort 6-8 "on call"', { title: '30min free', pace: 'effort 6-8', note: 'on call' }],
  ['3x drills "skips"', { title: '3 × drills', note: 'skips' }],
  ['4x(200) / half jog', { title: '4 × set', recovery: 'half jog' }],
])('%s in words', (text, words) => {
  const item = itemAt(read(text), [0, 0]);
  expect(item && itemWords(item)).toEqual(words);
});
