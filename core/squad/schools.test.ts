import { fitCurve, timeFor } from '../fitness/curve';
import { speedOfEntry, type PaceBook } from '../paces/paceBook';
import { curveBook } from '../paces/shippedPaceBooks';
import { expand } from '../session/expand';
import { formatRecoveryLeg } from '../session/formatLeg';
import { read } from '../session/testing';
import {
  REST_ENDS,
  restsOf,
  REST_END_NOTES,
  MANNER_NOTES,
  STRIDES_NOTES,
  STRIDES_BY,
  topSpeedMps,
  USUAL_MANNERS,
  USUAL_SCHOOLS,
  usualRecovery,
  withStrides,
} from './schools';

const mark = (distanceM: number, timeS: number) => ({ distanceM, timeS, date: '2026-10-01', kind: 'race' as const });
const marks = [mark(800, 149), mark(60, 7.5)];
const curve = fitCurve(marks, { asOf: '2026-11-01' });
const strides = (book: PaceBook) => speedOfEntry(book, 'strides', curve) ?? 0;

test('every school says in one line what it holds', () => {
  for (const note of [
    ...USUAL_MANNERS.map((manner) => MANNER_NOTES[manner]),
    ...REST_ENDS.map((end) => REST_END_NOTES[end]),
    ...STRIDES_BY.map((by) => STRIDES_NOTES[by]),
  ])
    expect(note).toMatch(/^[^\n]+\.$/);
});

test('strides hang on 400 pace, on 800 pace, or on a timed top speed', () => {
  expect(withStrides(curveBook, '400', { curve, marks })).toBe(curveBook);
  expect(strides(withStrides(curveBook, '800', { curve, marks }))).toBeCloseTo(800 / timeFor(curve, 800), 9);
  expect(topSpeedMps(marks)).toBe(8);
  expect(strides(withStrides(curveBook, 'top-speed', { curve, marks }))).toBeCloseTo(0.925 * 8, 9);
  // Without a short mark, and in a book where the coach has set them, they stay.
  expect(withStrides(curveBook, 'top-speed', { curve, marks: [mark(800, 149)] })).toBe(curveBook);
  const ownPaceBook: PaceBook = {
    ...curveBook,
    entries: curveBook.entries.map((entry) =>
      entry.name === 'strides' ? { ...entry, basis: { kind: 'share', of: 'mile', share: 1 } } : entry,
    ),
  };
  expect(strides(withStrides(ownPaceBook, '800', { curve, marks }))).toBe(strides(ownPaceBook));
});

describe('recoveries', () => {
  const rests = (text: string, choice = {}) =>
    expand(read(text), choice).flatMap((leg) => (leg.kind === 'recovery' ? [formatRecoveryLeg(leg)] : []));
  test('what a session does not say is as the squad does it; what it says stays', () => {
    const choice = restsOf({ ...USUAL_SCHOOLS, manner: 'moving' });
    expect(rests('2x400 / 90s, 2x200 / 60s stand, 2x300 / 100m jog, 200', choice)).toEqual([
      '90s moving',
      '90s moving',
      '60s stand',
      '60s stand',
      '100m jog',
      '100m jog',
    ]);
    expect(rests('2x400 / 90s', restsOf(undefined))).toEqual(['90s']);
  });
  test('ready is a tap, or the pulse back in its band', () => {
    expect(rests('2x400 @5k / ready', restsOf(USUAL_SCHOOLS))).toEqual(['ready walk']);
    const byPulse = restsOf({ ...USUAL_SCHOOLS, restEnds: 'pulse', pulse: { from: 105, to: 120 } });
    expect(rests('2x400 @5k / ready', byPulse)).toEqual(['ready walk, pulse 105–120']);
  });
  test('the builder begins with the squad’s own', () => {
    const of = (restEnds: (typeof REST_ENDS)[number]) => usualRecovery({ ...USUAL_SCHOOLS, restEnds, manner: 'jog' });
    expect(of('clock')).toEqual({ amount: { kind: 'time', minS: 90, maxS: 90 }, manner: 'jog' });
    expect(of('distance')).toEqual({ amount: { kind: 'distance', distanceM: 200 }, manner: 'jog' });
    expect(of('pulse')).toEqual({ amount: { kind: 'ready' }, manner: 'jog' });
  });
});
