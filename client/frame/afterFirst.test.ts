import { api } from '../store/api';
import { store } from '../store/store';
import { afterFirst } from './afterFirst';

beforeEach(() => jest.useFakeTimers());
afterEach(() => jest.useRealTimers());

test('what comes later waits for the answers of the first screen, and can be called off', async () => {
  let answer: (response: unknown) => void = () => undefined;
  const asked = jest.spyOn(global, 'fetch').mockImplementation(
    () =>
      new Promise((resolve) => {
        answer = resolve as typeof answer;
      }),
  );
  const [start, stop, calledOff] = [jest.fn(), jest.fn(), jest.fn()];
  const stopStarted = afterFirst(start.mockReturnValue(stop));
  afterFirst(calledOff)();
  const query = store.dispatch(api.endpoints.venues.initiate(undefined, { forceRefetch: true }));
  await jest.advanceTimersByTimeAsync(1000);
  expect(start).not.toHaveBeenCalled();
  answer({ ok: true, status: 200, headers: new Headers(), text: async () => '[]', clone: () => ({}) });
  await jest.advanceTimersByTimeAsync(1000);
  expect(start).toHaveBeenCalledTimes(1);
  expect(calledOff).not.toHaveBeenCalled();
  stopStarted();
  expect(stop).toHaveBeenCalledTimes(1);
  // What is asked for later finds the first screen there.
  const late = jest.fn();
  afterFirst(late);
  await jest.advanceTimersByTimeAsync(1000);
  expect(late).toHaveBeenCalledTimes(1);
  query.unsubscribe();
  asked.mockRestore();
});
