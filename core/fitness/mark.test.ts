import { doubtAboutMark } from './mark';

test.each([
  [5000, 480, 'faster than anyone'],
  [800, 2400, 'walking pace'],
  [400, 35, 'faster than anyone'],
])('%d m in %d s is asked about', (distanceM, timeS, why) => {
  const doubt = doubtAboutMark({ distanceM, timeS });
  expect(doubt).toMatch(/^Really\?/);
  expect(doubt).toContain(why);
});

test.each([
  [5000, 1110],
  [800, 101],
  [42_195, 7300],
  [1609.344, 600],
])('%d m in %d s is believed', (distanceM, timeS) => expect(doubtAboutMark({ distanceM, timeS })).toBeUndefined());
