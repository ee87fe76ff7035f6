/**
 * Times as people write them, and as the app prints them.
 *
 * Inside the app a time is always a number of seconds. On paper the same 18 and a half minutes is
 * written 18:30, 18.30, 18'30" or 1110, and 64.2 is seconds and tenths: the reader below takes them all.
 */
import { runnable } from './runnable';

/** What reading a typed time came to: seconds, or a sentence that says why not. */
export type ReadTime = { ok: true; timeS: number } | { ok: false; message: string };

const WITH_COLONS = /^(?:(\d+):)?(\d+):(\d+(?:\.\d*)?)$/;
const WITH_TICKS = /^(?:(\d+)\s*(?:h|hr)\s*)?(?:(\d+)\s*(?:'|m|min)\s*)?(?:(\d+(?:\.\d+)?)\s*(?:"|s|sec)?)?$/;
const PLAIN = /^\d*\.?\d*$/;

const HELP = 'Write it like 18:30, 64.2 or 1:04.2.';

function fail(message: string): ReadTime {
  return { ok: false, message };
}

const isPlausible = (timeS: number, distanceM: number) => runnable(distanceM, timeS) === 'yes';

/**
 * `545` over a mile is 5 minutes 45, however it was typed; `1110` over 5 km can only be seconds. Without a distance they are seconds.
 * @param nearS what the time is likely to be near, such as a target: of readings that can be run the nearer is taken.
 */
function readDigits(digits: string, distanceM: number | undefined, nearS: number | undefined): number {
  const asSeconds = Number(digits);
  const [whole = ''] = digits.split('.');
  const written = /^(?:(\d{1,2})(?=\d{4}(?:\.|$)))?(\d{1,2})(\d\d(?:\.\d+)?)$/.exec(digits);
  if (distanceM === undefined || !written || whole.length < 3 || whole.length > 6) return asSeconds;
  const [, hours = '0', minutes = '0', seconds = '0'] = written;
  const asClock = Number(hours) * 3600 + Number(minutes) * 60 + Number(seconds);
  const isClock = Number(seconds) < 60 && (hours === '0' || Number(minutes) < 60) && isPlausible(asClock, distanceM);
  if (!isClock) return asSeconds;
  if (nearS === undefined || !isPlausible(asSeconds, distanceM)) return asClock;
  const offBy = (timeS: number) => Math.abs(Math.log(timeS / nearS));
  return offBy(asSeconds) < offBy(asClock) ? asSeconds : asClock;
}

/**
 * `18.30` is 18 minutes 30 to one coach and 18.30 seconds to another. The distance settles it when it is known;
 * else minutes, unless that cannot be a minutes-and-seconds time.
 */
function readDotted(whole: string, hundredths: string, distanceM: number | undefined): number {
  const asSeconds = Number(`${whole}.${hundredths}`);
  if (Number(hundredths) >= 60) return asSeconds;
  const asMinutes = Number(whole) * 60 + Number(hundredths);
  if (distanceM !== undefined) {
    const secondsFit = isPlausible(asSeconds, distanceM);
    const minutesFit = isPlausible(asMinutes, distanceM);
    if (secondsFit !== minutesFit) return secondsFit ? asSeconds : asMinutes;
  }
  return Number(whole) < 60 ? asMinutes : asSeconds;
}

/**
 * Reads a time as a person types it: `18:30`, `18.30`, `1110`, `1:04.2`, `64.2`, `1:02:03`, `18'30"`, `1h 2min`.
 * @param distanceM the distance it was run over, in metres, if known: it settles whether `18.30` means minutes or seconds, and `545` too.
 * @param nearS what it is likely to be near, in seconds, if that is known.
 * @returns seconds (more than 0), or a sentence for the coach.
 */
export function parseTime(text: string, distanceM?: number, nearS?: number): ReadTime {
  const typed = text.trim().toLowerCase().replace(/[′’]/g, "'").replace(/[″”]/g, '"').replace(/,/g, '.');
  if (typed === '') return fail(`There is no time yet. ${HELP}`);

  let timeS = Number.NaN;
  const colons = WITH_COLONS.exec(typed);
  const dotted = /^(\d+)\.(\d\d)$/.exec(typed);
  const ticks = WITH_TICKS.exec(typed);
  if (colons) {
    const [, hours = '0', minutes = '0', seconds = '0'] = colons;
    if (Number(seconds) >= 60) return fail(`“${text.trim()}” has ${seconds} seconds in a minute. ${HELP}`);
    if (colons[1] !== undefined && Number(minutes) >= 60)
      return fail(`“${text.trim()}” has ${minutes} minutes in an hour. ${HELP}`);
    timeS = Number(hours) * 3600 + Number(minutes) * 60 + Number(seconds);
  } else if (dotted) {
    timeS = readDotted(dotted[1] ?? '', dotted[2] ?? '', distanceM);
  } else if (PLAIN.test(typed) && /\d/.test(typed)) {
    timeS = readDigits(typed, distanceM, nearS);
  } else if (ticks && /\d/.test(typed)) {
    const [, hours = '0', minutes = '0', seconds = '0'] = ticks;
    timeS = Number(hours) * 3600 + Number(minutes) * 60 + Number(seconds);
  }
  if (!Number.isFinite(timeS)) return fail(`“${text.trim()}” is not a time that can be read. ${HELP}`);
  if (timeS <= 0) return fail('A time has to be more than zero.');
  if (timeS > 48 * 3600) return fail('That is more than two days. Check the time.');
  return { ok: true, timeS: Math.round(timeS * 1000) / 1000 };
}

/**
 * What a time that cannot have been run as it is written was probably meant to be: `18:30:00` over 5 km is how a spreadsheet shows 18:30, and a
 * marathon in `3:00` is one in three hours. @returns seconds, or undefined where what is written can be run, or no other reading can.
 */
export function otherReadingOf(text: string, distanceM: number): number | undefined {
  const read = parseTime(text, distanceM);
  const colons = WITH_COLONS.exec(text.trim());
  if (!read.ok || !colons || isPlausible(read.timeS, distanceM)) return undefined;
  const other = colons[1] === undefined ? read.timeS * 60 : read.timeS / 60;
  return isPlausible(other, distanceM) ? other : undefined;
}

/**
 * Prints seconds as a coach reads them: `64.2`, `1:04.2`, `18:30`, `1:02:03`. Rounds half up.
 * @param decimals digits after the second (0 to 2).
 * @param minutesFrom seconds from which minutes are shown; below it only seconds are. 60 if left out.
 */
export function formatTime(timeS: number, decimals = 0, minutesFrom = 60): string {
  if (!Number.isFinite(timeS)) return '–';
  const scale = 10 ** decimals;
  const units = Math.round(Math.abs(timeS) * scale + 1e-6);
  const sign = timeS < 0 && units > 0 ? '−' : '';
  const wholeS = Math.floor(units / scale);
  const fraction = decimals > 0 ? `.${String(units % scale).padStart(decimals, '0')}` : '';
  if (wholeS < minutesFrom) return `${sign}${wholeS}${fraction}`;
  const seconds = String(wholeS % 60).padStart(2, '0');
  const minutes = Math.floor(wholeS / 60);
  if (minutes < 60) return `${sign}${minutes}:${seconds}${fraction}`;
  return `${sign}${Math.floor(minutes / 60)}:${String(minutes % 60).padStart(2, '0')}:${seconds}${fraction}`;
}

/** Prints a rep or race time with the precision it deserves: tenths under ten minutes, whole seconds above. */
export function formatMarkTime(timeS: number): string {
  return formatTime(timeS, timeS < 600 ? 1 : 0);
}

/** Prints a time with all that is known of it, to the hundredth: `58.4`, `0:58.35`, `18:30`, `18:30.4`. For what is read in again. */
export function formatExactTime(timeS: number): string {
  const hundredths = Math.round(timeS * 100);
  const decimals = hundredths % 100 === 0 ? 0 : hundredths % 10 === 0 ? 1 : 2;
  // With its colon `0:58.35` cannot be taken for 58 minutes 35.
  return formatTime(timeS, decimals, decimals === 2 ? 0 : 60);
}

/** Prints a clock that runs: `0:07`, `1:52`; never bare seconds, so that it does not jump about as it passes a minute. */
export function formatClock(timeS: number): string {
  return formatTime(Math.max(0, timeS), 0, 0);
}

/** Prints a rest: seconds where a coach counts them, a clock from 100 s: `75 s`, `2:30`. */
export const formatRest = (timeS: number): string => (timeS < 100 ? `${Math.round(timeS)} s` : formatClock(timeS));

/** Prints a difference in seconds with its sign and one decimal, with a true minus: `−1.4`, `+2.0`, `0.0`. */
export function formatDelta(deltaS: number): string {
  const tenths = Math.round(Math.abs(deltaS) * 10 + 1e-6);
  const sign = tenths === 0 ? '' : deltaS < 0 ? '−' : '+';
  return `${sign}${formatTime(tenths / 10, 1)}`;
}
