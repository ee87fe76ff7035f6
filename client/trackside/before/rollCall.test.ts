import { takesPart } from '@core/planning/dayPlan';
import type { SquadMember } from '@core/squad/athlete';
import type { Plan } from '@core/run/plan';
import { planForToday, presenceOf, settledEvents } from './rollCall';

const member = (id: string, status: SquadMember['status'] = 'training'): SquadMember => ({
  id,
  name: id,
  tileName: id,
  status,
  marks: [],
});
const [ada, bo, gus] = [member('ada'), member('bo'), member('gus', 'injured')] as const;
const plan: Plan = {
  id: 'run',
  sessionId: 's',
  title: 'T',
  date: '2026-11-25',
  shorthand: '400',
  groups: [
    {
      id: 'g',
      name: 'G',
      reps: [{ role: 'main', distanceM: 400, callM: [400] }],
      athletes: [ada, bo].map(({ id }) => ({ athleteId: id, name: id, tileName: id, targets: [{ recoveryS: 60 }] })),
    },
  ],
};

test('who is planned to run is here until somebody says otherwise; the injured are not expected', () => {
  expect([ada, bo, gus].map((athlete) => presenceOf({}, { bo: 'late' }, athlete))).toEqual([
    'present',
    'late',
    'absent',
  ]);
  expect(presenceOf({ taking: { gus: true } }, {}, gus)).toBe('present');
});

test('who was expected and is away stays in the plan, to turn up later; who is brought in comes into it', () => {
  expect(planForToday({ rounding: 1 }, [ada, bo, gus], { ada: 'absent' }, undefined)).toEqual({
    rounding: 1,
    taking: { ada: true, bo: true, gus: false },
  });
  expect(planForToday({}, [gus], { gus: 'present' }, undefined).taking).toEqual({ gus: true });
});

test('what was settled, as the first events', () => {
  const visitor = { athleteId: 'vi', name: 'Vi Oakhem', tileName: 'Vi', groupId: 'g', likeId: 'ada' };
  const settled = settledEvents({
    plan,
    presences: new Map([
      ['ada', 'absent'],
      ['bo', 'late'],
    ]),
    visitors: [visitor],
    conditions: { wind: 'windy' },
    timedIds: ['g'],
    finishesOnly: true,
  });
  expect(settled).toEqual([
    { type: 'marks', finishesOnly: true },
    { type: 'came', athleteId: 'ada', presence: 'absent' },
    { type: 'came', athleteId: 'bo', presence: 'late' },
    {
      type: 'joined',
      groupId: 'g',
      athlete: { athleteId: 'vi', name: 'Vi Oakhem', tileName: 'Vi', targets: [{ recoveryS: 60 }] },
    },
    { type: 'conditions', conditions: { wind: 'windy' } },
    { type: 'times', groupIds: ['g'] },
  ]);
  const nothing = { finishesOnly: false, presences: new Map(), visitors: [], conditions: {}, timedIds: undefined };
  expect(settledEvents({ plan, ...nothing })).toEqual([]);
});

test('a session by the clock starts its reps by itself', () => {
  const clock = { role: 'main' as const, durationS: 60, callM: [] };
  const fartlek = { ...plan, groups: plan.groups.map((group) => ({ ...group, reps: [clock] })) };
  const nothing = { finishesOnly: false, presences: new Map(), visitors: [], conditions: {}, timedIds: undefined };
  expect(settledEvents({ plan: fartlek, ...nothing })).toEqual([{ type: 'sending', sending: 'together' }]);
});

describe('how much those to take care of run', () => {
  const athletes = [member('a'), member('b')];
  test('who leaves out is not planned for; a part of it is told at the track, where it can be taken back', () => {
    const plan = planForToday({ care: { a: 'out', b: 'part' } }, athletes, {}, undefined, { a: 'out', b: 'part' });
    expect(athletes.map((athlete) => takesPart(plan, athlete))).toEqual([false, true]);
    expect(plan.care).toEqual({ a: 'out' });
  });
  test('who came all the same is brought in', () => {
    const plan = planForToday({ care: { a: 'out' } }, athletes, { a: 'present' }, undefined, { a: 'out' });
    expect(takesPart(plan, member('a'))).toBe(true);
  });
});
