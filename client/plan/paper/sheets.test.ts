import { boxesOf, inParts } from './sheets';

test('reps are cut to what a page takes, as evenly as can be', () => {
  const reps = Array.from({ length: 12 }, (_, i) => i);
  expect(inParts(reps, 9).map(({ length }) => length)).toEqual([6, 6]);
  expect(inParts(reps, 12).map(({ length }) => length)).toEqual([12]);
  expect(inParts(reps, 5).flat()).toEqual(reps);
  expect(inParts([], 9)).toEqual([[]]);
});

test('a card has a box for every rep', () => {
  expect(
    boxesOf([
      { times: 8, what: '400', passes: [] },
      { times: 4, what: '200', passes: [] },
    ]),
  ).toBe(12);
});
