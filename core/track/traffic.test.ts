import fc from 'fast-check';
import { curveOf5k } from '../planning/testing';
import { curveBook } from '../paces/shippedPaceBooks';
import { read } from '../session/testing';
import { targetsFor } from '../targets/targetsFor';
import { busySpans, clockAt, mainStartS } from './busy';
import { solveStartGaps } from './startGaps';
import { clashCount, clashesOf, crossings, groupTraffic, repsInBusyTime, type GroupTraffic } from './traffic';
import { indoorTrack, standardTrack } from '../venue/venue';

const legsOf = (text: string, timeS = 1110) =>
  targetsFor(read(text), { curve: curveOf5k(timeS), paceBook: curveBook, venue: standardTrack });
const trafficOf = (id: string, text: string, timeS = 1110, offsets: readonly number[] = [0]) => {
  const legs = legsOf(text, timeS);
  return groupTraffic({ id, legs, offsetsS: legs.map(() => offsets) }, standardTrack);
};

describe('a group’s way through the session', () => {
  const { legs, arrivals, endS } = trafficOf(
    'a',
    'warm: 1600 @easy\n3x600 @74/400 / 90s walk\ncool: 800 @easy',
    1110,
    [-1, 2],
  );
  test('from the first start to the last finish, without warm-up and cool-down', () => {
    expect(legs.map(({ kind }) => kind)).toEqual(['rep', 'resting', 'rep', 'resting', 'rep']);
    expect(endS).toBeCloseTo(3 * 111 + 2 * 90, 6);
    expect(arrivals.map(({ firstS, lastS, atM }) => [firstS, lastS, atM])).toEqual(
      [
        [110, 113, 200],
        [311, 314, 0],
        [512, 515, 200],
      ].map((row) => row.map((value) => expect.closeTo(value, 6))),
    );
  });
  test('it crosses a mark each time it comes to it: 600s from the line pass it after 400', () => {
    const group = trafficOf('a', '2x600 @74/400 / 90s walk');
    expect(crossings(group, standardTrack, 0)).toEqual([74, 238, 312].map((s) => expect.closeTo(s, 6)));
    expect(crossings(group, standardTrack, 100)).toEqual([18.5, 92.5, 256.5].map((s) => expect.closeTo(s, 6)));
  });
  test('jogs move it on, a walk takes it to the next start', () => {
    const jog = trafficOf('a', '2x300 @75/400 / 100m jog');
    expect(jog.legs.map(({ fromM, toM }) => [fromM, toM])).toEqual([
      [0, 300],
      [300, 400],
      [400, 700],
    ]);
    const walk = trafficOf('a', '2x350 @75/400 / 60s walk');
    expect(walk.legs[1]?.toM).toBe(400);
    expect(walk.legs[2]?.fromM).toBe(400);
  });
  test('by effort it is a guess, and nothing is lost', () => {
    expect(trafficOf('a', '3x300 @effort 8 / 60s').arrivals).toHaveLength(3);
    expect(trafficOf('a', 'warm: 800 @easy').arrivals).toEqual([]);
  });
});

describe('clashes', () => {
  const a = trafficOf('a', '4x400 @80/400 / 60s', 1110, [0]);
  const b = trafficOf('b', '4x400 @82/400 / 60s', 1110, [0]);
  test('finishes nearer together than the window, whoever starts first', () => {
    // 80 and 82, then 220 and 224, 360 and 366 …
    expect(clashesOf([a, b], {}, 3).map(({ groups }) => groups)).toEqual([
      [
        ['a', 1],
        ['b', 1],
      ],
    ]);
    expect(clashCount(a, b, 0, 3)).toBe(1);
    expect(clashCount(a, b, 0, 4.5)).toBe(2);
    expect(clashCount(a, b, -4, 3)).toBe(clashCount(b, a, 4, 3));
    expect(clashesOf([a, b], { b: 30 }, 3)).toEqual([]);
    expect(clashesOf([a, b], { a: 30, b: 30 }, 3)).toHaveLength(1);
  });
  test('a group as spread as it comes in', () => {
    const wide = trafficOf('w', '400 @80/400', 1110, [-6, 6]);
    const late = trafficOf('l', '400 @88/400', 1110, [0]);
    expect(clashesOf([wide, late], {}, 3)).toMatchObject([
      { fromS: expect.closeTo(74, 6), toS: expect.closeTo(88, 6), athletes: 3 },
    ]);
    expect(clashCount(wide, late, 2, 3)).toBe(0);
  });
  test('more athletes of one group than a hand can take, at once', () => {
    const crowd = trafficOf('c', '2x400 @80/400 / 60s', 1110, [0, 0.2, 0.4, 0.6, 0.8, 1, 1.2]);
    expect(clashesOf([crowd], {}, 3).map(({ kind, athletes }) => [kind, athletes])).toEqual([
      ['crowd', 7],
      ['crowd', 7],
    ]);
    expect(clashesOf([crowd], {}, 1)).toEqual([]);
  });
});

describe('start gaps', () => {
  /** The cost as it is defined, counted by hand. */
  const costOf = (groups: readonly GroupTraffic[], gapsS: readonly number[], windowS: number) => {
    let clashes = 0;
    for (let i = 0; i < groups.length; i++)
      for (let j = i + 1; j < groups.length; j++)
        for (const arrival of groups[i]?.arrivals ?? [])
          for (const other of groups[j]?.arrivals ?? []) {
            const [x, y] = [gapsS[i] ?? 0, gapsS[j] ?? 0];
            if (arrival.firstS + x - (other.lastS + y) < windowS && other.firstS + y - (arrival.lastS + x) < windowS)
              clashes++;
          }
    return { clashes, waitingS: groups.reduce((sum, { athletes }, i) => sum + athletes * (gapsS[i] ?? 0), 0) };
  };
  const bruteForce = (groups: readonly GroupTraffic[], windowS: number, stepS: number, mostS: number) => {
    let best = { clashes: Infinity, waitingS: Infinity };
    const go = (gapsS: number[]): void => {
      if (gapsS.length === groups.length) {
        const cost = costOf(groups, gapsS, windowS);
        if (cost.clashes < best.clashes || (cost.clashes === best.clashes && cost.waitingS < best.waitingS))
          best = cost;
        return;
      }
      for (let gapS = 0; gapS <= mostS; gapS += stepS) go([...gapsS, gapS]);
    };
    go([]);
    return best;
  };
  const group = fc.record({
    per400: fc.integer({ min: 66, max: 110 }),
    reps: fc.integer({ min: 1, max: 6 }),
    restS: fc.integer({ min: 20, max: 120 }),
    athletes: fc.integer({ min: 1, max: 4 }),
  });
  test('as good as trying every way there is, on small cases', () => {
    fc.assert(
      fc.property(fc.array(group, { minLength: 2, maxLength: 4 }), fc.integer({ min: 1, max: 8 }), (list, windowS) => {
        const groups = list.map(({ per400, reps, restS, athletes }, i) =>
          trafficOf(
            `g${i}`,
            `${reps}x400 @${per400}/400 / ${restS}s`,
            1110,
            Array.from({ length: athletes }, (_, k) => k * 0.8),
          ),
        );
        const { gaps, cost, isExact } = solveStartGaps(groups, { windowS, stepS: 10, mostS: 60 });
        expect(isExact).toBe(true);
        expect(cost).toEqual(bruteForce(groups, windowS, 10, 60));
        expect(
          costOf(
            groups,
            groups.map(({ id }) => gaps[id] ?? 0),
            windowS,
          ),
        ).toEqual(cost);
      }),
      { numRuns: 25 },
    );
  });
  test('with more than six groups it still clears what can be cleared, and says that it is not exact', () => {
    const groups = Array.from({ length: 8 }, (_, i) => trafficOf(`g${i}`, '3x400 @80/400 / 4:00', 1110, [0, 1]));
    expect(clashesOf(groups, {}, 3)).toHaveLength(84);
    const { gaps, cost, isExact } = solveStartGaps(groups, { windowS: 3 });
    expect([isExact, cost.clashes]).toEqual([false, 0]);
    expect(clashesOf(groups, gaps, 3)).toEqual([]);
  });
  test('nobody waits where nothing clashes; one group alone starts at once', () => {
    const groups = [trafficOf('a', '400 @70/400'), trafficOf('b', '400 @90/400')];
    expect(solveStartGaps(groups, { windowS: 3 })).toMatchObject({
      gaps: { a: 0, b: 0 },
      cost: { clashes: 0, waitingS: 0 },
    });
    expect(solveStartGaps(groups.slice(0, 1), { windowS: 3 }).gaps).toEqual({ a: 0 });
    expect(solveStartGaps([], { windowS: 3 }).gaps).toEqual({});
  });
  test('all start later where the track is someone else’s at first', () => {
    const groups = [trafficOf('a', '400 @70/400'), trafficOf('b', '400 @90/400')];
    const busy = [{ fromS: -60, toS: 22 }];
    expect(repsInBusyTime(groups[0] as GroupTraffic, 0, busy)).toBe(1);
    expect(solveStartGaps(groups, { windowS: 3, busy })).toMatchObject({
      gaps: { a: 25, b: 25 },
      cost: { clashes: 0 },
    });
  });
});

describe('the clock', () => {
  test('busy times of day are seconds from the first start of the main part', () => {
    const legs = legsOf('warm: 10min @easy, drills\nmain: 4x400 @5k / 60s');
    expect(mainStartS(legs)).toBe(900);
    expect(busySpans([{ from: '18:00', to: '18:10' }], '17:45', 900)).toEqual([{ fromS: 0, toS: 600 }]);
    expect([clockAt('17:45', 900), clockAt('23:50', 1200), clockAt('08:05', 59)]).toEqual(['18:00', '00:10', '08:05']);
  });
  test('on a lap of 200 m each rep of 400 crosses the line twice', () => {
    const legs = targetsFor(read('400 @80/400'), { curve: curveOf5k(1110), paceBook: curveBook, venue: indoorTrack });
    const group = groupTraffic({ id: 'a', legs, offsetsS: [] }, indoorTrack);
    expect(crossings(group, indoorTrack, 0)).toEqual([40, 80].map((s) => expect.closeTo(s, 6)));
  });
});
