import { closestNames } from '../units/closestNames';
import { BARE_PACE, paceCalled, SYNONYM } from './paceWords';
import { readPer } from './parseAmount';
import { readAbsolute, readOverTheRep } from './parsePaceTime';
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

const PULSE_ANYWHERE = /HR|heart|pulse|bpm/i;
const ANY_NAME = /[a-z0-9]+(?:-[a-z]+)*/iy;
/** Longer than any name of a pace by more than a slip of the finger. */
const TOO_LONG_FOR_A_NAME = 30;
const BEHIND_A_NAME =
  /(?:race\s+)?(?:(?:pace|speed|rhythm)\b|effort\b(?!\s*\d+(?:\.\d+)?(?:\s*[-–]\s*\d+)?\s*(?:$|[,;)/"])))/iy;

const EASY_RUNNING = /(?:(?:long\s+)?run(?:ning)?|jog(?:ging)?|easy)\b(?!\s*(?:\d|back|for))/iy;

/** Names in the pace book that are near to what is written, or a part of it: sub-threshold. */
function namesNear(written: string, names: readonly string[]): string[] {
  if (written.length > TOO_LONG_FOR_A_NAME) return [];
  const parts = written.toLowerCase().split('-');
  const within = names.filter((name) => parts.length > 1 && parts.includes(name));
  return [...new Set([...within, ...closestNames(written, names)])];
}

/** Says that a name is not in the pace book, with close ones that are. */
function notInPaceBook(written: string, close: readonly string[], names: readonly string[]): string {
  const hint = close.length > 0 ? `Did you mean ${close.join(' or ')}?` : `Known paces: ${names.join(', ')}.`;
  return `“${written.slice(0, TOO_LONG_FOR_A_NAME)}” is not a pace in the pace book. ${hint}`;
}

/** A pulse is no pace; it can be kept as a note. */
function failAtPulse(r: Reader, start: number): void {
  const pulse = r
    .take(/(?:HR|heart rate|pulse)\b[\s\d–-]*(?:bpm\b|%)?|\d{3}(?:\s*[-–]\s*\d{3})?\s*bpm\b/iy)?.[0]
    .trim();
  if (pulse === undefined) return;
  const sign = r.text.lastIndexOf('@', start);
  r.fail('A pulse is not a pace. Keep it as a note, or write an effort.', sign < 0 ? start : sign, r.at, [
    { label: `Keep “${pulse}” as a note`, by: `"${pulse}"` },
  ]);
}

function readName(r: Reader): string {
  r.skipSpace();
  const start = r.at;
  if (r.has(PULSE_ANYWHERE)) failAtPulse(r, start);
  const called = r.take(SYNONYM)?.[1] ?? '';
  const name = paceCalled(called, r.paces.names);
  const calledTo = r.at;
  r.at = start;
  const paceName = r.take(r.paces.pattern)?.[0];
  // The longer of the two: half-marathon is more than half.
  if (paceName !== undefined && (name === undefined || r.at >= calledTo)) return paceName.toLowerCase();
  if (name !== undefined) {
    r.at = calledTo;
    r.generous();
    return name;
  }
  const written = r.take(ANY_NAME)?.[0];
  if (written === undefined) return r.fail('A pace is expected here, as in @5k, @threshold, @74/400 or @effort 7.');
  const close = namesNear(written, r.paces.names);
  r.refuse(
    notInPaceBook(written, close, r.paces.names),
    start,
    close.map((by) => ({ label: `@${by}`, by })),
  );
  return written.toLowerCase();
}

/** `90% effort`, `8/10`: an effort said otherwise. */
const EFFORT_OTHERWISE =
  /(\d{1,3})\s*%\s*(?:of\s+)?(?:max(?:imal|imum)?\s+)?effort\b|(\d(?:\.5)?)\s*\/\s*10(?:\s*effort\b)?(?![\w:.])/iy;

const EFFORT_LIMITS = 'Efforts go from 1 to 10, the easier first, as in effort 6-8.';

function readEffort(r: Reader): Pace | undefined {
  const other = r.sees(/\d/y) ? r.takeGenerously(EFFORT_OTHERWISE) : undefined;
  if (other) {
    const effort = other[1] === undefined ? Number(other[2]) : Math.round(Number(other[1]) / 5) / 2;
    if (!(effort >= 1 && effort <= 10)) r.refuse(EFFORT_LIMITS, other.index);
    return { kind: 'effort', min: effort, max: effort };
  }
  if (!r.take(/effort\b\s*:?/iy) && !r.takeGenerously(/rpe\s*:?(?=\s*\d)/iy)) return undefined;
  const match = r.take(/(\d+(?:\.\d+)?)(?:\s*[-–]\s*(\d+(?:\.\d+)?))?/y);
  if (!match) return r.fail('An effort from 1 to 10 is expected here, as in effort 7 or effort 6-8.');
  r.takeGenerously(/\/\s*10\b/y);
  const min = Number(match[1]);
  const max = Number(match[2] ?? match[1]);
  if (min < 1 || max > 10 || min > max) r.refuse(EFFORT_LIMITS, match.index);
  return { kind: 'effort', min, max };
}

const SHARE_LIMITS = 'A share of a pace is between 20 % and 200 %.';
const PERCENT_ANYWHERE = /%/;

/** “Goal pace” and “race pace” say nothing without a distance. */
const RACES = ['800', '1500', '3k', '5k', '10k'];

function failWithoutRace(r: Reader, word: string, start: number): void {
  if (!r.take(/(?:race\s+)?(?:pace|speed)\b/iy)) return;
  const races = RACES.filter((name) => r.paces.names.includes(name));
  r.fail(
    `${word} pace over which distance? Write it like ${word === 'Goal' ? 'goal 5k' : '5k'}.`,
    start,
    r.at,
    races.map((name) =>
      word === 'Goal' ? { label: `Goal ${name}`, by: `goal ${name}` } : { label: `${name} pace`, by: name },
    ),
  );
}

/** A share, or a range of shares, of nothing: mostly that of how hard it is. */
function failWithoutName(r: Reader, percents: readonly number[], start: number): void {
  if (!r.isAtStop() && !r.sees(/[/>"]|w\/|(?:with|off|rest|rec|recovery|walk|jog|then|and)\b/iy)) return;
  const [percent = 0, most = percent] = percents;
  const effort = Math.min(10, Math.max(1, Math.round((percent + most) / 10) / 2));
  r.fail(`${percents.join('–')} % of what? Write the pace behind it, as in ${percent}% 400.`, start, r.at, [
    { label: `Effort ${effort}`, by: `effort ${effort}` },
    ...['400', '5k']
      .filter((name) => r.paces.names.includes(name))
      .map((name) => ({
        label: `${percents.join('–')} % of ${name} pace`,
        by: percents.map((percent) => `${percent}% ${name}`).join('..'),
      })),
  ]);
}

/** The name behind a share: `95% 5k`, `95% of 5k pace`. */
function readNameOfShare(r: Reader): string {
  r.takeGenerously(/of\b/iy);
  const name = readName(r);
  r.takeGenerously(BEHIND_A_NAME);
  return name;
}

function readNamed(r: Reader): Pace {
  r.skipSpace();
  const start = r.at;
  const share = r.take(/(\d+(?:\.\d+)?)\s*%/y);
  if (share) {
    const percent = Number(share[1]);
    failWithoutName(r, [percent], start);
    if (percent < 20 || percent > 200) r.refuse(SHARE_LIMITS, share.index);
    return { kind: 'share', percent, name: readNameOfShare(r) };
  }
  const goal = r.take(/goal\b/iy) !== undefined;
  if (goal) failWithoutRace(r, 'Goal', start);
  else if (r.take(/race\b/iy)) {
    failWithoutRace(r, 'Race', start);
    r.at = start;
  }
  const name = readName(r);
  if (r.seesLetter()) r.takeGenerously(BEHIND_A_NAME);
  if (r.seesLetter()) r.takeGenerously(name === 'easy' ? EASY_RUNNING : /run(?:ning)?\b(?!\s*\d)/iy);
  const offset = r.take(/([+\-−])\s*(\d+(?:\.\d+)?)\s*s\s*\//iy);
  if (!offset) return { kind: 'named', name, goal };
  const offsetS = Number(offset[2]) * (offset[1] === '+' ? 1 : -1);
  return { kind: 'named', name, goal, offset: { offsetS, perM: readPer(r) } };
}

/** `95-98% 400`: a band of shares. */
function readShares(r: Reader): RepPace | undefined {
  r.skipSpace();
  const start = r.at;
  const match = r.takeGenerously(/(\d+(?:\.\d+)?)\s*%?\s*(?:[-–—]|to\b)\s*(\d+(?:\.\d+)?)\s*%/iy);
  if (!match) return undefined;
  const [percent = 0, most = 0] = match.slice(1).map(Number);
  failWithoutName(r, [percent, most], start);
  if (percent < 20 || most > 200) r.refuse(SHARE_LIMITS, start);
  const name = readNameOfShare(r);
  return { from: { kind: 'share', percent, name }, band: { kind: 'share', percent: most, name } };
}

/** One pace, or two times or shares as a band. */
function readAnyPace(r: Reader, amounts: readonly Amount[]): RepPace {
  r.skipSpace();
  const start = r.at;
  const shares = r.has(PERCENT_ANYWHERE) ? readShares(r) : undefined;
  if (shares) {
    r.mark('pace', start);
    return shares;
  }
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

/** Another pace behind a dash; behind a stroke only where it says that it is a pace. */
const TO_ANOTHER =
  /[-–—](?=\s*(?:\d+k|[a-z]))|\/(?=\s*(?:\d+k|mile|half|marathon|threshold|tempo)\s*(?:pace|effort)\b)/iy;

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
  if (pace.band || r.isAtStop() || (r.sees(/[/"]/y) && !r.sees(TO_ANOTHER))) return pace;
  if (r.take(/>/y) || r.takeGenerously(/→|->|=>|(?:down\s+)?(?:to|into)\b/iy))
    return { ...pace, to: readAnyPace(r, amounts).from };
  const start = r.at;
  if (r.takeGenerously(TO_ANOTHER)) {
    let other = readAnyPace(r, amounts).from;
    // `@10k-5k-3k` up a ladder: from the first to the last.
    while (r.takeGenerously(/[-–—](?=\s*(?:\d+k|[a-z]|1500|800|400))/iy)) other = readAnyPace(r, amounts).from;
    const names = r.text
      .slice(r.text.lastIndexOf('@', start) + 1, r.at)
      .split(/[-–—/]/)
      .map((name) => name.replace(/\s*(?:pace|effort)\s*$/i, '').trim());
    const onlyName = names[0];
    const two = names.at(-1);
    r.ask(
      'Does the pace move from the one to the other, or is anything between them right?',
      { from: start, to: r.at },
      [
        { label: `Moving from ${onlyName} to ${two}`, by: `>${two}` },
        { label: `Anywhere from ${onlyName} to ${two}`, by: `..${two}` },
      ],
    );
    return { ...pace, to: other };
  }
  if (r.take(/\.\.+|…/y)) return { ...pace, band: readAnyPace(r, amounts).from };
  return pace;
}

const BRACKET_ANYWHERE = /\(/;

/** `1600 (10k)`: a pace of the pace book in brackets, unless it is a number, which may as well be the rest. */
export function takeNameInBrackets(r: Reader): RepPace | undefined {
  if (!r.has(BRACKET_ANYWHERE)) return undefined;
  const start = r.at;
  if (!r.take(/\((?=\s*@?\s*(?:goal\s+)?(?:\d+k|[a-z]))/iy)) return undefined;
  r.take(/@/y);
  if (r.sees(r.paces.pattern) || r.sees(SYNONYM) || r.sees(/goal\b/iy)) {
    const pace = readPace(r);
    if (r.take(/\)/y)) {
      r.generous();
      return { from: pace };
    }
  }
  r.at = start;
  return undefined;
}
