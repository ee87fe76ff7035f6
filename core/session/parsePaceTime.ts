import { readPer } from './parseAmount';
import type { Rewrite, Reader } from './reader';
import type { Amount, Pace, RepPace } from './session';

/*
 * Paces that are times: over a distance (`74/400`, `3:42/km`), over the rep (`72`, `in 72-74`), or in brackets behind it.
 */

/** Minutes, with hours before them if there are any, and seconds. */
const TIME = String.raw`(?:((?:\d+:(?=\d\d:))?\d+)(?::|\s*['′’]\s*|\s*min\s+(?=\d)|m(?=\d\d)))?(\d+(?:\.\d+)?)`;
const DASH = String.raw`\s*(?:[-–—]|to\b)\s*`;
const SECONDS = String.raw`(?:\s*(?:s(?:ec(?:s|onds?)?)?\b|min\b|[″”]|"(?!\w)))?`;
/** A time, or two, over a distance; a stroke with spaces round it is mostly that of a recovery. */
const PER = String.raw`(?:(\/)(?=\s*(?:\d|k|mi|lap))|\s+(\/)\s*(?=(?:400|1000|km|k|mi|miles?|lap)\b(?!\s*(?:jog|walk|float|stand)))|\s*(per\b|an?\b)(?=\s*(?:\d|k|mi|lap)))`;
const TIMES = String.raw`${TIME}${SECONDS}(?:${DASH}${TIME}${SECONDS})?`;
const ABSOLUTE = new RegExp(`${TIMES}${PER}`, 'iy');
/** A time, or two, over the rep itself. */
const OVER_THE_REP = new RegExp(String.raw`${TIMES}(?![\w:%]|\.\d)`, 'iy');

type Times = { fromS: number; toS?: number };

function timesIn(r: Reader, match: RegExpExecArray): Times {
  const second = (before: string | undefined, seconds: string | undefined) => {
    if (before !== undefined && Number(seconds) >= 60) r.refuse('There are only 60 seconds in a minute.', match.index);
    const [minutes = 0, hours] = (before ?? '').split(':').map(Number).reverse();
    if (hours !== undefined && minutes >= 60) r.refuse('There are only 60 minutes in an hour.', match.index);
    return (hours ?? 0) * 3600 + minutes * 60 + Number(seconds);
  };
  const fromS = second(match[1], match[2]);
  return match[4] === undefined ? { fromS } : { fromS, toS: second(match[3], match[4]) };
}

/** `3.30` for 3:30. */
function asMinutes(r: Reader, start: number, perM: number): Rewrite[] {
  const written = r.text.slice(start, r.at);
  const match = /(\d+)\.([0-5]\d)(?!\d)/.exec(written);
  const timeS = match ? Number(match[1]) * 60 + Number(match[2]) : 0;
  if (!match || !isSpeed(perM / timeS)) return [];
  const time = `${match[1]}:${match[2]}`;
  return [{ label: time, by: written.replace(match[0], time) }];
}

const isSpeed = (speedMps: number) => speedMps > 0.5 && speedMps < 13;

function overDistance(r: Reader, { fromS, toS }: Times, perM: number, start: number): RepPace {
  if (![fromS, toS ?? fromS].every((timeS) => isSpeed(perM / timeS)))
    r.refuse('That is not a speed anyone runs at. Check the time and the distance.', start, asMinutes(r, start, perM));
  const pace = (timeS: number): Pace => ({ kind: 'absolute', timeS: Math.round(timeS * 100) / 100, perM });
  return { from: pace(fromS), ...(toS === undefined ? {} : { band: pace(toS) }) };
}

/** Reads a time, or two as a band, over a distance: `74/400`, `3:42-3:50/km`. Nothing is taken where there is none. */
export function readAbsolute(r: Reader): RepPace | undefined {
  const start = r.at;
  const match = r.take(ABSOLUTE);
  if (!match) return undefined;
  if (match[7] !== undefined || /[a-z'′’"″”]/i.test(match[0])) r.generous();
  const perM = readPer(r);
  if (r.seesLetter()) r.takeGenerously(/pace\b/iy);
  return overDistance(r, timesIn(r, match), perM, start);
}

/** Between these a time over an unknown distance is that of a lap or of a kilometre. */
const SLOWEST_LAP_S = 180;
const QUICKEST_KM_S = 140;

/** Reads a time over the rep: `72`, `72-74`. Nothing is taken where there is none. @param amounts what the rep is. */
export function readOverTheRep(r: Reader, amounts: readonly Amount[]): RepPace | undefined {
  const start = r.at;
  const match = r.takeGenerously(OVER_THE_REP);
  if (!match) return undefined;
  const times = timesIn(r, match);
  const [amount, ...others] = amounts;
  if (amount?.kind !== 'distance' || others.length > 0) {
    const time = match[0].trim();
    const { fromS } = times;
    r.fail(
      `${time} over what? Write the distance behind it, as in ${time}/${fromS < SLOWEST_LAP_S ? '400' : 'km'}.`,
      start,
      r.at,
      [
        ...(fromS < SLOWEST_LAP_S ? [{ label: `${time} a lap of 400`, by: `${time}/400` }] : []),
        ...(fromS >= QUICKEST_KM_S ? [{ label: `${time} a km`, by: `${time}/km` }] : []),
        ...(fromS >= QUICKEST_KM_S * 1.6 ? [{ label: `${time} a mile`, by: `${time}/mi` }] : []),
      ],
    );
  }
  return overDistance(r, times, amount.distanceM, start);
}

const BRACKET_ANYWHERE = /\(/;
const IN_BRACKETS = new RegExp(String.raw`\((?=\s*(?:in\s+|@\s*)?${TIMES}\s*\))`, 'iy');
/** Quicker and slower than this it is a rest that is meant. */
const REP_SPEED = { leastMps: 2, mostMps: 10 };

/**
 * A time in brackets behind a distance: what the rep is run in, where a recovery follows or the brackets say so; else it may as well be the
 * rest, and is asked about. @param seesRecovery true if a recovery begins here.
 */
export function takePaceInBrackets(
  r: Reader,
  amounts: readonly Amount[],
  seesRecovery: (r: Reader) => boolean,
): RepPace | undefined {
  const [amount, ...others] = amounts;
  if (amount?.kind !== 'distance' || others.length > 0 || !r.has(BRACKET_ANYWHERE)) return undefined;
  r.skipSpace();
  const start = r.at;
  if (!r.take(IN_BRACKETS)) return undefined;
  const isSaid = r.take(/in\b|@/iy) !== undefined;
  const times = r.take(OVER_THE_REP);
  const to = times && r.take(/\)/y) ? r.at : undefined;
  if (!times || to === undefined) {
    r.at = start;
    return undefined;
  }
  const rep = timesIn(r, times);
  const speedMps = amount.distanceM / rep.fromS;
  const isLikely = speedMps >= REP_SPEED.leastMps && speedMps <= REP_SPEED.mostMps;
  // A pace that stands behind it leaves the brackets the rest.
  if (!isSaid && (!isLikely || r.sees(/@|at\b/iy))) {
    r.at = start;
    return undefined;
  }
  r.generous();
  const time = times[0].trim();
  if (!isSaid && !seesRecovery(r)) {
    r.ask(`Is each run in ${time}, or is ${time} the rest?`, { from: start, to }, [
      { label: `Each in ${time}`, by: `@${time}` },
      { label: `${time} of rest`, by: `/ ${/[:a-z]/i.test(time) ? time : `${time}s`}` },
    ]);
  }
  return overDistance(r, rep, amount.distanceM, start);
}
