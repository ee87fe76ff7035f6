import fc from 'fast-check';
import { curveOf5k } from '../planning/testing';
import { curveBook } from '../paces/shippedPaceBooks';
import { read } from '../session/testing';
import { targetsFor } from '../targets/targetsFor';
import { MILE_M } from '../units/distance';
import { laneMarks } from '../venue/lanes';
import { checkVenue, venueOf, type OwnVenue } from '../venue/ownVenue';
import { markedJogs } from '../venue/recoveryDistance';
import { repPlaces } from './repPlaces';
import { standingPlace } from './standing';
import { kilometreLoop, laneLengthM, standardTrack, walkS, walkToStart, type Venue } from '../venue/venue';

const legsOf = (text: string, venue: Venue = standardTrack) =>
  targetsFor(read(text), { curve: curveOf5k(1110), paceBook: curveBook, venue });
const loop: OwnVenue = {
  id: 'loop',
  name: 'Mill loop',
  shape: 'lap',
  lengthM: 820,
  marks: [
    { atM: 0, name: 'gate' },
    { atM: 300, name: 'oak' },
    { atM: 610, name: 'bench' },
  ],
};
const road: OwnVenue = {
  ...loop,
  id: 'road',
  name: 'Dyke road',
  shape: 'there-and-back',
  lengthM: 1000,
  marks: [
    { atM: 0, name: 'barn' },
    { atM: 400, name: 'lock' },
    { atM: 1000, name: 'bridge' },
  ],
};

describe('lanes', () => {
  test('a lap in an outer lane starts ahead by what the lane is longer; nothing moves in lane 1', () => {
    const lap = { startM: 0, distanceM: 400 };
    for (const lane of [1, 2, 4, 8])
      expect(laneMarks(standardTrack, lane, lap, [0])[0]?.aheadM).toBeCloseTo(
        laneLengthM(standardTrack, lane) - 400,
        2,
      );
    expect(laneMarks(standardTrack, 3, lap, [400])[0]).toEqual({ atM: 400, placeM: 0, aheadM: 0 });
    // The second bend alone is half of it; the home straight none.
    const [start, bend, straight] = laneMarks(standardTrack, 2, lap, [0, 200, 320]);
    expect(bend?.aheadM).toBeCloseTo((start?.aheadM ?? 0) / 2, 2);
    expect(straight?.aheadM).toBe(0);
  });
  test('a mark never lies behind its place in lane 1, nor ahead of the next', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 0, max: 399 }),
        fc.integer({ min: 100, max: 3000 }),
        fc.integer({ min: 2, max: 8 }),
        (startM, distanceM, lane) => {
          const marks = laneMarks(standardTrack, lane, { startM, distanceM }, [0, distanceM / 2, distanceM]);
          const ahead = marks.map(({ aheadM }) => aheadM);
          expect([...ahead].sort((a, b) => b - a)).toEqual(ahead);
          expect(ahead[2]).toBe(0);
        },
      ),
    );
  });
  test('a venue without lanes has only the inner one', () => {
    expect(() => laneMarks(kilometreLoop, 2, { startM: 0, distanceM: 400 }, [0])).toThrow(/no lane 2/);
  });
});

describe('places of the coach’s own', () => {
  test('a loop with marks, and a way there and back that meets them twice', () => {
    expect(checkVenue(loop)).toEqual([]);
    expect(venueOf(loop)).toMatchObject({ lapM: 820, marks: [{ name: 'gate' }, { name: 'oak' }, { name: 'bench' }] });
    const both = venueOf(road);
    expect(both.lapM).toBe(2000);
    expect(both.marks.map(({ atM, name }) => [atM, name])).toEqual([
      [0, 'barn'],
      [400, 'lock'],
      [1000, 'bridge'],
      [1600, 'lock on the way back'],
    ]);
    expect(venueOf({ ...loop, marks: [{ atM: 300, name: 'oak' }] }).marks[0]).toEqual({ atM: 0, name: 'start' });
  });
  test.each([
    [{ ...loop, marks: [{ atM: 900, name: 'pond' }] }, '“pond” is at 900 m, but the lap is only 820 m long.'],
    [{ ...loop, marks: [{ atM: 820, name: 'gate again' }] }, 'only 820 m long'],
    [{ ...road, marks: [{ atM: 1000.5, name: 'past' }] }, 'the way is only 1000 m long'],
    [{ ...loop, marks: [{ atM: -5, name: 'behind' }] }, '“behind” is at -5 m'],
    [
      {
        ...loop,
        marks: [
          { atM: 5, name: 'a' },
          { atM: 5.5, name: 'b' },
        ],
      },
      '“b” and “a” are at the same place',
    ],
    [
      {
        ...loop,
        marks: [
          { atM: 5, name: 'a' },
          { atM: 50, name: 'a' },
        ],
      },
      'There are two marks called “a”.',
    ],
    [{ ...loop, lengthM: 20 }, 'between 50 m and 20 km'],
    [{ ...loop, lengthM: Number.NaN }, 'between 50 m and 20 km'],
  ])('what is wrong is said', (venue, message) => {
    expect(
      checkVenue(venue)
        .map((problem) => problem.message)
        .join(' '),
    ).toContain(message);
  });
  test('sessions are laid out on them: a lap of 820 m, a road run there and back', () => {
    const [rep] = legsOf('1000 @5k', venueOf(loop));
    expect(rep?.passes?.map(({ atM }) => atM)).toEqual([300, 610, 820, 1000]);
    const [out] = legsOf('1400 @5k', venueOf(road));
    expect(out?.passes?.map(({ atM }) => atM)).toEqual([400, 1000, 1400]);
    expect(out?.finishM).toBe(1400);
  });
  test('on the way there and back the nearest mark is the nearest on the ground', () => {
    const both = venueOf(road);
    // 500 m out on the way back is 1500: the lock is 100 m on.
    expect(walkToStart(both, 1500, 400)).toMatchObject({ byM: 100 });
    expect(walkToStart(both, 350, 400)).toMatchObject({ byM: 50, name: 'lock' });
    expect(walkToStart(both, 1600, 400)).toBeUndefined();
    expect(walkS({ toM: 0, byM: -150, name: '' })).toBe(100);
  });
});

describe('jogs that end on a mark', () => {
  test('the nearest, and the nearest back to the start', () => {
    // 600 from the line ends at 200.
    expect(markedJogs(standardTrack, { startM: 0, distanceM: 600 }, 120)).toEqual([
      { distanceM: 100, name: '300 m start', toM: 300, isSameStart: false },
      { distanceM: 200, name: 'finish line', toM: 0, isSameStart: true },
    ]);
    expect(markedJogs(standardTrack, { startM: 0, distanceM: 600 }, 210)).toHaveLength(1);
  });
  test('the mile has its own start to come back to', () => {
    const startM = 400 - (MILE_M - 1600);
    const jogs = markedJogs(standardTrack, { startM, distanceM: MILE_M }, 400);
    expect(jogs.map(({ distanceM }) => distanceM)).toEqual([400, 390.66]);
    expect(jogs[1]).toMatchObject({ name: 'mile start', isSameStart: true });
  });
  test('wherever a rep ends, the jog ends on a mark', () => {
    fc.assert(
      fc.property(fc.integer({ min: 50, max: 3000 }), fc.integer({ min: 20, max: 1200 }), (distanceM, wantedM) => {
        for (const jog of markedJogs(standardTrack, { startM: 0, distanceM }, wantedM)) {
          const ends = (distanceM + jog.distanceM) % 400;
          expect(
            standardTrack.marks.some(({ atM }) => Math.abs(atM - ends) < 0.01 || Math.abs(atM + 400 - ends) < 0.01),
          ).toBe(true);
          expect(jog.distanceM).toBeGreaterThanOrEqual(20);
        }
      }),
    );
  });
  test('a place without marks has none', () => {
    expect(markedJogs({ ...standardTrack, marks: [], starts: [] }, { startM: 0, distanceM: 600 }, 100)).toEqual([]);
  });
});

describe('where reps start and finish, and where to stand', () => {
  test('reps that are alike as one, walks with whether the recovery allows them', () => {
    const places = repPlaces(
      legsOf('warm: 800 @easy\n3x400 @5k / 60s, 2x350 @5k / 20s walk\nfinish: 200 @mile'),
      standardTrack,
    );
    expect(places.map(({ from, to, start, finish }) => [from, to, start, finish])).toEqual([
      [1, 3, 'the finish line', 'the finish line'],
      [4, 5, 'the finish line', '50 m past the 300 m start'],
      [6, 6, 'the finish line', 'the 200 m start'],
    ]);
    const walk = places.find((place) => place.walk)?.walk;
    expect(walk).toMatchObject({ byM: 50, takesS: 33, hasS: 20 });
  });
  test('in an outer lane the start lies ahead', () => {
    expect(repPlaces(legsOf('2x400 @5k / 60s'), standardTrack, 3)[0]?.aheadM).toBeCloseTo(14.7, 1);
    expect(repPlaces(legsOf('2x400 @5k / 60s'), standardTrack, 3)[0]?.marks).toEqual([
      { atM: 100, aheadM: 8.3 },
      { atM: 200, aheadM: 7.4 },
      { atM: 300, aheadM: 1 },
    ]);
    expect(repPlaces(legsOf('2x400 @5k / 60s'), standardTrack, 1)[0]).not.toHaveProperty('marks');
    expect(repPlaces(legsOf('2x400 @5k / 60s'), standardTrack, 1)[0]?.aheadM).toBeUndefined();
  });
  test('reps without a place on the lap are left out', () => {
    expect(repPlaces(legsOf('3x60s @effort 8 / 60s'), standardTrack)).toEqual([]);
  });
  test('where most finishes are; starts settle it where as many are elsewhere', () => {
    const fours = legsOf('8x400 @5k / 60s');
    const twos = legsOf('3x200 @mile / 200m jog');
    expect(standingPlace(standardTrack, [fours, twos])).toEqual({
      atM: 0,
      name: 'the finish line',
      finishes: 8,
      starts: 11,
      reps: 11,
    });
    expect(standingPlace(standardTrack, [twos])).toMatchObject({ atM: 200, finishes: 3 });
    expect(standingPlace(standardTrack, [legsOf('60s @effort 8')])).toBeUndefined();
    expect(standingPlace(standardTrack, [])).toBeUndefined();
  });
});
