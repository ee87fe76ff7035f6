import { curveBook } from '@core/paces/shippedPaceBooks';
import { fitCurve } from '@core/fitness/curve';
import { read } from '@core/session/testing';
import { indoorTrack, standardTrack } from '@core/venue/venue';
import { endsOf, mainPart, spanOf, totalsOf, viewSession } from './sessionView';

const DAY = '2026-11-01';
const curve = fitCurve([{ distanceM: 5000, timeS: 1110, date: DAY, kind: 'race' }], { asOf: DAY });
const TEXT = 'warm: 1600 @easy\nmain: 4x400 @5k / 60s jog\nfinish: 2x200 @mile / 200m jog\ncool: 800 @easy';

test('says how far and how long for the athlete chosen, and only how far for nobody in particular', () => {
  expect(totalsOf(viewSession(read(TEXT), { name: 'Dov', paces: { curve, paceBook: curveBook } }), 'km')).toMatch(
    /^4\.\d km, about \d\d:00 for Dov$/,
  );
  expect(totalsOf(viewSession(read(TEXT)), 'km')).toMatch(/^4\.\d km$/);
  expect(totalsOf(viewSession(read(TEXT)), 'mi')).toMatch(/^3\.\d miles$/);
  // Someone without a usable mark runs the session too, without times.
  expect(totalsOf(viewSession(read(TEXT), { name: 'Kit', paces: { paceBook: curveBook } }), 'km')).toBe(
    totalsOf(viewSession(read(TEXT)), 'km'),
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

describe('the span of a squad', () => {
  const someone = (name: string, timeS: number) => ({
    name,
    paces: {
      curve: fitCurve([{ distanceM: 5000, timeS, date: DAY, kind: 'race' }], { asOf: DAY }),
      paceBook: curveBook,
    },
  });
  const [ada, bo, cleo] = [someone('Ada', 1100), someone('Bo', 980), someone('Cleo', 1400)];
  const kit = { name: 'Kit', paces: { paceBook: curveBook } };

  test('is from the fastest to the slowest of those who have a mark', () => {
    expect(endsOf([ada, kit, bo, cleo])).toEqual({ fastest: bo, slowest: cleo });
    expect(endsOf([kit])).toBeUndefined();
    const ends = spanOf(read(TEXT), endsOf([ada, kit, bo, cleo]), standardTrack);
    expect(ends.map(({ name }) => name)).toEqual(['Bo', 'Cleo']);
    const [fast, slow] = ends;
    expect(fast?.totals.durationS).toBeLessThan(slow?.totals.durationS ?? 0);
    expect(fast?.totals.distanceM).toBe(slow?.totals.distanceM);
  });
  test('is one where there is one, and nobody’s where nobody has a mark', () => {
    expect(spanOf(read(TEXT), endsOf([ada]), standardTrack).map(({ name }) => name)).toEqual(['Ada']);
    expect(spanOf(read(TEXT), undefined, standardTrack)).toMatchObject([{ name: '', shareOfLimit: 0 }]);
  });
  test('the share of the limit is the same for all who run at the same share of their own', () => {
    const shares = spanOf(read('5x1000 @5k / 60s'), endsOf([ada, cleo]), standardTrack).map((end) => end.shareOfLimit);
    for (const share of shares) expect(share).toBeCloseTo(1, 2);
  });
});

test('work by the clock is said to be drawn by what is expected; another track has other laps', () => {
  const byClock = viewSession(read('3x60s @mile / 60s'), { name: 'Dov', paces: { curve, paceBook: curveBook } });
  expect(byClock.isExpected).toBe(true);
  expect(viewSession(read(TEXT)).isExpected).toBe(false);
  const rows = (venue = standardTrack) => viewSession(read('400 @5k'), undefined, venue).sections[0]?.rows.length;
  expect([rows(), rows(indoorTrack)]).toEqual([1, 2]);
});
