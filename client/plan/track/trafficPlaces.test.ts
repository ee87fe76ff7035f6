import { standardTrack } from '@core/venue/venue';
import type { GroupTraffic } from '@core/track/traffic';
import { letterOf, strokesOf } from './trafficPlaces';
import { clashText, jogText, laneText, placesText, standingText, walkText } from './trackText';

const same = (value: number) => value;
const group = (legs: GroupTraffic['legs']): GroupTraffic => ({ id: 'a', legs, arrivals: [], athletes: 1, endS: 0 });
const points = (legs: GroupTraffic['legs'], gapS = 0) =>
  strokesOf(group(legs), standardTrack, gapS, same, same).map((stroke) => stroke.points);

test('a rep that crosses the line goes on from the other edge, later by its start gap', () => {
  const rep = { legIndex: 0, kind: 'rep' as const, fromS: 0, toS: 90, fromM: 200, toM: 800 };
  expect(points([rep], 10)).toEqual([
    [
      [10, 200],
      [40, 400],
    ],
    [
      [40, 0],
      [100, 400],
    ],
  ]);
});
test('a rest stays where it is; a walk back goes back, over the line as well', () => {
  expect(points([{ legIndex: 0, kind: 'resting', fromS: 10, toS: 70, fromM: 600, toM: 600 }])).toEqual([
    [
      [10, 200],
      [70, 200],
    ],
  ]);
  expect(points([{ legIndex: 0, kind: 'resting', fromS: 0, toS: 60, fromM: 430, toM: 370 }])).toEqual([
    [
      [0, 30],
      [30, 0],
    ],
    [
      [30, 400],
      [60, 370],
    ],
  ]);
});
test('groups are told apart by a letter', () => expect([0, 1, 25, 26].map(letterOf)).toEqual(['A', 'B', 'Z', 'A']));

test('what is said of places', () => {
  const places = { from: 1, to: 3, what: '600', startM: 0, start: 'the finish line', finish: 'the 200 m start' };
  expect(placesText(places)).toBe('Reps 1 to 3, 600: from the finish line, to the 200 m start');
  expect(placesText({ ...places, to: 1, aheadM: 7.04 })).toBe(
    'Rep 1, 600: from the finish line, in that lane 7.0 m ahead of it, to the 200 m start',
  );
  expect(laneText(places)).toBeUndefined();
  expect(
    laneText({
      ...places,
      marks: [
        { atM: 100, aheadM: 5.3 },
        { atM: 200, aheadM: 3.52 },
      ],
    }),
  ).toBe('The marks in that lane: 100 lies 5.3 m further on, 200 3.5 m.');
  expect(walkText(places)).toBeUndefined();
  expect(walkText({ ...places, walk: { byM: -50, takesS: 33, hasS: 60, name: 'gate' } })).toBe(
    'Then 50 m back to the gate, about 33 s of 60 s.',
  );
  expect(walkText({ ...places, walk: { byM: 90, takesS: 60, hasS: 45, name: 'gate' } })).toBe(
    'Then 90 m on to the gate, about 60 s: the recovery of 45 s is too short for it.',
  );
  expect(standingText({ atM: 0, name: 'the finish line', finishes: 8, starts: 11, reps: 11 })).toBe(
    'Stand at the finish line: 8 of 11 finishes and 11 of 11 starts are there.',
  );
  expect(jogText({ distanceM: 199.6, name: 'finish line', toM: 0, isSameStart: true })).toBe(
    'Jog 200 m: to the finish line, where the rep began',
  );
  const clash = {
    kind: 'groups' as const,
    fromS: 572,
    toS: 580,
    groups: [
      ['a', 4],
      ['b', 3],
    ] as [string, number][],
    athletes: 5,
  };
  expect(clashText(clash, (id) => (id === 'a' ? 'Milers' : 'Young ones'))).toBe(
    '9:32: Milers, rep 4 and Young ones, rep 3',
  );
  expect(clashText({ ...clash, kind: 'crowd', groups: [['a', 4]], athletes: 8 }, () => 'Milers')).toBe(
    '9:32: Milers, rep 4, 8 at once',
  );
});
