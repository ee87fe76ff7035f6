import { curveBook } from '@core/paces/shippedBooks';
import { fitCurve } from '@core/fitness/curve';
import { parseSession } from '@core/session/parseSession';
import { mainPart, viewSession } from './sessionView';

const DAY = '2026-11-01';
const curve = fitCurve([{ distanceM: 5000, timeS: 1110, date: DAY, kind: 'race' }], { asOf: DAY });
const TEXT = 'warm: 1600 @easy\nmain: 4x400 @5k / 60s jog\nfinish: 2x200 @mile / 200m jog\ncool: 800 @easy';

function read(text: string) {
  const parsed = parseSession(text);
  if (!parsed.ok) throw new Error(parsed.problems[0]?.message);
  return parsed.session;
}

test('says how far and how long for the athlete chosen, and only how far for nobody in particular', () => {
  expect(viewSession(read(TEXT), { name: 'Dov', paces: { curve, paceBook: curveBook } }).totals).toMatch(
    /^4\.\d km, about \d\d:00 for Dov$/,
  );
  expect(viewSession(read(TEXT)).totals).toMatch(/^4\.\d km$/);
  // Someone without a usable mark runs the session too, without times.
  expect(viewSession(read(TEXT), { name: 'Kit', paces: { paceBook: curveBook } }).totals).toBe(
    viewSession(read(TEXT)).totals,
  );
});

test('knows which legs are the fast finish, and gives targets to those with a curve', () => {
  const { legs, finishLegs } = viewSession(read(TEXT), { name: 'Dov', paces: { curve, paceBook: curveBook } });
  expect([...finishLegs].every((i) => legs[i]?.role === 'finish')).toBe(true);
  expect(legs.filter((leg) => leg.role === 'finish')).toHaveLength(finishLegs.size);
  const rep = legs.find((leg) => leg.role === 'main' && leg.kind === 'rep');
  expect(rep?.targetS).toBeCloseTo(88.8, 3);
});

test('every metre of every rep is on the lap sheet, once', () => {
  const { legs, sections } = viewSession(read(TEXT), { name: 'Dov', paces: { curve, paceBook: curveBook } });
  const drawnM = new Map<number, number>();
  for (const { bands, laps } of sections.flatMap(({ rows }) => rows))
    for (const { legIndex, fromM, toM } of bands)
      drawnM.set(legIndex, (drawnM.get(legIndex) ?? 0) + (toM - fromM) * laps);
  const reps = legs.flatMap((leg, i) => (leg.kind === 'rep' ? [[leg.distanceM, drawnM.get(i)]] : []));
  expect(reps).toHaveLength(8);
  for (const [distanceM, drawn] of reps) expect(drawn).toBeCloseTo(distanceM ?? NaN, 6);
});

test('a list shows the main part and the finish in their own shorthand', () => {
  expect(mainPart(read(TEXT))).toBe('4x400 @5k / 60s jog, 2x200 @mile / 200m jog');
  expect(mainPart(read('5x800 @3k / 2:00 walk'))).toBe('5x800 @3k / 2:00 walk');
});
