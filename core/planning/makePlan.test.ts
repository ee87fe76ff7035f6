import { curveBook } from '../paces/shippedPaceBooks';
import { read } from '../session/testing';
import { standardTrack } from '../venue/venue';
import { suggestIntent } from '../advice/suggestIntent';
import { groupsFor } from './dayPlan';
import { groupRun } from './groupTargets';
import { makePlan } from './makePlan';
import { athletePlans } from './athletePlans';
import { planOfDay } from './runPlans';
import { member, runner } from './testing';
import { repLabel } from '../run/plan';
import { repColumns } from '../run/repColumns';
import { DAY, only, planOf } from '../run/testing';

const repsOf = (text: string) => only(planOf(text)).reps;
const targetsOf = (text: string) => only(planOf(text)).athletes[0]?.targets;

test('has the timed reps only, with calls at the 200s and what follows', () => {
  const text = 'warm: 1600 @easy, drills\nmain: 2x600 @3k / 90s walk\nfinish: 200 @mile\ncool: 800 @easy';
  const reps = repsOf(text);
  expect(reps.map(repLabel)).toEqual(['600 @3k', '600 @3k', '200 @mile']);
  expect(reps.map((rep) => rep.callM)).toEqual([[200, 400, 600], [200, 400, 600], [200]]);
  expect(reps[0]).toMatchObject({ recovery: '90s walk', role: 'main', startM: 0 });
  expect(targetsOf(text)?.[0]).toEqual({ targetS: expect.any(Number), recoveryS: 90 });
});

test('a rep by the clock is expected to cover some metres', () => {
  expect(targetsOf('2x60s @5k / equal jog')).toEqual([
    { targetS: 60, expectedM: expect.closeTo(60 * (5000 / 1110), 3), recoveryS: 60 },
    { targetS: 60, expectedM: expect.closeTo(270.27, 1) },
  ]);
});

test('columns gather what is the same for everyone', () => {
  const columns = repColumns(only(planOf('2x(3x600 @3k / 90s, 60s @mile) / 4:00, 600 @5k')));
  expect(columns.map(({ label, repIndexes }) => [label, repIndexes])).toEqual([
    ['600 @3k', [0, 1, 2, 4, 5, 6]],
    ['60s @mile', [3, 7]],
    ['600 @5k', [8]],
  ]);
});

test('a mile is not called as it crosses the line after 9 m', () => {
  const [mile] = repsOf('1mi @10k');
  expect(mile?.callM[0]).toBeCloseTo(209.34, 1);
  expect(mile?.callM).toHaveLength(8);
});

test('reps without a break run on', () => {
  expect(repsOf('2x(600 @10k, 400 @marathon)').map((rep) => rep.runsOn)).toEqual([true, true, true, undefined]);
});

test('a recovery with a range: the shorter end, and how long it may be', () => {
  expect(targetsOf('3x400 @5k / 60s-90s')?.[0]).toMatchObject({ recoveryS: 60, mostRecoveryS: 90 });
});

test('someone without a mark gets no times but the clock', () => {
  const header = { id: 'run', sessionId: 's', title: 'T', date: DAY, shorthand: '' };
  const nobody = { id: 'a0', name: 'New', tileName: 'New', paces: { paceBook: curveBook } };
  const plan = makePlan(header, read('2x400 @5k / 60s'), [nobody], standardTrack);
  expect(only(plan).athletes[0]?.targets).toEqual([{ recoveryS: 60 }, {}]);
});

test('what is above the critical speed comes along, for what is proposed on the way', () => {
  expect(only(planOf('400 @5k')).athletes[0]?.reserve).toEqual({
    criticalMps: expect.any(Number),
    reserveM: expect.any(Number),
  });
});

test('before the day and on it everyone has the same targets: given the least where they start at it, resting as the squad does', () => {
  const text = '3x2-3min @5k / 90s, 2-3x400 @mile / 60s';
  const session = read(text);
  const intent = suggestIntent(session);
  const rests = { manner: 'jog' as const };
  const runners = [runner('a', 1110), { ...runner('young', 1300), startsAtLeast: true }];
  const header = { id: 'run', sessionId: 's', title: 'T', date: DAY, shorthand: text };
  const groups = groupsFor(
    {},
    runners.map(({ id }) => member(id)),
    [],
  );
  const plans = athletePlans({ session, intent, plan: {}, groups, runners, venue: standardTrack, rests });
  const runs = groups.map((group) => groupRun(group, plans));
  const onTheDay = only(planOfDay(header, runs, standardTrack));
  const before = only(makePlan(header, session, runners, standardTrack, intent, rests));
  expect(before.athletes).toEqual(onTheDay.athletes);
  expect(before.reps).toEqual(onTheDay.reps);
  expect(before.athletes.map(({ targets }) => targets[0]?.targetS)).toEqual([180, 120]);
  expect(before.athletes.map(({ targets }) => targets.filter(({ isLeftOut }) => !isLeftOut).length)).toEqual([6, 5]);
  expect(before.reps[0]?.recovery).toBe('90s jog');
});
