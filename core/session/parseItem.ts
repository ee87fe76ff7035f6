import { readAmount, takeChain } from './parseAmount';
import { readRepPace } from './parsePace';
import { seesRest, takeRecovery } from './parseRecovery';
import { startsPart } from './roleWords';
import { MAX_PROBLEMS, Unreadable, type Problem, type Reader, type Span } from './reader';
import type { Amount, Count, Item, Recovery, Rep } from './session';
import { MAX_LEGS } from './treeTotals';

/*
 *   item  = [ count "x" ] ( rep | "(" item { "," item } ")" ) [ "/" recovery ]
 *   count = INT | INT "-" INT | "open"
 *   rep   = amounts [ "free" ] [ "hill" ] [ paces ] [ note ] | "drills" [ note ]
 *   note  = '"' text '"'
 *
 * Read as well: `3 sets of`, `2x3x600`, `400 x 6`, a note in brackets, `fartlek` for free, and a jog, a walk or a rest as an item of its
 * own between others.
 */

const MAX_DEPTH = 6;

/** An item, and where it stands in the text. */
export type ReadItem = Span & {
  item: Item;
  hasCount: boolean;
  /** Easy running written as a jog. */
  isJog?: true;
  /** Of a set written in brackets: its items. */
  inner?: ReadItem[];
};

const COMMA = /,/y;
const STRIDE_ANYWHERE = /stride/i;
const STROKES_ANYWHERE = /\d\s*m?\s*\/\s*\d+m?\s*\/\s*\d/i;
const JOG_ANYWHERE = /jog/i;
const SEPARATOR = /\+(?=\s)|&|(?:then|followed by|and)\b/iy;
/** Between parts of a session on one line, outside sets; inside them a comma. */
const PART_END = /;/y;
const AFTER_COMMA = /(?:then|followed by|and)\b/iy;

const once: Count = { kind: 'fixed', n: 1 };

type ReadCount = { count: Count; isOfSets: boolean };

function readCount(r: Reader): ReadCount | undefined {
  r.skipSpace();
  const start = r.at;
  const open = r.take(/open\b/iy);
  if (open) {
    if (!r.take(/[x×*]/iy)) r.fail('After “open” an “x” is expected, as in open x 400 @threshold.');
    r.mark('count', start);
    return { count: { kind: 'open' }, isOfSets: false };
  }
  const match = r.take(
    /([-−]?\d+)(?:\s*(?:([-–—])|to\b)\s*(\d+))?\s*(?:[x×*]|(by\b|times\b|(?:sets?|reps?|rounds?)(?:\s+of)?\b:?|of\b))/iy,
  );
  if (!match) return undefined;
  const [, first, dash, last, word] = match;
  if (word !== undefined || (last !== undefined && dash !== '-')) r.generous();
  r.mark('count', start);
  const from = Number(first?.replace('−', '-'));
  const to = last === undefined ? from : Number(last);
  const isOfSets = /^(?:sets?|rounds?)/i.test(word ?? '');
  if (!(from >= 1) || to > MAX_LEGS || from > to) {
    r.refuse(`A count goes from 1 to ${MAX_LEGS}, smaller number first, as in 8-10x400.`, start);
    return { count: once, isOfSets };
  }
  return { count: from === to ? { kind: 'fixed', n: from } : { kind: 'range', min: from, max: to }, isOfSets };
}

function readNote(r: Reader): string | undefined {
  r.skipSpace();
  const start = r.at;
  const note =
    r.take(/"([^"\n]*)"/y) ?? r.takeGenerously(/[“„]([^”“"\n]*)[”“]/y) ?? r.takeGenerously(/\(([a-z][^()"\n]*)\)/iy);
  if (!note && r.sees(/"/y)) r.fail('This note has no closing quote mark.', start, r.end);
  r.mark('note', start);
  return note?.[1]?.trim().replace(/\s+/g, ' ');
}

/** A ladder with a time at its end, where the numbers before it could be metres or that too. */
function askAboutUnits(r: Reader, span: Span): void {
  const written = r.text.slice(span.from, span.to);
  const match = /^(\d+(?:\s*[-–—]\s*\d+)+)\s*(?:s|secs?|seconds?)$/i.exec(written.trim());
  const numbers = match?.[1]?.split(/\s*[-–—]\s*/);
  if (!numbers) return;
  r.ask('Are all of these seconds, or metres?', span, [
    { label: 'Seconds', by: numbers.map((number) => `${number}s`).join('-') },
    { label: 'Metres', by: numbers.map((number) => `${number}m`).join('-') },
  ]);
}

function readAmounts(r: Reader): Pick<Rep, 'amounts' | 'sequence'> {
  r.skipSpace();
  const start = r.at;
  const chain = takeChain(r);
  if (chain) {
    r.mark('amount', start);
    return { amounts: 'range' in chain ? [chain.range] : chain.ladder, sequence: 'ladder' };
  }
  const amounts = [readAmount(r)];
  const stroke = r.take(/[-–—|]/y)?.[0];
  if (stroke) {
    if (stroke === '–' || stroke === '—') r.generous();
    const more = stroke === '|' ? /\|/y : /[-–—]/y;
    do amounts.push(readAmount(r));
    while (r.take(more));
    if (r.sees(/[-–—|]/y)) r.fail('A ladder is written with “-” and a cut-down with “|”, not both in one item.');
    askAboutUnits(r, { from: start, to: r.at });
  }
  r.mark('amount', start);
  return { amounts, sequence: stroke === '|' ? 'cutDown' : 'ladder' };
}

/** Words for how hard that are no pace: what they may come to. */
function refuseVagueEffort(r: Reader): void {
  if (!r.seesLetter()) return;
  const start = r.at;
  const word = r.take(/(hard|fast|quick|strong|brisk|moderate)\b/iy)?.[1];
  if (word === undefined) return;
  r.fail(`How ${word}? Write a pace or an effort, as in @5k or @effort 8.`, start, r.at, [
    { label: 'Effort 8', by: '@effort 8' },
    { label: '5k pace', by: '@5k' },
  ]);
}

/** `400 x 6`, where the count was not said before it. */
function countBehind(r: Reader): Count | undefined {
  const match = r.takeGenerously(/[x×*]\s*(\d{1,2})(?![\w:.])/iy);
  return match && Number(match[1]) >= 1 ? { kind: 'fixed', n: Number(match[1]) } : undefined;
}

type ReadBody = { body: Item['body']; count?: Count | undefined; inner?: ReadItem[] };

function readRep(r: Reader): ReadBody & { body: Rep } {
  const rep: Rep = { kind: 'rep', ...readAmounts(r), free: false };
  const count = countBehind(r);
  while (r.seesLetter()) {
    if (r.take(/free\b/iy) ?? r.takeGenerously(/fartlek\b/iy)) rep.free = true;
    else if (r.take(/hill\b/iy) ?? r.takeGenerously(/(?:up(?:hill)?|hills|hill\s+(?:reps?|sprints?)|on a hill)\b/iy))
      rep.hill = true;
    else if (!r.takeGenerously(/(?:reps?|sprints?(?=\s*@)|of|run(?:ning)?|on)\b(?=\s*\S)/iy)) break;
  }
  const before = r.sees(/\([a-z]/iy) ? readNote(r) : undefined;
  refuseVagueEffort(r);
  const pace = readRepPace(r, rep.amounts);
  if (pace) rep.pace = pace;
  if (!rep.hill && r.seesLetter() && r.take(/hill\b/iy)) {
    rep.hill = true;
    r.generous();
  }
  const note = readNote(r) ?? before;
  if (note !== undefined) rep.note = note;
  return { body: rep, count };
}

type Body = Item['body'];

function readSet(r: Reader, depth: number, problems: Problem[]): ReadBody {
  const inner = readItems(r, depth + 1, problems);
  if (!r.take(/[)\]]/y)) r.fail('This set has no closing bracket. Expected “)”, “,” or “/” here.');
  return { body: { kind: 'set', items: inner.map(({ item }) => item) }, inner };
}

/** Strides without a length, and a ladder written with strokes: what they may be. */
function refuseShorthand(r: Reader): void {
  const start = r.at;
  const strides = r.has(STRIDE_ANYWHERE) && r.take(/(?:(\d{1,2})\s*(?:[x×*]\s*)?)?strides?\b/iy);
  if (strides) {
    const count = strides[1] === undefined ? '' : `${strides[1]}x`;
    r.fail('How long are the strides? Write it like 4x100 @strides.', start, r.at, [
      { label: '100 m', by: `${count}100 @strides` },
      { label: '20 s', by: `${count}20s @strides` },
    ]);
  }
  const ladder = r.has(STROKES_ANYWHERE) && r.take(/\d+m?(?:\s*\/\s*\d+m?){2,}(?![\w:])/iy)?.[0];
  if (ladder)
    r.fail('A ladder is written with “-”: the stroke stands before a recovery.', start, r.at, [
      { label: 'A ladder', by: ladder.replace(/\s*\/\s*/g, '-') },
    ]);
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

const amountsOf = (body: Body): readonly Amount[] => (body.kind === 'rep' ? body.amounts : []);

/** What follows a rep right away without its sign: what it may have been. */
function failUnexpected(r: Reader, isInSet: boolean, item: Item | undefined): void {
  if (r.isAtEnd() || r.sees(isInSet ? /[,;)\]]/y : /[,;]/y) || r.sees(SEPARATOR)) return;
  const word = r.word();
  const isTime = /^\d[\d:.]*(?:s|sec|secs|min|mins|'|")?$/i.test(word);
  const isPace = r.sees(r.paces.pattern);
  r.fail(
    `“${word}” was not expected here. Put a comma between items, “/” before a recovery, “@” before a pace.`,
    undefined,
    undefined,
    isPace
      ? [{ label: `At ${word} pace`, by: `@${word}` }]
      : isTime
        ? [
            ...(item?.body.kind === 'rep' && !item.body.pace && item.body.amounts[0]?.kind === 'distance'
              ? [{ label: `Each in ${word}`, by: `@${word}` }]
              : []),
            { label: `${word} recovery`, by: `/ ${word}` },
            { label: `Another item: ${word}`, by: `, ${word}` },
          ]
        : [],
  );
}

/** An item wrapped in a set of its own, so that another recovery can follow it. */
const wrapped = (item: Item, recovery: Recovery): Item => ({
  count: once,
  body: { kind: 'set', items: [item] },
  recovery,
});

function readItem(r: Reader, depth: number, problems: Problem[]): ReadItem {
  r.skipSpace();
  const from = r.at;
  refuseShorthand(r);
  const outer = readCount(r);
  // Of sets, or 2x3x600: another count follows.
  const inner = outer && readCount(r);
  const hasCount = outer !== undefined;
  const prefix = r
    .takeGenerously(/(easy|steady|tempo|threshold|marathon|long run)\b(?:\s+run)?(?=\s+\d)/iy)?.[1]
    ?.toLowerCase();
  const { body, count: behind, inner: within } = readBody(r, depth, problems);
  if (prefix !== undefined && body.kind === 'rep')
    body.pace ??= { from: { kind: 'named', name: prefix === 'long run' ? 'easy' : prefix, goal: false } };
  const count = inner?.count ?? outer?.count ?? behind ?? once;
  const item: Item = { count, body };
  const first = takeRecovery(r, amountsOf(body));
  if (first && body.kind === 'rep' && !body.pace && !r.isAtStop()) {
    const pace = readRepPace(r, body.amounts);
    if (pace) {
      r.generous();
      body.pace = pace;
    }
  }
  if (first && inner && first.isBetweenSets) {
    return {
      from,
      to: r.at,
      hasCount,
      item: { count: outer.count, body: { kind: 'set', items: [item] }, recovery: first.recovery },
    };
  }
  if (first) item.recovery = first.recovery;
  const second = first && (inner || first.isBetweenSets === false) ? takeOuter(r, body) : undefined;
  if (!inner) {
    if (second) return { from, to: r.at, hasCount, item: wrapped(item, second) };
    return { from, to: r.at, hasCount, item, ...(within ? { inner: within } : {}) };
  }
  r.generous();
  const set: Item = { count: outer.count, body: { kind: 'set', items: [item] } };
  if (second) set.recovery = second;
  return { from, to: r.at, hasCount, item: set };
}

/** A second recovery behind the first, which says that it is between sets or stands behind a stroke of its own. */
function takeOuter(r: Reader, body: Body): Recovery | undefined {
  const start = r.at;
  const read = takeRecovery(r, amountsOf(body));
  if (!read) return undefined;
  if (read.isBetweenSets || /^\s*\//.test(r.text.slice(start, start + 3))) {
    r.generous();
    return read.recovery;
  }
  return r.fail(
    'There are two recoveries here. Put the reps in brackets: the one behind them is between the sets.',
    start,
    r.at,
  );
}

/** Easy running between others, as an item of its own: `800 jog`, `jog 5min`. */
function takeJog(r: Reader): Item | undefined {
  if (!r.has(JOG_ANYWHERE)) return undefined;
  const start = r.at;
  const easy: Rep['pace'] = { from: { kind: 'named', name: 'easy', goal: false } };
  const isJog = r.take(/(?:(?:easy|slow|gentle)\s+)?jog(?:ging)?\b(?:\s+for\b)?/iy);
  if (isJog && r.sees(/\d|lap|mile/iy)) {
    r.generous();
    return {
      count: once,
      body: { kind: 'rep', amounts: [readAmount(r)], sequence: 'ladder', free: false, pace: easy },
    };
  }
  r.at = start;
  const isBehind = r.sees(
    /(?=\d[\d:.,]*\s*(?:k|km|m|metres?|mi|miles?|s|secs?|seconds?|min|mins|minutes?|['′’"″]|laps?)?\s*(?:(?:easy|slow|gentle)\s+)?jog(?:ging)?\b(?!\s+back))/iy,
  );
  if (!isBehind) return undefined;
  const amount = readAmount(r);
  if (!r.takeGenerously(/(?:(?:easy|slow|gentle)\s+)?jog(?:ging)?\b/iy)) {
    r.at = start;
    return undefined;
  }
  return { count: once, body: { kind: 'rep', amounts: [amount], sequence: 'ladder', free: false, pace: easy } };
}

/** A rest or a walk as an item of its own is the recovery behind what comes before it. */
function takeRest(r: Reader, before: ReadItem | undefined): Recovery | undefined {
  if (!seesRest(r)) return undefined;
  const start = r.at;
  if (!before) r.fail('A rest or a walk comes behind something that is run.', start, r.end);
  return takeRecovery(r, amountsOf(before.item.body))?.recovery;
}

/** Puts a rest behind an item that is read already: after each of its reps where it has none yet, else behind all of it. */
function restBehind({ item, from, hasCount }: ReadItem, recovery: Recovery, to: number): ReadItem {
  return { from, to, hasCount, item: !item.recovery ? { ...item, recovery } : wrapped(item, recovery) };
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
  do {
    // A comma at the end of a line that goes on below it.
    if (!isInSet && items.length > 0 && r.isAtEnd()) break;
    try {
      r.skipSpace();
      const start = r.at;
      const before = items.at(-1);
      const rest = takeRest(r, before);
      if (rest && before) items[items.length - 1] = restBehind(before, rest, r.at);
      else {
        const jog = takeJog(r);
        items.push(
          jog ? { item: jog, from: start, to: r.at, hasCount: false, isJog: true } : readItem(r, depth, problems),
        );
      }
      failUnexpected(r, isInSet, items.at(-1)?.item);
    } catch (error) {
      if (!(error instanceof Unreadable)) throw error;
      problems.push(error.problem);
      skipItem(r, isInSet);
    }
  } while (takeSeparator(r, isInSet) && !(depth === 0 && startsPart(r)) && problems.length < MAX_PROBLEMS);
  return items;
}
