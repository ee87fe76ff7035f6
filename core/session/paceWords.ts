/** How coaches call the paces of the pace book beside their names, and which of those may stand without an `@`. */

const SYNONYMS: Readonly<Record<string, string>> = {
  mp: 'marathon',
  hm: 'half',
  hmp: 'half',
  'half marathon': 'half',
  'half-marathon': 'half',
  t: 'threshold',
  lt: 'threshold',
  'lactate threshold': 'threshold',
  thresh: 'threshold',
  'critical speed': 'cv',
  'critical velocity': 'cv',
  cs: 'cv',
  'aerobic max': 'aerobic-max',
  '10km': '10k',
  '10 km': '10k',
  '10000': '10k',
  '8km': '8k',
  '8 km': '8k',
  '8000': '8k',
  '5km': '5k',
  '5 km': '5k',
  '5000': '5k',
  '3km': '3k',
  '3 km': '3k',
  '3000': '3k',
  '2 mi': '2mi',
  '2 mile': '2mi',
  '2 miles': '2mi',
  '2mile': '2mi',
  '1 mile': 'mile',
  '1mile': 'mile',
  '1mi': 'mile',
  '1 mi': 'mile',
  '1500m': '1500',
  '800m': '800',
  '400m': '400',
  stride: 'strides',
  jog: 'easy',
  jogging: 'easy',
  tt: 'max',
  'time trial': 'max',
  'long run': 'easy',
  sprint: 'max',
  sprints: 'max',
  'flat out': 'max',
  'flat-out': 'max',
  'all out': 'max',
  'all-out': 'max',
};

const longestFirst = (words: readonly string[]) => [...words].sort((a, b) => b.length - a.length);

/** A word for a pace after an `@`, where it is none of the names in the pace book. */
export const SYNONYM = new RegExp(`(${longestFirst(Object.keys(SYNONYMS)).join('|')})(?![a-z0-9:%./])`, 'iy');

/** The name in the book that a word stands for; undefined where the pace book has none. */
export function paceCalled(word: string, names: readonly string[]): string | undefined {
  const name = SYNONYMS[word.toLowerCase().replace(/\s+/g, ' ')];
  return name !== undefined && names.includes(name) ? name : undefined;
}

/** Names that say what they are without an `@`: words of the default pace book. One that is a distance as well needs “pace” behind it. */
const PLAIN = String.raw`easy|steady|marathon|threshold|tempo|cv|strides?|max|MP|HMP?|LT|T(?=\s*(?:$|[,;)/]|w/|with\b|off\b))|critical speed|flat[ -]out|all[ -]out|sprints?|TT|time trial|long run`;
const DISTANCES = String.raw`(?:goal\s+)?(?:\d+(?:k|km|m| ?mi(?:les?)?)?|mile|half(?:[ -]marathon)?|T)\s+(?:race\s+)?(?:pace|effort|speed)`;

/** A pace that may follow an amount without an `@`. */
export const BARE_PACE = new RegExp(
  String.raw`(?=(?:(?:goal\s+)?(?:${PLAIN})\b(?![-/])|${DISTANCES}\b|(?:effort|rpe)\s*:?\s*\d))`,
  'iy',
);
