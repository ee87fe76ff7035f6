/** Whatever number comes in: a figure that is one, or a RangeError; never NaN. */
import fc from 'fast-check';
import {
  CurveError,
  curveMovedTo,
  errorShareFor,
  fitCurve,
  heldFor,
  speedFor,
  timeFor,
  type Curve,
} from '../fitness/curve';
import { trendOf } from '../fitness/trend';
import { creepingEffort } from '../judgement/creeping';
import { calibrate } from '../outlook/calibration';
import { effortAdded, feltOn, slowedBy } from '../review/heatCost';
import { goalReach } from '../squad/goalReach';
import { daysAfter } from '../units/dayNumber';
import { venueOf } from '../venue/ownVenue';
import { longRunsBack } from './comingBack';
import { layOutSeason } from './layout/layOut';
import type { SeasonPlan } from './season';
import { seasonFrom } from './templates/seasonFrom';
import { seasonTemplates, type SeasonTemplate } from './templates/templates';

const DAY = '2026-11-01';
const anyNumber = fc.oneof(
  fc.constantFrom(Number.NaN, Infinity, -Infinity, 0, -0, -1, 1e-300, 1e300),
  fc.double({ min: -1e4, max: 1e4 }),
);
const anyDate = fc.constantFrom('', 'soon', '2026-02-30', '2026-13-01', DAY, '9999-12-31');
const mark = (distanceM: number, timeS: number, date = DAY) => ({ distanceM, timeS, date, kind: 'race' as const });
const curve = fitCurve([mark(800, 140), mark(5000, 1140)], { asOf: DAY });

/** Every number in an answer. */
function numbersIn(value: unknown): number[] {
  if (typeof value === 'number') return [value];
  if (typeof value !== 'object' || value === null) return [];
  return Object.values(value).flatMap(numbersIn);
}
/** Refused with a sentence, or all that comes back are numbers. */
function expectNumbers(work: () => unknown): void {
  let found: unknown;
  try {
    found = work();
  } catch (error) {
    if (error instanceof CurveError) return;
    expect(error).toBeInstanceOf(RangeError);
    expect((error as Error).message).toMatch(/\.$/);
    return;
  }
  expect(numbersIn(found).filter(Number.isNaN)).toEqual([]);
}

const plan: SeasonPlan = seasonFrom(seasonTemplates[0] as SeasonTemplate, {
  firstDay: '2026-09-07',
  races: [{ date: daysAfter('2026-09-07', 83), name: 'Harbour', weight: 'A' }],
});

type Door = [name: string, work: (a: number, b: number, date: string) => unknown];
const DOORS: Door[] = [
  ['time for a distance', (a) => timeFor(curve, a)],
  ['speed for a time', (a) => speedFor(curve, a)],
  ['how long a speed is held', (a) => heldFor(curve, a)],
  ['error over a distance', (a) => errorShareFor(curve, a)],
  ['a curve moved', (a, b) => curveMovedTo<Curve>(curve, a, b).parameters],
  ['marks', (a, b, date) => timeFor(fitCurve([mark(a, b, date), mark(5000, 1140)], { asOf: DAY }), 1500)],
  ['the day of a fit', (_, __, date) => timeFor(fitCurve([mark(5000, 1140)], { asOf: date }), 1500)],
  [
    'a trend',
    (a, b) =>
      trendOf(
        [0, 20, 40, 60].map((days) => ({ date: daysAfter(DAY, days), kind: 'race' as const, timeS: a, errorS: b })),
      ),
  ],
  [
    'a goal',
    (a, b, date) =>
      goalReach(
        { timeS: a, errorS: 10 },
        { perWeek: 0.001, errorPerWeek: 0.001, marks: 4 },
        { distanceM: 5000, timeS: b, date },
        DAY,
      ),
  ],
  [
    'how effort is told',
    (a, b) =>
      calibrate([
        { predicted: a, reported: b, ageDays: 50 },
        { predicted: 7, reported: 8, ageDays: a },
      ]),
  ],
  [
    'creeping effort',
    (a) =>
      creepingEffort(
        Array.from({ length: 11 }, (_, i) => ({ date: daysAfter(DAY, -7 * i), above: i === 3 ? a : 0 })),
        DAY,
      ),
  ],
  [
    'heat',
    (a, b) => [slowedBy(feltOn({ temperatureC: a, humidityPct: 50 }), b), effortAdded(feltOn({ temperatureC: a }))],
  ],
  ['a lap', (a) => venueOf({ id: 'v', name: 'The lane', shape: 'lap', lengthM: a, marks: [] })],
  [
    'a taper',
    (a) => layOutSeason({ ...plan, taperDays: a, races: plan.races.map((race) => ({ ...race, taperDays: a })) }),
  ],
  [
    'a phase',
    (a, b) => layOutSeason({ ...plan, phases: plan.phases.map((phase) => ({ ...phase, weeks: a, most: b })) }),
  ],
  [
    'a long run',
    (a, b) =>
      layOutSeason({ ...plan, longRun: { unit: 'km', from: a, step: b, most: 20, easierEvery: a, lastDays: 14 } }),
  ],
  ['first and other days', (_, __, date) => layOutSeason({ ...plan, firstDay: date })],
  [
    'days off',
    (_, __, date) => layOutSeason({ ...plan, daysOff: [{ id: 'o', from: '2026-10-01', to: date, reason: 'x' }] }),
  ],
];

test.each(DOORS)('%s: a number or a RangeError', (_, work) => {
  fc.assert(
    fc.property(anyNumber, anyNumber, anyDate, (a, b, date) => expectNumbers(() => work(a, b, date))),
    { numRuns: 150 },
  );
});

test('a lap under 20 m is refused, one of 20 m is not', () => {
  const of = (lengthM: number) => () => venueOf({ id: 'v', name: 'The lane', shape: 'lap', lengthM, marks: [] });
  expect(of(19.9)).toThrow('The lane is to be 20 m long at least, not 19.9.');
  expect(of(20)().lapM).toBe(20);
});

test('efforts beyond 1 to 10 teach nothing', () => {
  const told = (reported: number) => calibrate([{ predicted: 7, reported, ageDays: 50 }]).n;
  expect([0, 11, 1, 10].map(told)).toEqual([0, 0, 1, 1]);
});

test('a long run without a plan for it stays as it is', () =>
  expect(longRunsBack([], { count: () => 0 }, { unit: 'km', from: 1, step: 1 })).toEqual([]));
