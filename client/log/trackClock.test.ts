import { nowMs, readClockAgain, wallClockMs, watchClock } from './trackClock';

const realNow = Date.now;
/** What somebody has set the phone's clock by; the page's own time stamps do not notice. */
let setByMs = 0;
const kept = new Map<string, string>();
beforeEach(() => {
  setByMs = 0;
  kept.clear();
  Date.now = () => performance.timeOrigin + performance.now() + setByMs;
  Object.defineProperty(globalThis, 'localStorage', {
    configurable: true,
    value: {
      getItem: (key: string) => kept.get(key) ?? null,
      setItem: (key: string, text: string) => kept.set(key, text),
    },
  });
  readClockAgain();
});
afterAll(() => {
  Date.now = realNow;
});

/** The page anew: its origin is taken from the clock as it is set by then. */
function reload(): void {
  const origin = Date.now() - performance.now();
  Object.defineProperty(performance, 'timeOrigin', { configurable: true, value: origin });
  setByMs = 0;
  readClockAgain();
}

test('a time stamp of the page is a time of the phone’s clock', () => {
  expect(wallClockMs(1234) - Math.round(performance.timeOrigin)).toBeCloseTo(1234, -1);
  expect(Math.abs(nowMs() - Date.now())).toBeLessThan(50);
});

test('set back five minutes in the middle of a session, times go on as if nothing had happened, a reload later too', () => {
  const before = nowMs();
  setByMs = -300_000;
  watchClock();
  expect(nowMs() - before).toBeGreaterThanOrEqual(0);
  expect(nowMs() - before).toBeLessThan(1000);
  reload();
  expect(nowMs() - before).toBeGreaterThanOrEqual(0);
  expect(nowMs() - before).toBeLessThan(1000);
});

test('the usual tidying of a clock by some milliseconds is not kept', () => {
  setByMs = -200;
  watchClock();
  expect(kept.size).toBe(0);
});
