import { closestNames } from '../units/closestNames';
import { formatDistance } from '../units/distance';
import type { PaceBook, PaceEntry } from './paceBook';
import { PACE_NAMES } from '../session/paceNames';

/** A problem that makes a pace book unusable: which entry, and a sentence naming all involved. */
export type PaceBookProblem = { index: number; message: string };

/** Words with another meaning in a session. */
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
  'moving',
  'ready',
  'hill',
]);
/** Characters allowed in a pace's name, so that a session can say `@name`. */
const NAME = /^[a-z][a-z0-9]*(-[a-z]+)*$/;
const MAX_NAME = 20;

const isStandard = (name: string) => (PACE_NAMES as readonly string[]).includes(name);

/** The entries that one stands on. */
const basesOf = ({ basis }: PaceEntry): string[] =>
  basis.kind === 'share'
    ? [basis.of, ...(basis.atMost ? [basis.atMost.of] : [])]
    : basis.kind === 'offset'
      ? [basis.of]
      : [];

function nameProblem({ name }: PaceEntry): string | undefined {
  if (isStandard(name)) return undefined;
  if (name === '') return 'A pace needs a name.';
  if (name.length > MAX_NAME) return `“${name}” is too long: a pace’s name has ${MAX_NAME} characters at most.`;
  if (!NAME.test(name))
    return `“${name}” cannot be written in a session: use small letters, digits and hyphens, a letter first.`;
  if (RESERVED.has(name)) return `“${name}” means something else in a session. Choose another name.`;
  return undefined;
}

/** The path from an entry through its references to the problem: a circle, a missing name, or a pace without a time. */
type BadWay = { names: string[]; effort?: PaceEntry };

function badWayOf(start: PaceEntry, byName: ReadonlyMap<string, PaceEntry>): BadWay | undefined {
  const sound = new Set<string>();
  const walk = (entry: PaceEntry, names: string[]): BadWay | undefined => {
    for (const name of basesOf(entry)) {
      if (sound.has(name)) continue;
      const way = [...names, name];
      const next = byName.get(name);
      if (!next || names.includes(name)) return { names: way };
      if (next.basis.kind === 'effort') return { names: way, effort: next };
      const further = walk(next, way);
      if (further) return further;
      sound.add(name);
    }
    return undefined;
  };
  return walk(start, [start.name]);
}

function basisProblem(entry: PaceEntry, byName: ReadonlyMap<string, PaceEntry>): string | undefined {
  const bad = badWayOf(entry, byName);
  if (!bad) return undefined;
  const { names, effort } = bad;
  if (effort)
    return `“${entry.name}” stands on “${effort.name}”, which is run by effort and has no time to count from.`;
  const last = names.at(-1) ?? '';
  if (byName.has(last))
    // An entry that merely leads into a circle is not to blame for it.
    return last === entry.name ? `“${entry.name}” leads back to itself: ${names.join(' → ')}.` : undefined;
  if (names.length > 2) return undefined;
  const close = closestNames(last, [...byName.keys()]);
  const hint = close.length > 0 ? ` Did you mean ${close.join(' or ')}?` : '';
  return `“${entry.name}” stands on “${last}”, which is not in the book.${hint}`;
}

/** Every problem that makes the pace book unusable: duplicate, missing or unwritable names, references that lead nowhere or in a circle. */
export function checkPaceBook({ entries }: Pick<PaceBook, 'entries'>): PaceBookProblem[] {
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
      message: `Sessions may use ${missing.join(', ')}: the pace book needs an entry for each.`,
    });
  return problems;
}

const shareText = ({ of, share }: { of: string; share: number }) =>
  share === 1 ? `same as ${of}` : `${Math.round(share * 1000) / 10} % ${of}`;

/** An entry in words: `race pace over 5k`, `97 % threshold`, `5k + 17 s a km`, `by feel, effort 7`. */
export function basisText({ basis }: Pick<PaceEntry, 'basis'>): string {
  switch (basis.kind) {
    case 'race':
      return `race pace over ${formatDistance(basis.distanceM)}`;
    case 'held':
      return `held for ${Math.round((basis.durationS / 60) * 10) / 10} min`;
    case 'share': {
      const text = shareText(basis);
      return basis.atMost ? `${text}, at most ${shareText(basis.atMost)}` : text;
    }
    case 'offset': {
      const per = basis.perM === 1000 ? 'km' : formatDistance(basis.perM);
      return `${basis.of} ${basis.offsetS < 0 ? '−' : '+'} ${Math.abs(basis.offsetS)} s a ${per}`;
    }
    case 'effort':
      return `by feel, effort ${basis.effort}`;
  }
}
