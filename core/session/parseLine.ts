import { formatItem, formatLine } from './formatSession';
import { isOnce } from './lengths';
import { readItems } from './parseItem';
import { questionsAbout } from './questions';
import { BARE_LABEL, BULLET, LABEL, roleCalled, startsPart } from './roleWords';
import {
  Reader,
  type LineFindings,
  type Problem,
  type ReadContext,
  type ReadItem,
  type Span,
  type Token,
} from './reader';
import type { Item, Line, Role } from './session';
import type { ReadAs } from './reader';

export type ReadLine = {
  /** The lines of the session in one line of the text: mostly one. */
  lines: { line: Line; items: ReadItem[] }[];
  problems: Problem[];
  tokens: Token[];
  readAs?: ReadAs;
};

/** Where a comment at the end of a line begins: a # behind a space, outside notes; the end where there is none. */
export function commentFrom(text: string, { from, to }: Span): number {
  const first = text.indexOf('#', from);
  if (first < 0 || first >= to) return to;
  let inNote = false;
  for (let i = from; i < to; i++) {
    const c = text.charAt(i);
    if (c === '"' && !/\d/.test(text.charAt(i - 1))) inNote = !inNote;
    else if (c === '#' && !inNote && (i === from || /\s/.test(text.charAt(i - 1)))) return i;
  }
  return to;
}

type Label = { role: Role; isWritten: boolean; written: string; isBare?: boolean };

function readRole(r: Reader, problems: Problem[]): Label {
  r.skipSpace();
  const start = r.at;
  const withColon = r.take(LABEL);
  const label = withColon ?? r.takeGenerously(BARE_LABEL);
  if (!label) return { role: 'main', isWritten: false, written: '' };
  const written = label[1]?.toLowerCase() ?? '';
  const role = roleCalled(written) ?? (paceLabel(written, r.paces.names) ? ('main' as const) : undefined);
  if (role && written !== role) r.generous();
  if (!role)
    problems.push({
      message: `“${label[1]}” is not a part of a session. Use warm, main, finish or cool.`,
      from: label.index,
      to: label.index + written.length,
    });
  r.mark('role', start);
  return { role: role ?? 'main', isWritten: true, written, isBare: !withColon };
}

/** `tempo: 20min`: a pace for what has none of its own. */
function paceLabel(written: string, names: readonly string[]): string | undefined {
  const word = written === 'long run' ? 'easy' : written;
  return ['easy', 'steady', 'tempo', 'threshold', 'marathon'].includes(word) && names.includes(word) ? word : undefined;
}

const GENTLE = new Set(['easy', 'steady', 'strides']);

/** Of a warm-up: drills, strides, running that is easy or has no pace. */
function isGentle({ item: { body, count } }: ReadItem): boolean {
  if (body.kind !== 'rep') return body.kind === 'drills';
  const { pace } = body;
  if (!pace) return isOnce(count);
  return pace.from.kind === 'named' && GENTLE.has(pace.from.name);
}

/** The line as it is printed; without its role where that was not written either. */
const printed = (line: Line, isRoleWritten: boolean): string =>
  isRoleWritten ? formatLine(line) : formatLine(line).replace(/^main: /, '');

type Part = { role: Role; isWritten: boolean; items: ReadItem[]; isBare?: boolean };

/** Easy running, strides or drills, and said to be. */
const isSaidGentle = (read: ReadItem) => isGentle(read) && !(read.item.body.kind === 'rep' && !read.item.body.pace);

/**
 * One list of items in which some say behind themselves what they are of: `10min warm up, 6x400 @5k / 90s, 10min easy, drills cool down`.
 * What is gentle right before such an item is of the same part.
 */
function splitByRole(part: Part): Part[] {
  const parts: Part[] = [{ ...part, items: [] }];
  for (const read of part.items) {
    const current = parts.at(-1) as Part;
    current.items.push(read);
    const { endsPart } = read;
    if (!endsPart || current.role === endsPart) continue;
    let from = current.items.length - 1;
    const belongs = endsPart === 'warm' ? isGentle : isSaidGentle;
    while (from > 0 && belongs(current.items[from - 1] as ReadItem)) from--;
    parts.push({ role: endsPart, isWritten: true, items: current.items.splice(from) });
    parts.push({ role: 'main', isWritten: true, items: [] });
  }
  return parts;
}

/** What the label of a part says of its reps: a pace for those that have none, or that they are run uphill. */
function applyLabel({ written }: Label, items: readonly ReadItem[], names: readonly string[]): void {
  const [only, ...others] = items;
  const isOnce = only && others.length === 0 && only.item.body.kind === 'rep' && !only.hasCount;
  if (written === 'fartlek' && isOnce && only.item.body.kind === 'rep' && !only.item.recovery)
    only.item.body.free = true;
  const named = paceLabel(written, names);
  const isHills = /^hill/i.test(written);
  for (const { item } of items) {
    if (item.body.kind !== 'rep') continue;
    if (named) item.body.pace ??= { from: { kind: 'named', name: named, goal: false } };
    if (isHills) item.body.hill = true;
  }
}

/** Where what is no warm-up begins in a warm-up: an item with a pace or a count that is neither drills nor easy running; -1 if none. */
const mainFrom = ({ role, items }: Part): number =>
  role === 'warm' ? items.findIndex((read, i) => i > 0 && !isGentle(read)) : -1;

/** A warm-up and what is run after it, in two parts. */
const splitAt = (part: Part, at: number): Part[] => [
  { ...part, items: part.items.slice(0, at) },
  { role: 'main', isWritten: true, items: part.items.slice(at) },
];

/** `WU 2k, 6x400 @5k / 60s, CD 2k`: where a line goes on to the cool-down with no main part between, that is in the warm-up. */
function withMain(parts: readonly Part[]): Part[] {
  const [first, second] = parts;
  if (!first || !second || second.role === 'main') return [...parts];
  const at = mainFrom(first);
  return at < 0 ? [...parts] : [...splitAt(first, at), ...parts.slice(1)];
}

/** The parts of a session that stand on one line: mostly one, else as in `WU 10min easy; 6x400 @5k / 90s; CD 10min easy`. */
function readParts(r: Reader, problems: Problem[]): Part[] {
  const parts: Part[] = [];
  do {
    const before = parts.at(-1);
    if (before) r.takeGenerously(/;/y);
    if (r.isAtEnd()) break;
    const label = before && !startsPart(r) ? undefined : readRole(r, problems);
    const items = readItems(r, 0, problems);
    if (label) applyLabel(label, items, r.paces.names);
    if (label || !before) parts.push({ role: 'main', isWritten: false, ...label, items });
    // Behind a warm-up on the same line: drills, strides and easy running are still of it, anything else is the main part.
    else if (before.role === 'warm' && !items.every(isGentle)) parts.push({ role: 'main', isWritten: true, items });
    else before.items.push(...items);
  } while (!r.isAtEnd() && problems.length === 0 && (r.sees(/;/y) || startsPart(r)));
  return withMain(parts.flatMap(splitByRole).filter(({ items }) => items.length > 0));
}

const lineOf = ({ role, items }: Part, changed: readonly Item[] = items.map(({ item }) => item)): Line => ({
  role,
  items: [...changed],
});

/** Asks about reps in a warm-up that was written without a colon: it may end before them. */
function askAboutMain(part: Part, at: number, written: (lines: readonly Line[]) => string): Problem {
  const first = part.items[at] as ReadItem;
  return {
    message: `Is ${formatItem(first.item)} still of the warm-up, or is it the main part?`,
    from: first.from,
    to: first.to,
    readings: [
      { label: 'The main part', text: written(splitAt(part, at).map((each) => lineOf(each))) },
      { label: 'Still warm-up', text: written([lineOf(part)]) },
    ],
  };
}

/** True if a line of the text is one line of a session as it is printed. */
const isCanonical = (lines: ReadLine['lines'], written: string): boolean =>
  lines.length === 1 && lines[0] !== undefined && written.trim() === formatLine(lines[0].line);

/**
 * Reads one line of the text.
 * @param isAsked what can mean two things is a problem then; a line in the canonical form never is.
 */
export function readLine(text: string, span: Span, context: ReadContext, isAsked: boolean): ReadLine {
  const found: LineFindings = { problems: [], tokens: [], questions: [], isGenerous: false };
  const { problems, tokens, questions } = found;
  const end = commentFrom(text, span);
  const r = new Reader(text, span.from, end, context, found);
  if (end < span.to) tokens.push({ kind: 'comment', from: end, to: span.to });
  if (r.isAtEnd()) return { lines: [], problems, tokens };
  r.takeGenerously(BULLET);
  const parts = readParts(r, problems);
  const lines = parts.map((part) => ({ line: lineOf(part), items: part.items }));
  if (isAsked) {
    const comment = end < span.to ? ` ${text.slice(end, span.to)}` : '';
    const asked = [...questions];
    const rewritten = (changed: readonly Line[]) =>
      `${text.slice(0, span.from)}${changed.map(formatLine).join('\n')}${comment}${text.slice(span.to)}`;
    parts.forEach((part, at) => {
      const others = (ownLines: readonly Line[]) =>
        rewritten(parts.flatMap((other, i) => (i === at ? ownLines : [lineOf(other)])));
      const from = part.isBare ? mainFrom(part) : -1;
      if (from > 0) asked.push(askAboutMain(part, from, others));
      // In warm-up and cool-down a time is running, and nothing hangs on a pace.
      if (part.role === 'warm' || part.role === 'cool') return;
      asked.push(...questionsAbout(part.items, (changed) => others([lineOf(part, changed)])));
    });
    if (asked.length > 0 && !isCanonical(lines, text.slice(span.from, end))) problems.push(...asked);
  }
  if (!found.isGenerous || problems.length > 0 || lines.length === 0) return { lines, problems, tokens };
  const canonical = parts.map((part) => printed(lineOf(part), part.isWritten)).join('\n');
  return { lines, problems, tokens, readAs: { from: span.from, to: end, text: canonical } };
}
