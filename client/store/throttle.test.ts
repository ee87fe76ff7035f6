import { throttle } from './throttle';

beforeEach(() => jest.useFakeTimers());
afterEach(() => jest.useRealTimers());

test('asked for many times, it is done once, and again when asked again', () => {
  const act = jest.fn();
  const soon = throttle(act, 300);
  for (let i = 0; i < 8; i++) soon();
  jest.advanceTimersByTime(299);
  expect(act).not.toHaveBeenCalled();
  jest.advanceTimersByTime(1);
  expect(act).toHaveBeenCalledTimes(1);
  soon();
  jest.advanceTimersByTime(300);
  expect(act).toHaveBeenCalledTimes(2);
});

test('where the browser can put it behind what is more pressing, it does', () => {
  const postTask = jest.fn((run: () => void) => Promise.resolve(run()));
  Object.assign(globalThis, { scheduler: { postTask } });
  const act = jest.fn();
  throttle(act, 300)();
  expect(postTask).toHaveBeenCalledWith(expect.any(Function), { delay: 300 });
  expect(act).toHaveBeenCalledTimes(1);
  Reflect.deleteProperty(globalThis, 'scheduler');
});
