import { leastPlan, endedIn } from '../log/runFixture';
import type { RunEvent } from '@core/run/events';
import { trackside } from './trackside';

const { runOpened, eventsCame, outboxChanged } = trackside.actions;
const eventKept = (event: RunEvent) => trackside.actions.eventKept({ event, inMemory: 0 });
const { reducer } = trackside;
const start = reducer(undefined, { type: 'start' });

test('events are added to the run they belong to, and to no other', () => {
  const open = reducer(start, runOpened({ plan: leastPlan('one'), events: [] }));
  const mine = endedIn('one');
  const after = [mine, endedIn('two')].reduce((state, event) => reducer(state, eventKept(event)), open);
  expect(after.run?.events).toEqual([mine]);
  expect(reducer(start, eventKept(mine)).run).toBeUndefined();
});

test('a tap kept while the log was being read is not lost, and nothing is there twice', () => {
  const [old, tapped] = [endedIn('one'), endedIn('one')];
  const tappedMeanwhile = reducer(
    reducer(start, runOpened({ plan: leastPlan('one'), events: [old] })),
    eventKept(tapped),
  );
  const reread = reducer(tappedMeanwhile, runOpened({ plan: leastPlan('one'), events: [old] }));
  expect(reread.run?.events).toEqual([old, tapped]);
  expect(reducer(reread, runOpened({ plan: leastPlan('one'), events: [tapped, old] })).run?.events).toEqual([
    tapped,
    old,
  ]);
});

test('opening another run leaves the first one’s events behind', () => {
  const first = reducer(start, runOpened({ plan: leastPlan('one'), events: [endedIn('one')] }));
  expect(reducer(first, runOpened({ plan: leastPlan('two'), events: [] })).run?.events).toEqual([]);
});

test('what waits is known', () => {
  expect(reducer(start, outboxChanged({ waiting: 3, refused: [], inMemory: 0 })).outbox.waiting).toBe(3);
});

test('what others timed in another session never reaches this one, and nothing comes twice', () => {
  const open = reducer(start, runOpened({ plan: leastPlan('one'), events: [] }));
  const [mine, others] = [endedIn('one'), endedIn('two')];
  const after = reducer(open, eventsCame([mine, others]));
  expect(after.run?.events).toEqual([mine]);
  expect(reducer(after, eventsCame([mine, others])).run?.events).toEqual([mine]);
});

test('what was taken off this phone is not shown any more', () => {
  const [one, two] = [endedIn('one'), endedIn('one')];
  const open = reducer(start, runOpened({ plan: leastPlan('one'), events: [one, two] }));
  expect(reducer(open, trackside.actions.eventsDropped([one.id])).run?.events).toEqual([two]);
});
