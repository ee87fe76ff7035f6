/** A place in the shorthand text, and the small steps every part of the grammar is read with. */
import type { Item, Role } from './session';

/** One way to read what can mean two things: what to call it, and the whole text when it is that. */
export type Reading = { label: string; text: string };

/** Something in the text that cannot be read, or only in two ways: `from` and `to` are character positions in the whole text. */
export type Problem = { message: string; from: number; to: number; readings?: Reading[] };

/** Characters of the text, from the first up to but not including the last. */
export type Span = { from: number; to: number };

/** A line that was understood though it is not canonical: where it stands in the text, and what it is in the canonical form. */
export type ReadAs = { from: number; to: number; text: string };

/** What a stretch of the text is, for colouring it. */
export type TokenKind = 'role' | 'count' | 'amount' | 'pace' | 'recovery' | 'note' | 'comment';
export type Token = Span & { kind: TokenKind };

/** A way to write a stretch of the text so that it means one thing. */
export type Rewrite = { label: string; by: string };

/** Thrown inside the parser only; parseSession turns it into a Problem. */
export class Unreadable extends Error {
  constructor(readonly problem: Problem) {
    super(problem.message);
  }
}

/** Pace names of the pace book in use, and a sticky pattern that takes one of them. */
export type KnownPaces = { names: readonly string[]; pattern: RegExp };

const patterns = new WeakMap<readonly string[], KnownPaces>();

/** Longest first, so that `1500` is not read as `150` followed by `0`, nor `2mi` as 2 miles of something. */
export function knownPaces(names: readonly string[]): KnownPaces {
  const cached = patterns.get(names);
  if (cached) return cached;
  const longestFirst = [...names].sort((a, b) => b.length - a.length);
  const made = { names, pattern: new RegExp(`(?:${longestFirst.join('|')})(?![a-z0-9:%]|\\.\\d)`, 'iy') };
  patterns.set(names, made);
  return made;
}

const SPACE = /\s/;

/** When so much is wrong the rest is left unread: nobody mends a hundred slips from a list. */
export const MAX_PROBLEMS = 100;

/** No more of a run of characters is said in a message. */
const LONGEST_WORD = 40;

/** What reading one line comes to beside its items. */
export type LineFindings = {
  problems: Problem[];
  tokens: Token[];
  /** What can mean two things; asked only while the line is typed. */
  questions: Problem[];
  /** Something was read that is not in the canonical grammar. */
  isGenerous: boolean;
};

/** What reading depends on beside the text. */
export type ReadContext = {
  paces: KnownPaces;
  /** Length of a lap in metres, for `2 laps`. */
  lapM: number;
};

/** An item, and where it stands in the text. */
export type ReadItem = Span & {
  item: Item;
  hasCount: boolean;
  /** Easy running written as a jog. */
  isJog?: true;
  /** Of a set written in brackets: its items. */
  inner?: ReadItem[];
  /** It says behind itself what part of the session it is of: `10min warm up`. */
  endsPart?: Role;
};

export class Reader {
  constructor(
    readonly text: string,
    /** Where the next character is read. */
    public at: number,
    /** Reading stops here: the end of the line. */
    readonly end: number,
    readonly context: ReadContext,
    /** Where what is found wrong, and what each stretch is, is gathered. */
    private readonly found: LineFindings,
  ) {
    this.start = at;
  }

  private readonly start: number;

  get paces(): KnownPaces {
    return this.context.paces;
  }

  /** Says what the characters from `from` up to here are. */
  mark(kind: TokenKind, from: number): void {
    let to = this.at;
    while (to > from && /\s/.test(this.text.charAt(to - 1))) to--;
    if (to > from) this.found.tokens.push({ kind, from, to });
  }

  /** Says that something beyond the canonical grammar was read. */
  generous(): void {
    this.found.isGenerous = true;
  }

  /** The whole text with the characters from `from` to `to` written otherwise. */
  private written({ from, to }: Span, { label, by }: Rewrite): Reading {
    const before = this.text.slice(0, from);
    return { label, text: `${by.startsWith(',') ? before.trimEnd() : before}${by}${this.text.slice(to)}` };
  }

  private problem(message: string, { from, to: end }: Span, answers: readonly Rewrite[]): Problem {
    let to = end;
    while (to > from + 1 && /\s/.test(this.text.charAt(to - 1))) to--;
    const span = { from, to };
    const readings = answers.map((answer) => this.written(span, answer));
    return { message, ...span, ...(readings.length > 0 ? { readings } : {}) };
  }

  /** The same problem, with ways to write a stretch of the text so that it can be read. */
  withAnswers(problem: Problem, span: Span, answers: readonly Rewrite[]): Problem {
    return { ...problem, readings: answers.map((answer) => this.written(span, answer)) };
  }

  /** Names what is wrong from `from` up to here and reads on: what is meant is clear, it only cannot be had. */
  refuse(message: string, from: number, answers: readonly Rewrite[] = []): void {
    if (this.found.problems.length >= MAX_PROBLEMS) return;
    this.found.problems.push(this.problem(message, { from, to: Math.max(this.at, from + 1) }, answers));
  }

  /** Asks which of two things is meant by a stretch of the line, and reads on with the first that the grammar gives. */
  ask(message: string, span: Span, answers: readonly Rewrite[]): void {
    if (this.found.questions.length >= MAX_PROBLEMS) return;
    this.found.questions.push(this.problem(message, span, answers));
  }

  skipSpace(): void {
    // Asked for before every pattern: most characters are plainly no space.
    while (this.at < this.end) {
      const code = this.text.charCodeAt(this.at);
      if (code > 32 && code < 128) return;
      if (code !== 32 && !SPACE.test(this.text.charAt(this.at))) return;
      this.at++;
    }
  }

  /** True if a letter stands here: most of what coaches write beyond the grammar begins with one. */
  seesLetter(): boolean {
    this.skipSpace();
    const code = this.at < this.end ? this.text.charCodeAt(this.at) | 32 : 0;
    return code >= 97 && code <= 122;
  }

  /** True at the end of an item: of the line, or at what stands between items. */
  isAtStop(): boolean {
    return this.isAtEnd() || ',;)]'.includes(this.text.charAt(this.at));
  }

  private readonly lineHas = new Map<RegExp, boolean>();

  /** True if the line has it anywhere: asked once, to spare what cannot be. @param pattern neither sticky nor global. */
  has(pattern: RegExp): boolean {
    const cached = this.lineHas.get(pattern);
    if (cached !== undefined) return cached;
    const found = pattern.test(this.text.slice(this.start, this.end));
    this.lineHas.set(pattern, found);
    return found;
  }

  isAtEnd(): boolean {
    this.skipSpace();
    return this.at >= this.end;
  }

  /** Takes what the sticky pattern matches here (after spaces), or nothing. */
  take(pattern: RegExp): RegExpExecArray | undefined {
    this.skipSpace();
    pattern.lastIndex = this.at;
    const match = pattern.exec(this.text);
    if (!match || this.at + match[0].length > this.end) return undefined;
    this.at += match[0].length;
    return match;
  }

  /** The same for what is not in the canonical grammar. */
  takeGenerously(pattern: RegExp): RegExpExecArray | undefined {
    const match = this.take(pattern);
    if (match) this.generous();
    return match;
  }

  /** True if the pattern matches here; nothing is taken. */
  sees(pattern: RegExp): boolean {
    const before = this.at;
    const found = this.take(pattern) !== undefined;
    this.at = before;
    return found;
  }

  /** The run of characters here that a reader would call one word; for messages. */
  word(): string {
    this.skipSpace();
    return /^[^\s,()/@]+|^./.exec(this.text.slice(this.at, Math.min(this.end, this.at + LONGEST_WORD)))?.[0] ?? '';
  }

  /**
   * Gives up on this item, as it cannot be told what is meant: the word here is underlined, or `from`–`to` where given.
   * @param answers ways to write what is underlined so that it can be read.
   */
  fail(message: string, from?: number, to?: number, answers: readonly Rewrite[] = []): never {
    const word = this.word();
    const start = from ?? Math.min(this.at, Math.max(this.end - 1, 0));
    const span = { from: start, to: Math.max(to ?? this.at + word.length, start + 1) };
    throw new Unreadable(this.problem(message, span, answers));
  }
}
