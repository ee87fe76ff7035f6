import type { ReviewCell } from '@core/review/cell';
import type { PulseBand } from '@core/squad/schools';
import { formatClock, formatRest, formatTime } from '@core/units/time';

/** A pair of rests from this many seconds on is written in minutes. */
const IN_MINUTES_S = 100;

/** Both of a pair of rests the same way: `88 s` and `90 s`, `1:59` and `1:30`. */
export function restPair(aS: number, bS: number): [string, string] {
  const text = (timeS: number) => (Math.max(aS, bS) >= IN_MINUTES_S ? formatTime(timeS, 0) : formatRest(timeS));
  return [text(aS), text(bS)];
}

/** `rest 1:41 of 1:30 (+12 %)` */
function restText({ restS, plannedRestS }: ReviewCell): string | undefined {
  if (restS === undefined) return undefined;
  if (plannedRestS === undefined) return `rest ${formatRest(restS)}`;
  const [taken, planned] = restPair(restS, plannedRestS);
  const percent = plannedRestS > 0 ? Math.round((restS / plannedRestS - 1) * 100) : 0;
  const off = percent === 0 ? '' : ` (${percent > 0 ? '+' : '−'}${Math.abs(percent)}\u00a0%)`;
  return `rest ${taken} of ${planned}${off}`;
}

/** `pulse 182, above 160–175`; without a band the pulse alone. */
function pulseText(beatsPerMin: number, band: PulseBand | undefined): string {
  const pulse = `pulse ${beatsPerMin}`;
  if (!band) return pulse;
  const where = beatsPerMin < band.from ? 'below' : beatsPerMin > band.to ? 'above' : 'in';
  return `${pulse}, ${where} ${band.from}–${band.to}`;
}

/** Everything else that is known of a rep, in one line; the pulse against the coach's band for such a session. */
export function detailsText(cell: ReviewCell, band: PulseBand | undefined): string {
  const { effort, beatsPerMin, flags, notes, excluded, source } = cell;
  return [
    restText(cell),
    effort === undefined ? undefined : `effort ${effort}`,
    beatsPerMin === undefined ? undefined : pulseText(beatsPerMin, band),
    ...flags,
    ...notes,
    source === 'chip' ? 'by chip' : source === 'typed' ? 'typed in' : undefined,
    excluded && `not counted: ${excluded.reason}`,
  ]
    .filter((text) => text !== undefined)
    .join(' · ');
}

/** Pace of a rep by the clock: `4:48/km`. */
export const paceText = (timeS: number, distanceM: number): string => `${formatTime((timeS / distanceM) * 1000, 0)}/km`;

/** A rep's result: `1:28.8 of 1:28.0`, `1042 m in 5:00 = 4:48/km, target 4:40/km`, `no finish taken`. */
export function outcomeText({
  actualS,
  coveredM,
  expectedM,
  plannedS,
  targetS,
  unfinished,
  leftOut,
}: ReviewCell): string {
  if (actualS === undefined) return unfinished ? 'no finish taken' : leftOut ? 'left out' : 'not run';
  if (coveredM !== undefined) {
    const target = expectedM === undefined ? '' : `, target ${paceText(actualS, expectedM)}`;
    return `${Math.round(coveredM)} m in ${formatClock(actualS)} = ${paceText(actualS, coveredM)}${target}`;
  }
  if (plannedS !== undefined) return `${formatClock(actualS)} of ${formatClock(plannedS)}`;
  return `${formatTime(actualS, 1)}${targetS === undefined ? '' : ` of ${formatTime(targetS, 1)}`}`;
}
