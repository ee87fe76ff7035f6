import { askWorker } from './askWorker';

/** A worker in which nothing happens until a test says so. */
const idle = () => ({ postMessage: jest.fn(), terminate: jest.fn() }) as unknown as Worker;
const twice = (n: number) => 2 * n;

test('the worker answers, and is let go', () => {
  const [worker, done] = [idle(), jest.fn()];
  askWorker(worker, 21, twice, done);
  expect(worker.postMessage).toHaveBeenCalledWith(21);
  worker.onmessage?.({ data: 42 } as MessageEvent<number>);
  expect(done).toHaveBeenCalledWith(42);
  expect(worker.terminate).toHaveBeenCalledTimes(1);
});

test('where it fails the page itself answers', () => {
  const [worker, done] = [idle(), jest.fn()];
  askWorker(worker, 4, twice, done);
  worker.onerror?.({} as ErrorEvent);
  expect(done).toHaveBeenCalledWith(8);
});

test('nothing is answered once it is ended', () => {
  const [worker, done] = [idle(), jest.fn()];
  askWorker(worker, 4, twice, done)();
  expect(worker.terminate).toHaveBeenCalledTimes(1);
  expect(done).not.toHaveBeenCalled();
});
