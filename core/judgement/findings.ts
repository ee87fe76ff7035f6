/** Findings of a session for a coach with a few seconds: at most three, in the order of reasons, with names and numbers. */
import type { StopReason } from '../run/events';
import type { ReviewCell } from '../review/cell';
import { isAllOut } from '../session/intent';
import { mean } from '../units/mean';
import { hadNothingLeft, type CareEntry } from './care';
import { isUnsound, type AthleteFacts, type SessionFacts } from './facts';
import type { PaceReading } from './paceAsked';

/** One athlete of a finding; the unit of `value` depends on the kind. */
export type Person = {
  athleteId: string;
  name: string;
  value: number;
  /** Of a stop: of how many reps, why, and whether within the rep; of an effort what was meant; of falling behind percent late at the end. */
  of?: number;
  reason?: StopReason;
  isMid?: boolean;
};

/**
 * The order of reasons. Care: `pain`, `unwell`, `niggle`, `stopped`, `spent`, `stitch` (which rep, from 1), `heat` (felt °C, of nobody by name),
 * `creeping` (points of effort). As asked: `far-quicker` (at least so many seconds over 5000 m), `early`, `late` (seconds a rep),
 * `fell-behind` (from which rep), `quickened` (percent late at the end), `rest-off` (seconds more than planned, of nobody by name), `not-run` (how
 * many reps), `first-early`, `last-fast` (seconds), `faded` (percent). Effort: `harder`, `easier` (what was told; `of` is what was meant).
 */
export const FINDING_KINDS = [
  'pain',
  'unwell',
  'niggle',
  'heat',
  'stopped',
  'spent',
  'stitch',
  'creeping',
  'far-quicker',
  'early',
  'quickened',
  'fell-behind',
  'late',
  'rest-off',
  'not-run',
  'first-early',
  'last-fast',
  'faded',
  'harder',
  'easier',
] as const;
export type FindingKind = (typeof FINDING_KINDS)[number];
export type Finding = { kind: FindingKind; people: Person[]; value?: number; airC?: number };

/** Findings, and the number of reps with a target that were on it. */
export type Findings = {
  findings: Finding[];
  judged: number;
  on: number;
  finished: number;
  /** Number of reps by the clock that were run without metres; missing if there are none. */
  byTheClock?: number;
  /** Why no rep had a target though they were run: flat out, or with no pace asked. Missing where marks were wanting. */
  untargeted?: 'flat-out' | 'no-pace';
  /** Mean reported and meant effort of the whole session, if nobody reported one by rep. */
  wholeEffort?: { told: number; meant: number; people: number };
};

const MOST = 3;
/** Up to this many names are read at a glance. */
export const MOST_NAMES = 4;

/** Thresholds by common coaching judgement. */
const WORTH = { fadePercent: 1.5, restShare: 0.15, restS: 8 };
/** One athlete's effort is named from so far above the meant one, or at so far twice running. */
const HARDER = { once: 1.2, twice: 1 };
/** Everyone's is easy from so far below it. */
const EASIER = -2;

type Rule = (facts: AthleteFacts) => Omit<Person, 'athleteId' | 'name'> | undefined;

const flagged =
  (flag: 'pain' | 'unwell' | 'niggle' | 'stitch'): Rule =>
  ({ flags, stop }) => {
    const said = flags.find((candidate) => candidate.flag === flag);
    return said && !stop ? { value: said.rep } : undefined;
  };

const stopped =
  (...reasons: (StopReason | undefined)[]): Rule =>
  ({ stop }) =>
    stop && reasons.includes(stop.reason)
      ? { value: stop.rep, of: stop.of, isMid: stop.isMid, ...(stop.reason ? { reason: stop.reason } : {}) }
      : undefined;

const either =
  (...rules: Rule[]): Rule =>
  (facts) => {
    for (const rule of rules) {
      const found = rule(facts);
      if (found) return found;
    }
    return undefined;
  };

/** Nothing of theirs is read as a fault of running where care has explained it. */
const sound =
  (rule: Rule): Rule =>
  (facts) =>
    isUnsound(facts) ? undefined : rule(facts);

/** Their running is judged only if the marks allow it at all. */
const possible = (rule: Rule): Rule => sound((facts) => (facts.shown ? undefined : rule(facts)));

/** Targets of like reps that differ by so much move: who falls behind them has not slowed. */
const MOVES = 0.005;
const targetsMove = ({ reps }: PaceReading): boolean =>
  reps.some(({ kind, targetS }) =>
    reps.some((other) => other.kind === kind && Math.abs(other.targetS / targetS - 1) > MOVES),
  );

const creepingOf = (care: readonly CareEntry[]) => care.find(({ reason }) => reason === 'creeping')?.value;

/** Points above the meant effort at the end; undefined for anybody who ran too fast, or late. */
function aboveMeant({ pace, end }: AthleteFacts): number | undefined {
  if (!end || (pace && pace.verdict !== 'on')) return undefined;
  return end.above;
}

const RULES: Readonly<Record<Exclude<FindingKind, 'rest-off' | 'heat'>, Rule>> = {
  pain: either(stopped('pain'), flagged('pain')),
  unwell: flagged('unwell'),
  niggle: flagged('niggle'),
  stopped: stopped(undefined),
  spent: stopped('spent'),
  stitch: either(stopped('stitch'), flagged('stitch')),
  creeping: ({ care }) => {
    const by = creepingOf(care);
    return by === undefined ? undefined : { value: by };
  },
  'far-quicker': sound(({ shown }) => (shown ? { value: shown.atLeastS } : undefined)),
  early: possible(({ pace }) => (pace?.verdict === 'early' ? { value: pace.all.meanS } : undefined)),
  quickened: possible(({ pace }) =>
    pace?.verdict === 'quickened' ? { value: (pace.reps.at(-1)?.share ?? 0) * 100 } : undefined,
  ),
  'fell-behind': possible(({ pace }) =>
    pace?.verdict === 'fell-behind'
      ? { value: pace.fromRep ?? 1, of: (pace.reps.at(-1)?.share ?? 0) * 100 }
      : undefined,
  ),
  late: possible(({ pace }) => (pace?.verdict === 'late' ? { value: pace.all.meanS } : undefined)),
  'not-run': possible(({ count }) => (count.missing > 0 ? { value: count.missing } : undefined)),
  'first-early': possible(({ pace, odd }) =>
    odd?.which === 'first' && pace?.verdict !== 'early' ? { value: odd.deltaS } : undefined,
  ),
  'last-fast': possible(({ pace, odd }) =>
    odd?.which === 'last' && pace?.verdict !== 'early' ? { value: odd.deltaS } : undefined,
  ),
  faded: possible(({ row, pace }) => {
    const { isFadeSure, fadePercent = 0 } = row?.evenness ?? {};
    // Against a target that moves, or late for good, it has been said another way.
    if (pace && (targetsMove(pace) || (pace.verdict !== 'on' && pace.verdict !== 'off-at-end'))) return undefined;
    return isFadeSure && fadePercent >= WORTH.fadePercent ? { value: fadePercent } : undefined;
  }),
  harder: possible((facts) => {
    // The creeping finding covers it.
    if (creepingOf(facts.care) !== undefined) return undefined;
    const above = aboveMeant(facts);
    const { end, aboveBefore = 0 } = facts;
    const isTwice = (above ?? 0) >= HARDER.twice && aboveBefore >= HARDER.twice;
    // Nothing left, though something was to be: once is enough.
    const isSpent = hadNothingLeft(end?.told, end?.meant) && (above ?? 0) > 0;
    return end && above !== undefined && (above >= HARDER.once || isTwice || isSpent)
      ? { value: end.told, of: end.meant }
      : undefined;
  }),
  easier: possible((facts) => {
    const above = aboveMeant(facts);
    return facts.end && above !== undefined && above < EASIER
      ? { value: facts.end.told, of: facts.end.meant }
      : undefined;
  }),
};

/** Kinds that owe more to the day than to the athlete: reported only for a majority. */
const OF_MOST: readonly FindingKind[] = ['easier'];

const OF_HEALTH: readonly FindingKind[] = ['pain', 'unwell', 'niggle', 'stopped', 'spent', 'stitch'];

/** Rests of the whole squad, if much longer or shorter than planned. */
function restsOff(facts: readonly AthleteFacts[]): Finding[] {
  const rests = facts.flatMap(({ row }) => row?.rest ?? []);
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

/** Effort of the session as a whole, if nobody reported one by rep. */
function wholeEffort(there: readonly AthleteFacts[]): Findings['wholeEffort'] {
  const ends = there.flatMap(({ end }) => end ?? []);
  if (ends.length === 0 || ends.some(({ isWhole }) => !isWhole)) return undefined;
  return {
    told: mean(ends.map(({ told }) => told)),
    meant: mean(ends.map(({ meant }) => meant)),
    people: ends.length,
  };
}

/** The reason that reps had no target, from their paces. */
function untargeted(cells: readonly ReviewCell[]): Findings['untargeted'] {
  const paces = cells.flatMap(({ rep, actualS }) => (rep && actualS !== undefined ? [rep.pace] : []));
  if (paces.length === 0) return undefined;
  if (paces.every((pace) => pace === 'max')) return 'flat-out';
  return paces.every((pace) => pace === undefined) ? 'no-pace' : undefined;
}

/** Findings of one kind. */
function findingOf(kind: FindingKind, { hot, athletes, isOver, intent }: SessionFacts): Finding[] {
  const there = athletes.filter(({ row }) => row);
  if (kind === 'heat') return hot ? [{ kind, people: [], value: hot.feltC, airC: hot.airC }] : [];
  if (kind === 'rest-off') return restsOff(there);
  // While it is still being run, nothing is missing yet; heat explains who slowed.
  if ((kind === 'not-run' && !isOver) || (kind === 'faded' && hot)) return [];
  // A trial takes all they have: only its time counts.
  if ((kind === 'harder' || kind === 'easier') && isAllOut(intent)) return [];
  // A stop in the very first rep has no time of its own, and is no less a stop.
  const concerned = OF_HEALTH.includes(kind) ? athletes.filter((facts) => facts.row ?? isUnsound(facts)) : there;
  const people = concerned.flatMap((facts): Person[] => {
    const found = RULES[kind](facts);
    return found ? [{ athleteId: facts.athleteId, name: facts.name, ...found }] : [];
  });
  if (OF_MOST.includes(kind) && people.length * 2 <= there.filter(({ end }) => end).length) return [];
  people.sort((a, b) => Math.abs(b.value) - Math.abs(a.value));
  return people.length > 0 ? [{ kind, people }] : [];
}

/** Reads a session for the squad, in the order of reasons; people by how far it goes. */
export function findingsOf(facts: SessionFacts): Findings {
  const there = facts.athletes.filter(({ row }) => row);
  const cells = there.flatMap(({ row }) => row?.cells ?? []);
  const judged = cells.filter(({ verdict, excluded }) => verdict && !excluded);
  const byTheClock = cells.filter(ranByTheClock).length;
  const whole = wholeEffort(there);
  const why = judged.length === 0 ? untargeted(cells) : undefined;
  return {
    findings: FINDING_KINDS.flatMap((kind) => findingOf(kind, facts)).slice(0, MOST),
    judged: judged.length,
    on: judged.filter(({ verdict }) => verdict === 'on').length,
    finished: there.reduce((sum, { row }) => sum + (row?.finished ?? 0), 0),
    ...(byTheClock > 0 ? { byTheClock } : {}),
    ...(why ? { untargeted: why } : {}),
    ...(whole ? { wholeEffort: whole } : {}),
  };
}
