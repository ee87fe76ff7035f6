import { replay } from '@core/run/replay';
import { at, pass, planOf, start, T0, twoGroups } from '@core/run/testing';
import { nextStep, shownIds } from './steps';
import { groupText, startText, toGoText } from './stepText';

type Events = Parameters<typeof replay>[1];

const TWO = twoGroups('2x400 @5k / 60s', '2x400 @5k / 60s');
const EVERYONE = ['a0', 'a1', 'b0', 'b1'];

/** What the big button says so many seconds after the first start, and whom it would start. */
function button(events: Events, atS: number, plan = TWO, shown = 'mine') {
  const state = replay(plan, events);
  const step = nextStep(plan, state, shownIds(state, shown, 'd'), T0 + atS * 1000);
  if (step.kind !== 'start') return { kind: step.kind };
  const text = [startText(step.facts), toGoText(step.facts)].filter(Boolean).join(' · ');
  return { text, who: step.starts.flatMap(({ athleteIds }) => athleteIds), ready: step.ready };
}

const finished = (ids: string[], atS: number, repIndex = 0) => ids.map((id) => pass(atS, id, 400, repIndex));

test('groups that set off together go on together, also while one of them still has somebody running', () => {
  expect(button([], 0)).toEqual({ text: 'Start: 400 @5k', who: EVERYONE, ready: true });
  const events = [start(0, 0, EVERYONE), ...finished(['a0', 'a1', 'b0'], 90)];
  expect(button(events, 95)).toMatchObject({ who: EVERYONE, ready: false });
  expect(button([...events, pass(96, 'b1', 400)], 100)).toEqual({
    text: 'Start rep 2 · 0:56 to go',
    who: EVERYONE,
    ready: true,
  });
});

test('groups that set off apart go on apart: nobody is started in the middle of a rep', () => {
  const first = start(0);
  expect(button([first], 10)).toEqual({ text: 'Start Fives: 400 @5k', who: ['b0', 'b1'], ready: true });
  const both = [first, start(40, 0, ['b0', 'b1']), ...finished(['a0', 'a1'], 90)];
  expect(button(both, 100)).toEqual({ text: 'Start Milers: 400 @5k · 0:50 to go', who: ['a0', 'a1'], ready: true });
  const back = [...both, ...finished(['b0', 'b1'], 130)];
  expect(button(back, 140)).toMatchObject({ who: ['a0', 'a1'] });
  expect(button([...back, start(150, 1)], 155)).toMatchObject({ who: ['b0', 'b1'], ready: true });
});

test('who stands goes before who runs, however far the others are', () => {
  const events = [start(0), start(10, 0, ['b0', 'b1']), ...finished(['a0', 'a1'], 90), start(150, 1)];
  // The Fives are still in their first rep.
  expect(button([...events, ...finished(['a0', 'a1'], 240, 1)], 245)).toMatchObject({
    who: ['b0', 'b1'],
    ready: false,
  });
  expect(button(events, 160)).toMatchObject({ ready: false });
});

test('of more groups than one it says how many, of one which', () => {
  const plan = { ...TWO, groups: [...TWO.groups, ...planOf('2x400 @5k / 60s', ['Esi Farrow']).groups] };
  const three = {
    ...plan,
    groups: plan.groups.map((group, i) =>
      i < 2
        ? group
        : {
            ...group,
            id: 'g2',
            name: 'Young',
            athletes: group.athletes.map((athlete) => ({ ...athlete, athleteId: 'c0' })),
          },
    ),
  };
  expect(button([start(0)], 10, three).text).toBe('Start 2 groups: 400 @5k');
  expect(button([start(0)], 10, three, 'g2').text).toBe('Start Young: 400 @5k');
});

test('each by their own recovery: the button is for who is due first', () => {
  const each = at(0, { type: 'sending', sending: 'each' });
  const events = [each, start(0, 0, EVERYONE), pass(95, 'a0', 400), pass(90, 'b1', 400)];
  // It goes by itself: until then the button is there, and does not ask to be pressed.
  expect(button(events, 100)).toEqual({ text: 'Start Dov: 400 @5k · 0:50 to go', who: ['b1'], ready: false });
  expect(button(events, 151)).toMatchObject({ who: ['b1'], ready: true });
});

test('where groups follow each other, the first tap says how', () => {
  const plan = twoGroups('2x400 @5k / 60s', '2x400 @5k / 60s', 20);
  expect(button([], 0, plan)).toEqual({
    text: 'Start Milers: 400 @5k, Fives +0:20',
    who: ['a0', 'a1'],
    ready: true,
  });
});

test('after the last rep it ends, and then there are the results', () => {
  const plan = planOf('400 @5k');
  const events = [start(0), ...finished(['a0', 'a1'], 90)];
  expect(button(events, 100, plan)).toEqual({ kind: 'end' });
  expect(button([...events, at(120, { type: 'ended' })], 130, plan)).toEqual({ kind: 'results' });
});

test('the strip says of each group how long it runs, rests, or that it is time', () => {
  const spoken = (events: Events, atS: number) => {
    const state = replay(TWO, events);
    return state.groups.map((group) => groupText(state, group, T0 + atS * 1000).status);
  };
  const events = [start(0), ...finished(['a0', 'a1'], 90)];
  expect(spoken([], 0)).toEqual(['ready', 'ready']);
  expect(spoken([start(0)], 30)).toEqual(['0:30', 'ready']);
  expect(spoken(events, 100)).toEqual(['−0:50', 'ready']);
  expect(spoken(events, 151)).toEqual(['go', 'ready']);
});

test('while somebody of theirs is still running it does not offer to start them, it says what comes next', () => {
  const events = [start(0, 0, EVERYONE), ...finished(['a0', 'b0', 'b1'], 90)];
  expect(button(events, 95)).toEqual({ text: 'Next rep 2: 400 @5k · 0:55 to go', who: EVERYONE, ready: false });
  expect(button(events, 95, TWO, 'g0')).toMatchObject({ text: 'Next Milers: 400 @5k', ready: false });
});
