import type { PaceBook } from '../paces/paceBook';
import { expand } from '../session/expand';
import { INTENT_FACTS, type Intent } from '../session/intent';
import { parseStored } from '../session/parseSession';
import type { Item, Pace, SessionTree } from '../session/session';
import { suggestIntent } from '../advice/suggestIntent';
import { GUESSED_MPS } from '../targets/totals';
import type { LibrarySession } from './librarySession';

/** What a session is found by. */
type Found = {
  /** Undefined while it cannot be read. */
  tree: SessionTree | undefined;
  intent: Intent;
  /** Names of the paces in it. */
  paces: ReadonlySet<string>;
  /** Metres of the reps of main part and fast finish; work by the clock at a guess. */
  mainM: number;
  /** Lower case: title, text, tags, sentences, kind. */
  words: string;
};

/** A session in the library with what it is found by: read from its text when first asked for, as reading a library takes a while. */
export type LibraryEntry = { readonly session: LibrarySession } & Readonly<Found>;

const inPace = (pace: Pace | undefined): string[] =>
  pace?.kind === 'named' || pace?.kind === 'share' ? [pace.name] : pace?.kind === 'effort' ? ['effort'] : [];

function pacesIn({ body, recovery }: Item): string[] {
  const paces =
    body.kind === 'set'
      ? body.items.flatMap(pacesIn)
      : body.kind === 'rep'
        ? [...inPace(body.pace?.from), ...inPace(body.pace?.to)]
        : [];
  return [...paces, ...inPace(recovery?.pace)];
}

type Paces = { paceNames?: readonly string[]; paceBook?: PaceBook };

function read(session: LibrarySession, { paceNames, paceBook }: Paces): Found {
  const parsed = parseStored(session.shorthand, paceNames ? { paceNames } : {});
  const tree = parsed.ok ? parsed.session : undefined;
  const intent = session.intent ?? (tree ? suggestIntent(tree, paceBook) : 'mixed');
  const main = { lines: (tree?.lines ?? []).filter(({ role }) => role === 'main' || role === 'finish') };
  const reps = expand(main).filter(({ kind }) => kind === 'rep');
  const { title, shorthand, purpose = '', season = '', tags } = session;
  return {
    tree,
    intent,
    paces: new Set(main.lines.flatMap(({ items }) => items.flatMap(pacesIn))),
    mainM: reps.reduce((sum, { distanceM, durationS = 0 }) => sum + (distanceM ?? durationS * GUESSED_MPS), 0),
    words: [title, shorthand, purpose, season, ...tags, INTENT_FACTS[intent].name].join('\n').toLowerCase(),
  };
}

/** A session in the library, for searching. */
export function libraryEntry(session: LibrarySession, paces: Paces = {}): LibraryEntry {
  let found: Found | undefined;
  const once = () => (found ??= read(session, paces));
  return {
    session,
    get tree() {
      return once().tree;
    },
    get intent() {
      return once().intent;
    },
    get paces() {
      return once().paces;
    },
    get mainM() {
      return once().mainM;
    },
    get words() {
      return once().words;
    },
  };
}

/** What is looked for; what is left out is not asked for. */
export type LibraryQuery = {
  words?: string;
  intent?: Intent | undefined;
  pace?: string | undefined;
  tag?: string | undefined;
  /** Metres of the main part, from and below. */
  fromM?: number | undefined;
  belowM?: number | undefined;
  favourites?: boolean;
  archived?: boolean;
};

/** The entries that fit all that is asked, in the order given. */
export function searchLibrary(entries: readonly LibraryEntry[], query: LibraryQuery): LibraryEntry[] {
  const words = (query.words ?? '').toLowerCase().split(/\s+/).filter(Boolean);
  const { intent, pace, tag, fromM = 0, belowM = Infinity } = query;
  const anyLength = fromM === 0 && belowM === Infinity;
  return entries.filter(
    (entry) =>
      (entry.session.archived === true) === (query.archived === true) &&
      (!query.favourites || entry.session.favourite === true) &&
      (tag === undefined || entry.session.tags.includes(tag)) &&
      // From here on its text is read, where it has not been.
      (intent === undefined || entry.intent === intent) &&
      (pace === undefined || entry.paces.has(pace)) &&
      (anyLength || (entry.mainM >= fromM && entry.mainM < belowM)) &&
      words.every((word) => entry.words.includes(word)),
  );
}
