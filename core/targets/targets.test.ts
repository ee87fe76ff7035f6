import fc from 'fast-check';
import { fitCurve, speedFor } from '../fitness/curve';
import { speedOfEntry, type PaceBook } from '../paces/paceBook';
import { PACE_NAMES } from '../session/paceNames';
import { curveBook } from '../paces/shippedPaceBooks';
import { read } from '../session/testing';
import { layLapSheet } from '../track/lapSheet';
import { standardTrack } from '../venue/venue';
import { MILE_M } from '../units/distance';
import { passesAt } from '../planning/passesAt';
import { reserve } from './reserve';
import { sessionTotals } from './totals';
import { targetsFor } from './targetsFor';

const AS_OF = '2026-11-01';
const curveFrom = (distanceM: number, timeS: number) =>
  fitCurve([{ distanceM, timeS, date: AS_OF, kind: 'race' }], { asOf: AS_OF });
const curve = curveFrom(5000, 1110);
const source = { curve, paceBook: curveBook, venue: standardTrack };
const targets = (text: string, more: object = {}) => targetsFor(read(text), { ...source, ...more });

describe('paces', () => {
  test('the default book has every name, each faster than the one before it as far as it has a speed', () => {
    const speeds = PACE_NAMES.map((name) => speedOfEntry(curveBook, name, curve));
    expect(speeds.filter((speed) => speed === undefined)).toHaveLength(1);
    for (const name of ['marathon', '10k', '5k', '3k', 'mile', '1500', '800'])
      expect(speedOfEntry(curveBook, name, curve) ?? 0).toBeGreaterThan(speedOfEntry(curveBook, 'easy', curve) ?? 9);
    expect(speedOfEntry(curveBook, '5k', curve)).toBeCloseTo(5000 / 1110, 4);
    expect(speedOfEntry(curveBook, 'cv', curve)).toBeCloseTo(speedFor(curve, 2100), 9);
  });
  test('a definition that leads to itself, or to nothing, has no speed', () => {
    const book: PaceBook = {
      id: 'ring',
      name: 'Ring',
      model: 'endurance',
      entries: [
        { name: 'a', short: 'a', tolerance: 0.01, basis: { kind: 'share', of: 'b', share: 1 } },
        { name: 'b', short: 'b', tolerance: 0.01, basis: { kind: 'share', of: 'a', share: 1 } },
      ],
    };
    expect(speedOfEntry(book, 'a', curve)).toBeUndefined();
    expect(speedOfEntry(book, 'c', curve)).toBeUndefined();
  });
});

describe('targets', () => {
  test('a rep at race pace, with its passing times', () => {
    const [rep] = targets('400 @5k');
    expect(rep?.targetS).toBeCloseTo(88.8, 3);
    expect(rep?.passes?.map((pass) => pass.atM)).toEqual([100, 200, 300, 400]);
    expect(rep?.passes?.map((pass) => pass.timeS)).toEqual([22.2, 44.4, 66.6, 88.8].map((t) => expect.closeTo(t, 3)));
  });
  test('offsets, shares, absolute paces and efforts', () => {
    expect(targets('400 @5k-1.5s/400')[0]?.targetS).toBeCloseTo(87.3, 3);
    expect(targets('1000 @90% 5k')[0]?.targetS).toBeCloseTo(222 / 0.9, 3);
    expect(targets('300 @74/400')[0]?.targetS).toBeCloseTo(55.5, 6);
    expect(targets('400 @effort 7')[0]?.targetS).toBeUndefined();
    expect(targets('400')[0]?.targetS).toBeUndefined();
  });
  test('a goal pace uses the goal curve, a moving pace goes evenly in speed', () => {
    const goalCurve = curveFrom(5000, 1000);
    const legs = targets('3x400 @5k>goal 5k / 60s', { goalCurve }).filter((leg) => leg.kind === 'rep');
    const speeds = legs.map((leg) => 400 / (leg.targetS ?? 1));
    expect(speeds).toEqual([5000 / 1110, (5000 / 1110 + 5) / 2, 5].map((v) => expect.closeTo(v, 4)));
  });
  test('rounding is asked for', () => {
    expect(targets('400 @mile', { rounding: 0.5 })[0]?.targetS).toBeCloseTo(80.5, 6);
  });
  test('a share of the rep becomes seconds; a jog gets the time it should take', () => {
    expect(targets('2x300 @800 / equal walk')[1]).toMatchObject({ durationS: 55 });
    const jog = targets('2x400 @5k / 200m jog')[1];
    expect(jog?.targetS).toBeGreaterThan(70);
    expect(jog?.targetS).toBeLessThan(100);
  });
  test('without a curve only absolute paces have a time', () => {
    const legs = targetsFor(read('400 @5k / 60s, 400 @80/400'), { paceBook: curveBook, venue: standardTrack });
    expect(legs.map((leg) => leg.targetS)).toEqual([undefined, 60, expect.closeTo(80, 6)]);
  });
});

describe('on the lap', () => {
  test('a jog moves the start round; a rest by the clock does not', () => {
    const starts = (text: string) => targets(text).flatMap((leg) => (leg.kind === 'rep' ? [leg.startM] : []));
    expect(starts('4x600 @3k / 90s walk')).toEqual([0, 200, 0, 200]);
    expect(starts('4x300 @3k / 100m jog')).toEqual([0, 0, 0, 0]);
    expect(starts('3x200 @mile / 100m jog')).toEqual([0, 300, 200]);
  });
  test('after a rest by the clock every mile starts at its own mark; after a jog where that ended', () => {
    const starts = (text: string) =>
      targets(text).flatMap((leg) => (leg.kind === 'rep' ? [Math.round(leg.startM ?? -1)] : []));
    expect(starts('3x1mi @10k / 60s')).toEqual([391, 391, 391]);
    expect(starts('2x1mi @10k / 400m jog')).toEqual([391, 0]);
  });
  test('a mile starts at its own mark, ends at the finish line and passes the marks of the lap', () => {
    const [mile] = targets('1mi @10k');
    expect(mile?.startM).toBeCloseTo(390.656, 2);
    expect(mile?.finishM).toBeCloseTo(0, 6);
    expect(mile?.passes?.[0]?.atM).toBeCloseTo(9.34, 1);
    expect(passesAt(standardTrack, { distanceM: MILE_M, startM: mile?.startM ?? 0 }, 320, 400)).toHaveLength(5);
  });
  test('the lap sheet has every metre of every rep in its place', () => {
    fc.assert(
      fc.property(
        fc.array(
          fc.tuple(
            fc.integer({ min: 1, max: 3 }),
            fc.oneof(fc.integer({ min: 50, max: 3000 }).map(String), fc.constant('1mi')),
            fc.oneof(
              fc.integer({ min: 50, max: 900 }).map((jogM) => `${jogM}m jog`),
              fc.constant('60s'),
            ),
          ),
          {
            minLength: 1,
            maxLength: 5,
          },
        ),
        (items) => {
          const legs = targets(items.map(([n, amount, rest]) => `${n}x${amount} @5k / ${rest}`).join(', '));
          const rows = layLapSheet(legs, standardTrack).flatMap((section) => section.rows);
          const drawnM = rows.reduce(
            (sum, row) => sum + row.bands.reduce((inRow, band) => inRow + band.toM - band.fromM, 0) * row.laps,
            0,
          );
          expect(drawnM).toBeCloseTo(sessionTotals(legs).distanceM, 3);
          legs.forEach((leg, legIndex) => {
            // A rest by the clock has no length on the lap.
            if (leg.distanceM === undefined) return;
            const bands = rows.flatMap((row) => row.bands).filter((band) => band.legIndex === legIndex);
            expect((bands[0]?.fromM ?? -1) % 400).toBeCloseTo(leg.startM ?? -2, 3);
            expect((bands.at(-1)?.toM ?? -1) % 400).toBeCloseTo((leg.finishM ?? -2) % 400, 3);
          });
        },
      ),
    );
  });
  test('drills, rests and reps by the clock are drawn too', () => {
    const sections = layLapSheet(
      targets('warm: 1600 @easy, drills "hips"\n3x60s @3k / 60s walk\ncool: 400 @easy'),
      standardTrack,
    );
    expect(sections.map((section) => section.role)).toEqual(['warm', 'main', 'cool']);
    expect(sections[0]?.rows[0]).toMatchObject({ laps: 4, gaps: [{ label: 'drills: hips' }] });
    expect(sections[1]?.rows.flatMap((row) => row.gaps).map((gap) => gap.label)).toEqual(['60s', '60s', '60s']);
    expect(sections[1]?.rows[0]?.bands[0]).toMatchObject({ approximate: true, label: '60s' });
  });
});

describe('reserve', () => {
  const miler = curveFrom(MILE_M, 270);
  const left = (text: string) =>
    reserve(miler, targetsFor(read(text), { ...source, curve: miler })).afterRep.at(-1) ?? Number.NaN;
  test.each([
    ['8x400 @mile / 120s walk', 0.23, 0.04],
    ['5x800 @3k / 120s walk', 0.14, 0.04],
    ['16x400 @5k / 40s walk', 0.55, 0.04],
    ['6x1000 @threshold / 60s walk', 1, 0.001],
  ])('%s leaves about %d', (text, share, within) => expect(Math.abs(left(text) - share)).toBeLessThan(within));
  test('a longer recovery never leaves less', () => {
    fc.assert(
      fc.property(fc.integer({ min: 15, max: 300 }), fc.integer({ min: 1, max: 120 }), (restS, moreS) => {
        expect(left(`6x400 @mile / ${restS + moreS}s walk`)).toBeGreaterThan(left(`6x400 @mile / ${restS}s walk`));
      }),
      { numRuns: 25 },
    );
  });
});

describe('bands, hills and ready', () => {
  const legsOf = (text: string) => targetsFor(read(text), { curve, paceBook: curveBook, venue: standardTrack });
  test('inside a band is on target: its middle is the target, its half the tolerance, however strictly the session is meant', () => {
    const [rep] = targetsFor(read('8x400 @70-72/400 / 60s'), {
      curve,
      paceBook: curveBook,
      venue: standardTrack,
      toleranceTimes: 0.5,
    });
    expect(rep?.targetS).toBeCloseTo(71, 9);
    expect((rep?.tolerance ?? 0) * (rep?.targetS ?? 0)).toBeCloseTo(1, 9);
    const [named] = legsOf('1000 @10k..half');
    const per = (name: string) => 1000 / (speedOfEntry(curveBook, name, curve) ?? 1);
    expect(named?.targetS).toBeCloseTo((per('10k') + per('half')) / 2, 6);
    expect((named?.tolerance ?? 0) * (named?.targetS ?? 0)).toBeCloseTo((per('half') - per('10k')) / 2, 6);
  });
  test('uphill a pace of the flat has no time; a time on this very hill has', () => {
    expect(legsOf('200 hill @5k')[0]?.targetS).toBeUndefined();
    expect(legsOf('200 hill @42/200')[0]?.targetS).toBe(42);
  });
  test('a rest until ready has no clock', () => {
    const rest = legsOf('2x400 @5k / ready walk')[1];
    expect(rest).toMatchObject({ kind: 'recovery', untilReady: true, manner: 'walk' });
    expect(rest?.targetS ?? rest?.durationS).toBeUndefined();
  });
});
