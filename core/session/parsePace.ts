import { closestNames } from '../words/closestNames';
import { readPer } from './parseAmount';
import type { Reader } from './reader';
import type { Pace } from './session';

/*
 *   pace = [ "goal" ] NAME [ ("+"|"-") NUM "s" "/" distance ]
 *        | NUM "%" NAME
 *        | time "/" distance
 *        | "effort" NUM [ "-" NUM ]
 */

const ANY_NAME = /[a-z0-9]+(?:-[a-z]+)*/iy;

/** Longer than any name of a pace by more than a slip of the finger. */
const TOO_LONG_FOR_A_NAME = 30;

/** Says that a name is not in the pace book, with close ones that are. */
function notInTheBook(written: string, names: readonly string[]): string {
  const close = written.length > TOO_LONG_FOR_A_NAME ? [] : closestNames(written, names);
  const hint = close.length > 0 ? `Did you mean ${close.join(' or ')}?` : `Known paces: ${names.join(', ')}.`;
  return `“${written.slice(0, TOO_LONG_FOR_A_NAME)}” is not a pace in the book. ${hint}`;
}

function readName(r: Reader): string {
  const start = r.at;
  const known = r.take(r.paces.pattern)?.[0];
  if (known !== undefined) return known.toLowerCase();
  const written = r.take(ANY_NAME)?.[0];
  if (written === undefined) return r.fail('A pace is expected here, as in @5k, @threshold, @74/400 or @effort 7.');
  r.refuse(notInTheBook(written, r.paces.names), start);
  return written.toLowerCase();
}

function readAbsolute(r: Reader): Pace | undefined {
  const start = r.at;
  const match = r.take(/(?:(\d+):)?(\d+(?:\.\d+)?)\s*(?:s\b\s*)?\/(?=\s*(?:\d|k|mi))/iy);
  if (!match) return undefined;
  if (match[1] !== undefined && Number(match[2]) >= 60) r.refuse('There are only 60 seconds in a minute.', start);
  const timeS = Number(match[1] ?? 0) * 60 + Number(match[2]);
  const perM = readPer(r);
  const speedMps = perM / timeS;
  if (!(speedMps > 0.5 && speedMps < 13))
    r.refuse('That is not a speed anyone runs at. Check the time and the distance.', start);
  return { kind: 'absolute', timeS: Math.round(timeS * 100) / 100, perM };
}

function readEffort(r: Reader): Pace | undefined {
  if (!r.take(/effort\b/iy)) return undefined;
  const match = r.take(/(\d+(?:\.\d+)?)(?:\s*[-–]\s*(\d+(?:\.\d+)?))?/y);
  if (!match) return r.fail('An effort from 1 to 10 is expected here, as in effort 7 or effort 6-8.');
  const min = Number(match[1]);
  const max = Number(match[2] ?? match[1]);
  if (min < 1 || max > 10 || min > max)
    r.refuse('Efforts go from 1 to 10, the easier first, as in effort 6-8.', match.index);
  return { kind: 'effort', min, max };
}

/** Reads what stands after `@` (or after `>`). A name that is not in the book is refused, listing close ones. */
export function readPace(r: Reader): Pace {
  r.skipSpace();
  const start = r.at;
  const pace = readAnyPace(r);
  r.mark('pace', start);
  return pace;
}

function readAnyPace(r: Reader): Pace {
  const share = r.take(/(\d+(?:\.\d+)?)\s*%/y);
  if (share) {
    const percent = Number(share[1]);
    if (percent < 20 || percent > 200) r.refuse('A share of a pace is between 20 % and 200 %.', share.index);
    r.skipSpace();
    return { kind: 'share', percent, name: readName(r) };
  }
  const special = readEffort(r) ?? (r.sees(r.paces.pattern) ? undefined : readAbsolute(r));
  if (special) return special;
  const goal = r.take(/goal\b/iy) !== undefined;
  r.skipSpace();
  const name = readName(r);
  const offset = r.take(/([+\-−])\s*(\d+(?:\.\d+)?)\s*s\s*\//iy);
  if (!offset) return { kind: 'named', name, goal };
  const offsetS = Number(offset[2]) * (offset[1] === '+' ? 1 : -1);
  return { kind: 'named', name, goal, offset: { offsetS, perM: readPer(r) } };
}
