import { libraryEntry } from '@core/library/searchLibrary';
import { readAhead } from './readAhead';

beforeEach(() => jest.useFakeTimers({ doNotFake: ['performance'] }));
afterEach(() => jest.useRealTimers());

let nowMs = 0;
jest.spyOn(performance, 'now').mockImplementation(() => nowMs);

/** Sessions that say which of them were read, and how long a reading takes. */
function library(count: number, tookMs: number) {
  const read = new Set<string>();
  const entries = Array.from({ length: count }, (_, i) => {
    const id = `${i}`;
    return libraryEntry({
      id,
      title: 'T',
      tags: [],
      get shorthand() {
        if (!read.has(id)) nowMs += tookMs;
        read.add(id);
        return '400 @5k';
      },
    });
  });
  return { read, entries };
}

test('all of it is read, little by little, the first in the list first', async () => {
  const { read, entries } = library(50, 4);
  readAhead(entries);
  expect(read.size).toBe(0);
  await jest.advanceTimersToNextTimerAsync();
  expect([...read]).toEqual(['0', '1', '2']);
  await jest.runAllTimersAsync();
  expect(read.size).toBe(50);
  expect(jest.getTimerCount()).toBe(0);
});

test('it stops where the list is left', async () => {
  const { read, entries } = library(50, 4);
  const stop = readAhead(entries);
  await jest.advanceTimersToNextTimerAsync();
  stop();
  await jest.runAllTimersAsync();
  expect(read.size).toBe(3);
});
