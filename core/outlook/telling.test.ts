/** Efforts on the scale of one athlete, and back. */
import fc from 'fast-check';
import { curveOf5k } from '../planning/testing';
import { curveBook } from '../paces/shippedPaceBooks';
import { INTENT_FACTS } from '../session/intent';
import { read } from '../session/testing';
import { targetsFor } from '../targets/targetsFor';
import { standardTrack } from '../venue/venue';
import { arcAsTold, chancesAsTold, outlookAsTold, proposalAsTold } from './asTold';
import { asMostTell, calibrated, toldAboveMost } from './calibration';
import { outlookFor } from './outlook';
import type { OutlookProposal } from './proposals';

const LOWER = { a: -1, g: 1 };
const { arc } = INTENT_FACTS['aerobic-power'];
const curve = curveOf5k(1110);
const look = (text: string) =>
  outlookFor(curve, targetsFor(read(text), { curve, paceBook: curveBook, venue: standardTrack }), arc);

test('what somebody tells of an effort is taken back for what most would tell of it', () => {
  fc.assert(
    fc.property(
      fc.double({ min: 3, max: 8, noNaN: true }),
      fc.record({ a: fc.double({ min: -1, max: 1, noNaN: true }), g: fc.double({ min: 0.9, max: 1.1, noNaN: true }) }),
      (effort, telling) => {
        expect(asMostTell(calibrated(effort, telling), telling)).toBeCloseTo(effort, 9);
      },
    ),
  );
  expect(asMostTell(7, undefined)).toBe(7);
});

test('no effort lies outside 1 to 10, and no scale explains more than 1.5', () => {
  expect([asMostTell(10, LOWER), asMostTell(1, { a: 3, g: 1 })]).toEqual([10, 1]);
  expect([asMostTell(5, { a: 5, g: 0 }), calibrated(5, { a: 3, g: 1 })]).toEqual([3.5, 6.5]);
  expect(toldAboveMost(LOWER)).toBe(-1);
});

test('predicted and meant move together, so that whether it fits stays as it was', () => {
  const outlook = look('6x800 @5k / 2:00');
  const told = outlookAsTold(outlook, LOWER);
  expect(told.fit).toBe(outlook.fit);
  expect(told.lastEffort).toBeCloseTo((outlook.lastEffort ?? 0) - 1, 9);
  told.points.forEach(({ effort = 0 }, i) =>
    expect(effort - (told.meant[i] ?? 0)).toBeCloseTo((outlook.points[i]?.effort ?? 0) - (outlook.meant[i] ?? 0), 9),
  );
  expect(outlookAsTold(outlook, undefined)).toEqual(outlook);
  expect(arcAsTold(arc, LOWER)).toEqual({ first: arc.first - 1, middle: arc.middle - 1, last: arc.last - 1 });
});

test('an effort that the session asks for is told as it was asked for', () => {
  const { points, lastEffort } = outlookAsTold(look('4x3min @effort 8 / 2:00'), LOWER);
  expect([points[0]?.effort, lastEffort]).toEqual([8, 8]);
});

test('how sure it is and what a change comes to are told by them too', () => {
  const chances = { athleteId: 'a0', finishes: 1, fits: 0.9, leastLeft: { low: 0.1, high: 0.4 } };
  expect(chancesAsTold({ ...chances, lastEffort: { low: 6, high: 8 } }, LOWER).lastEffort).toEqual({ low: 5, high: 7 });
  expect(chancesAsTold(chances, LOWER)).toEqual(chances);
  const change = { lever: 'recovery' as const, path: [0, 0], set: { kind: 'recovery' as const, durationS: 90 } };
  const effect = { fit: 'fine' as const, lastEffort: 8, leastLeft: 0.2, limitShare: 0.5 };
  const proposal: OutlookProposal = {
    ...change,
    from: 60,
    to: 90,
    effect,
    next: { ...change, from: 60, to: 90, effect },
  };
  const told = proposalAsTold(proposal, LOWER);
  expect([told.effect.lastEffort, told.next?.effect.lastEffort]).toEqual([7, 7]);
});
