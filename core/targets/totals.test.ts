import fc from 'fast-check';
import { fitCurve, heldFor, speedFor } from '../fitness/curve';
import { curveBook } from '../paces/shippedPaceBooks';
import { anySession, read } from '../session/testing';
import { indoorTrack, kilometreLoop, placeName, standardTrack, VENUES, walkToStart } from '../venue/venue';
import { layLapSheet } from '../track/lapSheet';
import { targetsFor } from './targetsFor';
import { amountsOf, sessionTotals, limitWeightOf, shareOfLimit } from './totals';

const AS_OF = '2026-11-01';
const curve = fitCurve([{ distanceM: 5000, timeS: 1110, date: AS_OF, kind: 'race' }], { asOf: AS_OF });
const source = { curve, paceBook: curveBook, venue: standardTrack };
const legsOf = (text: string, venue = standardTrack) => targetsFor(read(text), { ...source, venue });

describe('totals', () => {
  test('metres and minutes by pace and by kind of work', () => {
    const totals = sessionTotals(
      legsOf(
        'warm: 1600 @easy, drills\n4x400 @5k / 60s, 2x1000 @threshold / 200m jog\nfinish: 2x200 @mile / 60s\ncool: 800 @easy',
      ),
    );
    expect(totals.byPace.map(({ pace, reps, distanceM }) => [pace, reps, distanceM])).toEqual([
      ['threshold', 2, 2000],
      ['5k', 4, 1600],
      ['mile', 2, 400],
    ]);
    expect(totals.byPace[1]?.durationS).toBeCloseTo(4 * 88.8, 1);
    const distances = Object.fromEntries(totals.byWork.map(({ work, distanceM }) => [work, distanceM]));
    expect(distances).toEqual({ warm: 1600, main: 3600, finish: 400, recovery: 400, cool: 800 });
    expect(totals.distanceM).toBe(6800);
    // Five minutes of drills are a guess.
    expect(totals.isGuessed).toBe(true);
    expect(totals.byWork.find(({ work }) => work === 'warm')?.durationS).toBeGreaterThan(300);
  });

  test('time on the track is from the first start of the main part to its last finish', () => {
    const { trackS } = sessionTotals(legsOf('warm: 1600 @easy / 5:00\n3x400 @5k / 60s\ncool: 800 @easy'));
    expect(trackS).toBeCloseTo(3 * 88.8 + 120, 1);
  });

  test('running whose pace is not known is guessed and said to be', () => {
    expect(sessionTotals(legsOf('400 @5k')).isGuessed).toBe(false);
    expect(sessionTotals(legsOf('5min @effort 6'))).toMatchObject({ isGuessed: true, durationS: 300, distanceM: 990 });
    expect(sessionTotals(legsOf('660 @effort 6')).durationS).toBeCloseTo(200);
  });

  test('parts add up to the whole, whatever the session', () => {
    fc.assert(
      fc.property(anySession, (session) => {
        const legs = targetsFor(session, source);
        const { byWork, distanceM, durationS, trackS } = sessionTotals(legs);
        const sum = (of: 'distanceM' | 'durationS') => byWork.reduce((total, work) => total + work[of], 0);
        expect(sum('distanceM')).toBeCloseTo(distanceM, 4);
        expect(sum('durationS')).toBeCloseTo(durationS, 4);
        expect(trackS).toBeLessThanOrEqual(durationS + 1e-6);
        for (const leg of legs) expect(amountsOf(leg).durationS).toBeGreaterThanOrEqual(0);
      }),
      { numRuns: 60 },
    );
  });
});

describe('share of the limit', () => {
  test('five 1000s at 5k pace are all of it; threshold is a third of that hour in 20 minutes', () => {
    expect(shareOfLimit(curve, legsOf('5x1000 @5k / 60s'))).toBeCloseTo(1, 3);
    expect(shareOfLimit(curve, legsOf('20min @threshold'))).toBeCloseTo(1 / 3, 2);
    expect(shareOfLimit(curve, legsOf('warm: 5x1000 @5k\n400 @effort 7'))).toBe(0);
    expect(shareOfLimit(curve, legsOf('10x400 @800 / 60s'))).toBe(0);
  });
  test('a pace counts less and less from what is held for 10 minutes to what is held for 4: no jump', () => {
    const weight = limitWeightOf(curve);
    expect([600, 240].map((s) => weight(speedFor(curve, s)))).toEqual([expect.closeTo(1, 9), expect.closeTo(0, 9)]);
    // 0.2 s of a 3000 made it 0 or 120 %.
    const share = (timeS: number) => shareOfLimit(curve, legsOf(`4x900 @${timeS}/3k / 2:00`));
    for (let timeS = 560; timeS < 660; timeS++) expect(Math.abs(share(timeS + 0.2) - share(timeS))).toBeLessThan(0.02);
  });
  test('how long a speed is held is what the curve says the other way round', () => {
    fc.assert(
      fc.property(fc.integer({ min: 30, max: 9000 }), (durationS) =>
        expect(heldFor(curve, speedFor(curve, durationS)) / durationS).toBeCloseTo(1, 4),
      ),
      { numRuns: 50 },
    );
  });
});

describe('the walk to the next start', () => {
  const walks = (text: string, venue = standardTrack) =>
    legsOf(text, venue).flatMap(({ walk }) => (walk ? [[Math.round(walk.byM), walk.name]] : []));
  test('none where a rep ends on a mark', () => {
    expect(walks('4x600 @3k / 90s walk')).toEqual([]);
    expect(walks('3x200 @3k / 90s walk', indoorTrack)).toEqual([]);
    expect(walks('4x350 @3k / 50m walk')).toEqual([]);
  });
  test('to the nearest mark, on or back; ahead where both are as near', () => {
    expect(walks('2x350 @3k / 90s')).toEqual([[50, 'finish line']]);
    expect(walks('2x320 @3k / 90s')).toEqual([[-20, '300 m start']]);
    expect(walks('2x1mi @10k / 90s')).toEqual([[-9, 'mile start']]);
    expect(walks('2x320 @3k / 90s', kilometreLoop)).toEqual([[-70, '250 m cone']]);
  });
  test('after it the rep starts on that mark', () => {
    expect(legsOf('3x350 @3k / equal walk').map(({ startM }) => startM)).toEqual([0, 350, 0, 350, 0]);
  });
  test('none at the end of a part, nor before drills', () => {
    expect(walks('350 @3k / 90s\ncool: 400 @easy')).toEqual([]);
    expect(walks('350 @3k / 90s, drills')).toEqual([]);
  });
  test.each(VENUES)('never further than half way between two marks: $name', (venue) => {
    const widest = venue.lapM / venue.marks.length / 2;
    fc.assert(
      fc.property(fc.double({ min: 0, max: venue.lapM - 0.001, noNaN: true }), (atM) => {
        const walk = walkToStart(venue, atM, 400);
        expect(Math.abs(walk?.byM ?? 0)).toBeLessThanOrEqual(widest + 1e-6);
        expect(venue.marks.some((mark) => !walk || mark.atM === walk.toM)).toBe(true);
      }),
    );
  });
  test('a place is said by its mark, or by the one behind it', () => {
    const said = [0, 399.5, 350, 390.7, 100].map((atM) => placeName(standardTrack, atM));
    expect(said).toEqual([
      'the finish line',
      'the finish line',
      '50 m past the 300 m start',
      'the mile start',
      'the 100 m start',
    ]);
    expect(placeName({ ...standardTrack, marks: [], starts: [] }, 12)).toBe('12 m');
  });
  test('is drawn on the lap sheet of any venue', () => {
    const gaps = (venue: typeof standardTrack) =>
      layLapSheet(legsOf('2x350 @3k / 90s', venue), venue).flatMap(({ rows }) => rows.flatMap((row) => row.gaps));
    expect(gaps(standardTrack)).toMatchObject([{ label: '90s', walk: { byM: 50 } }]);
    expect(gaps(indoorTrack)).toEqual([{ legIndex: 1, atM: 150, label: '90s' }]);
  });
});
