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
 * Amounts and paces are read in parseAmount.ts and parsePace.ts. One bad item does not hide the others: what is understood
 * but cannot be had (an unknown pace, 0 metres) is refused and read past; where it cannot be told what is meant, reading
 * goes on at the next comma of the same set, so that every problem in the text is named at once.
 */
import { PACE_NAMES } from '../paces/paceNames';
import { readAmount, readDuration } from './parseAmount';
import { readPace } from './parsePace';
import { knownPaces, Reader, Unreadable, type KnownPaces, type Problem, type Token } from './reader';
import {
  MANNERS,
  ROLES,
  type Amount,
  type Count,
  type Item,
  type Line,
  type Recovery,
  type Rep,
  type Session,
} from './session';
import { legCount, MAX_LEGS } from './treeTotals';

export type ParsedSession = { ok: true; session: Session } | { ok: false; problems: Problem[] };

/** A text as far as it could be read. */
export type SessionReading = {
  /** What could be read of it; the whole, if there are no problems. */
  session: Session;
  /** In the order they stand in the text. */
  problems: Problem[];
  tokens: Token[];
  /** For each line of the session, which line of the text it is, counted from 0. */
  lineAt: number[];
};

/** Longer texts are refused: nobody writes one, and it keeps reading quick. */
const MAX_TEXT = 20_000;
const MAX_DEPTH = 6;
/** When so much is wrong the rest is left unread: nobody mends a hundred slips from a list. */
const MAX_PROBLEMS = 100;

const TIMES = /[x×*]/iy;
const COMMA = /,/y;

function readCount(r: Reader): Count | undefined {
  r.skipSpace();
  const start = r.at;
  const open = r.take(/open\b/iy);
  if (open) {
    if (!r.take(TIMES)) r.fail('After “open” an “x” is expected, as in open x 400 @threshold.');
    r.mark('count', start);
    return { kind: 'open' };
  }
  const match = r.take(/([-−]?\d+)(?:\s*-\s*(\d+))?\s*[x×*]/iy);
  if (!match) return undefined;
  r.mark('count', start);
  const from = Number(match[1]?.replace('−', '-'));
  const to = match[2] === undefined ? from : Number(match[2]);
  if (!(from >= 1) || to > MAX_LEGS || from > to) {
    r.refuse(`A count goes from 1 to ${MAX_LEGS}, smaller number first, as in 8-10x400.`, start);
    return { kind: 'fixed', n: 1 };
  }
  return from === to ? { kind: 'fixed', n: from } : { kind: 'range', min: from, max: to };
}

function readNote(r: Reader): string | undefined {
  r.skipSpace();
  const start = r.at;
  const note = r.take(/"([^"\n]*)"/y);
  if (!note && r.sees(/"/y)) r.fail('This note has no closing quote mark.', start, r.end);
  r.mark('note', start);
  return note?.[1]?.trim().replace(/\s+/g, ' ');
}

function readAmounts(r: Reader): Pick<Rep, 'amounts' | 'sequence'> {
  r.skipSpace();
  const start = r.at;
  const amounts = [readAmount(r)];
  const stroke = r.take(/[-–|]/y)?.[0];
  if (stroke) {
    const more = stroke === '|' ? /\|/y : /[-–]/y;
    do amounts.push(readAmount(r));
    while (r.take(more));
    if (r.sees(/[-–|]/y)) r.fail('A ladder is written with “-” and a cut-down with “|”, not both in one item.');
  }
  r.mark('amount', start);
  return { amounts, sequence: stroke === '|' ? 'cutDown' : 'ladder' };
}

function readRep(r: Reader): Rep {
  const rep: Rep = { kind: 'rep', ...readAmounts(r), free: r.take(/free\b/iy) !== undefined };
  if (r.take(/@/y)) {
    rep.pace = { from: readPace(r) };
    if (r.take(/>/y)) rep.pace.to = readPace(r);
  }
  const note = readNote(r);
  if (note !== undefined) rep.note = note;
  return rep;
}

function readRecovery(r: Reader): Recovery {
  r.skipSpace();
  const start = r.at;
  const recovery: Recovery = { amount: readRecoveryAmount(r) };
  const manner = r.take(/(stand|walk|jog|float)(?:ing|ging)?\b/iy)?.[1]?.toLowerCase();
  const known = MANNERS.find((m) => m === manner);
  if (known) recovery.manner = known;
  r.mark('recovery', start);
  if (known === 'float' && r.take(/@/y)) recovery.pace = readPace(r);
  return recovery;
}

function readRecoveryAmount(r: Reader): Recovery['amount'] {
  const word = r.take(/(equal|half)\b/iy)?.[1]?.toLowerCase();
  if (word === 'equal' || word === 'half') return { kind: word };
  const share = r.take(/(\d+(?:\.\d+)?)\s*%/y);
  if (share) {
    const percent = Number(share[1]);
    if (!(percent > 0 && percent <= 1000)) r.refuse('A recovery is between 1 % and 1000 % of the rep.', share.index);
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
  if (maxS < durationS) r.refuse('The shorter recovery comes first, as in 60s-90s.', start);
  return { kind: 'time', minS: durationS, maxS };
}

function readItem(r: Reader, depth: number, problems: Problem[]): Item {
  const count = readCount(r) ?? { kind: 'fixed', n: 1 };
  const body = readBody(r, depth, problems);
  const item: Item = { count, body };
  if (r.take(/\//y)) item.recovery = readRecovery(r);
  return item;
}

function readBody(r: Reader, depth: number, problems: Problem[]): Item['body'] {
  if (depth >= MAX_DEPTH && r.sees(/\(/y)) r.fail(`Sets can be nested ${MAX_DEPTH} deep at most.`);
  if (r.take(/\(/y)) {
    const items = readItems(r, depth + 1, problems);
    if (!r.take(/\)/y)) r.fail('This set has no closing bracket. Expected “)”, “,” or “/” here.');
    return { kind: 'set', items };
  }
  const start = r.at;
  if (r.take(/drills\b/iy)) {
    r.mark('amount', start);
    const note = readNote(r);
    return note === undefined ? { kind: 'drills' } : { kind: 'drills', note };
  }
  return readRep(r);
}

/** Goes on from where reading stopped to the next comma of this set, to its closing bracket, or to the end of the line. */
function skipItem(r: Reader, isInSet: boolean): void {
  let depth = 0;
  let inNote = false;
  for (; r.at < r.end; r.at++) {
    const c = r.text.charAt(r.at);
    if (c === '"' && !/\d/.test(r.text.charAt(r.at - 1))) inNote = !inNote;
    else if (inNote) continue;
    else if (c === '(') depth++;
    else if (c === ')' && depth === 0 && isInSet) return;
    else if (c === ')') depth = Math.max(0, depth - 1);
    else if (c === ',' && depth === 0) return;
  }
}

/** Items with commas between them; what cannot be read of them is named and left out. */
function readItems(r: Reader, depth: number, problems: Problem[]): Item[] {
  const items: Item[] = [];
  const isInSet = depth > 0;
  do {
    try {
      const item = readItem(r, depth, problems);
      if (!r.isAtEnd() && !r.sees(isInSet ? /[,)]/y : COMMA))
        r.fail(
          `“${r.word()}” was not expected here. Put a comma between items, “/” before a recovery, “@” before a pace.`,
        );
      items.push(item);
    } catch (error) {
      if (!(error instanceof Unreadable)) throw error;
      problems.push(error.problem);
      skipItem(r, isInSet);
    }
  } while (r.take(COMMA) && problems.length < MAX_PROBLEMS);
  return items;
}

function readLine(r: Reader, problems: Problem[]): Line {
  r.skipSpace();
  const start = r.at;
  const label = r.take(/([a-z]+(?:[- ](?:up|down))?)\s*:/iy);
  const written = label?.[1]?.toLowerCase() ?? 'main';
  const role = ROLES.find((known) => written === known || written.replace(/[- ]?(up|down)$/, '') === known);
  if (label && !role)
    problems.push({
      message: `“${label[1]}” is not a part of a session. Use warm, main, finish or cool.`,
      from: label.index,
      to: label.index + written.length,
    });
  r.mark('role', start);
  return { role: role ?? 'main', items: readItems(r, 0, problems) };
}

function readLines(text: string, paces: KnownPaces): SessionReading {
  const reading: SessionReading = { session: { lines: [] }, problems: [], tokens: [], lineAt: [] };
  const { session, problems, tokens, lineAt } = reading;
  let start = 0;
  text.split('\n').forEach((raw, at) => {
    const reader = new Reader(text, start, start + raw.length, paces, { problems, tokens });
    start += raw.length + 1;
    if (reader.isAtEnd() || problems.length >= MAX_PROBLEMS) return;
    if (reader.sees(/#/y)) {
      tokens.push({ kind: 'comment', from: reader.at, to: start - 1 });
      return;
    }
    const line = readLine(reader, problems);
    if (line.items.length === 0) return;
    session.lines.push(line);
    lineAt.push(at);
  });
  if (problems.length >= MAX_PROBLEMS) {
    const to = text.length;
    problems.push({ message: 'With so much that cannot be read, the text is not read any further.', from: to, to });
  }
  const legs = legCount(session);
  if (legs > MAX_LEGS) problems.push(tooLong(text, reading, legs));
  return reading;
}

/** Says that there are too many legs, at the line with which it is so. */
function tooLong(text: string, { session, lineAt }: SessionReading, legs: number): Problem {
  const { lines } = session;
  let sum = 0;
  const found = lines.findIndex((line) => (sum += legCount({ lines: [line] })) > MAX_LEGS);
  const tooMany = found < 0 ? lines.length - 1 : found;
  const before = text.split('\n').slice(0, lineAt[tooMany]);
  const from = before.reduce((length, line) => length + line.length + 1, 0);
  const end = text.indexOf('\n', from);
  return {
    message: `This comes to ${legs.toLocaleString('en-GB')} legs (reps and recoveries). A session can have ${MAX_LEGS} at most.`,
    from,
    to: end < 0 ? text.length : end,
  };
}

/** What may be named in a session; the paces every book has, if left out. */
export type ReadOptions = { paceNames?: readonly string[] };

/**
 * Reads session shorthand as far as it goes, for a screen that shows it while it is written: tree, problems, and what each
 * stretch of the text is. Never throws, whatever the text.
 */
export function readSession(text: string, { paceNames = PACE_NAMES }: ReadOptions = {}): SessionReading {
  const nothing = (message: string, from: number): SessionReading => ({
    session: { lines: [] },
    problems: [{ message, from, to: text.length }],
    tokens: [],
    lineAt: [],
  });
  if (text.length > MAX_TEXT) return nothing(`A session can have ${MAX_TEXT} characters at most.`, MAX_TEXT);
  const reading = readLines(text, knownPaces(paceNames));
  reading.problems.sort((a, b) => a.from - b.from);
  if (reading.problems.length > 0 || reading.session.lines.length > 0) return reading;
  return { ...nothing('Nothing is written yet. Try 6x400 @5k / 90s.', 0), tokens: reading.tokens };
}

/**
 * Reads session shorthand. Never throws, whatever the text; every problem is named with its place and what was expected.
 * @returns the session tree, or the problems in the order they stand in the text.
 */
export function parseSession(text: string, options: ReadOptions = {}): ParsedSession {
  const { session, problems } = readSession(text, options);
  return problems.length > 0 ? { ok: false, problems } : { ok: true, session };
}

/** Reads one amount on its own: `400`, `1mi`, `2:30`. Undefined if it is anything else. */
export function parseAmount(text: string): Amount | undefined {
  const parsed = parseSession(text);
  const item = parsed.ok && parsed.session.lines.length === 1 ? parsed.session.lines[0]?.items : undefined;
  const [only, ...others] = item ?? [];
  if (!only || others.length > 0 || only.body.kind !== 'rep' || only.recovery || only.body.pace) return undefined;
  return only.count.kind === 'fixed' && only.count.n === 1 && only.body.amounts.length === 1
    ? only.body.amounts[0]
    : undefined;
}
