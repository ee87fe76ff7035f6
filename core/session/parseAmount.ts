import { MILE_M } from '../units/distance';
import type { Reader } from './reader';
import type { Amount } from './session';

/*
 *   amount   = distance | duration
 *   distance = NUM ( "m" | "k" | "km" | "mi" ) | INT ; a bare whole number of 50 or more is metres
 *   duration = M:SS | H:MM:SS | NUM ( "s" | "min" )  ; also 2' and 90"
 */

export const LIMIT = { distanceM: 100_000, durationS: 8 * 3600 };

/** Seconds or minutes marks after a number; `"` only where it cannot open a note. */
const CLOCK = /(?:(\d+):)?(\d+):(\d\d(?:\.\d+)?)/y;
const TICKS = /(\d+(?:\.\d+)?)\s*['′’](?:\s*(\d+(?:\.\d+)?)(?:\s*[″”]|"(?![\w]))?)?/y;
const SECONDS = /(\d+(?:\.\d+)?)(?:\s*(?:s|sec|secs)\b|\s*[″”]|"(?!\w[^"\n]*"))/iy;
const MINUTES = /(\d+(?:\.\d+)?)\s*(?:min|mins)\b/iy;
const LENGTH = /(\d+(?:\.\d+)?)\s*(mi|km|k|m)\b/iy;
const BARE = /\d+(?:\.\d+)?(?![\w.])/y;

const round = (value: number) => Math.round(value * 1000) / 1000;

function takeDuration(r: Reader): number | undefined {
  const start = r.at;
  const clock = r.take(CLOCK);
  if (clock) {
    if (Number(clock[3]) >= 60) r.refuse('There are only 60 seconds in a minute.', start);
    return Number(clock[1] ?? 0) * 3600 + Number(clock[2]) * 60 + Number(clock[3]);
  }
  const ticks = r.take(TICKS);
  if (ticks) return round(Number(ticks[1]) * 60 + Number(ticks[2] ?? 0));
  const seconds = r.take(SECONDS);
  if (seconds) return round(Number(seconds[1]));
  const minutes = r.take(MINUTES);
  return minutes ? round(Number(minutes[1]) * 60) : undefined;
}

function checkedDuration(r: Reader, durationS: number, start: number): number {
  if (durationS <= 0) r.refuse('A time has to be more than zero.', start);
  if (durationS > LIMIT.durationS) r.refuse('That is more than eight hours. Check the time.', start);
  return durationS;
}

/** A time: 90s, 2:30, 20min. Fails at the word where there is none. */
export function readDuration(r: Reader): number {
  r.skipSpace();
  const start = r.at;
  const durationS = takeDuration(r);
  if (durationS === undefined) r.fail('A time is expected here, as in 90s, 2:30 or 20min.');
  return checkedDuration(r, durationS, start);
}

function checkedDistance(r: Reader, distanceM: number, start: number): number {
  if (distanceM <= 0) r.refuse('A distance has to be more than zero.', start);
  if (distanceM > LIMIT.distanceM) r.refuse('That is more than 100 km. Check the distance.', start);
  return distanceM;
}

/** A distance or a time. Fails with what was expected where there is neither. */
export function readAmount(r: Reader): Amount {
  r.skipSpace();
  const start = r.at;
  const durationS = takeDuration(r);
  if (durationS !== undefined) return { kind: 'duration', durationS: checkedDuration(r, durationS, start) };
  const length = r.take(LENGTH);
  if (length) {
    const unit = length[2]?.toLowerCase();
    const perUnitM = unit === 'mi' ? MILE_M : unit === 'm' ? 1 : 1000;
    const distanceM = checkedDistance(r, round(Number(length[1]) * perUnitM), start);
    return { kind: 'distance', distanceM, ...(unit === 'mi' ? { unit } : {}) };
  }
  const bare = r.take(BARE)?.[0];
  if (bare !== undefined) {
    const distanceM = Number(bare);
    const isMetres = Number.isInteger(distanceM) && distanceM >= 50;
    if (!isMetres) r.refuse(`${bare} what? Write ${bare}s, ${bare}min, ${bare}m or ${bare}km.`, start);
    return { kind: 'distance', distanceM: isMetres ? checkedDistance(r, distanceM, start) : distanceM };
  }
  const word = r.word();
  if (/^[-−]\d/.test(word)) r.fail('A distance or a time cannot be less than zero.');
  if (word === '') r.fail('Something is missing here: a distance or a time, as in 400, 1mi, 90s or 3:00.');
  return r.fail(`“${word}” is not a distance or a time. Write it like 400, 1mi, 90s or 3:00.`);
}

/** What a pace is counted over: `400`, `km`, `mi`, `200m`. In metres. */
export function readPer(r: Reader): number {
  const start = r.at;
  const unit = r.take(/(km|k|mi|mile)\b/iy)?.[1]?.toLowerCase();
  if (unit) return unit.startsWith('m') ? MILE_M : 1000;
  const amount = r.sees(/\d/y) ? readAmount(r) : undefined;
  if (amount?.kind !== 'distance')
    r.fail(
      'After “/” in a pace a distance is expected, as in 74/400 or 3:42/km.',
      amount ? start : undefined,
      amount ? r.at : undefined,
    );
  return amount.distanceM;
}
