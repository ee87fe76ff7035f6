import { pastedCells } from './pasted';
import { matchLaps, readWatchLaps } from './watchLaps';

const lapsIn = (text: string) => {
  const read = readWatchLaps(new TextEncoder().encode(text));
  return read.ok ? read.laps : read.message;
};

test('laps with headings, a running total beside them, and a last row that is the sum', () => {
  const text =
    'Lap,Total Time,Lap Time,Distance (km)\n1,1:28.4,1:28.4,0.40\n2,2:43.9,1:15.5,0.12\n3,4:11.9,1:28.0,0.4\nTotal,4:11.9,4:11.9,0.92';
  expect(lapsIn(text)).toEqual([
    { timeS: 88.4, distanceM: 400 },
    { timeS: 75.5, distanceM: 120 },
    { timeS: 88, distanceM: 400 },
  ]);
});

test('semicolons and decimal commas, metres, or nothing but times', () => {
  expect(lapsIn('Nr;Zeit;Distanz m\n1;1:28,4;400\n2;75,5;110')).toEqual([
    { timeS: 88.4, distanceM: 400 },
    { timeS: 75.5, distanceM: 110 },
  ]);
  expect(lapsIn('1:28.4\n1:15\n1:29')).toEqual([{ timeS: 88.4 }, { timeS: 75 }, { timeS: 89 }]);
});

test('what is no list of laps says so', () => {
  expect(lapsIn('')).toMatch(/empty.*No lap was taken/);
  expect(lapsIn('name,club\nAda,Harriers')).toMatch(/No lap times/);
  expect(lapsIn('\u0000\u0001binary')).toMatch(/not a text file/);
});

test('laps are matched to reps in order; recoveries and a lap pressed too often are left over', () => {
  const reps = Array.from({ length: 3 }, () => ({ distanceM: 400, targetS: 88 }));
  const times = (laps: number[]) =>
    matchLaps(
      laps.map((timeS) => ({ timeS })),
      reps,
    ).map((lap) => lap?.timeS);
  expect(times([600, 87.2, 60, 88.9, 61, 90.1, 300])).toEqual([87.2, 88.9, 90.1]);
  expect(times([87.2, 2, 60, 88.9])).toEqual([87.2, 88.9, undefined]);
  expect(matchLaps([{ timeS: 88 }, { timeS: 89 }], [...reps, ...reps]).map((lap) => lap?.timeS)).toEqual([
    88,
    89,
    ...Array<undefined>(4).fill(undefined),
  ]);
  expect(times([])).toEqual([undefined, undefined, undefined]);
  const withMetres = [
    { timeS: 88, distanceM: 400 },
    { timeS: 90, distanceM: 150 },
    { timeS: 95, distanceM: 401 },
  ];
  expect(matchLaps(withMetres, reps.slice(1)).map((lap) => lap?.timeS)).toEqual([88, 95]);
});

test('cells from a spreadsheet', () => {
  expect(pastedCells('1:28.4\t88\r\n91\t\r\n')).toEqual([
    ['1:28.4', '88'],
    ['91', ''],
  ]);
  expect(pastedCells('1:28,4')).toEqual([['1:28,4']]);
  expect(pastedCells('a;b\nc;d')).toEqual([
    ['a', 'b'],
    ['c', 'd'],
  ]);
});

test('of equally good ways the first laps are the first reps, whatever the target', () => {
  const laps = [
    { timeS: 400, distanceM: 1600 },
    { timeS: 81.5, distanceM: 400 },
    { timeS: 75, distanceM: 190 },
    { timeS: 82, distanceM: 400 },
  ];
  for (let targetS = 70; targetS < 95; targetS += 0.1) {
    const reps = Array.from({ length: 12 }, () => ({ distanceM: 400, targetS }));
    expect(matchLaps(laps, reps).map((lap) => lap?.timeS)).toEqual([81.5, 82, ...Array<undefined>(10).fill(undefined)]);
  }
});
