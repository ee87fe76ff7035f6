import fc from 'fast-check';
import { PACE_NAMES } from '../session/paceNames';
import { closestNames } from './closestNames';

test.each([
  ['treshold', 'threshold'],
  ['thresh', 'threshold'],
  ['5q', '5k'],
  ['mlie', 'mile'],
  ['stedy', 'steady'],
  ['MARATON', 'marathon'],
])('%s may have meant %s', (written, meant) => expect(closestNames(written, PACE_NAMES)).toContain(meant));

test('what is like nothing gives no hint', () => expect(closestNames('helicopter', PACE_NAMES)).toEqual([]));

test('a known name is its own nearest, and there are never more than three', () => {
  for (const name of PACE_NAMES) expect(closestNames(name, PACE_NAMES)[0]).toBe(name);
  fc.assert(
    fc.property(fc.string(), (written) => expect(closestNames(written, PACE_NAMES).length).toBeLessThanOrEqual(3)),
  );
});
