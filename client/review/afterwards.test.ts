import { ulid } from 'ulid';
import type { Happening, RunEvent } from '@core/run/events';
import { replay } from '@core/run/replay';
import type { Plan } from '@core/run/plan';
import { leastPlan } from '../log/runFixture';
import { saidAfterwards } from './afterwards';

const plan: Plan = {
  ...leastPlan(ulid()),
  groups: [
    {
      id: 'all',
      name: 'Everyone',
      reps: [{ role: 'main', distanceM: 400, callM: [400] }],
      athletes: [{ athleteId: 'a', name: 'Ada', tileName: 'Ada', targets: [{}] }],
    },
  ],
};
/** Something said at a moment, maybe about an earlier one. */
const said = (saidAtMs: number, happening: Happening, atMs = saidAtMs): RunEvent => ({
  ...happening,
  id: ulid(saidAtMs),
  runId: plan.id,
  deviceId: ulid(),
  atMs,
});

test('what was said after the end, the latest first, also of a moment long before; what was taken back is still there', () => {
  const start = said(1000, { type: 'started', repIndex: 0, athleteIds: ['a'] });
  const end = said(100_000, { type: 'ended' });
  const late = said(200_000, { type: 'passed', athleteId: 'a', repIndex: 0, atM: 400, estimated: true }, 81_000);
  const soon = said(150_000, { type: 'sessionFelt', athleteId: 'a', effort: 6 });
  const felt = said(4_000_000, { type: 'felt', athleteId: 'a', repIndex: 0, effort: 7 });
  const undo = said(4_100_000, { type: 'undone', eventId: felt.id });
  const all = [start, end, soon, late, felt, undo];
  expect(saidAfterwards(replay(plan, all))).toEqual([
    { event: felt, saidAtMs: 4_000_000, counts: false, undoneBy: undo.id },
    { event: late, saidAtMs: 200_000, counts: true },
  ]);
  expect(saidAfterwards(replay(plan, [start, late, felt]))).toEqual([]);
});
