import fc from 'fast-check';
import { fitCurve, timeFor } from './curve';
import type { Mark } from './mark';
import { markWorths, trendOf, type MarkWorth } from './trend';
import { normal } from '../rehearsal/simulate';
import { seeded } from '../units/seeded';
import { daysAfter } from '../units/dayNumber';

const day = (n: number) => daysAfter('2026-06-01', n);
const race = (days: number, distanceM: number, timeS: number, more: Partial<Mark> = {}): Mark => ({
  distanceM,
  timeS,
  date: day(days),
  kind: 'race',
  ...more,
});

describe('what a mark is worth', () => {
  const marks = [race(0, 5000, 1200), race(60, 1500, 325), race(90, 3000, 690, { kind: 'trial' })];
  const curve = fitCurve(marks, { asOf: day(100) });
  const worths = markWorths(curve, 5000, day(0));
  test('over its own distance it is worth its time, over another what the curve’s shape makes of it', () => {
    expect(worths[0]).toMatchObject({ date: day(0), kind: 'race', timeS: 1200 });
    expect(worths[0]?.errorS).toBeCloseTo(1200 * 0.012, 6);
    const ratio = timeFor(curve, 5000) / timeFor(curve, 1500);
    expect(worths[1]?.timeS).toBeCloseTo(325 * ratio, 6);
    // A trial says less than a race.
    expect((worths[2]?.errorS ?? 0) / (worths[2]?.timeS ?? 1)).toBeCloseTo(0.02, 6);
  });
  test('of a session it is what that session says alone; what is left out or of another time is not there', () => {
    const kept = race(50, 5000, 1190, { kind: 'session', alone: { timeS: 1150, sd: 0.05 } });
    const more = [
      ...marks,
      kept,
      race(70, 5000, 1000, { leftOut: true }),
      race(-10, 5000, 1300),
      race(101, 5000, 1000),
    ];
    const found = markWorths(fitCurve(more, { asOf: day(100) }), 5000, day(0));
    expect(found).toHaveLength(4);
    expect(found[1]).toMatchObject({ kind: 'session', timeS: 1150, errorS: 1150 * 0.05 });
  });
});

test('on a course that is known a mark is worth what it would have been on the track', () => {
  const hill = { course: 'cross-country', courseName: 'Mill Hill' } as const;
  const courses = new Map([['cross-country 5000 mill hill', { lnOffset: 0.1, sd: 0.01 }]]);
  const marks = [race(0, 5000, 1200), race(60, 5000, 1200 * Math.exp(0.1), hill)];
  const knownWorths = markWorths(fitCurve(marks, { asOf: day(200), courses }), 5000, day(0));
  expect(knownWorths[1]?.timeS).toBeCloseTo(1200, 3);
  expect((knownWorths[1]?.errorS ?? 0) / (knownWorths[1]?.timeS ?? 1)).toBeCloseTo(Math.hypot(0.012, 0.01), 6);
});

const worth = (days: number, timeS: number, share = 0.012): MarkWorth => ({
  date: day(days),
  kind: 'race',
  timeS,
  errorS: timeS * share,
});

describe('how fast somebody comes along', () => {
  test('by hand: half a percent a week over ten weeks', () => {
    const exact = [0, 35, 70].map((days) => worth(days, 1200 * Math.exp((-0.005 * days) / 7)));
    const { perWeek, errorPerWeek, marks } = trendOf(exact) ?? {};
    expect(perWeek).toBeCloseTo(0.005, 9);
    // Weeks 0, 5 and 10 about their middle: 50 weeks squared.
    expect(errorPerWeek).toBeCloseTo(0.012 / Math.sqrt(50), 9);
    expect(marks).toBe(3);
  });
  test('marks that lie about more than they should make it less sure; an unsure mark counts for little', () => {
    const calm = trendOf([worth(0, 1200), worth(35, 1200), worth(70, 1200)]);
    const wild = trendOf([worth(0, 1200), worth(35, 1100), worth(70, 1200)]);
    expect(wild?.errorPerWeek ?? 0).toBeGreaterThan((calm?.errorPerWeek ?? 0) * 3);
    const off = trendOf([worth(0, 1200), worth(35, 1200), worth(70, 1000, 0.5), worth(70, 1200)]);
    expect(Math.abs(off?.perWeek ?? 1)).toBeLessThan(0.001);
  });
  test('one that does not fit the others does not count', () => {
    const steady = [worth(0, 1200), worth(35, 1200), worth(70, 1200)];
    expect(trendOf([...steady, { ...worth(80, 1500), outlier: true }])).toEqual(trendOf(steady));
  });
  test('too few marks, or too little of a season, say nothing', () => {
    expect(trendOf([])).toBeUndefined();
    expect(trendOf([worth(0, 1200), worth(90, 1150)])).toBeUndefined();
    expect(trendOf([worth(0, 1200), worth(7, 1190), worth(14, 1180), worth(14, 1185)])).toBeUndefined();
  });
  test('the truth lies within one error in about two of three seasons', () => {
    const random = seeded(3);
    let inside = 0;
    const n = 400;
    for (let i = 0; i < n; i++) {
      const marks = [0, 20, 40, 60, 80].map((days) =>
        worth(days, 1200 * Math.exp((-0.002 * days) / 7 + normal(random, 0.012))),
      );
      const { perWeek = 0, errorPerWeek = 0 } = trendOf(marks) ?? {};
      if (Math.abs(perWeek - 0.002) <= errorPerWeek) inside++;
    }
    expect(inside / n).toBeGreaterThan(0.6);
    expect(inside / n).toBeLessThan(0.85);
  });
  test('it never depends on the order, and is always a number', () => {
    fc.assert(
      fc.property(
        fc.array(fc.tuple(fc.integer({ min: 0, max: 300 }), fc.double({ min: 100, max: 4000, noNaN: true })), {
          minLength: 3,
          maxLength: 8,
        }),
        (drawn) => {
          const marks = drawn.map(([days, timeS]) => worth(days, timeS));
          const there = trendOf(marks);
          const back = trendOf([...marks].reverse());
          expect(there === undefined).toBe(back === undefined);
          if (!there || !back) return;
          expect(there.perWeek).toBeCloseTo(back.perWeek, 9);
          expect(there.errorPerWeek).toBeGreaterThan(0);
        },
      ),
    );
  });
});
