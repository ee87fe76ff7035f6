import { fitCurve } from '@core/fitness/curve';
import type { LoopLine } from '@core/api/loopSchema';
import type { RunEvent } from '@core/run/events';
import type { Plan } from '@core/run/plan';
import { ChippedSquad } from './squad';

const T0 = 1_790_000_000_000;
const curve = fitCurve([{ distanceM: 5000, timeS: 1110, date: '2026-11-01', kind: 'race' }], { asOf: '2026-11-01' });
const rep = { role: 'main' as const, distanceM: 800, startM: 0, callM: [200, 400, 600, 800] };
const plan: Plan = {
  id: 'run',
  sessionId: 's',
  title: 'T',
  date: '2026-11-01',
  shorthand: '800',
  lapM: 400,
  groups: [
    {
      id: 'all',
      name: 'Everyone',
      reps: [rep],
      athletes: ['a', 'b'].map((athleteId) => ({
        athleteId,
        name: athleteId,
        tileName: athleteId,
        ...(athleteId === 'a' ? { chip: 'ZL-01' } : {}),
        targets: [{ targetS: 170 }],
      })),
    },
  ],
};

test('what is run over the line is said when its moment has come, with the time it had in truth', () => {
  const lines: LoopLine[] = [];
  const waiting: { run: () => void; afterMs: number }[] = [];
  const squad = new ChippedSquad({
    plan,
    habits: { a: { curve, rush: 0.02, unevenness: 0.01 } },
    random: () => 0.4,
    speed: 60,
    link: { send: (line) => lines.push(line) },
    later: (run, afterMs) => waiting.push({ run, afterMs }),
  });
  const start: RunEvent = {
    id: '1',
    runId: 'run',
    deviceId: 'd',
    atMs: T0,
    type: 'started',
    repIndex: 0,
    athleteIds: ['a', 'b'],
  };
  squad.hear([start]);
  expect(squad.truths).toHaveLength(2);
  // Two laps and the pulse of the one who wears a chip.
  expect(waiting).toHaveLength(3);
  for (const { run } of waiting) run();
  const marks = squad.truths[0]?.marks ?? [];
  expect(lines.map(({ type, chip, atMs }) => [type, chip, atMs])).toEqual([
    ['passing', 'ZL-01', marks[1]?.atMs],
    ['passing', 'ZL-01', marks[3]?.atMs],
    ['pulse', 'ZL-01', expect.any(Number)],
  ]);
  expect(waiting[0]?.afterMs).toBeCloseTo(((marks[1]?.atMs ?? 0) - T0) / 60, 3);
  squad.hear([{ ...start, id: '2', type: 'crossed' } as RunEvent]);
  expect(waiting).toHaveLength(3);
});
