import { act, screen } from '@testing-library/react';
import { draw } from '../testing';
import { inPieces, useWorkedOut } from './inPieces';

beforeEach(() => jest.useFakeTimers());
afterEach(() => jest.useRealTimers());

/** Something that takes as long on a slow phone. */
const taking = (ms: number, done: string[], name: string) => () => {
  jest.advanceTimersByTime(ms);
  done.push(name);
};

test('what is quick is done together; after what takes long a tap comes first', async () => {
  const done: string[] = [];
  void inPieces([taking(1, done, 'a'), taking(1, done, 'b'), taking(50, done, 'c'), taking(1, done, 'd')]);
  expect(done).toEqual(['a', 'b', 'c']);
  await jest.advanceTimersByTimeAsync(1);
  expect(done).toEqual(['a', 'b', 'c', 'd']);
});

test('what is no longer wanted is left after the piece under way', async () => {
  const done: string[] = [];
  let isOver = false;
  void inPieces([taking(50, done, 'a'), taking(50, done, 'b')], () => isOver);
  isOver = true;
  await jest.advanceTimersByTimeAsync(100);
  expect(done).toEqual(['a']);
});

type Runs = { times: number };
function* count(runs: Runs) {
  yield () => (runs.times += 1);
}
function* fail(): Generator<() => never> {
  yield () => {
    throw new Error('This cannot be worked out.');
  };
}
function Sum({ of, how = count }: { of: Runs | undefined; how?: (runs: Runs) => Iterable<() => unknown> }) {
  return useWorkedOut(of, how) ? <p>Here it is</p> : null;
}
const drawn = () => screen.queryByText('Here it is');
const wait = () => act(() => jest.advanceTimersByTimeAsync(100));

test('something is drawn once it is worked out, and stays when what it is of changes', async () => {
  const { rerender } = draw(<Sum of={undefined} />);
  await wait();
  expect(drawn()).toBeNull();
  const first = { times: 0 };
  rerender(<Sum of={first} />);
  expect(drawn()).toBeNull();
  await wait();
  expect(drawn()).toBeVisible();
  const next = { times: 0 };
  rerender(<Sum of={next} />);
  expect(drawn()).toBeVisible();
  await wait();
  expect([first.times, next.times]).toEqual([1, 0]);
});

test('what cannot be worked out ahead is drawn all the same, to say so itself', async () => {
  draw(<Sum of={{ times: 0 }} how={fail} />);
  await wait();
  expect(drawn()).toBeVisible();
});

test('nothing is worked out for a screen that is left', async () => {
  const runs = { times: 0 };
  draw(<Sum of={runs} />).unmount();
  await wait();
  expect(runs.times).toBe(0);
});
