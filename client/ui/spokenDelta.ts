import type { Verdict } from '@core/run/verdict';
import { formatDelta } from '@core/units/time';

/** `−1.4`, `on` or `+2.0`, as said aloud. */
export function spokenDelta(deltaS: number, verdict: Verdict): string {
  return verdict === 'on' ? 'on target' : `${formatDelta(Math.abs(deltaS)).replace('+', '')} seconds ${verdict}`;
}
