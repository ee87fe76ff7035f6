import type { RunEvent } from '../run/events';
import { MadeUpSquad, metresInto, scoreTiming } from './rehearsal';
import { replay } from '../run/replay';
import { at, chance, curve, pass, planOf, start, T0 } from '../run/testing';

const habits = { a0: { curve, rush: 0.02, unevenness: 0.01 }, a1: { curve, rush: 0, unevenness: 0.01 } };
const plan = planOf('2x400 @5k / 60s');
const squad = () => new MadeUpSquad(habits, chance(11));

test('runs what is started, and the same rep only once however often it is asked', () => {
  const made = squad();
  const first = made.follow(replay(plan, [start(0)]));
  expect(first).toHaveLength(2);
  const events = [start(0), pass(80, 'a0', 400)];
  const again = squad();
  const before = again.follow(replay(plan, events));
  expect(again.follow(replay(plan, [...events, pass(81, 'a1', 400)]))).toEqual(before);
  for (const { marks, startedAtMs, finishedAtMs } of before) {
    expect(marks.map(({ atM }) => atM)).toEqual([200, 400]);
    expect(finishedAtMs - startedAtMs).toBeGreaterThan(80_000);
    expect(finishedAtMs - startedAtMs).toBeLessThan(98_000);
  }
});

test('a rep run on to begins where they are, not where a thumb has put them', () => {
  const made = squad();
  const on = planOf('400 @5k, 400 @10k');
  const begun = start(0);
  const [first] = made.follow(replay(on, [begun]));
  const truths = made.follow(replay(on, [begun, pass(95, 'a0', 400)]));
  const second = truths.find(({ athleteId, repIndex }) => athleteId === 'a0' && repIndex === 1);
  expect(second?.startedAtMs).toBe(first?.finishedAtMs);
});

test('where somebody is between two marks', () => {
  const truth = {
    athleteId: 'a',
    repIndex: 0,
    startedAtMs: 0,
    finishedAtMs: 90_000,
    distanceM: 400,
    startM: 0,
    marks: [
      { atM: 200, atMs: 40_000 },
      { atM: 400, atMs: 90_000 },
    ],
  };
  expect([0, 20_000, 40_000, 65_000, 90_000].map((atMs) => metresInto(truth, atMs))).toEqual([0, 100, 200, 300, 400]);
  expect(metresInto(truth, 90_001)).toBeUndefined();
});

test('what was taken well, late, missed and for somebody else', () => {
  const made = squad();
  const begun = start(0);
  const truths = made.follow(replay(plan, [begun]));
  const trueAt = (athleteId: string, atM: number) => {
    const mark = truths
      .find((candidate) => candidate.athleteId === athleteId)
      ?.marks.find((candidate) => candidate.atM === atM);
    return ((mark?.atMs ?? 0) - T0) / 1000;
  };
  const events: RunEvent[] = [
    begun,
    pass(trueAt('a0', 200) + 0.3, 'a0', 200),
    pass(trueAt('a0', 400) + 0.1, 'a0', 400),
    pass(trueAt('a1', 200) + 12, 'a1', 200),
    at(trueAt('a1', 400), { type: 'passed', athleteId: 'a1', repIndex: 0, atM: 400 }, 'loop'),
  ];
  const score = scoreTiming(replay(plan, events), truths, 'd', T0 + 600_000);
  expect(score).toMatchObject({ marks: 4, taken: 3, missed: 0, wrong: 1, meanS: expect.closeTo(0.2, 2) });
  expect(score.spreadS).toBeCloseTo(0.141, 2);
  expect(score.worst[0]).toMatchObject({ athleteId: 'a0', atM: 200, errorS: expect.closeTo(0.3, 2) });
  expect(scoreTiming(replay(plan, [begun]), truths, 'd', T0 + 60_000)).toMatchObject({ marks: 2, missed: 2, taken: 0 });
});
