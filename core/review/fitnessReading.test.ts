/** What a coach is told of a session's estimate, and the marks kept of it. */
import { fitCurve, timeErrorFor, timeFor } from '../fitness/curve';
import type { Happening, RunEvent } from '../run/events';
import { replay } from '../run/replay';
import { at, curve, end, pass, planOf, start } from '../run/testing';
import { evidenceOf } from './evidence';
import { readEffort } from './effortReading';
import { askedOf, goalReps, markOfEstimate, readFitness, trialsIn, type FitnessReading } from './fitnessReading';
import { reviewRun } from './review';

const DAY = '2026-11-01';
const OF = { id: 'run', date: DAY, title: 'Reps' };

/** The row of `a0` after reps in so many seconds, a minute apart. */
function rowOf(text: string, timesS: number[], more: Happening[] = []) {
  const plan = planOf(text);
  const [group] = plan.groups;
  let atS = 0;
  const events = timesS.flatMap((timeS, rep): RunEvent[] => {
    const startS = atS;
    atS += timeS + 60;
    return [start(startS, rep), pass(startS + timeS, 'a0', group?.reps[rep]?.distanceM ?? 400, rep)];
  });
  const told = more.map((happening, i) => at(atS + 100 + i, happening));
  const row = reviewRun(replay(plan, [...events, end(atS), ...told]))[0]?.rows.find(
    ({ athleteId }) => athleteId === 'a0',
  );
  if (!row) throw new Error('Nobody ran.');
  return { plan, row };
}
const felt = (repIndex: number, effort: number): Happening => ({ type: 'felt', athleteId: 'a0', repIndex, effort });
const STEADY = [88.8, 88.6, 88.9, 88.7, 88.8, 88.9];

describe('what is read of a row', () => {
  test('times, rests and efforts as run, on the targets that they had', () => {
    const { row } = rowOf('6x400 @5k / 60s', STEADY, [felt(5, 7)]);
    const { legs, runs } = evidenceOf(row, 'aerobic-power');
    expect(legs.filter(({ kind }) => kind === 'rep').map(({ targetS, distanceM }) => [targetS, distanceM])).toEqual(
      STEADY.map(() => [expect.closeTo(88.8, 1), 400]),
    );
    expect(legs.filter(({ kind }) => kind === 'recovery').map(({ targetS }) => targetS)).toContain(60);
    expect(runs.map(({ timeS }) => timeS)).toEqual(STEADY.map((timeS) => expect.closeTo(timeS, 2)));
    expect(runs[5]).toMatchObject({ effort: 7 });
    expect(runs.some(({ stopped, flatOut }) => stopped || flatOut)).toBe(false);
  });
  test('who stops has run out only if they say so', () => {
    const stop: Happening = { type: 'decided', athleteIds: ['a0'], decision: { kind: 'stop' } } as Happening;
    const stopped = rowOf('6x400 @5k / 60s', STEADY.slice(0, 4), [stop]);
    expect(evidenceOf(stopped.row, undefined).runs.at(-1)).toMatchObject({ stopped: true });
    expect(evidenceOf(stopped.row, undefined).runs.at(-1)).not.toHaveProperty('spent');
    const why: Happening = { type: 'stopReason', athleteId: 'a0', reason: 'spent' };
    const spent = rowOf('6x400 @5k / 60s', STEADY.slice(0, 4), [stop, why]);
    expect(evidenceOf(spent.row, undefined).runs.at(-1)).toMatchObject({ stopped: true, spent: true });
    const asked = (row: typeof spent.row) => readFitness(askedOf(row, undefined, undefined, { curve }));
    expect(asked(stopped.row).is).toBe('as-known');
    expect(asked(stopped.row).isUnsound).toBe(true);
    expect(markOfEstimate(asked(spent.row), { id: 'r', date: DAY, title: 'T' })).toBeUndefined();
  });
  test('a rep that is left out of the reading cost what it cost, and says nothing', () => {
    const out: Happening = { type: 'excluded', athleteId: 'a0', repIndex: 0, reason: 'fell' } as Happening;
    const { row } = rowOf('1000 @max', [190], [felt(0, 9), out]);
    const { legs, runs } = evidenceOf(row, 'test');
    expect(runs).toEqual([{ repIndex: 0, timeS: expect.closeTo(190, 1) }]);
    expect(legs[0]).not.toHaveProperty('pace');
  });
  test('who stops on a hill has used up nothing that the flat knows of', () => {
    const stop: Happening = { type: 'decided', athleteIds: ['a0'], decision: { kind: 'stop' } };
    const { row } = rowOf('8x200 hill @effort 8 / 2min', [50, 51, 52, 53], [stop]);
    expect(evidenceOf(row, 'hills').runs.at(-1)).toMatchObject({ stopped: true });
    expect(readFitness(askedOf(row, 'hills', undefined, { curve }))).toMatchObject({ nothingNew: true, learned: 0 });
  });
  test('uphill no speed is read', () => {
    const { row } = rowOf('4x200 hill @effort 8 / 2min', [50, 50, 51, 52], [felt(3, 10)]);
    expect(readFitness(askedOf(row, 'hills', undefined, { curve })).nothingNew).toBe(true);
  });
});

describe('what the coach is told', () => {
  const told = (timeS: number) => {
    const { row } = rowOf('3000 @max', [timeS]);
    return readFitness(askedOf(row, 'test', undefined, { curve }));
  };
  test('over 5000 m, or over the distance of their goal', () => {
    const { row } = rowOf('3000 @max', [640]);
    const goal = { distanceM: 1500, timeS: 300, date: '2027-05-01' };
    expect(told(640).distanceM).toBe(5000);
    expect(readFitness(askedOf(row, 'test', goal, { curve })).distanceM).toBe(1500);
  });
  test('fitter, less fit or as was known, and before and after with their errors', () => {
    const expectedS = timeFor(curve, 3000);
    const [quick, same, slow] = [told(expectedS * 0.95), told(expectedS), told(expectedS * 1.05)];
    expect([quick, same, slow].map(({ is }) => is)).toEqual(['fitter', 'as-known', 'less-fit']);
    for (const { before, after } of [quick, same, slow]) {
      expect(before.timeS).toBeCloseTo(timeFor(curve, 5000), 6);
      expect(after.errorS).toBeLessThan(before.errorS);
    }
    expect(quick.after.timeS).toBeLessThan(quick.before.timeS);
  });
  test('who is known better over their own distance is not made less sure there', () => {
    const ownCurve = fitCurve(
      [800, 1000].map((distanceM) => ({ distanceM, timeS: distanceM * 0.17, date: DAY, kind: 'race' as const })),
      { asOf: DAY },
    );
    const { row } = rowOf('6x400 @5k / 60s', STEADY, [felt(5, 10), felt(2, 9)]);
    const goal = { distanceM: 800, timeS: 130, date: '2027-05-01' };
    const { before, after } = readFitness(askedOf(row, undefined, goal, { curve: ownCurve }));
    expect(after.errorS / after.timeS).toBeLessThanOrEqual(before.errorS / before.timeS + 1e-9);
  });
  test('heat, wind and wet are said', () => {
    const { row } = rowOf('3000 @max', [640]);
    const on = (conditions: { wind: 'windy' } | undefined) =>
      readFitness(askedOf(row, 'test', undefined, { curve, ...(conditions ? { conditions } : {}) }));
    expect(on({ wind: 'windy' })).toMatchObject({ isWindy: true });
    expect(on(undefined)).not.toHaveProperty('isWindy');
    const heat = { careC: 26, hardC: 30 };
    const hot = askedOf(row, 'test', undefined, { curve, heat, conditions: { temperatureC: 27, humidityPct: 30 } });
    expect(readFitness(hot)).toMatchObject({ hot: { airC: 27 }, isUnsound: true });
  });
  test('how much of goal pace was held', () => {
    const cell = (verdict: 'on' | 'late' | undefined, more = {}) => ({
      repIndex: 0,
      passes: [],
      flags: [],
      notes: [],
      rep: { role: 'main' as const, callM: [], distanceM: 1000, pace: 'goal 5k' },
      restS: 60,
      ...(verdict ? { verdict } : {}),
      ...more,
    });
    expect(goalReps({ cells: [cell('on'), cell('on'), cell('late'), cell(undefined, { unfinished: true })] })).toEqual({
      held: 2,
      of: 4,
      pace: 'goal 5k',
      restS: 60,
    });
    expect(goalReps({ cells: [cell(undefined)] })).toBeUndefined();
    expect(goalReps(rowOf('6x400 @5k / 60s', STEADY).row)).toBeUndefined();
  });
});

describe('marks that are kept', () => {
  test('fitted anew with it, the curve says what was told: the session is not counted twice', () => {
    const marks = [{ distanceM: 5000, timeS: 1110, date: DAY, kind: 'race' as const }];
    const { row } = rowOf('3000 @max', [timeFor(curve, 3000) * 0.99]);
    const reading = readFitness(askedOf(row, undefined, undefined, { curve }));
    const mark = markOfEstimate(reading, OF);
    expect(mark).toMatchObject({ kind: 'session', runId: 'run', date: DAY, distanceM: 5000, note: 'Reps' });
    const after = fitCurve([...marks, ...(mark ? [mark] : [])], { asOf: DAY });
    expect(timeFor(after, 5000) / reading.after.timeS).toBeCloseTo(1, 2);
    expect(timeErrorFor(after, 5000) / reading.after.errorS).toBeCloseTo(1, 0);
    expect(timeErrorFor(after, 5000)).toBeLessThan(reading.before.errorS);
    expect(timeFor(after, 5000)).toBeLessThan(timeFor(curve, 5000));
  });
  test('nothing new is nothing to keep', () => {
    const nothing = readFitness(askedOf(rowOf('6x400 @5k / 60s', STEADY).row, undefined, undefined, { curve }));
    expect(markOfEstimate(nothing, OF)).toBeUndefined();
    expect(markOfEstimate({ ...nothing, nothingNew: false } as FitnessReading, OF)).toBeUndefined();
  });
  test('a rep flat out, and fresh, is a trial of its own', () => {
    const trials = (text: string, timesS: number[], intent?: 'test') => {
      const { plan, row } = rowOf(text, timesS);
      return trialsIn(row, intent, readEffort(row.cells, plan.arc, curve), OF).map(({ distanceM, timeS, kind }) => [
        distanceM,
        timeS,
        kind,
      ]);
    };
    expect(trials('3000 @max', [640.04])).toEqual([[3000, 640, 'trial']]);
    expect(trials('2000', [400], 'test')).toEqual([[2000, 400, 'trial']]);
    expect(trials('2000', [400])).toEqual([]);
    // After hard work it is none, nor is one that is too short for a mark.
    expect(trials('5x1000 @5k / 60s, 600 @max', [222, 222, 222, 222, 222, 110])).toEqual([]);
    expect(trials('100 @max', [15])).toEqual([]);
  });
});
