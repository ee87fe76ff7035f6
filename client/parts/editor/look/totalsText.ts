import { addSeconds } from 'date-fns/addSeconds';
import { format } from 'date-fns/format';
import { parse } from 'date-fns/parse';
import { formatLength, type LengthUnit } from '@core/units/distance';
import type { SpanEnd } from '../../../data/sessionView';

/** Whole minutes. */
export const minutes = (durationS: number) => Math.round(durationS / 60);
/** `48 min`, or `48 to 61 min` where the two differ. */
export function minutesText(values: readonly number[]): string {
  const [least, most] = [minutes(Math.min(...values)), minutes(Math.max(...values))];
  if (most === 0) return `${Math.round(Math.max(...values))} s`;
  return least === most ? `${least} min` : `${least} to ${most} min`;
}
/** Metres to the nearest ten; from ten kilometres up, kilometres or miles. */
export const metresText = (distanceM: number, unit: LengthUnit) =>
  distanceM >= 10_000
    ? formatLength(distanceM, unit)
    : `${(Math.round(distanceM / 10) * 10).toLocaleString('en-GB')} m`;
/** How much of what could be run flat out, from the one to the other. */
export const percentText = (ends: readonly SpanEnd[]) => {
  const shares = ends.map((end) => Math.round(end.shareOfLimit * 100));
  const [least, most] = [Math.min(...shares), Math.max(...shares)];
  return least === most ? `${least} %` : `${least} to ${most} %`;
};
/** The time of day so many seconds after `startTime` (HH:MM). */
export const clockAfter = (startTime: string, seconds: number) =>
  format(addSeconds(parse(startTime, 'HH:mm', new Date()), seconds), 'HH:mm');
