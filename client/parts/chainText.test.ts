import { chainText, typedNumber } from './chainText';

test('a chain reads as a coach would say it', () => {
  expect(chainText([{ lever: 'more', by: 1, to: 9 }])).toBe('More of it, 1 at a time, up to 9');
  expect(chainText([{ lever: 'more', to: 9 }, { lever: 'less-rest', by: 10, to: 50 }, { lever: 'faster' }])).toBe(
    'More of it, up to 9; then less rest, 10 at a time, down to 50; then faster',
  );
});

test.each([
  ['', { ok: true }],
  [' 10 ', { ok: true, value: 10 }],
  ['2,5', { ok: true, value: 2.5 }],
  ['0', { ok: false }],
  ['-3', { ok: false }],
  ['ten', { ok: false }],
  ['1e9', { ok: false }],
])('%j is typed', (typed, expected) => expect(typedNumber(typed)).toEqual(expected));
