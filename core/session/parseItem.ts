import { readAmount } from './parseAmount';
import { countBehind, countsOf, once, readCount } from './parseCount';
import { readNote, readRep } from './parseRep';
import { readRests, restBehind, takeLatePace, takeRest, wrapped } from './parseRests';
import { startsPart, takeRoleBehind } from './roleWords';
import { MAX_PROBLEMS, Unreadable, type Problem, type ReadItem, type Reader } from './reader';
import type { Amount, Count, Item } from './session';
import { failUnexpected, withNote } from './unexpected';

/*
 *   item  = [ count "x" ] ( rep | "(" item { "," item } ")" | "drills" [ note ] ) [ "/" recovery ]
 *
 * Read as well: `3 sets of`, `2x3x600`, a pace before the amount or behind a set, and a jog, a walk or a rest as an item of its own between
 * others.
 */

const MAX_DEPTH = 6;

const COMMA = /,/y;
const STRIDE_ANYWHERE = /stride/i;
const JOG_ANYWHERE = /jog/i;
const SEPARATOR = /\+(?=\s)|&|(?:then|followed by|and|plus)\b/iy;
/** Between parts of a session on one line, outside sets; inside them a comma. */
const PART_END = /;/y;
const AFTER_COMMA = /(?:then|followed by|and|plus|finish(?:ing)? with)\b/iy;

type ReadBody = { body: Item['body']; count?: Count | undefined; inner?: ReadItem[] };

function readSet(r: Reader, depth: number, problems: Problem[]): ReadBody {
  const inner = readItems(r, depth + 1, problems);
  if (!r.take(/[)\]]/y)) r.fail('This set has no closing bracket. Expected “)”, “,” or “/” here.');
  return { body: { kind: 'set', items: inner.map(({ item }) => item) }, inner, count: countBehind(r) };
}

/** Strides without a length: what they may be. */
function refuseStrides(r: Reader): void {
  const start = r.at;
  const strides = r.has(STRIDE_ANYWHERE) && r.take(/(?:(\d{1,2})\s*(?:[x×*]\s*)?)?strides?\b/iy);
  if (strides) {
    const count = `${strides[1] ?? 4}x`;
    r.fail('How long are the strides? Write it like 4x100 @strides.', start, r.at, [
      { label: `${count}100 m`, by: `${count}100 @strides` },
      { label: `${count}20 s`, by: `${count}20s @strides` },
    ]);
  }
}

function readBody(r: Reader, depth: number, problems: Problem[]): ReadBody {
  if (depth >= MAX_DEPTH && r.sees(/[([]/y)) r.fail(`Sets can be nested ${MAX_DEPTH} deep at most.`);
  if (r.take(/\(/y) ?? r.takeGenerously(/\[/y)) return readSet(r, depth, problems);
  r.skipSpace();
  const start = r.at;
  const drills = r.take(/drills\b/iy) ?? r.takeGenerously(/(?:running\s+)?drills?\b|mobility\b/iy);
  if (drills) {
    r.mark('amount', start);
    const note = readNote(r) ?? (/mobility/i.test(drills[0]) ? 'mobility' : undefined);
    return { body: note === undefined ? { kind: 'drills' } : { kind: 'drills', note } };
  }
  return readRep(r);
}

/** Words that come before an amount: the pace of the rep. */
const PACE_BEFORE =
  /(easy|steady|tempo|threshold|marathon|long run|time trial|tt|(?:all|flat)[- ]out)\b(?:\s+(?:run|over|of))?(?=\s+\d)/iy;
const PACE_OF: Readonly<Record<string, string>> = {
  'long run': 'easy',
  'time trial': 'max',
  tt: 'max',
  'all out': 'max',
  'flat out': 'max',
};

function readItem(r: Reader, depth: number, problems: Problem[]): ReadItem {
  r.skipSpace();
  const from = r.at;
  refuseStrides(r);
  const outer = readCount(r);
  // Of sets, or 2x3x600: another count follows.
  const inner = outer && readCount(r);
  const prefix = r
    .takeGenerously(PACE_BEFORE)?.[1]
    ?.toLowerCase()
    .replace(/[\s-]+/g, ' ');
  const { body, count: behind, inner: within } = readBody(r, depth, problems);
  if (prefix !== undefined && body.kind === 'rep')
    body.pace ??= { from: { kind: 'named', name: PACE_OF[prefix] ?? prefix, goal: false } };
  if (body.kind === 'set') takeLatePace(r, body);
  const counts = countsOf(outer, inner, behind);
  const item: Item = { count: counts.reps, body };
  const { between } = readRests(r, item, counts);
  const hasCount = item.count !== once;
  if (counts.sets) {
    r.generous();
    const set: Item = { count: counts.sets, body: { kind: 'set', items: [item] } };
    if (between) set.recovery = between;
    return { item: set, from, to: r.at, hasCount };
  }
  if (between) return { item: wrapped(item, between), from, to: r.at, hasCount };
  return { item, from, to: r.at, hasCount, ...(within ? { inner: within } : {}) };
}

/** Easy running of one length, once. */
const easyRun = (amount: Amount): Item => ({
  count: once,
  body: {
    kind: 'rep',
    amounts: [amount],
    sequence: 'ladder',
    free: false,
    pace: { from: { kind: 'named', name: 'easy', goal: false } },
  },
});

/** Easy running between others, as an item of its own: `800 jog`, `jog 5min`. */
function takeJog(r: Reader): Item | undefined {
  if (!r.has(JOG_ANYWHERE)) return undefined;
  const start = r.at;
  const isJog = r.take(/(?:(?:easy|slow|gentle)\s+)?jog(?:ging)?\b(?:\s+for\b)?/iy);
  if (isJog && r.sees(/\d|lap|mile/iy)) {
    r.generous();
    return easyRun(readAmount(r));
  }
  r.at = start;
  const isBehind = r.sees(
    /(?=\d[\d:.,]*\s*(?:k|km|m|metres?|mi|miles?|s|secs?|seconds?|min|mins|minutes?|['′’"″]|laps?)?\s*(?:(?:easy|slow|gentle)\s+)?jog(?:ging)?\b(?!\s+back))/iy,
  );
  if (!isBehind) return undefined;
  const amount = readAmount(r);
  if (r.takeGenerously(/(?:(?:easy|slow|gentle)\s+)?jog(?:ging)?\b/iy)) return easyRun(amount);
  r.at = start;
  return undefined;
}

/** Goes on from where reading stopped to the next comma of this set, to its closing bracket, or to the end of the line. */
function skipItem(r: Reader, isInSet: boolean): void {
  let depth = 0;
  let inNote = false;
  for (; r.at < r.end; r.at++) {
    const c = r.text.charAt(r.at);
    if (c === '"' && !/\d/.test(r.text.charAt(r.at - 1))) inNote = !inNote;
    else if (inNote) continue;
    else if (c === '(' || c === '[') depth++;
    else if ((c === ')' || c === ']') && depth === 0 && isInSet) return;
    else if (c === ')' || c === ']') depth = Math.max(0, depth - 1);
    else if ((c === ',' || c === ';') && depth === 0) return;
  }
}

const endsHere = (r: Reader, isInSet: boolean): boolean =>
  r.isAtEnd() || r.sees(isInSet ? /[,;)\]]/y : /[,;]/y) || r.sees(SEPARATOR);

function takeSeparator(r: Reader, isInSet: boolean): boolean {
  if (r.take(COMMA)) {
    r.takeGenerously(AFTER_COMMA);
    return true;
  }
  return r.takeGenerously(SEPARATOR) !== undefined || (isInSet && r.takeGenerously(PART_END) !== undefined);
}

/** Items with commas between them; what cannot be read of them is named and left out. */
export function readItems(r: Reader, depth: number, problems: Problem[]): ReadItem[] {
  const items: ReadItem[] = [];
  const isInSet = depth > 0;
  const from = r.at;
  let hasFailed = false;
  do {
    // A comma at the end of a line that goes on below it.
    if (!isInSet && items.length > 0 && r.isAtEnd()) break;
    const separator = r.at;
    r.skipSpace();
    const start = r.at;
    const before = hasFailed ? undefined : items.at(-1);
    try {
      const rest = takeRest(r, before, items.length === 0 && !hasFailed);
      if (rest && before) items[items.length - 1] = restBehind(r, before, rest);
      else if (!rest) {
        const jog = takeJog(r);
        items.push(
          jog ? { item: jog, from: start, to: r.at, hasCount: false, isJog: true } : readItem(r, depth, problems),
        );
      }
      hasFailed = false;
      const endsPart = isInSet ? undefined : takeRoleBehind(r);
      const last = items.at(-1);
      if (endsPart && last) last.endsPart = endsPart;
      if (!endsHere(r, isInSet)) failUnexpected(r, last?.item);
    } catch (error) {
      if (!(error instanceof Unreadable)) throw error;
      hasFailed = true;
      problems.push(withNote(r, error.problem, { from, separator, start }, before?.item.body));
      skipItem(r, isInSet);
    }
  } while (takeSeparator(r, isInSet) && !(depth === 0 && startsPart(r)) && problems.length < MAX_PROBLEMS);
  return items;
}
