import type { RunEvent } from '../run/events';
import { leftAfterNext } from './ahead';
import { optionsFor } from './options';
import { liveProposals } from './proposals';
import { RULES } from './rules';
import { replay } from '../run/replay';
import { at, end, pass, planOf, someone, start } from '../run/testing';

const plan = planOf('8x400 @5k / 60s-2:00');
/** Reps run in so many seconds, one after the other; `a1` always as planned. */
const ran = (timesS: number[], distanceM = 400): RunEvent[] =>
  timesS.flatMap((timeS, i) => [
    start(i * 200, i),
    pass(i * 200 + timeS, 'a0', distanceM, i),
    pass(i * 200 + 88.8, 'a1', distanceM, i),
  ]);
const felt = (atS: number, repIndex: number, effort: number) =>
  at(atS, { type: 'felt', athleteId: 'a0', repIndex, effort });
const proposed = (events: RunEvent[], of = plan) =>
  liveProposals(of, replay(of, events)).filter(({ athleteId }) => athleteId === 'a0');

test('late on two reps running: ease first, and everything else to choose from', () => {
  expect(proposed(ran([91, 88.8]))).toEqual([]);
  const [proposal] = proposed(ran([91, 92]));
  expect(proposal).toMatchObject({ rule: 'late-twice', repIndex: 1, athleteId: 'a0' });
  expect(proposal?.options.map(({ decision }) => decision.kind)).toEqual([
    'ease',
    'recovery',
    'distance',
    'drop',
    'stop',
  ]);
});

test('a rep whose finish nobody took is passed over, however many there were', () => {
  const missed = [2, 3, 4].map((repIndex) => start(repIndex * 200, repIndex));
  const late = [start(1000, 5), pass(1092, 'a0', 400, 5)];
  expect(proposed([...ran([88.8, 91]), ...missed, ...late])[0]).toMatchObject({ rule: 'late-twice' });
});

test('one step at a time: after a yes they run a rep first; after a no it is not asked again', () => {
  const [proposal] = proposed(ran([91, 92]));
  const option = proposal?.options[0];
  if (!proposal || !option) throw new Error('nothing proposed');
  const answered = { type: 'decided' as const, athleteIds: ['a0'], rule: proposal.rule, repIndex: 1 };
  const yes = at(300, { ...answered, decision: option.decision });
  const no = at(300, { ...answered, decision: option.decision, refused: true });
  expect(proposed([...ran([91, 92]), yes])).toEqual([]);
  expect(proposed([...ran([91, 92]), no])).toEqual([]);
  expect(someone(replay(plan, [...ran([91, 92]), no])).decided).toEqual([]);
  expect(someone(replay(plan, [...ran([91, 92]), yes])).decided).toHaveLength(1);
});

test('an effort is taken for what most would tell of it: seven from somebody who rates two lower is more', () => {
  const [group] = plan.groups;
  const tells = (a: number) => ({
    ...plan,
    groups: group
      ? [{ ...group, athletes: group.athletes.map((athlete) => ({ ...athlete, telling: { a, g: 1 } })) }]
      : [],
  });
  const proposedTo = (a: number, effort: number) => {
    const told = [...ran([88.8]), felt(100, 0, effort)];
    return liveProposals(tells(a), replay(tells(a), told));
  };
  expect(proposedTo(0, 7)).toEqual([]);
  expect(proposedTo(-2, 7)).toMatchObject([{ rule: 'hard-too-soon', facts: { effort: { told: 7, isTheirs: true } } }]);
  expect(proposedTo(1.5, 8)).toEqual([]);
  expect(proposedTo(0, 8)).not.toEqual([]);
});

test('a first rep run early, effort far above or below what was meant, a niggle', () => {
  expect(proposed(ran([85]))[0]).toMatchObject({ rule: 'early-first', options: [{ decision: { kind: 'talk' } }] });
  expect(proposed([...ran([88.8]), felt(100, 0, 9)])[0]).toMatchObject({
    rule: 'hard-too-soon',
    options: [{ decision: { kind: 'recovery', addS: 15 } }, {}, {}, {}, {}],
  });
  expect(proposed([...ran([88.8, 88.8]), felt(300, 1, 1)])[0]).toMatchObject({ rule: 'comfortable' });
  const niggle = at(100, { type: 'flagged', athleteId: 'a0', repIndex: 0, flag: 'niggle' });
  expect(proposed([...ran([88.8]), niggle, felt(101, 0, 9)])[0]).toMatchObject({
    rule: 'niggle',
    options: [{ decision: { kind: 'stop' } }, { decision: { kind: 'drop' } }],
  });
});

test('all is well after the last rep: one more', () => {
  const short = planOf('2x400 @5k / 60s');
  const [proposal] = proposed([...ran([88.8, 88.8]), felt(300, 1, 5)], short);
  expect(proposal).toMatchObject({ rule: 'one-more', options: [{ decision: { kind: 'oneMore', planIndex: 1 } }] });
  expect(proposed([...ran([88.8, 90.8]), felt(300, 1, 5)], short)).toEqual([]);
});

test('empty in the next rep, by what was really run', () => {
  const hard = planOf('8x400 @mile / 10s');
  const targetS = hard.groups[0]?.athletes[0]?.targets[0]?.targetS ?? 0;
  const events = (n: number) =>
    Array.from({ length: n }, (_, i) => {
      const atS = i * (targetS + 10);
      return [start(atS, i), pass(atS + targetS, 'a0', 400, i), pass(atS + targetS, 'a1', 400, i)];
    }).flat();
  const left = (n: number) => leftAfterNext(replay(hard, events(n)), someone(replay(hard, events(n)))) ?? NaN;
  expect(left(1)).toBeGreaterThan(left(2));
  expect(left(5)).toBeLessThan(0);
  expect(proposed(events(5), hard)[0]).toMatchObject({ rule: 'reserve-gone' });
});

test('in open work a rep run early is pointed out, and no rep is called the last', () => {
  const open = planOf('open x 600|400 @threshold / 60s');
  const targetS = open.groups[0]?.athletes[0]?.targets[0]?.targetS ?? 0;
  const turns = [targetS, targetS, targetS - 4].flatMap((timeS, i) => {
    const repIndex = i === 0 ? 0 : 1 + i;
    return [
      at(i * 400, { type: 'started', repIndex, planIndex: 0, athleteIds: ['a0', 'a1'] }),
      pass(i * 400 + timeS, 'a0', 600, repIndex),
    ];
  });
  const [proposal] = proposed(turns, open);
  expect(proposal).toMatchObject({ rule: 'early-open' });
  expect(proposal?.options.map(({ decision }) => decision.kind)).toEqual(['talk', 'cutDown', 'endOpen']);
});

test('nothing for who has stopped, is away, or when the session is over', () => {
  const stop = at(300, { type: 'decided', athleteIds: ['a0'], decision: { kind: 'stop' } });
  const away = at(300, { type: 'came', athleteId: 'a0', presence: 'absent' });
  for (const more of [stop, away, end(300)]) expect(proposed([...ran([91, 92]), more])).toEqual([]);
});

test('a recovery is proposed only as far as its range goes', () => {
  const fixed = planOf('8x400 @5k / 60s');
  const [athlete] = [someone(replay(fixed, ran([91, 92])))];
  expect(optionsFor(replay(fixed, ran([91, 92])), athlete).recovery).toBeUndefined();
});

test('every rule says where it comes from', () => {
  for (const { source } of Object.values(RULES)) expect(source.length).toBeGreaterThan(5);
});

describe('open work gets shorter or ends, never slower', () => {
  const open = planOf('open x 600|400 @threshold / 60s\nfinish: 4x200 @mile / 200m jog');
  const targetS = open.groups[0]?.athletes[0]?.targets[0]?.targetS ?? 0;
  const turns = (lates: number[], more: RunEvent[] = []) => [
    ...lates.flatMap((lateS, i) => {
      const repIndex = i === 0 ? 0 : 20 + i;
      return [
        at(i * 400, { type: 'started', repIndex, planIndex: 0, athleteIds: ['a0', 'a1'] }),
        pass(i * 400 + targetS + lateS, 'a0', 600, repIndex),
      ];
    }),
    ...more,
  ];
  const kinds = (events: RunEvent[]) => {
    const [proposal] = proposed(events, open);
    return { rule: proposal?.rule, kinds: proposal?.options.map(({ decision }) => decision.kind) };
  };
  test('late twice offers the next shorter distance or the end, and nothing of the fast finish', () => {
    expect(kinds(turns([0, 4, 5]))).toEqual({ rule: 'late-twice', kinds: ['cutDown', 'endOpen', 'stop'] });
  });
  test('cut down already to the last distance, the end is offered', () => {
    const cut = at(900, { type: 'decided', athleteIds: ['a0'], decision: { kind: 'cutDown' } });
    const state = replay(open, turns([0, 4, 5], [cut]));
    expect(optionsFor(state, someone(state)).ease).toBeUndefined();
    expect(optionsFor(state, someone(state)).endOpen).toEqual({ decision: { kind: 'endOpen' } });
  });
  test('hard too soon does not speak of slower targets either', () => {
    const felt = at(700, { type: 'felt', athleteId: 'a0', repIndex: 21, effort: 9 });
    expect(kinds(turns([0, 0], [felt]))).toEqual({ rule: 'hard-too-soon', kinds: ['cutDown', 'endOpen', 'stop'] });
  });
});

test('a stitch: the first third of the next rep is eased, or it is the end', () => {
  const flagged = at(200, { type: 'flagged', athleteId: 'a0', repIndex: 0, flag: 'stitch' });
  const [proposal] = proposed([...ran([88.8]), flagged]);
  expect(proposal).toMatchObject({ rule: 'stitch', options: [{ isGentleStart: true }, {}, {}] });
  expect(proposal?.options[0]?.decision.kind).toBe('talk');
  expect(proposal?.options.at(-1)?.decision.kind).toBe('stop');
});
