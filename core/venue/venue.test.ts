import { crossedMarks, laneLengthM, onLap, standardTrack, type Venue } from './venue';

test('lane lengths of the standard track', () => {
  const lengths = [1, 2, 3, 4, 5, 6, 7, 8].map((lane) => laneLengthM(standardTrack, lane));
  expect(lengths).toEqual([400, 407.04, 414.7, 422.37, 430.03, 437.7, 445.37, 453.03].map((m) => expect.closeTo(m, 1)));
});

test('a lane that is not there is refused', () => {
  for (const lane of [0, 9, 1.5]) expect(() => laneLengthM(standardTrack, lane)).toThrow(/no lane/);
  const { lanes: _lanes, ...loop }: Venue = { ...standardTrack, lapM: 730 };
  expect(laneLengthM(loop, 1)).toBe(730);
  expect(() => laneLengthM(loop, 2)).toThrow(RangeError);
});

test('marks crossed, from any start', () => {
  expect(crossedMarks(standardTrack, 0, 600, 200)).toEqual([200, 400, 600]);
  expect(crossedMarks(standardTrack, 200, 600, 200)).toEqual([200, 400, 600]);
  expect(crossedMarks(standardTrack, 350, 300)).toEqual([50, 150, 250, 300]);
  expect(crossedMarks(standardTrack, 0, 60)).toEqual([60]);
});

test('positions are brought onto the lap', () => {
  expect(onLap(standardTrack, 850)).toBe(50);
  expect(onLap(standardTrack, -10)).toBe(390);
  expect(onLap(standardTrack, 400 - 1e-9)).toBe(0);
});
