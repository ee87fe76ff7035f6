/** Time in which the track is someone else's, on the session's own clock. */
import { isWork, type TargetLeg } from '../targets/targetsFor';
import { amountsOf } from '../targets/totals';
import type { BusySpan } from './traffic';

const secondsOf = (time: string) => {
  const [hours = 0, minutes = 0] = time.split(':').map(Number);
  return hours * 3600 + minutes * 60;
};

/** Seconds from the start of the session to the first start of the main part. */
export function mainStartS(legs: readonly TargetLeg[]): number {
  const first = legs.findIndex(isWork);
  return legs.slice(0, Math.max(0, first)).reduce((sum, leg) => sum + amountsOf(leg).durationS, 0);
}

/** Times of day (HH:MM) as seconds from the first start, `leadS` after `startTime`. */
export const busySpans = (
  busy: readonly { from: string; to: string }[],
  startTime: string,
  leadS: number,
): BusySpan[] =>
  busy.map(({ from, to }) => ({
    fromS: secondsOf(from) - secondsOf(startTime) - leadS,
    toS: secondsOf(to) - secondsOf(startTime) - leadS,
  }));

/** The time of day so many seconds after a start: `18:07`. */
export function clockAt(startTime: string, afterS: number): string {
  const at = Math.floor((secondsOf(startTime) + afterS) / 60);
  const two = (value: number) => String(value).padStart(2, '0');
  return `${two(Math.floor(at / 60) % 24)}:${two(((at % 60) + 60) % 60)}`;
}
