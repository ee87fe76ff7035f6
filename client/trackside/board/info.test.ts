import type { Plan } from '@core/run/plan';
import { replay } from '@core/run/replay';
import type { Happening, RunEvent } from '@core/run/events';
import type { LiveProposal } from '@core/trackside/proposals';
import { infoFor } from './info';

const T0 = 1_790_000_000_000;
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
      reps: [{ role: 'main', distanceM: 400, callM: [200, 400] }],
      athletes: ['ada', 'bo'].map((athleteId, i) => ({
        athleteId,
        name: athleteId,
        tileName: athleteId,
        targets: [{ targetS: 80 + 8 * i, recoveryS: 60 }],
      })),
    },
  ],
};
let n = 0;
const at = (atS: number, happening: Happening): RunEvent => ({
  ...happening,
  id: String(n++).padStart(3, '0'),
  runId: 'run',
  deviceId: 'd',
  atMs: T0 + atS * 1000,
});
const state = replay(plan, [at(0, { type: 'started', repIndex: 0, athleteIds: ['ada', 'bo'] })]);
const offered: LiveProposal = { rule: 'niggle', athleteId: 'ada', repIndex: 0, options: [], facts: {} };

test('else it says who comes next, and when', () =>
  expect(infoFor(state, T0 + 30_500, 0, undefined, [])).toEqual({
    kind: 'coming',
    next: [
      { key: 'ada 200', name: 'ada', when: '0:10' },
      { key: 'bo 200', name: 'bo', when: '0:14' },
    ],
  }));

test('the most pressing thing goes first', () => {
  const line = at(41, { type: 'crossed' });
  const unnamed = replay(plan, [at(0, { type: 'started', repIndex: 0, athleteIds: ['ada'] }), line]);
  expect(infoFor(unnamed, T0, 2, offered, ['bo'])).toEqual({ kind: 'storage', inMemory: 2 });
  expect(infoFor(unnamed, T0, 0, offered, ['bo'])).toEqual({ kind: 'names', count: 1 });
  expect(infoFor(state, T0, 0, offered, ['bo'])).toEqual({
    kind: 'proposal',
    proposal: offered,
    text: 'ada has a niggle: stop here?',
  });
});

test('nobody is asked how it was while somebody is about to come in', () => {
  expect(infoFor(state, T0 + 20_000, 0, undefined, ['ada', 'bo'])).toEqual({
    kind: 'ask',
    athleteId: 'ada',
    name: 'ada',
    more: 1,
  });
  expect(infoFor(state, T0 + 35_000, 0, undefined, ['ada']).kind).toBe('coming');
});
