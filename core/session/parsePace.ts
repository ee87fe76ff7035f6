import { closestNames } from '../words/closestNames';
import { BARE_PACE, paceCalled, SYNONYM } from './paceWords';
import { readPer } from './parseAmount';
import type { Reader } from './reader';
import type { Amount, Pace, RepPace } from './session';

/*
 *   paces = "@" pace [ ">" pace | ".." pace ]
 *   pace  = [ "goal" ] NAME [ ("+"|"-") NUM "s" "/" distance ]
 *         | NUM "%" NAME
 *         | time [ "-" time ] "/" distance
 *         | "effort" NUM [ "-" NUM ]
 *
 * Read as well: `at` for `@`, “pace” behind a name, what coaches call the names (MP, LT, 5000), RPE, `72` and `in 72` over the rep,
 * `70-72` as a band, `per` for the stroke, `to` for `>`, and a pace that is a plain word without an `@`.
 */

const ANY_NAME = /[a-z0-9]+(?:-[a-z]+)*/iy;
/** Longer than any name of a pace by more than a slip of the finger. */
const TOO_LONG_FOR_A_NAME = 30;
const BEHIND_A_NAME = /(?:race\s+)?(?:pace|effort|speed|rhythm)\b(?!\s*\d)/iy;

const EASY_RUNNING = /(?:run(?:ning)?|jog(?:ging)?)\b(?!\s*(?:\d|back|for))/iy;

/** Says that a name is not in the pace book, with close ones that are. */
function notInTheBook(written: string, names: readonly string[]): string {
  const close = written.length > TOO_LONG_FOR_A_NAME ? [] : closestNames(written, names);
  const hint = close.length > 0 ? `Did you mean ${close.join(' or ')}?` : `Known paces: ${names.join(', ')}.`;
  return `“${written.slice(0, TOO_LONG_FOR_A_NAME)}” is not a pace in the book. ${hint}`;
}

function readName(r: Reader): string {
  r.skipSpace();
  const start = r.at;
  const called = r.take(SYNONYM)?.[1] ?? '';
  const name = paceCalled(called, r.paces.names);
  const calledTo = r.at;
  r.at = start;
  const known = r.take(r.paces.pattern)?.[0];
  // The longer of the two: half-marathon is more than half.
  if (known !== undefined && (name === undefined || r.at >= calledTo)) return known.toLowerCase();
  if (name !== undefined) {
    r.at = calledTo;
    r.generous();
    return name;
  }
  const written = r.take(ANY_NAME)?.[0];
  if (written === undefined) return r.fail('A pace is expected here, as in @5k, @threshold, @74/400 or @effort 7.');
  const close = written.length > TOO_LONG_FOR_A_NAME ? [] : closestNames(written, r.paces.names);
  r.refuse(
    notInTheBook(written, r.paces.names),
    start,
    close.map((by) => ({ label: `@${by}`, by })),
  );
  return written.toLowerCase();
}

const TIME = String.raw`(?:(\d+):)?(\d+(?:\.\d+)?)`;
const DASH = String.raw`\s*(?:[-–—]|to\b)\s*`;
const SECONDS = String.raw`(?:\s*(?:s(?:ec(?:s|onds?)?)?\b|min\b))?`;
/** A time, or two, over a distance; a stroke with spaces round it is mostly that of a recovery. */
const PER = String.raw`(?:(\/)(?=\s*(?:\d|k|mi|lap))|\s+(\/)\s*(?=(?:400|1000|km|k|mi|miles?|lap)\b(?!\s*(?:jog|walk|float|stand)))|\s*(per\b|an?\b)(?=\s*(?:\d|k|mi|lap)))`;
const ABSOLUTE = new RegExp(String.raw`${TIME}${SECONDS}(?:${DASH}${TIME}${SECONDS})?${PER}`, 'iy');
/** A time, or two, over the rep itself. */
const OVER_THE_REP = new RegExp(String.raw`${TIME}${SECONDS}(?:${DASH}${TIME}${SECONDS})?(?![\w:%]|\.\d)`, 'iy');

type Times = { fromS: number; toS?: number };

function timesIn(r: Reader, match: RegExpExecArray): Times {
  const second = (minutes: string | undefined, seconds: string | undefined) => {
    if (minutes !== undefined && Number(seconds) >= 60) r.refuse('There are only 60 seconds in a minute.', match.index);
    return Number(minutes ?? 0) * 60 + Number(seconds);
  };
  const fromS = second(match[1], match[2]);
  return match[4] === undefined ? { fromS } : { fromS, toS: second(match[3], match[4]) };
}

function overDistance(r: Reader, { fromS, toS }: Times, perM: number, start: number): RepPace {
  const isSpeed = (timeS: number) => perM / timeS > 0.5 && perM / timeS < 13;
  if (![fromS, toS ?? fromS].every(isSpeed))
    r.refuse('That is not a speed anyone runs at. Check the time and the distance.', start);
  const pace = (timeS: number): Pace => ({ kind: 'absolute', timeS: Math.round(timeS * 100) / 100, perM });
  return { from: pace(fromS), ...(toS === undefined ? {} : { band: pace(toS) }) };
}

function readAbsolute(r: Reader): RepPace | undefined {
  const start = r.at;
  const match = r.take(ABSOLUTE);
  if (!match) return undefined;
  if (match[7] !== undefined || /[a-z]/i.test(match[0])) r.generous();
  return overDistance(r, timesIn(r, match), readPer(r), start);
}

/** A time over the rep: `@72`, `in 72-74`. */
function readOverTheRep(r: Reader, amounts: readonly Amount[]): RepPace | undefined {
  const start = r.at;
  const match = r.takeGenerously(OVER_THE_REP);
  if (!match) return undefined;
  const [amount, ...others] = amounts;
  if (amount?.kind !== 'distance' || others.length > 0) {
    const time = match[0].trim();
    r.fail(`${time} over what? Write the distance behind it, as in ${time}/400.`, start, r.at, [
      { label: `${time} a lap of 400`, by: `${time}/400` },
    ]);
  }
  return overDistance(r, timesIn(r, match), amount.distanceM, start);
}

function readEffort(r: Reader): Pace | undefined {
  if (!r.take(/effort\b\s*:?/iy) && !r.takeGenerously(/rpe\s*:?(?=\s*\d)/iy)) return undefined;
  const match = r.take(/(\d+(?:\.\d+)?)(?:\s*[-–]\s*(\d+(?:\.\d+)?))?/y);
  if (!match) return r.fail('An effort from 1 to 10 is expected here, as in effort 7 or effort 6-8.');
  r.takeGenerously(/\/\s*10\b/y);
  const min = Number(match[1]);
  const max = Number(match[2] ?? match[1]);
  if (min < 1 || max > 10 || min > max)
    r.refuse('Efforts go from 1 to 10, the easier first, as in effort 6-8.', match.index);
  return { kind: 'effort', min, max };
}

function readNamed(r: Reader): Pace {
  const share = r.take(/(\d+(?:\.\d+)?)\s*%/y);
  if (share) {
    const percent = Number(share[1]);
    if (percent < 20 || percent > 200) r.refuse('A share of a pace is between 20 % and 200 %.', share.index);
    r.takeGenerously(/of\b/iy);
    const name = readName(r);
    r.takeGenerously(BEHIND_A_NAME);
    return { kind: 'share', percent, name };
  }
  const goal = r.take(/goal\b/iy) !== undefined;
  const name = readName(r);
  if (r.seesLetter()) r.takeGenerously(BEHIND_A_NAME);
  if (r.seesLetter()) r.takeGenerously(name === 'easy' ? EASY_RUNNING : /run(?:ning)?\b(?!\s*\d)/iy);
  const offset = r.take(/([+\-−])\s*(\d+(?:\.\d+)?)\s*s\s*\//iy);
  if (!offset) return { kind: 'named', name, goal };
  const offsetS = Number(offset[2]) * (offset[1] === '+' ? 1 : -1);
  return { kind: 'named', name, goal, offset: { offsetS, perM: readPer(r) } };
}

/** One pace, or two times as a band. */
function readAnyPace(r: Reader, amounts: readonly Amount[]): RepPace {
  r.skipSpace();
  const start = r.at;
  const effort = readEffort(r);
  const absolute = effort || r.sees(r.paces.pattern) ? undefined : readAbsolute(r);
  const isNamed = r.sees(r.paces.pattern) || r.sees(SYNONYM) || r.sees(/\d+(?:\.\d+)?\s*%/y);
  const pace = effort
    ? { from: effort }
    : (absolute ?? (isNamed ? undefined : readOverTheRep(r, amounts)) ?? { from: readNamed(r) });
  r.mark('pace', start);
  return pace;
}

/** Reads one pace on its own, as after a float: `easy`, `74/400`, `effort 4`. */
export const readPace = (r: Reader): Pace => readAnyPace(r, []).from;

/**
 * Reads what stands after `@`, `at` or `in`, or a pace that follows an amount as a plain word; nothing where there is none. A name that is
 * not in the book is refused, listing close ones.
 * @param amounts what the rep is: a time without a distance is over that.
 */
export function readRepPace(r: Reader, amounts: readonly Amount[]): RepPace | undefined {
  if (!r.take(/@/y) && !r.takeGenerously(/(?:at|in)\b(?=\s*[\w@])/iy) && !r.takeGenerously(BARE_PACE)) return undefined;
  if (r.seesLetter()) r.takeGenerously(/(?:about|around|from)\b/iy);
  const pace = readAnyPace(r, amounts);
  // A recovery, the next item or the end follows mostly.
  if (pace.band || r.isAtStop() || r.sees(/[/"]/y)) return pace;
  if (r.take(/>/y) || r.takeGenerously(/→|->|=>|(?:down\s+)?(?:to|into)\b/iy))
    return { ...pace, to: readAnyPace(r, amounts).from };
  const start = r.at;
  if (r.takeGenerously(/[-–—](?=\s*(?:\d+k|[a-z]))/iy)) {
    const other = readAnyPace(r, amounts).from;
    const [one, two] = r.text
      .slice(r.text.lastIndexOf('@', start) + 1, r.at)
      .split(/[-–—]/)
      .map((name) => name.trim());
    r.ask(
      'Does the pace move from the one to the other, or is anything between them right?',
      { from: start, to: r.at },
      [
        { label: `Moving from ${one} to ${two}`, by: `>${two}` },
        { label: `Anywhere from ${one} to ${two}`, by: `..${two}` },
      ],
    );
    return { ...pace, to: other };
  }
  if (r.take(/\.\.+|…/y)) return { ...pace, band: readAnyPace(r, amounts).from };
  return pace;
}
