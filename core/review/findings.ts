/** What matters in a session, for a coach with a few seconds: at most three findings, with names and numbers. */
import { verdictOn } from '../run/verdict';
import type { ReviewCell } from './cell';
import type { Review, ReviewRow } from './review';
import { mean } from '../units/mean';

/** Whom it is about; the unit of `value` depends on the kind. */
export type Person = { athleteId: string; name: string; value: number };

/**
 * `stopped`, `unwell`: after or in which rep (from 1). `late`, `early`: seconds a rep on average. `faded`: percent from first to last.
 * `first-early`, `last-fast`: percent against the reps between. `not-run`: how many reps. `rest-off`: seconds more than planned, of
 * nobody by name.
 */
export const FINDING_KINDS = [
  'stopped',
  'unwell',
  'late',
  'early',
  'faded',
  'not-run',
  'first-early',
  'rest-off',
  'last-fast',
] as const;
export type FindingKind = (typeof FINDING_KINDS)[number];
export type Finding = { kind: FindingKind; people: Person[]; value?: number };

/** What there is to say, and how many of the reps with a target were on it. */
export type Findings = {
  findings: Finding[];
  judged: number;
  on: number;
  finished: number;
  /** Number of reps by the clock that were run without metres; missing if there are none. */
  byTheClock?: number;
};

const MOST = 3;
/** Up to this many names are read at a glance. */
export const MOST_NAMES = 4;

/** Thresholds by common coaching judgement. */
const WORTH = { offShare: 0.5, fadePercent: 1.5, firstPercent: 1.5, lastPercent: 2, restShare: 0.15, restS: 8 };

type Rule = (row: ReviewRow) => number | undefined;

const targetsOf = ({ cells }: ReviewRow) => cells.filter(({ verdict, excluded }) => verdict && !excluded);

/** Late (or early) in half of the reps, and on average beyond what a thumb is good for. */
const off =
  (verdict: 'late' | 'early'): Rule =>
  (row) => {
    const judged = targetsOf(row);
    const here = judged.filter((cell) => cell.verdict === verdict);
    if (judged.length === 0 || here.length < WORTH.offShare * judged.length) return undefined;
    const meanS = mean(judged.map(({ deltaS = 0 }) => deltaS));
    const targetS = mean(judged.map((cell) => cell.targetS ?? cell.actualS ?? 0));
    return verdictOn(meanS, targetS) === verdict ? meanS : undefined;
  };

const RULES: Readonly<Record<Exclude<FindingKind, 'rest-off'>, Rule>> = {
  stopped: ({ stoppedAtMs, cells }) =>
    stoppedAtMs === undefined ? undefined : cells.filter(({ rep }) => rep !== undefined).length,
  unwell: ({ cells }) => {
    const at = cells.findIndex(({ flags }) => flags.length > 0);
    return at < 0 ? undefined : at + 1;
  },
  late: off('late'),
  early: off('early'),
  faded: ({ evenness: { isFadeSure, fadePercent = 0 } }) =>
    isFadeSure && fadePercent >= WORTH.fadePercent ? fadePercent : undefined,
  'not-run': ({ cells, stoppedAtMs }) => {
    const missing = cells.filter(({ rep, leftOut }) => !rep && !leftOut).length;
    return missing > 0 && stoppedAtMs === undefined && missing < cells.length ? missing : undefined;
  },
  'first-early': ({ evenness: { firstPercent = 0 } }) =>
    firstPercent <= -WORTH.firstPercent ? firstPercent : undefined,
  'last-fast': ({ evenness: { lastPercent = 0 } }) => (lastPercent <= -WORTH.lastPercent ? lastPercent : undefined),
};

/** Rests of the squad as a whole, where they came out much longer or shorter than planned. */
function restsOff(rows: readonly ReviewRow[]): Finding[] {
  const rests = rows.flatMap(({ rest }) => rest ?? []);
  if (rests.length === 0) return [];
  const plannedS = mean(rests.map((rest) => rest.plannedS));
  const value = mean(rests.map((rest) => rest.takenS)) - plannedS;
  return Math.abs(value) >= Math.max(WORTH.restS, WORTH.restShare * plannedS)
    ? [{ kind: 'rest-off', people: [], value }]
    : [];
}

/** Returns true for a rep by the clock that was run, with no metres recorded. */
const ranByTheClock = ({ rep, actualS, coveredM }: ReviewCell): boolean =>
  rep?.durationS !== undefined && actualS !== undefined && coveredM === undefined;

/** A row of each athlete, the one with most reps where they ran with two groups. */
function rowsOf(reviews: readonly Review[]): ReviewRow[] {
  const byId = new Map<string, ReviewRow>();
  for (const row of reviews.flatMap(({ rows }) => rows)) {
    const before = byId.get(row.athleteId);
    if (!before || before.finished < row.finished) byId.set(row.athleteId, row);
  }
  return [...byId.values()];
}

/** Reads a session for the squad, in the order of what matters most; people by how far it goes. */
export function findingsOf(reviews: readonly Review[]): Findings {
  const rows = rowsOf(reviews);
  const findings = FINDING_KINDS.flatMap((kind): Finding[] => {
    if (kind === 'rest-off') return restsOff(rows);
    const people = rows.flatMap((row): Person[] => {
      const value = RULES[kind](row);
      return value === undefined ? [] : [{ athleteId: row.athleteId, name: row.name, value }];
    });
    people.sort((a, b) => Math.abs(b.value) - Math.abs(a.value));
    return people.length > 0 ? [{ kind, people }] : [];
  });
  const judged = reviews.flatMap((review) => review.rows.flatMap(targetsOf));
  const byTheClock = rows.flatMap(({ cells }) => cells).filter(ranByTheClock).length;
  return {
    findings: findings.slice(0, MOST),
    judged: judged.length,
    on: judged.filter(({ verdict }) => verdict === 'on').length,
    finished: rows.reduce((sum, { finished }) => sum + finished, 0),
    ...(byTheClock > 0 ? { byTheClock } : {}),
  };
}
