import fs from 'node:fs';
import path from 'node:path';
import { Jobs } from './jobs';

const error = jest.fn();
let jobs: Jobs;
beforeEach(() => {
  jest.useFakeTimers();
  error.mockReset();
  jobs = new Jobs({ error });
});
afterEach(() => jest.useRealTimers());

test('a job that fails is reported once, tried again, and reported anew only after it has worked', async () => {
  const work = jest
    .fn()
    .mockRejectedValueOnce(new Error('full'))
    .mockImplementationOnce(() => {
      throw new Error('still full');
    })
    .mockResolvedValueOnce(undefined)
    .mockRejectedValueOnce(new Error('full again'))
    .mockResolvedValue(undefined);
  jobs.every('empty', 1000, work);
  await jest.advanceTimersByTimeAsync(3000);
  expect(work).toHaveBeenCalledTimes(3);
  expect(error).toHaveBeenCalledTimes(1);
  await jest.advanceTimersByTimeAsync(2000);
  expect(error.mock.calls.map(([{ err }]) => (err as Error).message)).toEqual(['full', 'full again']);
});

test('what is to be done once is tried until it is done', async () => {
  const work = jest.fn().mockRejectedValueOnce(new Error('full')).mockResolvedValue(undefined);
  await jobs.untilDone('truncate', 1000, work);
  await jest.advanceTimersByTimeAsync(10_000);
  expect(work).toHaveBeenCalledTimes(2);
  expect(error).toHaveBeenCalledTimes(1);
});

test('nothing is begun after it was stopped', async () => {
  const work = jest.fn().mockRejectedValue(new Error('full'));
  jobs.every('often', 1000, work);
  await jobs.untilDone('once', 1000, work);
  jobs.stop();
  await jest.advanceTimersByTimeAsync(10_000);
  expect(work).toHaveBeenCalledTimes(1);
});

/** Timers beside Jobs, each with the reason that none of them can end the server. */
const OWN_TIMERS: Record<string, string> = {
  'db/results.ts': 'yields to requests between slices of work that its caller awaits',
  'db/writeTogether.ts': 'writes what came in within one turn, each caught by itself; its callers await the result',
  'live/stream.ts': 'the heartbeat of a stream',
  'loop/serve.ts': 'closes silent devices',
  'loop/turns.ts': 'gives loops their turns; each line is caught by itself',
  'jobs.ts': 'Jobs',
};

test('nothing of the server runs by a timer but jobs, and a few that cannot fail', () => {
  const files = fs.readdirSync(__dirname, { recursive: true, encoding: 'utf8' });
  const withTimers = files.filter(
    (file) =>
      file.endsWith('.ts') &&
      !/\.test\.ts$|^test\//.test(file) &&
      /set(Timeout|Interval|Immediate)\(/.test(fs.readFileSync(path.join(__dirname, file), 'utf8')),
  );
  expect(withTimers.sort()).toEqual(Object.keys(OWN_TIMERS).sort());
});
