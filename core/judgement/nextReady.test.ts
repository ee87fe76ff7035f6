/** Who is ready, from what was run at the track. */
import { INTENT_FACTS } from '../session/intent';
import type { RunEvent } from '../run/events';
import { replay } from '../run/replay';
import { at, curve, end, pass, planOf, start, twoGroups } from '../run/testing';
import { reviewRun } from '../review/review';
import { factsOf, type KnownBefore } from './facts';
import { readReady, readyAsked } from './nextReady';

const { arc } = INTENT_FACTS['aerobic-power'];
const TEXT = '6x400 @5k / 90s';
const ON = [88.8, 88.6, 88.9, 88.7, 88.8, 88.9];
const felt = (repIndex: number, effort: number, athleteId = 'a0') =>
  at(8000 + repIndex, { type: 'felt', athleteId, repIndex, effort });

function ran(times: number[], more: RunEvent[] = [], text = TEXT): RunEvent[] {
  const finishM = planOf(text).groups[0]?.reps[0]?.distanceM ?? 400;
  return [
    ...times.flatMap((timeS, rep) => [start(rep * 180, rep), pass(rep * 180 + timeS, 'a0', finishM, rep)]),
    end(2000),
    ...more,
  ];
}

function answers(
  events: RunEvent[],
  knownOf: (id: string) => KnownBefore | undefined = () => ({ curve }),
  text = TEXT,
) {
  const plan = { ...planOf(text), arc };
  const state = replay(plan, events);
  const facts = factsOf({ plan, state, reviews: reviewRun(state), knownOf });
  return readReady(readyAsked(facts, (id) => knownOf(id) !== undefined));
}
const answer = (...args: Parameters<typeof answers>) => answers(...args)[0];

test('on where it was run as meant, with the reasons; the same each time it is asked', () => {
  const events = ran(ON, [felt(5, 8)]);
  expect(answer(events)).toMatchObject({ athleteId: 'a0', groupId: 'all', verdict: 'on' });
  expect(answer(events)?.reasons).toContain('On target to the end.');
  expect(answer(events)).toEqual(answer(events));
});

test.each<[string, RunEvent[], string, RegExp]>([
  [
    'was stopped',
    ran(ON, [at(1900, { type: 'decided', athleteIds: ['a0'], decision: { kind: 'stop' } })]),
    'repeat',
    /Stopped before the end: why/,
  ],
  ['did not run all of it', ran(ON.slice(0, 4)), 'repeat', /Not all of it/],
  [
    'had a rep dropped',
    ran(ON.slice(0, 5), [at(500, { type: 'decided', athleteIds: ['a0'], decision: { kind: 'drop', repIndex: 5 } })]),
    'repeat',
    /It was made easier/,
  ],
  [
    'was made slower',
    ran(ON, [at(10, { type: 'decided', athleteIds: ['a0'], decision: { kind: 'ease', percent: 2 } })]),
    'repeat',
    /Made easier for them, and still 1 s a rep early/,
  ],
  ['was late at the end', ran([88.8, 88.8, 88.8, 88.8, 90.2, 90.2]), 'repeat', /Last third 1.6 % late/],
  ['told ten on the second', ran(ON, [felt(1, 10)]), 'back', /Effort 10 already on rep 2/],
  [
    'was sore',
    ran(ON, [felt(5, 8), at(90_000, { type: 'nextDay', athleteIds: ['a0', 'a1'], legs: 'sore' })]),
    'repeat',
    /sore/,
  ],
])('who %s is not sent on', (_what, events, verdict, reason) => {
  const read = answer(events);
  expect(read?.verdict).toBe(verdict);
  expect(read?.reasons.join(' ')).toMatch(reason);
});

test('an effort is taken as most would tell it, and told as it was told; but ten is ten', () => {
  const higher = () => ({ curve, telling: { a: 1.5, g: 1 } });
  expect(answer(ran(ON, [felt(5, 9)]), higher)?.reasons.join(' ')).toMatch(
    /Last effort 9, meant 9. Rates effort about 1.5 high/,
  );
  expect(answer(ran(ON, [felt(5, 10)]), higher)?.verdict).toBe('repeat');
  expect(answer(ran(ON, [felt(1, 10)]), higher)?.verdict).toBe('back');
});

test('what their own efforts ask for goes with it where it was run as asked, and is a small step', () => {
  const efforts = [felt(1, 7), felt(3, 9), felt(5, 10)];
  const { advice } = answer(ran(ON, efforts)) ?? {};
  expect(advice).toMatchObject({ lever: 'recovery' });
  expect(advice?.to ?? 0).toBeGreaterThan(advice?.from ?? 0);
  expect(advice?.to ?? 0).toBeLessThanOrEqual((advice?.from ?? 0) * 1.25);
  expect(answer(ran(ON))).not.toHaveProperty('advice');
  const early = ON.map((timeS) => timeS - 3);
  expect(answer(ran(early, efforts))).not.toHaveProperty('advice');
});

test('a finish that nobody took is no rep that was cut', () => {
  const events = [...ran(ON.slice(0, 5)), start(900, 5)];
  expect(answer(events)?.reasons.join(' ')).not.toMatch(/Not all/);
});

test('by the clock it is the metres that count', () => {
  const covered = (distanceM: number) =>
    [0, 1, 2].map((repIndex) => at(9000 + repIndex, { type: 'covered', athleteId: 'a0', repIndex, distanceM }));
  const starts = [0, 1, 2].map((rep) => start(rep * 400, rep));
  const verdict = (distanceM: number) =>
    answer([...starts, end(3000), ...covered(distanceM)], undefined, '3x3min @threshold / 2:00')?.reasons.join(' ');
  expect(verdict(757)).toMatch(/On target/);
  expect(verdict(780)).toMatch(/early: run the target/);
  expect(verdict(650)).toMatch(/too much/);
});

test('who ran nothing, and who has no mark, run it again; who is not of the squad is not asked about', () => {
  const [ada, bo] = answers(ran(ON));
  expect(ada?.athleteId).toBe('a0');
  expect(bo).toMatchObject({ athleteId: 'a1', verdict: 'repeat', isAbsent: true, reasons: ['Ran nothing of it.'] });
  expect(answer(ran(ON), () => ({}))?.verdict).toBe('repeat');
  expect(answers(ran(ON), (id) => (id === 'a0' ? { curve } : undefined))).toHaveLength(1);
});

test('everyone once, group by group in the order of the plan; who moved is of the group they ended with', () => {
  const plan = { ...twoGroups(TEXT, TEXT), arc };
  const moved = at(1, { type: 'moved', athleteIds: ['a0'], groupId: 'g1' });
  const state = replay(plan, [moved, end(10)]);
  const asked = readyAsked(factsOf({ plan, state, reviews: reviewRun(state) }), () => true);
  expect(asked.map(({ athleteId, groupId }) => `${groupId} ${athleteId}`)).toEqual([
    'g0 a1',
    'g1 a0',
    'g1 b0',
    'g1 b1',
  ]);
});
