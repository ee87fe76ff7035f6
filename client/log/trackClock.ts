/**
 * The clock that stamps taps. It follows the phone's, but never jumps: when somebody sets the phone's clock during a session, times go on
 * as if nothing had happened, also after a reload.
 */
const KEY = 'zest-lap-clock';
/** A jump is remembered as long as a session may last; after that the phone's clock is trusted again. */
const KEPT_MS = 12 * 3_600_000;
/** Smaller jumps are the device's usual clock discipline. */
const JUMP_MS = 500;

/** How far the phone's clock has jumped back (above 0) or forward under us, in ms. */
let jumpedMs = rememberedMs();

function rememberedMs(): number {
  try {
    const { jumpMs, savedAtMs } = JSON.parse(localStorage.getItem(KEY) ?? '{}') as Record<string, unknown>;
    if (typeof jumpMs !== 'number' || typeof savedAtMs !== 'number') return 0;
    return Math.abs(Date.now() + jumpMs - savedAtMs) < KEPT_MS ? jumpMs : 0;
  } catch {
    return 0;
  }
}

/** The wall-clock time of an event of the page, in whole milliseconds since 1970, from its own time stamp. */
export const wallClockMs = (timeStamp: number): number => Math.round(performance.timeOrigin + timeStamp + jumpedMs);

/** The time now, on the same clock as the taps. */
export const nowMs = (): number => wallClockMs(performance.now());

let noted = jumpedMs;

/** Looks whether the phone's clock was set, and remembers by how much: called now and then while a session runs. */
export function watchClock(): void {
  const jumpMs = nowMs() - Date.now();
  if (Math.abs(jumpMs - noted) < JUMP_MS) return;
  noted = jumpMs;
  try {
    localStorage.setItem(KEY, JSON.stringify({ jumpMs: Math.round(jumpMs), savedAtMs: nowMs() }));
  } catch {
    // Without storage the clock holds until the next reload.
  }
}

/** For tests: as after a reload. */
export function readClockAgain(): void {
  jumpedMs = rememberedMs();
  noted = jumpedMs;
}
