import { fitCurve } from '../fitness/curve';
import { curveBook } from '../paces/shippedPaceBooks';
import type { PaceBook } from '../paces/paceBook';
import type { Intent } from '../session/intent';
import { read } from '../session/testing';
import { standardTrack } from '../venue/venue';
import { makePlan } from './makePlan';

const DAY = '2027-05-04';
const curve = fitCurve([{ distanceM: 5000, timeS: 1110, date: DAY, kind: 'race' }], { asOf: DAY });

/** The tolerance of the first rep, as it goes into the plan: left out where it is the usual 1 %. */
function tolerance(text: string, intent?: Intent, paceBook: PaceBook = curveBook): number | undefined {
  const someone = { id: 'a', name: 'Ada', tileName: 'Ada', paces: { curve, paceBook } };
  const header = { id: '', sessionId: '', title: '', date: DAY, shorthand: text };
  return makePlan(header, read(text), [someone], standardTrack, intent).groups[0]?.athletes[0]?.targets[0]?.tolerance;
}

test('a rehearsal is judged more strictly than a session, a fartlek less', () => {
  const text = '6x400 @5k / 90s';
  expect(tolerance(text)).toBeUndefined();
  expect(tolerance(text, 'rehearsal')).toBeCloseTo(0.0075);
  expect(tolerance(text, 'fartlek')).toBeCloseTo(0.03);
});

test('what is suggested counts until the coach says otherwise', () => {
  expect(tolerance('6x1000 @goal 5k / 90s')).toBeCloseTo(0.0075);
  expect(tolerance('6x1000 @goal 5k / 90s', 'aerobic-power')).toBeUndefined();
});

test('the pace book’s own tolerance is what is taken so many times', () => {
  const entries = curveBook.entries.map((entry) => (entry.name === '5k' ? { ...entry, tolerance: 0.02 } : entry));
  const book = { ...curveBook, entries };
  expect(tolerance('6x400 @5k / 90s', 'aerobic-power', book)).toBeCloseTo(0.02);
  expect(tolerance('6x400 @5k / 90s', 'indicator', book)).toBeCloseTo(0.015);
});
