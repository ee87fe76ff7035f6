/** Totals of a session, the hoped-for one beside the one run, and sessions side by side. */
import { reviewRun } from './review';
import { at, end, pass, planOf, start } from '../run/testing';
import { replay } from '../run/replay';
import { cameTo } from './cameTo';
import { hopedAndRun } from './hopedFor';
import type { RanRep, SameSessions } from './history';
import { bothRuns, chainedMeans } from './sideBySide';

function reviewOf(text: string, times: number[]) {
  const plan = planOf(text, ['Ada']);
  const [group] = plan.groups;
  let atS = 0;
  const events = times.flatMap((timeS, rep) => {
    const finishM = group?.reps[rep]?.distanceM ?? 400;
    const from = atS;
    atS += timeS + 90;
    return [start(from, rep, ['a0']), pass(from + timeS, 'a0', finishM, rep)];
  });
  return reviewRun(
    replay(plan, [...events, end(atS), at(atS, { type: 'sessionFelt', athleteId: 'a0', effort: 7 })]),
  )[0];
}

test('metres and minutes at each pace, and for the day', () => {
  const cells = reviewOf('2x1000 @threshold / 90s, 2x400 @5k / 90s', [240, 241, 88, 89])?.rows[0]?.cells ?? [];
  const { distanceM, durationS, byPace } = cameTo(cells);
  expect(distanceM).toBe(2800);
  expect(durationS).toBeCloseTo(658, 0);
  expect(byPace.map(({ pace, distanceM: metres }) => [pace, metres])).toEqual([
    ['threshold', 2000],
    ['5k', 800],
  ]);
  expect(cameTo([])).toEqual({ distanceM: 0, durationS: 0, byPace: [] });
});

test('as hoped for beside as run: a rep fewer, rests longer', () => {
  const review = reviewOf('6x400 @5k / 60s', [89, 89, 89, 89, 89]);
  const both = review && hopedAndRun(review, 9);
  expect(both?.hoped).toMatchObject({ reps: 6, distanceM: 2400, restS: 60, lastEffort: 9 });
  expect(both?.run).toMatchObject({ reps: 5, distanceM: 2000 });
  expect(both?.run.restS).toBeCloseTo(90, 0);
  expect(both?.run.repS).toBeCloseTo(89, 0);
  expect(both?.hoped.repS).toBeCloseTo(88.8, 0);
  const none = reviewOf('6x400 @5k / 60s', []);
  expect(none && hopedAndRun(none, 9)).toBeUndefined();
});

describe('sessions side by side', () => {
  const head = (runId: string, date: string) => ({
    runId,
    date,
    title: runId,
    kinds: [],
    conditions: {},
    relation: 'same' as const,
  });
  const rep = (runId: string, athleteId: string, timeS: number): RanRep => ({
    runId,
    athleteId,
    place: 0,
    role: 'main',
    distanceM: 400,
    pace: '5k',
    timeS,
  });
  const same = (reps: RanRep[], ids = ['c', 'b', 'a']): SameSessions => ({
    runs: ids.map((id, i) => head(id, `2026-11-${String(20 - i).padStart(2, '0')}`)),
    reps,
    athletes: [],
  });
  test('a chain by those who ran two in a row: who comes and goes changes nothing', () => {
    const chain = chainedMeans(
      same([
        rep('a', 'ada', 80),
        rep('a', 'bo', 100),
        rep('b', 'ada', 79.2),
        rep('b', 'cleo', 120),
        rep('c', 'cleo', 120),
        rep('c', 'dov', 60),
      ]),
      '400 @5k',
    );
    expect(chain.map(({ meanS, people }) => [Math.round(meanS * 10) / 10, people])).toEqual([
      [90, 2],
      [89.1, 1],
      [89.1, 1],
    ]);
  });
  test('it ends where nobody ran two in a row', () =>
    expect(chainedMeans(same([rep('a', 'ada', 80), rep('b', 'bo', 90), rep('c', 'bo', 91)]), '400 @5k')).toHaveLength(
      1,
    ));
  test('any two, by those who ran both', () => {
    const two = same([rep('b', 'ada', 80), rep('b', 'bo', 90), rep('c', 'ada', 78)], ['c', 'b']);
    expect(bothRuns(two)).toEqual([
      { athleteId: 'ada', now: { lapS: 78, distanceM: 400 }, before: { lapS: 80, distanceM: 400 } },
    ]);
    expect(bothRuns(same([], ['c']))).toEqual([]);
  });
});
