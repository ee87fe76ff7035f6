import { MILE_M } from '../units/distance';
import { formatTime } from '../units/time';
import type { Rewrite, Reader } from './reader';
import type { Amount } from './session';

/*
 *   amounts  = amount { "-" amount } | amount { "|" amount } | range
 *   range    = NUM "-" NUM unit                      ; two rising numbers, the unit once at the end: s, min, mi, km or k
 *   amount   = distance | duration
 *   distance = NUM ( "m" | "k" | "km" | "mi" ) | INT ; a bare whole number of 50 or more is metres
 *   duration = M:SS | H:MM:SS | NUM ( "s" | "min" )
 *
 * Read as well: units in words (miles, metres, minutes, seconds, laps of the venue), 2', 90", 2min30, 1h10, 1,5km, and ladders
 * with the unit once at the end (3-2-1min).
 */

export const LIMIT = { distanceM: 100_000, durationS: 8 * 3600 };

const NUM = String.raw`(\d+(?:\.\d+)?|\d{1,2},\d{1,2}(?=\s*[a-z]))`;
const S = String.raw`s(?:ec(?:s|onds?)?)?`;
const MIN = String.raw`min(?:s|utes?)?`;
const KM = String.raw`k(?:ms?|ilomet(?:re|er)s?)?`;
const MI = String.raw`mi(?:les?)?`;

const CLOCK = /(?:(\d+):)?(\d+):(\d\d(?:\.\d+)?)(?![\d:])/y;
/** Minutes and seconds marks after a number; `"` only where it cannot open a note. */
const TICKS = /(\d+(?:\.\d+)?)\s*['′’](?:\s*(\d{1,2}(?:\.\d+)?)(?:\s*[″”]|"(?!\w)|(?![\w.:"])))?/y;
const HOURS = /(\d+)\s*h(?:(?:ou)?rs?)?(?:\s*(\d{1,2})(?![\d:.])\s*(?:min(?:s|utes?)?|m)?)?\b/iy;
const MINUTES_SECONDS = new RegExp(
  String.raw`(\d+)\s*(?:m|${MIN}\s?)(\d\d)\s*(?:${S})?(?![\w.:])|(\d+)\s*${MIN}\s+(\d{1,2})\s*${S}\b`,
  'iy',
);
const SECONDS = new RegExp(String.raw`${NUM}(?:\s*(${S})\b|\s*[″”]|"(?!\w[^"\n]*"))`, 'iy');
const MINUTES = new RegExp(String.raw`${NUM}\s*(${MIN})\b`, 'iy');
const LENGTH = new RegExp(String.raw`${NUM}\s*(${MI}|${KM}|m(?:et(?:re|er)s?)?|laps?)\b`, 'iy');
const ONE = /(mile|kilomet(?:re|er)|lap)\b/iy;
const CHAIN = new RegExp(
  String.raw`(\d+(?:\.\d+)?(?:\s*(?:[-–—]|to\b)\s*\d+(?:\.\d+)?)+)\s*(${S}|${MIN}|${KM}|${MI}|['′’])(?![\w])`,
  'iy',
);
/** The same with commas, three or more: two would be a decimal comma. */
const COMMA_CHAIN = new RegExp(
  String.raw`(\d{1,2}(?:\s*,\s*\d{1,2}){2,})\s*(${S}|${MIN}|${KM}|${MI}|['′’])(?![\w])`,
  'iy',
);
const COMMAS_ANYWHERE = /\d\s*,\s*\d{1,2}\s*,/;
const HALF = /(?:(half|½|1\/2)|(quarter|¼|1\/4)|(¾|3\/4))(?:\s+(?:an?|of an?))?\s*(miles?|km|hour|minute|lap)\b/iy;
const BARE = /\d+(?:\.\d+)?(?!\w|\.\d)/y;

const round = (value: number) => Math.round(value * 1000) / 1000;
const numberIn = (text: string | undefined) => Number((text ?? '0').replace(',', '.'));

const isSeconds = (unit: string) => unit.startsWith('s');
const isMinutes = (unit: string) => unit.startsWith('min') || /['′’]/.test(unit);
const isMiles = (unit: string) => unit.startsWith('mi') && !unit.startsWith('min');

/** Takes a number with one of these units; the canonical form has none of its long forms, and a decimal point. */
function takeNumber(
  r: Reader,
  pattern: RegExp,
  canonical: readonly string[],
): { value: number; unit: string } | undefined {
  const match = r.take(pattern);
  if (!match) return undefined;
  const unit = match[2]?.toLowerCase() ?? '';
  // `90 sec.`
  if (r.text.charAt(r.at) === '.') r.takeGenerously(/\.(?![\w.])/y);
  if (!canonical.includes(unit) || match[1]?.includes(',')) r.generous();
  return { value: numberIn(match[1]), unit };
}

/** A time made of two numbers: 2:30, 1h10, 2min30, 2'30. */
function takeCompound(r: Reader): number | undefined {
  const start = r.at;
  const clock = r.take(CLOCK);
  if (clock) {
    if (Number(clock[3]) >= 60) r.refuse('There are only 60 seconds in a minute.', start);
    return Number(clock[1] ?? 0) * 3600 + Number(clock[2]) * 60 + Number(clock[3]);
  }
  const hours = r.takeGenerously(HOURS);
  if (hours) return Number(hours[1]) * 3600 + Number(hours[2] ?? 0) * 60;
  const both = r.takeGenerously(MINUTES_SECONDS);
  if (both) return Number(both[1] ?? both[3]) * 60 + Number(both[2] ?? both[4]);
  const ticks = r.takeGenerously(TICKS);
  return ticks ? round(Number(ticks[1]) * 60 + Number(ticks[2] ?? 0)) : undefined;
}

function takeDuration(r: Reader): number | undefined {
  const compound = takeCompound(r);
  if (compound !== undefined) return compound;
  r.skipSpace();
  const start = r.at;
  const seconds = takeNumber(r, SECONDS, ['s']);
  if (seconds) {
    // `400s` is how coaches call 400 m reps as well.
    if (seconds.unit === 's' && seconds.value >= 200 && seconds.value <= 1200 && seconds.value % 100 === 0)
      r.ask(`${seconds.value} metres or ${seconds.value} seconds?`, { from: start, to: r.at }, [
        { label: `${seconds.value} metres`, by: `${seconds.value}m` },
        { label: `${seconds.value} seconds`, by: formatTime(seconds.value) },
      ]);
    return round(seconds.value);
  }
  const minutes = takeNumber(r, MINUTES, ['min']);
  return minutes ? round(minutes.value * 60) : undefined;
}

function validateDuration(r: Reader, durationS: number, start: number): number {
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
  return validateDuration(r, durationS, start);
}

function validateDistance(r: Reader, distanceM: number, start: number): number {
  if (distanceM <= 0) r.refuse('A distance has to be more than zero.', start);
  if (distanceM > LIMIT.distanceM) r.refuse('That is more than 100 km. Check the distance.', start);
  return distanceM;
}

/** So many metres with an `m` are as likely minutes. */
const FEW_METRES = 15;

function takeLength(r: Reader, start: number): Amount | undefined {
  const unitWord = r.takeGenerously(ONE)?.[1]?.toLowerCase();
  if (unitWord === 'mile') return { kind: 'distance', distanceM: MILE_M, unit: 'mi' };
  if (unitWord !== undefined) return { kind: 'distance', distanceM: unitWord === 'lap' ? r.context.lapM : 1000 };
  const length = takeNumber(r, LENGTH, ['m', 'k', 'km', 'mi']);
  if (!length) return undefined;
  const { value, unit } = length;
  const perUnitM = isMiles(unit) ? MILE_M : unit.startsWith('m') ? 1 : unit.startsWith('l') ? r.context.lapM : 1000;
  if (unit === 'm' && value > 0 && value <= FEW_METRES)
    r.ask(`${value} metres or ${value} minutes?`, { from: start, to: r.at }, [
      { label: `${value} minutes`, by: `${value}min` },
      { label: `${value} metres`, by: `${value} metres` },
    ]);
  const distanceM = validateDistance(r, round(value * perUnitM), start);
  return { kind: 'distance', distanceM, ...(isMiles(unit) ? { unit: 'mi' } : {}) };
}

/** A number with nothing to say what it counts: what it may be. */
const answersFor = (bare: string): Rewrite[] =>
  Number(bare) < 15
    ? [
        { label: bare === '1' ? '1 minute' : `${bare} minutes`, by: `${bare}min` },
        { label: `${bare} km`, by: `${bare}km` },
      ]
    : [
        { label: `${bare} seconds`, by: `${bare}s` },
        { label: `${bare} metres`, by: `${bare}m` },
      ];

/** Half a mile, three quarters of a lap, half an hour. */
function takePart(r: Reader): Amount | undefined {
  const match = r.takeGenerously(HALF);
  if (!match) return undefined;
  const share = match[1] !== undefined ? 0.5 : match[2] !== undefined ? 0.25 : 0.75;
  const unit = match[4]?.toLowerCase() ?? '';
  if (unit === 'hour') return { kind: 'duration', durationS: share * 3600 };
  if (unit === 'minute') return { kind: 'duration', durationS: share * 60 };
  if (unit === 'lap') return { kind: 'distance', distanceM: round(share * r.context.lapM) };
  return amountIn(share, unit);
}

/** A distance or a time. Fails with what was expected where there is neither. */
export function readAmount(r: Reader): Amount {
  r.skipSpace();
  const start = r.at;
  const part = takePart(r);
  if (part) return part;
  const durationS = takeDuration(r);
  if (durationS !== undefined) return { kind: 'duration', durationS: validateDuration(r, durationS, start) };
  const length = takeLength(r, start);
  if (length) return length;
  const bare = r.take(BARE)?.[0];
  if (bare !== undefined) {
    const distanceM = Number(bare);
    const isMetres = Number.isInteger(distanceM) && distanceM >= 50;
    if (!isMetres)
      r.refuse(`${bare} what? Write ${bare}s, ${bare}min, ${bare}m or ${bare}km.`, start, answersFor(bare));
    return { kind: 'distance', distanceM: isMetres ? validateDistance(r, distanceM, start) : distanceM };
  }
  const word = r.word();
  if (/^[-−]\d/.test(word)) r.fail('A distance or a time cannot be less than zero.');
  if (word === '') r.fail('Something is missing here: a distance or a time, as in 400, 1mi, 90s or 3:00.');
  return r.fail(`“${word}” is not a distance or a time. Write it like 400, 1mi, 90s or 3:00.`);
}

function amountIn(value: number, unit: string): Amount {
  if (isSeconds(unit)) return { kind: 'duration', durationS: round(value) };
  if (isMinutes(unit)) return { kind: 'duration', durationS: round(value * 60) };
  return isMiles(unit)
    ? { kind: 'distance', distanceM: round(value * MILE_M), unit: 'mi' }
    : { kind: 'distance', distanceM: round(value * 1000) };
}

/** A bare number from here on could be metres. */
const METRES_FROM = 50;

/**
 * Numbers with one unit at the end: two rising ones are a range, others a ladder in that unit. Nothing where a ladder goes on behind it,
 * or where a number could be metres and it is not a range.
 */
export function takeChain(r: Reader): { range: Amount } | { ladder: Amount[] } | undefined {
  r.skipSpace();
  const start = r.at;
  const match = r.take(CHAIN) ?? (r.has(COMMAS_ANYWHERE) ? r.takeGenerously(COMMA_CHAIN) : undefined);
  const written = match?.[1];
  const unit = match?.[2]?.toLowerCase();
  if (!written || !unit) return undefined;
  const values = written.split(/\s*(?:[-–—,]|to)\s*/i).map(Number);
  const [least = 0, most = 0] = values;
  const isRange = values.length === 2 && least < most;
  if (r.sees(/[-–—|]/y) || (!isRange && values.some((value) => value >= METRES_FROM))) {
    r.at = start;
    return undefined;
  }
  if (!isRange || !['s', 'min', 'mi', 'km', 'k'].includes(unit) || /to|[–—]/i.test(written)) r.generous();
  const amounts = values.map((value) => amountIn(value, unit));
  for (const amount of amounts)
    if (amount.kind === 'distance') validateDistance(r, amount.distanceM, start);
    else validateDuration(r, amount.durationS, start);
  if (!isRange) return { ladder: amounts };
  const [first, last] = amounts as [Amount, Amount];
  if (first.kind === 'distance' && last.kind === 'distance') return { range: { ...last, leastM: first.distanceM } };
  if (first.kind === 'duration' && last.kind === 'duration') return { range: { ...last, leastS: first.durationS } };
  return { ladder: amounts };
}

/** What a pace is counted over: `400`, `km`, `mi`, `200m`, `lap`. In metres. */
export function readPer(r: Reader): number {
  const start = r.at;
  const unit = r.take(/(km|k|miles?|mi|lap)\b/iy)?.[1]?.toLowerCase();
  if (unit === 'lap' || unit === 'miles' || unit === 'mile') r.generous();
  if (unit === 'lap') return r.context.lapM;
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
