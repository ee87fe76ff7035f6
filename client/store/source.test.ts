import { configureStore } from '@reduxjs/toolkit';
import { trackside } from './trackside';
import { leastPlan, endedIn } from '../log/runFixture';
import { fromStore } from './source';

const { runOpened, eventKept } = trackside.actions;

test('a source of the store is heard of when it changed, by everyone, and not afterwards', () => {
  const store = configureStore({ reducer: trackside.reducer });
  store.dispatch(runOpened({ plan: leastPlan('one'), events: [] }));
  const events = fromStore(store, ({ run }) => run?.events);
  const [first, second] = [jest.fn(), jest.fn()];
  const stops = [events.subscribe(first), events.subscribe(second)];
  store.dispatch(eventKept({ event: endedIn('another'), inMemory: 0 }));
  expect(first).not.toHaveBeenCalled();
  const mine = endedIn('one');
  store.dispatch(eventKept({ event: mine, inMemory: 0 }));
  expect(events.getSnapshot()).toEqual([mine]);
  expect([first.mock.calls.length, second.mock.calls.length]).toEqual([1, 1]);
  for (const stop of stops) stop();
  store.dispatch(eventKept({ event: endedIn('one'), inMemory: 0 }));
  expect(first).toHaveBeenCalledTimes(1);
  expect(events.getSnapshot()).toHaveLength(2);
});
