import fc from 'fast-check';
import { lapSplits, openingFor, RACE_SHAPES, readRace, thirdSplits, warmUpFor } from './raceDay';

test('the warm-up counts back from the gun, over midnight too; the second one of a day is shorter', () => {
  expect(warmUpFor('14:30').map(({ at }) => at)).toEqual(['13:40', '13:55', '14:05', '14:18', '14:24']);
  expect(warmUpFor('00:20')[0]?.at).toBe('23:30');
  expect(warmUpFor('16:00', true).map(({ at }) => at)).toEqual(['15:30', '15:40', '15:48', '15:55']);
});

test('splits are at the finish line: the first lap of 1500 m is 300, of 5000 m 200', () => {
  const marks = (distanceM: number) => lapSplits({ distanceM, goalS: 300, shape: 'even' }).map(({ atM }) => atM);
  expect(marks(1500)).toEqual([300, 700, 1100, 1500]);
  expect(marks(800)).toEqual([400, 800]);
  expect(marks(5000).slice(0, 2)).toEqual([200, 600]);
  expect(marks(300)).toEqual([300]);
});

test('every shape ends at the goal and never stands still; the faster one is ahead only in the second half', () => {
  fc.assert(
    fc.property(
      fc.integer({ min: 400, max: 42_195 }),
      fc.double({ min: 100, max: 12_000, noNaN: true }),
      fc.constantFrom(...RACE_SHAPES),
      (distanceM, goalS, shape) => {
        for (const splits of [lapSplits({ distanceM, goalS, shape }), thirdSplits({ distanceM, goalS, shape })]) {
          expect(splits.at(-1)?.timeS).toBeCloseTo(goalS, 6);
          expect(splits.every(({ splitS }) => splitS > 0)).toBe(true);
        }
      },
    ),
  );
  const faster = thirdSplits({ distanceM: 3000, goalS: 600, shape: 'faster' }).map(({ splitS }) => splitS);
  expect(faster[0]).toBeGreaterThan(200);
  expect(faster[2]).toBeLessThan(200);
});

test('the opening is the goal’s, unless that is still far off', () => {
  expect(openingFor({ distanceM: 5000, goalS: 1000, nowS: 1010 })).toEqual({ pace400S: 80, from: 'goal' });
  expect(openingFor({ distanceM: 5000, goalS: 1000, nowS: 1050 })).toEqual({ pace400S: 84, from: 'now' });
  expect(openingFor({ distanceM: 5000, nowS: 1050 })?.from).toBe('now');
  expect(openingFor({ distanceM: 5000 })).toBeUndefined();
});

describe('a race is read by thirds', () => {
  const aim = { distanceM: 3000, goalS: 600, shape: 'even' as const };
  const read = (...km: number[]) => {
    let timeS = 0;
    return readRace(
      aim,
      km.map((splitS, i) => ({ atM: (i + 1) * 1000, timeS: (timeS += splitS) })),
    );
  };
  test.each([
    [[200, 200, 200], 'even from start to finish'],
    // Slow all the way is still even: the goal was another one.
    [[210, 210, 210], 'even from start to finish'],
    [[190, 200, 212], 'first km 5 % fast, and paid for it in the last third'],
    // A fast last stretch does not hide it.
    [[192, 207, 201], 'opened too fast, first km 4 % fast, and paid for it in the middle'],
    [[199, 207, 199], 'lost in the middle'],
    [[199, 199, 206], 'slower in the last third'],
    [[203, 203, 195], 'something left'],
  ])('%j: %s', (km, message) => expect(read(...km)?.text).toContain(message));
  test('who opened too fast is told what to open in, and is not sent to work on stamina', () => {
    const splits = [
      { atM: 1000, timeS: 192 },
      { atM: 2000, timeS: 399 },
      { atM: 2700, timeS: 545 },
      { atM: 3000, timeS: 600 },
    ];
    const found = readRace(aim, splits);
    expect(found?.workOn).toMatch(/^Opening in 3:20 over the first km next time/);
    expect(found?.workOn).not.toMatch(/[Ss]tamina/);
  });
  test('against the plan', () =>
    expect(read(190, 200, 212)?.thirds.map(({ percent }) => Math.round(percent))).toEqual([-5, 0, 6]));
  test('not where they do not reach the finish, or go back', () => {
    expect(readRace(aim, [{ atM: 1000, timeS: 200 }])).toBeUndefined();
    expect(
      readRace(aim, [
        { atM: 2000, timeS: 200 },
        { atM: 3000, timeS: 190 },
      ]),
    ).toBeUndefined();
    expect(readRace(aim, [])).toBeUndefined();
  });
});
