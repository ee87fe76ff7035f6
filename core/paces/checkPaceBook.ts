import { closestNames } from '../words/closestNames';
import { formatDistance } from '../units/distance';
import type { PaceBook, PaceEntry } from './paceBook';
import { PACE_NAMES } from './paceNames';

/** Something that makes a book unusable: which entry, and a sentence that names all involved. */
export type BookProblem = { index: number; message: string };

/** Words that mean something else in a session. */
const RESERVED = new Set([
  'goal',
  'effort',
  'free',
  'equal',
  'half-marathon',
  'open',
  'drills',
  'walk',
  'jog',
  'float',
  'stand',
]);
/** How a pace may be called, so that a session can say `@name`. */
const NAME = /^[a-z][a-z0-9]*(-[a-z]+)*$/;
const MAX_NAME = 20;

const isStandard = (name: string) => (PACE_NAMES as readonly string[]).includes(name);

const basedOn = ({ basis }: PaceEntry) => (basis.kind === 'share' || basis.kind === 'offset' ? basis.of : undefined);

function nameProblem({ name }: PaceEntry): string | undefined {
  if (isStandard(name)) return undefined;
  if (name === '') return 'A pace needs a name.';
  if (name.length > MAX_NAME) return `“${name}” is too long: a pace’s name has ${MAX_NAME} characters at most.`;
  if (!NAME.test(name))
    return `“${name}” cannot be written in a session: use small letters, digits and hyphens, a letter first.`;
  if (RESERVED.has(name)) return `“${name}” means something else in a session. Choose another name.`;
  return undefined;
}

/** The way from an entry through what it stands on, up to the first name met twice or the end. */
function wayOf(
  start: PaceEntry,
  byName: ReadonlyMap<string, PaceEntry>,
): { names: string[]; end: PaceEntry | undefined } {
  const names = [start.name];
  let at: PaceEntry | undefined = start;
  for (;;) {
    const next: string | undefined = basedOn(at);
    if (next === undefined) return { names, end: at };
    at = byName.get(next);
    const isMet = names.includes(next);
    names.push(next);
    if (!at || isMet) return { names, end: undefined };
  }
}

function basisProblem(entry: PaceEntry, byName: ReadonlyMap<string, PaceEntry>): string | undefined {
  const of = basedOn(entry);
  if (of === undefined) return undefined;
  const { names, end } = wayOf(entry, byName);
  if (end?.basis.kind === 'effort')
    return `“${entry.name}” stands on “${end.name}”, which is run by effort and has no time to count from.`;
  if (end) return undefined;
  const last = names.at(-1) ?? '';
  if (byName.has(last))
    // Whoever only leads into a circle is not to blame for it.
    return last === entry.name ? `“${entry.name}” leads back to itself: ${names.join(' → ')}.` : undefined;
  if (last !== of) return undefined;
  const close = closestNames(of, [...byName.keys()]);
  const hint = close.length > 0 ? ` Did you mean ${close.join(' or ')}?` : '';
  return `“${entry.name}” stands on “${of}”, which is not in the book.${hint}`;
}

/** Everything that makes the book unusable: names twice, missing or not writable, definitions that lead nowhere or in a circle. */
export function checkPaceBook({ entries }: Pick<PaceBook, 'entries'>): BookProblem[] {
  const byName = new Map(entries.map((entry) => [entry.name, entry]));
  const problems = entries.flatMap((entry, index) => {
    const first = entries.findIndex(({ name }) => name === entry.name);
    const twin = entries.findIndex(({ short }) => short.toLowerCase() === entry.short.toLowerCase());
    const message =
      nameProblem(entry) ??
      (first < index ? `“${entry.name}” is in the book twice.` : undefined) ??
      (twin < index
        ? `“${entries[twin]?.name}” and “${entry.name}” have the same short name “${entry.short}”.`
        : undefined) ??
      basisProblem(entry, byName);
    return message === undefined ? [] : [{ index, message }];
  });
  const missing = PACE_NAMES.filter((name) => !byName.has(name));
  if (missing.length > 0)
    problems.push({
      index: entries.length,
      message: `Sessions may use ${missing.join(', ')}: the book needs an entry for each.`,
    });
  return problems;
}

/** An entry in words: `race pace over 5k`, `97 % threshold`, `5k + 17 s a km`, `by feel, effort 7`. */
export function basisText({ basis }: Pick<PaceEntry, 'basis'>): string {
  switch (basis.kind) {
    case 'race':
      return `race pace over ${formatDistance(basis.distanceM)}`;
    case 'held':
      return `held for ${Math.round((basis.durationS / 60) * 10) / 10} min`;
    case 'share':
      return basis.share === 1 ? `same as ${basis.of}` : `${Math.round(basis.share * 1000) / 10} % ${basis.of}`;
    case 'offset': {
      const per = basis.perM === 1000 ? 'km' : formatDistance(basis.perM);
      return `${basis.of} ${basis.offsetS < 0 ? '−' : '+'} ${Math.abs(basis.offsetS)} s a ${per}`;
    }
    case 'effort':
      return `by feel, effort ${basis.effort}`;
  }
}
