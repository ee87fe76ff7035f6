/** How far this phone's clock is from the server's, so that the times of several phones lie on one clock. */

/** `offsetMs`: how far the phone's clock is behind (above 0); the error is up to `errorMs` either way. */
export type ClockOffset = { offsetMs: number; errorMs: number };

const SAMPLES = 5;

/**
 * Measures it by asking several times and believing the quickest answer: the server's time was read somewhere between asking and
 * hearing, so half of that time is the most it can be off (Cristian, Distributed Computing 3:146, 1989).
 * @param ask gives the server's time, ms since 1970; undefined when it cannot be reached.
 * @param nowMs the phone's clock.
 */
export async function measureClock(
  ask: () => Promise<number | undefined>,
  nowMs: () => number,
): Promise<ClockOffset | undefined> {
  let best: ClockOffset | undefined;
  for (let i = 0; i < SAMPLES; i++) {
    const askedAtMs = nowMs();
    const serverMs = await ask();
    if (serverMs === undefined) continue;
    const heardAtMs = nowMs();
    const errorMs = (heardAtMs - askedAtMs) / 2;
    if (!best || errorMs < best.errorMs) best = { offsetMs: serverMs - (askedAtMs + heardAtMs) / 2, errorMs };
  }
  return best;
}

/** Nobody times more finely than this by hand, so a smaller offset is not worth an event. */
const WORTH_MS = 25;

/** Whether a measurement adds anything: the offset differs by more than its own error. */
export const isNews = ({ offsetMs, errorMs }: ClockOffset, knownMs: number): boolean =>
  Math.abs(offsetMs - knownMs) > Math.max(WORTH_MS, errorMs);

/** The server's time, for measureClock(). */
export async function askServerTime(): Promise<number | undefined> {
  try {
    const answer = await fetch('/api/clock', { cache: 'no-store' });
    const { nowMs } = (await answer.json()) as { nowMs?: unknown };
    return answer.ok && typeof nowMs === 'number' ? nowMs : undefined;
  } catch {
    return undefined;
  }
}
