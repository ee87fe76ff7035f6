import type { RunEvent } from '@core/run/events';
import { withMemory } from './memoryLog';
import type { TrackLog } from './trackLog';

const full = () => Promise.reject(new Error('The storage is full.'));
/** A phone whose storage takes nothing. */
const fullLog: TrackLog = {
  addPlan: full,
  addEvents: full,
  addNew: full,
  readRun: () => Promise.resolve(undefined),
  plans: () => Promise.resolve([]),
  unsent: () => Promise.resolve({ plans: [], events: [] }),
  waiting: () => Promise.resolve(0),
  forget: () => Promise.resolve(),
  drop: () => Promise.resolve(),
  markSent: () => Promise.resolve(),
};
const stamp = (id: string) => ({ id, runId: 'run', deviceId: 'phone', atMs: 1 });

test('erasing one athlete from what is held in memory keeps what is about the others', async () => {
  const log = withMemory(fullLog);
  const start: RunEvent = { ...stamp('1'), type: 'started', repIndex: 0, athleteIds: ['ada', 'bo'] };
  const adas: RunEvent = { ...stamp('2'), type: 'passed', repIndex: 0, athleteId: 'ada', atM: 400 };
  const bos: RunEvent = { ...stamp('3'), type: 'passed', repIndex: 0, athleteId: 'bo', atM: 400 };
  // Their name in a note of somebody else is no event of theirs.
  const note: RunEvent = { ...stamp('4'), type: 'noted', athleteId: 'bo', repIndex: 0, text: 'ran with ada' };
  for (const event of [start, adas, bos, note]) await log.addNew(event);
  await log.forget('ada');
  expect((await log.unsent()).events).toEqual([{ ...start, athleteIds: ['bo'] }, bos, note]);
});
