import { readSession } from './parseSession';
import { sessionName } from './sessionName';

const nameOf = (text: string) => sessionName(readSession(text).session);

test.each([
  ['6x800 @5k / 90s', '6 × 800 at 5k pace'],
  ['warm: 1600 @easy\n2x(3x600 @3k / 90s walk) / 4:00 walk\ncool: 1200 @easy', '2 sets of 3 × 600 at 3k pace'],
  ['8-10x400 @5k>goal 5k / 40s jog', '8 to 10 × 400 from 5k to goal 5k pace'],
  ['1400-1100-900 @5k / 2:30 jog', '1400-1100-900 at 5k pace'],
  ['4x400 @74/400 / 60s, 200 @mile', '4 × 400 at 74/400, 200 at mile pace'],
  ['20min @effort 6-8', '20min at effort 6-8'],
  ['8x400 @70-72/400 / 90s', '8 × 400 at 70-72/400'],
  ['10x45s hill @effort 8 / equal jog', '10 × 45s hill at effort 8'],
  ['open x 1300|900|500 @threshold / 45s jog', '1300-900-500 at threshold pace until it tires'],
])('%s is called %s', (text, name) => expect(nameOf(text)).toBe(name));

test('one with no main part has no name; a long one is called by how it begins', () => {
  expect(nameOf('')).toBeUndefined();
  expect(nameOf('warm: 1600 @easy')).toBeUndefined();
  expect(nameOf('6x800 @5k / 90s, 4x400 @3k / 60s, 4x200 @mile / 60s, 4x100 @800 / 60s')).toBe(
    '6 × 800 at 5k pace and more',
  );
});
