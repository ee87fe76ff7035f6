import { ulid } from 'ulid';
import type { RunEvent } from '@core/trackside/events';
import type { Plan } from '@core/trackside/plan';
import { trackside } from './slice';

const plan = (id: string): Plan => ({
  id,
  sessionId: ulid(),
  title: 'Reps',
  date: '2026-10-20',
  shorthand: '400',
  reps: [],
  athletes: [],
});
const ended = (runId: string): RunEvent => ({ id: ulid(), runId, deviceId: ulid(), atMs: 1, type: 'ended' });
const { runOpened, eventKept, outboxChanged } = trackside.actions;
const { reducer } = trackside;
const start = reducer(undefined, { type: 'start' });

test('events are added to the run they belong to, and to no other', () => {
  const open = reducer(start, runOpened({ plan: plan('one'), events: [] }));
  const mine = ended('one');
  const after = [mine, ended('two')].reduce((state, event) => reducer(state, eventKept(event)), open);
  expect(after.run?.events).toEqual([mine]);
  expect(reducer(start, eventKept(mine)).run).toBeUndefined();
});

test('a tap kept while the log was being read is not lost, and nothing is there twice', () => {
  const [old, tapped] = [ended('one'), ended('one')];
  const tappedMeanwhile = reducer(reducer(start, runOpened({ plan: plan('one'), events: [old] })), eventKept(tapped));
  const reread = reducer(tappedMeanwhile, runOpened({ plan: plan('one'), events: [old] }));
  expect(reread.run?.events).toEqual([old, tapped]);
  expect(reducer(reread, runOpened({ plan: plan('one'), events: [tapped, old] })).run?.events).toEqual([tapped, old]);
});

test('opening another run leaves the first one’s events behind', () => {
  const first = reducer(start, runOpened({ plan: plan('one'), events: [ended('one')] }));
  expect(reducer(first, runOpened({ plan: plan('two'), events: [] })).run?.events).toEqual([]);
});

test('what waits is known', () => {
  expect(reducer(start, outboxChanged({ waiting: 3, refused: [] })).outbox.waiting).toBe(3);
});
