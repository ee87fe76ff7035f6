import type { RunEvent } from './events';
import { athletesOf, type Plan } from './plan';
import { runOf } from './runOf';

const plan: Plan = {
  id: 'run',
  sessionId: 's',
  title: 'T',
  date: '2026-11-01',
  shorthand: '400',
  groups: [
    {
      id: 'all',
      name: 'Everyone',
      leaderId: 'a',
      reps: [{ role: 'main', distanceM: 400, callM: [400] }],
      athletes: ['a', 'b'].map((athleteId) => ({ athleteId, name: athleteId, tileName: athleteId, targets: [{}] })),
    },
  ],
};
const stamp = (id: string) => ({ id, runId: 'run', deviceId: 'd', atMs: 1 });
const events: RunEvent[] = [
  { ...stamp('1'), type: 'started', repIndex: 0, athleteIds: ['a', 'b'] },
  { ...stamp('2'), type: 'started', repIndex: 0, athleteIds: ['a'] },
  { ...stamp('3'), type: 'passed', repIndex: 0, athleteId: 'a', atM: 400 },
  { ...stamp('4'), type: 'passed', repIndex: 0, athleteId: 'b', atM: 400 },
  { ...stamp('5'), type: 'undone', eventId: '3' },
  { ...stamp('6'), type: 'undone', eventId: '4' },
  { ...stamp('7'), type: 'ended' },
];

test('what is about others only is kept, and nothing of the one who is left out', () => {
  const kept = runOf({ plan, events }, (athleteId) => athleteId !== 'a');
  expect(athletesOf(kept.plan).map(({ athleteId }) => athleteId)).toEqual(['b']);
  expect(kept.events).toEqual([{ ...events[0], athleteIds: ['b'] }, events[3], events[5], events[6]]);
  expect(JSON.stringify(kept)).not.toContain('"a"');
});

test('one athlete’s own part, and the whole left as it was', () => {
  const before = JSON.stringify({ plan, events });
  expect(runOf({ plan, events }, (id) => id === 'a').events.map(({ id }) => id)).toEqual(['1', '2', '3', '5', '7']);
  expect(JSON.stringify({ plan, events })).toBe(before);
});
