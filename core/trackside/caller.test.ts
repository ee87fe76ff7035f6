import { callerPanels, canBeCalled, groupNow, isByTheClock } from './caller';
import { replay } from '../run/replay';
import { at, only, planOf, start, T0, twoGroups } from '../run/testing';

test('what the group does now, for how long yet, and what comes next', () => {
  const state = replay(planOf('2x90s @3k / 60s jog'), [start(0)]);
  expect(groupNow(state, 'all', T0 - 1)).toBeUndefined();
  expect(groupNow(state, 'all', T0 + 30_000)).toMatchObject({
    words: '@3k',
    isHard: true,
    leftS: 60,
    next: { words: 'easy', lengthS: 60 },
  });
  expect(groupNow(state, 'all', T0 + 100_000)).toMatchObject({
    words: 'easy',
    isHard: false,
    leftS: 50,
    next: { words: '@3k', lengthS: 90 },
  });
});

test('the phone can call all of it only where all of it goes by the clock', () => {
  const by = (text: string) => isByTheClock(only(planOf(text)));
  expect(by('6x90s @3k / 90s jog')).toBe(true);
  expect(by('6x400 @3k / 90s jog')).toBe(false);
});

test('a stretch without structure is called as well, by its leader', () => {
  expect(canBeCalled(only(planOf('25min free')))).toBe(true);
  expect(canBeCalled(only(planOf('6x400 @3k / 90s jog')))).toBe(false);
});

describe('several groups', () => {
  const plan = twoGroups('2x90s @3k / 60s jog', '2x90s @3k / 60s jog');
  const all = new Set(['g0', 'g1']);
  const panels = (events: Parameters<typeof replay>[1], atS: number, shown = all) =>
    callerPanels(replay(plan, events), shown, T0 + atS * 1000).map(({ groups, now }) => [
      groups.map(({ name }) => name).join('+'),
      now?.words,
      now?.leftS,
    ]);
  const both = start(0, 0, ['a0', 'a1', 'b0', 'b1']);

  test('in step they are one; out of step each is shown', () => {
    expect(panels([], 0)).toEqual([['Milers+Fives', undefined, undefined]]);
    expect(panels([both], 30)).toEqual([['Milers+Fives', '@3k', 60]]);
    expect(panels([start(0), start(20, 0, ['b0', 'b1'])], 30)).toEqual([
      ['Milers', '@3k', 60],
      ['Fives', '@3k', 80],
    ]);
    expect(panels([start(0)], 30)).toEqual([
      ['Milers', '@3k', 60],
      ['Fives', undefined, undefined],
    ]);
  });

  test('only those asked for, and a group with nobody in it is not shown', () => {
    expect(panels([both], 30, new Set(['g1']))).toEqual([['Fives', '@3k', 60]]);
    const moved = at(1, { type: 'moved', athleteIds: ['b0', 'b1'], groupId: 'g0' });
    expect(panels([moved], 2)).toEqual([['Milers', undefined, undefined]]);
  });

  test('a surge that only one of them runs sets them apart', () => {
    const surge = at(10, { type: 'surged', groupId: 'g1', isOn: true });
    expect(panels([both, surge], 30).map(([name]) => name)).toEqual(['Milers', 'Fives']);
  });
});
