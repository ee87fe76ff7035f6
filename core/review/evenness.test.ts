import fc from 'fast-check';
import { evennessOf, type TimedRep } from './evenness';

const reps = (times: number[], targetS?: number, source: TimedRep['source'] = 'chip'): TimedRep[] =>
  times.map((timeS) => ({ timeS, source, ...(targetS === undefined ? {} : { targetS }) }));

test('by example: five 400s against 80 s', () => {
  const read = evennessOf(reps([79, 80, 80.5, 81, 82], 80));
  expect(read.meanPercent).toBeCloseTo(0.625, 6);
  // Least squares by hand: deltas −1, 0, 0.5, 1, 2 s rise by 0.7 s a rep.
  expect(read.fadePercent).toBeCloseTo((0.7 * 4 * 100) / 80, 6);
  expect(read.isFadeSure).toBe(true);
  expect(read.firstPercent).toBeCloseTo((-1 - 0.5) / 0.8, 6);
  expect(read.lastPercent).toBeCloseTo((2 - 0.5) / 0.8, 6);
  const sd = Math.sqrt([-1.5, -0.5, 0, 0.5, 1.5].reduce((sum, d) => sum + d * d, 0) / 4) / 0.8;
  expect(read.evennessPercent).toBeCloseTo(Math.sqrt(sd ** 2 - (3 / 80.5) ** 2), 3);
});

test('without targets it is about the mean, of unlike distances about the pace; nothing is said of early or late', () => {
  const read = evennessOf([
    { timeS: 80, distanceM: 400, source: 'chip' },
    { timeS: 122, distanceM: 600, source: 'chip' },
    { timeS: 160, distanceM: 800, source: 'chip' },
  ]);
  expect(read).not.toHaveProperty('meanPercent');
  expect(read.firstPercent).toBeCloseTo(read.lastPercent ?? 0, 9);
});

test('by thumb, short reps that differ by less than two taps may are too short to tell', () => {
  expect(evennessOf(reps([15, 15.2, 14.9, 15.1], 15, 'thumb'))).toMatchObject({ isTooShort: true });
  expect(evennessOf(reps([15, 15.2, 14.9, 15.1], 15, 'thumb'))).not.toHaveProperty('evennessPercent');
  expect(evennessOf(reps([15, 15.2, 14.9, 15.1], 15, 'chip')).evennessPercent).toBeGreaterThan(0.5);
});

test('whole seconds that were typed are trusted less than tenths', () => {
  const whole = evennessOf(reps([80, 81, 80, 81], 80, 'typed')).evennessPercent ?? 0;
  const tenths = evennessOf(reps([80, 81, 80, 81.1], 80, 'typed')).evennessPercent ?? 0;
  expect(whole).toBeLessThan(tenths);
});

test('none, one and two reps say as much as they can', () => {
  expect(evennessOf([])).toEqual({});
  expect(evennessOf(reps([82], 80))).toEqual({ meanPercent: expect.closeTo(2.5, 6) });
  expect(evennessOf(reps([82, 78], 80))).not.toHaveProperty('fadePercent');
});

const someTimes = fc.array(fc.double({ min: 60, max: 100, noNaN: true }), { minLength: 3, maxLength: 30 });

test('any reps: the order matters to the fade alone, which turns round with it; the mean is between the extremes', () => {
  fc.assert(
    fc.property(someTimes, (times) => {
      const [read, back] = [evennessOf(reps(times, 80)), evennessOf(reps([...times].reverse(), 80))];
      expect(back.fadePercent).toBeCloseTo(-(read.fadePercent ?? 0), 6);
      expect(back.meanPercent).toBeCloseTo(read.meanPercent ?? 0, 6);
      expect(back.evennessPercent ?? -1).toBeCloseTo(read.evennessPercent ?? -1, 6);
      expect(read.meanPercent).toBeGreaterThanOrEqual((Math.min(...times) / 80 - 1) * 100 - 1e-9);
      expect(read.meanPercent).toBeLessThanOrEqual((Math.max(...times) / 80 - 1) * 100 + 1e-9);
    }),
  );
});

test('any reps: in percent it is the same for a runner half as fast', () => {
  fc.assert(
    fc.property(someTimes, (times) => {
      const fast = evennessOf(reps(times, 80));
      const slow = evennessOf(
        reps(
          times.map((timeS) => timeS * 2),
          160,
        ),
      );
      for (const key of ['meanPercent', 'fadePercent', 'fadeErrorPercent', 'firstPercent', 'lastPercent'] as const)
        expect(slow[key]).toBeCloseTo(fast[key] ?? 0, 6);
    }),
  );
});

test('reps that only chance makes uneven are said to fade in about one session of twenty', () => {
  let seed = 11;
  const random = () => (seed = (seed * 48_271) % 2_147_483_647) / 2_147_483_647;
  const normal = () => Math.sqrt(-2 * Math.log(1 - random())) * Math.cos(2 * Math.PI * random());
  const sessions = Array.from({ length: 2000 }, () =>
    reps(
      Array.from({ length: 8 }, () => 80 + normal()),
      80,
    ),
  );
  const share = sessions.filter((reps) => evennessOf(reps).isFadeSure).length / sessions.length;
  expect(share).toBeGreaterThan(0.035);
  expect(share).toBeLessThan(0.065);
});
