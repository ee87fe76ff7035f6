/**
 * The session shorthand, read into a tree.
 *
 *   session  = line { newline line }                 ; blank lines and "# comment" lines are ignored
 *   line     = [ role ":" ] item { "," item } [ "#" comment ]
 *   role     = warm | main | finish | cool           ; main if left out
 *
 * Lines are read in parseLine.ts, items in parseItem.ts, amounts, paces and recoveries in files of their names. The reader takes what
 * coaches write beyond this grammar and says what it understood; formatSession.ts prints the one canonical form. One bad item does not
 * hide the others: what is understood but cannot be had (an unknown pace, 0 metres) is refused and read past; where it cannot be told what
 * is meant, reading goes on at the next comma of the same set, so that every problem in the text is named at once. What can mean two
 * things is asked, with its readings as answers, while it is typed.
 */
import { PACE_NAMES } from './paceNames';
import { readDoubts, type Doubt } from './doubts';
import { headingsIn } from './headings';
import { isOnce } from './lengths';
import { cachedLine } from './lineCache';
import { readLine } from './parseLine';
import { knownPaces, MAX_PROBLEMS, type Problem, type ReadAs, type Token } from './reader';
import type { Amount, SessionTree } from './session';
import { legCount, MAX_LEGS } from './treeTotals';

export type ParsedSession =
  | { ok: true; session: SessionTree; doubts?: Doubt[]; readAs?: ReadAs[] }
  | { ok: false; problems: Problem[] };

/** A text as far as it could be read. */
export type SessionReading = {
  /** What could be read of it; the whole, if there are no problems. */
  session: SessionTree;
  /** In the order they stand in the text. */
  problems: Problem[];
  /** What is readable and may still be a slip. */
  doubts: Doubt[];
  readAs: ReadAs[];
  tokens: Token[];
  /** For each line of the session, which line of the text it is, counted from 0. */
  lineAt: number[];
};

/** Longer texts are refused: nobody writes one, and it keeps reading quick. */
const MAX_TEXT = 20_000;

/** What may be named in a session, and how it is read. */
export type ReadOptions = {
  /** The paces every book has, if left out. */
  paceNames?: readonly string[];
  /** Length of a lap of the venue, in metres; 400 if left out. */
  lapM?: number;
  /**
   * Whether what can mean two things is asked: of all lines (true, if left out), of none (false: what is stored), or of those that are being
   * typed.
   */
  asks?: boolean | ((line: string) => boolean);
};

function readLines(text: string, { paceNames = PACE_NAMES, lapM = 400, asks = true }: ReadOptions): SessionReading {
  const reading: SessionReading = {
    session: { lines: [] },
    problems: [],
    doubts: [],
    readAs: [],
    tokens: [],
    lineAt: [],
  };
  const { session, problems, lineAt } = reading;
  const context = { paces: knownPaces(paceNames), lapM };
  let start = 0;
  const raws = text.split('\n');
  raws.forEach((raw, at) => {
    const from = start;
    start += raw.length + 1;
    if (problems.length >= MAX_PROBLEMS) return;
    const isAsked = typeof asks === 'function' ? asks(raw) : asks;
    const span = { from, to: from + raw.length };
    const read = cachedLine(context.paces, `${isAsked} ${lapM} ${raw}`, from, () =>
      readLine(text, span, context, isAsked),
    );
    problems.push(...read.problems);
    reading.tokens.push(...read.tokens);
    if (read.readAs) reading.readAs.push(read.readAs);
    for (const { line, items } of read.lines) {
      session.lines.push(line);
      lineAt.push(at);
      reading.doubts.push(...readDoubts(line, items));
    }
  });
  if (problems.length >= MAX_PROBLEMS) {
    const to = text.length;
    problems.push({ message: 'With so much that cannot be read, the text is not read any further.', from: to, to });
  }
  const headings = headingsIn(raws);
  if (headings) {
    // What is missing behind a heading is what stands below it.
    const isOfHeading = ({ from }: Problem) => headings.spans.some((span) => from >= span.from && from <= span.to);
    reading.problems = [...problems.filter((problem) => !isOfHeading(problem)), headings.problem];
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

/**
 * Reads session shorthand as far as it goes, for a screen that shows it while it is written: tree, problems, and what each
 * stretch of the text is. Never throws, whatever the text.
 */
export function readSession(text: string, options: ReadOptions = {}): SessionReading {
  const nothing = (message: string, from: number): SessionReading => ({
    session: { lines: [] },
    problems: [{ message, from, to: text.length }],
    doubts: [],
    readAs: [],
    tokens: [],
    lineAt: [],
  });
  if (text.length > MAX_TEXT) return nothing(`A session can have ${MAX_TEXT} characters at most.`, MAX_TEXT);
  const reading = readLines(text, options);
  reading.problems.sort((a, b) => a.from - b.from);
  if (reading.problems.length > 0 || reading.session.lines.length > 0) return reading;
  return { ...nothing('Nothing is written yet. Try 6x400 @5k / 90s.', 0), tokens: reading.tokens };
}

/**
 * Reads session shorthand. Never throws, whatever the text; every problem is named with its place and what was expected, and where it
 * can mean two things with its readings.
 * @returns the session tree, with what was read beyond the canonical form and what may be a slip; or the problems in the order they
 *   stand in the text.
 */
export function parseSession(text: string, options: ReadOptions = {}): ParsedSession {
  const { session, problems, doubts, readAs } = readSession(text, options);
  if (problems.length > 0) return { ok: false, problems };
  return {
    ok: true,
    session,
    ...(doubts.length > 0 ? { doubts } : {}),
    ...(readAs.length > 0 ? { readAs } : {}),
  };
}

/** Reads a session that is stored: nothing in it is asked again. */
export const parseStored = (text: string, options: Omit<ReadOptions, 'asks'> = {}): ParsedSession =>
  parseSession(text, { ...options, asks: false });

/** Reads one amount on its own: `400`, `1mi`, `2:30`, `5-6min`. Undefined if it is anything else. */
export function parseAmount(text: string): Amount | undefined {
  const parsed = parseStored(text);
  const item = parsed.ok && parsed.session.lines.length === 1 ? parsed.session.lines[0]?.items : undefined;
  const [only, ...others] = item ?? [];
  if (!only || others.length > 0 || only.body.kind !== 'rep' || only.recovery || only.body.pace) return undefined;
  return isOnce(only.count) && only.body.amounts.length === 1 ? only.body.amounts[0] : undefined;
}
