/** Many sessions: load, the same session side by side, and weeks. */
import fc from 'fast-check';
import { replay } from '../run/replay';
import { at, curve, end, pass, planOf, someone, start } from '../run/testing';
import { timeFor } from '../fitness/curve';
import { reserveModel } from '../targets/reserve';
import { read } from '../session/testing';
import type { RanAthlete, RanRep, RunHead, SameRun } from './history';
import { curveOfReserve, loadOf, sessionLoad } from './load';
import { reviewGroups } from './review';
import { compareRuns, isAlike, kindsKey, kindsOfPlan, kindsOfSession, kindsText } from './sameSession';
import { sideBySide } from './sideBySide';
import { loadByWeek, squadRows, weeksOf } from './story';

describe('load', () => {
  const TEXT = 'warm: 10min @easy\nmain: 2x400 @5k / 60s\ncool: 5min @easy';
  const loadAfter = (...more: ReturnType<typeof at>[]) => {
    const plan = planOf(TEXT);
    const state = replay(plan, [
      start(0),
      pass(90, 'a0', 400),
      start(150, 1),
      pass(240, 'a0', 400, 1),
      end(300),
      ...more,
    ]);
    const athlete = someone(state);
    return sessionLoad(
      plan,
      athlete,
      reviewGroups(state, [athlete]).flatMap(({ rows }) => rows),
    );
  };
  test('minutes from the first start to the last finish, with warm-up and cool-down as planned', () => {
    expect(loadAfter()).toMatchObject({
      minutes: expect.closeTo(4 + 15, 6),
      plannedMinutes: expect.closeTo((2 * 88.8 + 60) / 60 + 15, 2),
      hardMinutes: expect.closeTo(3, 6),
    });
  });
  test('the effort of the session counts, else that of the last rep, else the one predicted', () => {
    const felt = at(260, { type: 'felt', athleteId: 'a0', repIndex: 1, effort: 6 });
    const whole = at(400, { type: 'sessionFelt', athleteId: 'a0', effort: 4 });
    expect(loadAfter(felt, whole)).toMatchObject({ loadEffort: 4, effortSource: 'session' });
    expect(loadAfter(felt)).toMatchObject({ loadEffort: 6, effortSource: 'last-rep' });
    expect(loadAfter()).toMatchObject({ loadEffort: expect.any(Number), effortSource: 'predicted' });
    expect(loadOf(loadAfter(whole) ?? { minutes: 0 })).toBeCloseTo(4 * 19, 6);
    expect(loadOf({ minutes: 10 })).toBeUndefined();
  });
  test('who did not run has none', () => {
    const state = replay(planOf(TEXT), [start(0, 0, ['a1'])]);
    expect(sessionLoad(planOf(TEXT), someone(state), [])).toBeUndefined();
  });
  test('a curve drawn again from critical speed and D′ is near the one they came from', () => {
    const again = curveOfReserve(reserveModel(curve));
    for (const distanceM of [1500, 3000, 5000, 10_000])
      expect(Math.abs(timeFor(again, distanceM) / timeFor(curve, distanceM) - 1)).toBeLessThan(0.03);
  });
});

describe('the same session', () => {
  const kinds = (text: string) => kindsOfSession(read(text));
  test('is told by its kinds of reps, in counts that are near; recoveries may differ', () => {
    const eight = kinds('8x400 @5k / 75s jog\nfinish: 4x200 @mile / 200m jog');
    expect(kindsText(eight)).toBe('8 × 400 @5k, 4 × 200 @mile');
    expect(isAlike(eight, kinds('9x400 @5k / 2:00 walk\nfinish: 4x200 @mile / 60s'))).toBe(true);
    expect(isAlike(eight, kinds('12x400 @5k / 75s jog\nfinish: 4x200 @mile / 200m jog'))).toBe(false);
    expect(isAlike(eight, kinds('8x400 @3k / 75s jog\nfinish: 4x200 @mile / 200m jog'))).toBe(false);
    expect(isAlike(eight, kinds('8x400 @5k / 75s jog'))).toBe(false);
  });
  test('reads the same from the text and from the plan that was laid out from it', () => {
    for (const text of ['8x400 @5k / 75s', '1500-900-600 @5k>mile / 2:30', '3x(2:00 @10k, 2:00 @easy)'])
      expect(kindsKey(kindsOfPlan(planOf(text)))).toBe(kindsKey(kinds(text)));
  });
  const ran = (meanS: number, effort: number, more = {}) => ({
    means: [{ athleteId: 'a', kind: 'main 400 @5k', meanS, reps: 8 }],
    efforts: { a: effort },
    ...more,
  });
  test.each([
    [80, 7, 78, 7, 'quicker'],
    [80, 7, 79, 8, 'same'],
    [80, 7, 78, 5, 'quicker-for-less'],
    [80, 7, 78, 9, 'quicker-for-more'],
    [80, 7, 80.2, 5, 'same-for-less'],
    [80, 7, 80.2, 7.2, 'same'],
    [80, 7, 82, 7, 'slower'],
    [80, 7, 82, 9, 'slower-for-more'],
  ])('%d s at effort %d, then %d s at effort %d: %s', (was, effort, is, then, verdict) =>
    expect(compareRuns(ran(was, effort), ran(is, then)).verdict).toBe(verdict),
  );
  test('is surer over more people', () => {
    const four = (meanS: number) => ({
      means: ['a', 'b', 'c', 'd'].map((athleteId) => ({ athleteId, kind: 'main 400 @5k', meanS, reps: 8 })),
      efforts: {},
    });
    expect(compareRuns(four(80), four(79)).verdict).toBe('quicker');
  });
  test('is compared over those who ran both; with nobody in common nothing is said', () => {
    const other = { means: [{ athleteId: 'b', kind: 'main 400 @5k', meanS: 70, reps: 8 }], efforts: { b: 5 } };
    expect(compareRuns(ran(80, 7), other)).toEqual({ athletes: 0 });
    const both = { means: [...ran(79, 7).means, ...other.means], efforts: { a: 7, b: 5 } };
    expect(compareRuns(ran(80, 7), both)).toMatchObject({ athletes: 1, quickerPercent: expect.closeTo(1.25, 6) });
  });
  test('heat, wind and rests that differ are said', () => {
    const hot = ran(80, 8, { restS: 90, conditions: { temperatureC: 31, humidityPct: 60, wind: 'calm' } });
    const mild = ran(80, 7, { restS: 75, conditions: { temperatureC: 12, humidityPct: 60, wind: 'windy' } });
    expect(compareRuns(hot, mild)).toMatchObject({
      hotterC: expect.any(Number),
      restByS: -15,
      windChanged: { from: 'calm', to: 'windy' },
    });
    expect(compareRuns(hot, mild).hotterC).toBeLessThan(-10);
  });
  test('a comparison turned round has its signs turned round', () => {
    const s = fc.double({ min: 60, max: 100, noNaN: true });
    const effort = fc.integer({ min: 1, max: 10 });
    fc.assert(
      fc.property(s, effort, s, effort, (a, ea, b, eb) => {
        const [there, back] = [compareRuns(ran(a, ea), ran(b, eb)), compareRuns(ran(b, eb), ran(a, ea))];
        expect(Math.sign(there.quickerPercent ?? 0)).toBe(-Math.sign(back.quickerPercent ?? 0) + 0);
        expect(there.effortBy).toBeCloseTo(-(back.effortBy ?? 0), 9);
      }),
    );
  });
});

const head = (runId: string, date: string): RunHead => ({
  runId,
  title: runId,
  date,
  kinds: [{ role: 'main', distanceM: 400, pace: '5k', count: 2 }],
  conditions: {},
});
const part = (runId: string, athleteId: string, more: Partial<RanAthlete> = {}): RanAthlete => ({
  runId,
  athleteId,
  isThere: true,
  planned: 2,
  finished: 2,
  verdicts: { early: 0, on: 2, late: 0 },
  ...more,
});
const rep = (runId: string, place: number, timeS: number, more: Partial<RanRep> = {}): RanRep => ({
  runId,
  athleteId: 'a',
  place,
  role: 'main',
  distanceM: 400,
  pace: '5k',
  timeS,
  ...more,
});

test('runs stand side by side: each against the one before, rep for rep, by the clock in metres', () => {
  const runs: SameRun[] = [
    { ...head('new', '2026-11-10'), relation: 'step', step: 2 },
    { ...head('old', '2026-10-10'), relation: 'step', step: 1 },
  ];
  const sides = sideBySide({
    runs,
    reps: [
      rep('new', 0, 79, { effort: 6, restS: 75 }),
      rep('new', 1, 79),
      rep('old', 0, 80, { restS: 90 }),
      rep('old', 1, 82),
    ],
    athletes: [part('new', 'a', { lastEffort: 6 }), part('old', 'a', { lastEffort: 8 })],
  });
  expect(sides[0]).toMatchObject({
    kinds: [{ label: '400 @5k', meanS: 79 }],
    effort: 6,
    restS: 75,
    change: { verdict: 'quicker-for-less', restByS: -15 },
    reps: [
      { place: 0, timeS: 79, effort: 6 },
      { place: 1, timeS: 79 },
    ],
  });
  expect(sides[1]).not.toHaveProperty('change');
  const [clock] = sideBySide({
    runs: [{ ...head('c', '2026-11-10'), relation: 'same' }],
    reps: [{ runId: 'c', athleteId: 'a', place: 0, role: 'main', durationS: 120, coveredM: 540, timeS: 120 }],
    athletes: [part('c', 'a')],
  });
  expect(clock?.kinds).toEqual([{ label: '2:00', meanS: 120, meanM: 540 }]);
});

describe('weeks', () => {
  const window = { from: '2026-10-05', to: '2026-11-08' };
  test('every week is there, the latest first, with who came to what', () => {
    const weeks = weeksOf(
      {
        runs: [head('r2', '2026-10-20'), head('r1', '2026-10-06')],
        athletes: [part('r1', 'a'), part('r2', 'a', { isThere: false })],
      },
      window,
    );
    expect(weeks.map(({ from, sessions, attended }) => [from, sessions.length, attended])).toEqual([
      ['2026-11-02', 0, 0],
      ['2026-10-26', 0, 0],
      ['2026-10-19', 1, 0],
      ['2026-10-12', 0, 0],
      ['2026-10-05', 1, 1],
    ]);
  });
  test('load is effort × minutes; a week a third above the four before it is noted', () => {
    const days = ['2026-10-05', '2026-10-12', '2026-10-19', '2026-10-26', '2026-11-02'];
    const runs = days.map((date) => head(date, date));
    const of = (last: number) =>
      loadByWeek(
        {
          runs,
          athletes: days.map((date, i) =>
            part(date, 'a', { minutes: i === 4 ? last : 50, loadEffort: 6, hardMinutes: 12 }),
          ),
        },
        [{ athleteId: 'a', date: '2026-11-02', pace: '5k', distanceM: 3200 }],
        window,
      );
    expect(of(70).map(({ load, isJump }) => [load, isJump])).toEqual([
      [300, false],
      [300, false],
      [300, false],
      [300, false],
      [420, true],
    ]);
    expect(of(66).at(-1)).toMatchObject({ isJump: false, hardDays: 1, metres: [{ pace: '5k', distanceM: 3200 }] });
  });
  test('of several it is the mean of those who ran', () => {
    const [week] = loadByWeek(
      {
        runs: [head('r', '2026-10-06')],
        athletes: [
          part('r', 'a', { minutes: 40, loadEffort: 5 }),
          part('r', 'b', { minutes: 60, loadEffort: 5 }),
          part('r', 'c', { isThere: false, finished: 0 }),
        ],
      },
      [],
      window,
    );
    expect(week?.load).toBe(250);
  });
  test('the squad: who was there, how even, and how hard they found it', () => {
    const days = ['2026-10-05', '2026-10-12', '2026-10-19', '2026-10-26'];
    const runs = days.map((date) => head(date, date));
    const athletes = days.flatMap((date, i) => [
      part(date, 'a', {
        evennessPercent: 1,
        lastEffort: 6 + i,
        meantLast: 7,
        verdicts: { early: 1, on: 3, late: 0 },
      }),
      ...(i < 2 ? [part(date, 'b', { lastEffort: 7, meantLast: 7 })] : []),
    ]);
    const [a, b, c] = squadRows({ runs, athletes }, ['a', 'b', 'c']);
    expect(a).toMatchObject({ attended: 4, of: 4, evennessPercent: 1, onShare: 0.75, effortAbove: 0.5 });
    expect(b).toMatchObject({ attended: 2, effortAbove: 0 });
    expect(c).toEqual({ athleteId: 'c', attended: 0, of: 4 });
  });
});
