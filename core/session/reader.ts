/** A place in the shorthand text, and the small steps every part of the grammar is read with. */

/** Something in the text that cannot be read: `from` and `to` are character positions in the whole text. */
export type Problem = { message: string; from: number; to: number };

/** Characters of the text, from the first up to but not including the last. */
export type Span = { from: number; to: number };

/** What a stretch of the text is, for colouring it. */
export type TokenKind = 'role' | 'count' | 'amount' | 'pace' | 'recovery' | 'note' | 'comment';
export type Token = Span & { kind: TokenKind };

/** Thrown inside the parser only; parseSession turns it into a Problem. */
export class Unreadable extends Error {
  constructor(readonly problem: Problem) {
    super(problem.message);
  }
}

/** Pace names of the book in use, and a sticky pattern that takes one of them. */
export type KnownPaces = { names: readonly string[]; pattern: RegExp };

const patterns = new WeakMap<readonly string[], KnownPaces>();

/** Longest first, so that `1500` is not read as `150` followed by `0`, nor `2mi` as 2 miles of something. */
export function knownPaces(names: readonly string[]): KnownPaces {
  const known = patterns.get(names);
  if (known) return known;
  const longestFirst = [...names].sort((a, b) => b.length - a.length);
  const made = { names, pattern: new RegExp(`(?:${longestFirst.join('|')})(?![a-z0-9:.%])`, 'iy') };
  patterns.set(names, made);
  return made;
}

const SPACE = /\s*/y;

/** No more of a run of characters is said in a message. */
const LONGEST_WORD = 40;

export class Reader {
  constructor(
    readonly text: string,
    /** Where the next character is read. */
    public at: number,
    /** Reading stops here: the end of the line. */
    readonly end: number,
    /** The paces that may be named. */
    readonly paces: KnownPaces,
    /** Where what is found wrong, and what each stretch is, is gathered. */
    private readonly found: { problems: Problem[]; tokens: Token[] },
  ) {}

  /** Says what the characters from `from` up to here are. */
  mark(kind: TokenKind, from: number): void {
    let to = this.at;
    while (to > from && /\s/.test(this.text.charAt(to - 1))) to--;
    if (to > from) this.found.tokens.push({ kind, from, to });
  }

  /** Names what is wrong from `from` up to here and reads on: what is meant is clear, it only cannot be had. */
  refuse(message: string, from: number): void {
    this.found.problems.push({ message, from, to: Math.max(this.at, from + 1) });
  }

  skipSpace(): void {
    SPACE.lastIndex = this.at;
    SPACE.test(this.text);
    this.at = Math.min(this.end, Math.max(this.at, SPACE.lastIndex));
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

  /** Gives up on this item, as it cannot be told what is meant: the word here is underlined, or `from`–`to` where given. */
  fail(message: string, from?: number, to?: number): never {
    const word = this.word();
    const start = from ?? Math.min(this.at, Math.max(this.end - 1, 0));
    throw new Unreadable({ message, from: start, to: Math.max(to ?? this.at + word.length, start + 1) });
  }
}
