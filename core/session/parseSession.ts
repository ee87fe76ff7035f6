/**
 * The session shorthand, read into a tree.
 *
 *   session  = line { newline line }                 ; blank lines and "# comment" lines are ignored
 *   line     = [ role ":" ] item { "," item }        ; role = warm | main | finish | cool, main if left out
 *   item     = [ count "x" ] ( rep | "(" item { "," item } ")" ) [ "/" recovery ]
 *   count    = INT | INT "-" INT | "open"
 *   rep      = amounts [ "free" ] [ "@" pace [ ">" pace ] ] [ note ] | "drills" [ note ]
 *   amounts  = amount { "-" amount } | amount { "|" amount }
 *   recovery = ( duration [ "-" duration ] | distance | "equal" | "half" | NUM "%" ) [ manner [ "@" pace ] ]
 *   note     = '"' text '"'
 *
 * Amounts and paces are read in parseAmount.ts and parsePace.ts. One bad item does not hide the others: reading goes on
 * at the next comma outside brackets, so that every problem in the text is named at once.
 */
import { PACE_NAMES } from '../paces/paceNames';
import { readAmount, readDuration } from './parseAmount';
import { readPace } from './parsePace';
import { knownPaces, Reader, Unreadable, type Problem } from './reader';
import { MANNERS, ROLES, type Count, type Item, type Line, type Recovery, type Rep, type Session } from './session';

export type ParsedSession = { ok: true; session: Session } | { ok: false; problems: Problem[] };

/** Longer texts are refused: nobody writes one, and it keeps reading quick. */
const MAX_TEXT = 20_000;
const MAX_COUNT = 200;
const MAX_DEPTH = 6;

const TIMES = /[x×*]/iy;

function readCount(r: Reader): Count | undefined {
  const start = r.at;
  const open = r.take(/open\b/iy);
  if (open) {
    if (!r.take(TIMES)) r.fail('After “open” an “x” is expected, as in open x 400 @threshold.');
    return { kind: 'open' };
  }
  const match = r.take(/(\d+)(?:\s*-\s*(\d+))?\s*[x×*]/iy);
  if (!match) return undefined;
  const from = Number(match[1]);
  const to = match[2] === undefined ? from : Number(match[2]);
  if (from < 1 || to > MAX_COUNT || from > to)
    r.fail(`A count goes from 1 to ${MAX_COUNT}, smaller number first, as in 8-10x400.`, start, r.at);
  return from === to ? { kind: 'fixed', n: from } : { kind: 'range', min: from, max: to };
}

function readNote(r: Reader): string | undefined {
  const start = r.at;
  const note = r.take(/"([^"\n]*)"/y);
  if (!note && r.sees(/"/y)) r.fail('This note has no closing quote mark.', start, r.end);
  return note?.[1]?.trim().replace(/\s+/g, ' ');
}

function readRep(r: Reader): Rep {
  const amounts = [readAmount(r)];
  const stroke = r.take(/[-–|]/y)?.[0];
  if (stroke) {
    const more = stroke === '|' ? /\|/y : /[-–]/y;
    do amounts.push(readAmount(r));
    while (r.take(more));
    if (r.sees(/[-–|]/y)) r.fail('A ladder is written with “-” and a cut-down with “|”, not both in one item.');
  }
  const rep: Rep = {
    kind: 'rep',
    amounts,
    sequence: stroke === '|' ? 'cutDown' : 'ladder',
    free: r.take(/free\b/iy) !== undefined,
  };
  if (r.take(/@/y)) {
    rep.pace = { from: readPace(r) };
    if (r.take(/>/y)) rep.pace.to = readPace(r);
  }
  const note = readNote(r);
  if (note !== undefined) rep.note = note;
  return rep;
}

function readRecovery(r: Reader): Recovery {
  const recovery: Recovery = { amount: readRecoveryAmount(r) };
  const manner = r.take(/(stand|walk|jog|float)(?:ing|ging)?\b/iy)?.[1]?.toLowerCase();
  const known = MANNERS.find((m) => m === manner);
  if (known) recovery.manner = known;
  if (known === 'float' && r.take(/@/y)) recovery.pace = readPace(r);
  return recovery;
}

function readRecoveryAmount(r: Reader): Recovery['amount'] {
  const word = r.take(/(equal|half)\b/iy)?.[1]?.toLowerCase();
  if (word === 'equal' || word === 'half') return { kind: word };
  const share = r.take(/(\d+(?:\.\d+)?)\s*%/y);
  if (share) {
    const percent = Number(share[1]);
    if (percent <= 0 || percent > 1000) r.fail('A recovery is between 1 % and 1000 % of the rep.', share.index, r.at);
    return { kind: 'share', percent };
  }
  if (!r.sees(/\d/y)) r.fail('A recovery is expected here, as in 90s, 2:30 walk, 200m jog, equal or half.');
  const start = r.at;
  const amount = readAmount(r);
  if (amount.kind === 'distance') {
    const { distanceM, unit } = amount;
    return { kind: 'distance', distanceM, ...(unit ? { unit } : {}) };
  }
  const { durationS } = amount;
  if (!r.take(/[-–]/y)) return { kind: 'time', minS: durationS, maxS: durationS };
  const maxS = readDuration(r);
  if (maxS < durationS) r.fail('The shorter recovery comes first, as in 60s-90s.', start, r.at);
  return { kind: 'time', minS: durationS, maxS };
}

function readItem(r: Reader, depth: number): Item {
  const count = readCount(r) ?? { kind: 'fixed', n: 1 };
  const body = readBody(r, depth);
  const item: Item = { count, body };
  if (r.take(/\//y)) item.recovery = readRecovery(r);
  return item;
}

function readBody(r: Reader, depth: number): Item['body'] {
  if (r.take(/\(/y)) {
    if (depth >= MAX_DEPTH) r.fail(`Sets can be nested ${MAX_DEPTH} deep at most.`);
    const items = [readItem(r, depth + 1)];
    while (r.take(/,/y)) items.push(readItem(r, depth + 1));
    if (!r.take(/\)/y)) r.fail('This set has no closing bracket. Expected “)”, “,” or “/” here.');
    return { kind: 'set', items };
  }
  if (r.take(/drills\b/iy)) {
    const note = readNote(r);
    return note === undefined ? { kind: 'drills' } : { kind: 'drills', note };
  }
  return readRep(r);
}

/** Goes on after the next comma outside brackets and notes, or to the end of the line. */
function skipItem(r: Reader, from: number): void {
  let depth = 0;
  let inNote = false;
  for (r.at = from; r.at < r.end; r.at++) {
    const c = r.text.charAt(r.at);
    if (c === '"' && !/\d/.test(r.text.charAt(r.at - 1))) inNote = !inNote;
    else if (inNote) continue;
    else if (c === '(') depth++;
    else if (c === ')') depth = Math.max(0, depth - 1);
    else if (c === ',' && depth === 0) return;
  }
}

function readLine(r: Reader, problems: Problem[]): Line | undefined {
  const line: Line = { role: 'main', items: [] };
  const label = r.take(/([a-z]+(?:[- ](?:up|down))?)\s*:/iy);
  if (label) {
    const written = label[1]?.toLowerCase() ?? '';
    const role = ROLES.find((known) => written === known || written.replace(/[- ]?(up|down)$/, '') === known);
    if (role) line.role = role;
    else
      problems.push({
        message: `“${label[1]}” is not a part of a session. Use warm, main, finish or cool.`,
        from: label.index,
        to: label.index + (label[1]?.length ?? 1),
      });
  }
  do {
    const from = r.at;
    try {
      line.items.push(readItem(r, 0));
      if (!r.isAtEnd() && !r.sees(/,/y))
        r.fail(
          `“${r.word()}” was not expected here. Put a comma between items, “/” before a recovery, “@” before a pace.`,
        );
    } catch (error) {
      if (!(error instanceof Unreadable)) throw error;
      problems.push(error.problem);
      skipItem(r, from);
    }
  } while (r.take(/,/y));
  return line.items.length > 0 ? line : undefined;
}

/**
 * Reads session shorthand. Never throws, whatever the text; every problem is named with its place and what was expected.
 * @param options.paceNames the paces that may be named: those every book has, if left out.
 * @returns the session tree, or the problems in the order they stand in the text.
 */
export function parseSession(
  text: string,
  { paceNames = PACE_NAMES }: { paceNames?: readonly string[] } = {},
): ParsedSession {
  if (text.length > MAX_TEXT)
    return {
      ok: false,
      problems: [{ message: `A session can have ${MAX_TEXT} characters at most.`, from: MAX_TEXT, to: text.length }],
    };
  const problems: Problem[] = [];
  const lines: Line[] = [];
  const paces = knownPaces(paceNames);
  let start = 0;
  for (const raw of text.split('\n')) {
    const reader = new Reader(text, start, start + raw.length, paces);
    start += raw.length + 1;
    if (reader.isAtEnd() || reader.sees(/#/y)) continue;
    const line = readLine(reader, problems);
    if (line) lines.push(line);
  }
  if (problems.length > 0) return { ok: false, problems };
  if (lines.length === 0)
    return {
      ok: false,
      problems: [{ message: 'Nothing is written yet. Try 6x400 @5k / 90s.', from: 0, to: text.length }],
    };
  return { ok: true, session: { lines } };
}
