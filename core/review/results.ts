/**
 * A run as rows, for lists, stories and comparisons in place of the whole log. Worked out from the log alone, and again whenever
 * RESULTS_VERSION grows.
 */
import type { Flag, NextDay, NextStep, Presence, RunEvent, StopReason } from '../run/events';
import { athletesOf, type Plan } from '../run/plan';
import type { RunState } from '../run/runState';
import type { Verdict } from '../run/verdict';
import type { ReviewCell } from './cell';
import { isUphill } from './asRun';
import { meantOfLast } from './effortReading';
import { openingOf } from './habits';
import { sessionLoad, type SessionLoad } from './load';
import { reviewGroups, type Review, type ReviewRow } from './review';
import { summaryOf, type RunSummary } from './summary';
import type { TimeSource } from './evenness';
import { known } from '../units/known';

/** Raised whenever the content of the rows changes. */
export const RESULTS_VERSION = 7;

/** One rep of one athlete; `place` is its place among all of theirs. Seconds, metres and percent, late is positive. */
export type RepResult = {
  athleteId: string;
  place: number;
  repIndex: number;
  groupId: string;
  role: 'main' | 'finish';
  state: 'run' | 'unfinished' | 'not-run';
  distanceM?: number;
  durationS?: number;
  coveredM?: number;
  pace?: string;
  targetS?: number;
  expectedM?: number;
  timeS?: number;
  deltaS?: number;
  verdict?: Verdict;
  /** Seconds off an even run to the same finish at the first mark. */
  openingDeltaS?: number;
  effort?: number;
  beatsPerMin?: number;
  restS?: number;
  plannedRestS?: number;
  /** The recovery after it, as written. */
  recovery?: string;
  isHill?: true;
  flags: Flag[];
  notes: string[];
  source?: TimeSource;
  isExcluded?: true;
  isAdded?: true;
  cutFromM?: number;
};

/** One athlete's part of a session; also of those who were away, or are only named in it. */
export type AthleteResult = {
  athleteId: string;
  presence?: Presence;
  groupId?: string;
  /** They came, or ran. */
  isThere?: true;
  /** Reps they had to run, reps they finished, and how those with a target came in. */
  planned: number;
  finished: number;
  early: number;
  on: number;
  late: number;
  isStopped?: true;
  stopReason?: StopReason;
  /** The effort that was meant for the rep of `lastEffort`. */
  meantLast?: number;
  meanPercent?: number;
  evennessPercent?: number;
  fadePercent?: number;
  lastEffort?: number;
  sessionEffort?: number;
  nextDay?: NextDay;
  nextStep?: NextStep;
  /** The session in the library that they ran as a version of this one. */
  libraryId?: string;
  startedAtMs?: number;
} & Partial<SessionLoad>;

export type RunResults = { summary: RunSummary; athletes: AthleteResult[]; reps: RepResult[] };

const flagged = (isSo: boolean | undefined): true | undefined => (isSo ? true : undefined);

function repResult(review: Review, { athleteId }: ReviewRow, cell: ReviewCell): Omit<RepResult, 'place'> | undefined {
  const rep = cell.rep ?? review.columns.find(({ repIndex }) => repIndex === cell.repIndex)?.rep;
  if (!rep || (cell.leftOut && !cell.rep)) return undefined;
  return known<Omit<RepResult, 'place'>>({
    athleteId,
    repIndex: cell.repIndex,
    groupId: review.groupId,
    role: rep.role,
    state: cell.unfinished ? 'unfinished' : cell.actualS === undefined ? 'not-run' : 'run',
    distanceM: rep.distanceM,
    durationS: rep.durationS,
    coveredM: cell.coveredM,
    pace: rep.pace,
    targetS: cell.targetS,
    expectedM: cell.expectedM,
    timeS: cell.actualS,
    deltaS: cell.deltaS,
    verdict: cell.verdict,
    openingDeltaS: openingOf(cell)?.deltaS,
    effort: cell.effort,
    beatsPerMin: cell.beatsPerMin,
    restS: cell.restS,
    plannedRestS: cell.plannedRestS,
    recovery: rep.recovery,
    isHill: flagged(isUphill(rep)),
    flags: cell.flags,
    notes: cell.notes,
    source: cell.source,
    isExcluded: flagged(cell.excluded !== undefined),
    isAdded: cell.isAdded,
    cutFromM: cell.cutFromM,
  });
}

/** Everyone a session names: in its plan, as a leader, or in what happened. */
export function idsNamed({ plan, events }: { plan: Plan; events: readonly RunEvent[] }): Set<string> {
  const ids = new Set(athletesOf(plan).map(({ athleteId }) => athleteId));
  for (const { leaderId } of plan.groups) if (leaderId !== undefined) ids.add(leaderId);
  for (const event of events) {
    if (event.type === 'joined') ids.add(event.athlete.athleteId);
    else if (event.type === 'crossed') {
      if (event.tappedId !== undefined) ids.add(event.tappedId);
    } else if ('athleteId' in event) ids.add(event.athleteId);
    else if ('athleteIds' in event) for (const id of event.athleteIds) ids.add(id);
  }
  return ids;
}

function athleteResult(plan: Plan, state: RunState, reviews: readonly Review[], athleteId: string): AthleteResult {
  const athlete = state.athletes[athleteId];
  const rows = reviews.flatMap((review) => review.rows);
  // With two groups: the part with most reps stands for the session.
  const row = rows.reduce<ReviewRow | undefined>(
    (most, row) => (most && most.finished >= row.finished ? most : row),
    undefined,
  );
  const { evenness } = row ?? {};
  const cells = rows.flatMap((row) => row.cells);
  const cameIn = (verdict: Verdict) => cells.filter((cell) => cell.verdict === verdict).length;
  const finishes = athlete?.runs.flatMap(({ finishedAtMs }) => finishedAtMs ?? []) ?? [];
  const load = athlete && sessionLoad(plan, athlete, rows);
  return known<AthleteResult>({
    athleteId,
    presence: athlete?.presence,
    groupId: athlete?.groupId,
    isThere: flagged(rows.length > 0),
    planned: cells.filter(({ leftOut }) => !leftOut).length,
    finished: finishes.length,
    early: cameIn('early'),
    on: cameIn('on'),
    late: cameIn('late'),
    isStopped: flagged(athlete?.stoppedAtMs !== undefined),
    stopReason: athlete?.stopReason,
    meantLast: row && meantOfLast(plan.arc, row.cells),
    meanPercent: evenness?.meanPercent,
    evennessPercent: evenness?.evennessPercent,
    fadePercent: evenness?.fadePercent,
    lastEffort: row?.lastEffort,
    sessionEffort: athlete?.sessionEffort,
    nextDay: athlete?.nextDay,
    nextStep: athlete?.nextStep?.step,
    libraryId: plan.groups.find(({ id }) => id === athlete?.groupId)?.libraryId,
    startedAtMs: athlete?.runs[0]?.startedAtMs,
    minutes: load?.minutes,
    hardMinutes: load?.hardMinutes,
    loadEffort: load?.loadEffort,
    effortSource: load?.effortSource,
    plannedMinutes: load?.plannedMinutes,
    plannedHardMinutes: load?.plannedHardMinutes,
    plannedEffort: load?.plannedEffort,
  });
}

/** One athlete's rows, in the order they ran; what they did not run comes last. */
function repResults(reviews: readonly Review[]): RepResult[] {
  return reviews
    .flatMap((review) =>
      review.rows.flatMap((row) =>
        row.cells.flatMap((cell) => {
          const result = repResult(review, row, cell);
          return result ? [{ result, atMs: cell.startedAtMs ?? Number.MAX_SAFE_INTEGER }] : [];
        }),
      ),
    )
    .sort((a, b) => a.atMs - b.atMs)
    .map(({ result }, place) => ({ ...result, place }));
}

/** One athlete's part of a session. One that was never started has no reps: a roll call that came to nothing is no result. */
export function partOf(plan: Plan, state: RunState, athleteId: string): { athlete: AthleteResult; reps: RepResult[] } {
  const athlete = state.athletes[athleteId];
  const reviews = athlete ? reviewGroups(state, [athlete]) : [];
  return {
    athlete: athleteResult(plan, state, reviews, athleteId),
    reps: state.startedAtMs === undefined ? [] : repResults(reviews),
  };
}

/** The rows of a whole session. */
export function resultsOf(run: { plan: Plan; events: readonly RunEvent[] }, state: RunState): RunResults {
  const parts = [...idsNamed(run)].map((athleteId) => partOf(run.plan, state, athleteId));
  const athletes = parts.map(({ athlete }) => athlete);
  return { summary: summaryOf(athletes, state), athletes, reps: parts.flatMap(({ reps }) => reps) };
}

/**
 * Whose rows an event at the end of a log changes; `all` if it may be anybody's. An earlier event may change the meaning of everything
 * after it.
 */
export function changedBy(event: RunEvent): readonly string[] | 'all' {
  switch (event.type) {
    case 'conditions':
    case 'times':
    case 'marks':
    case 'sending':
    case 'surged':
    case 'crossed':
      return [];
    case 'joined':
      return [event.athlete.athleteId];
    case 'started':
      // The first start makes results of a roll call, and one more turn of open work is everybody's to run.
      return 'all';
    case 'decided':
      // One more is put among the reps of the whole group: what others were told of open work may be of another rep then.
      return event.decision.kind === 'oneMore' ? 'all' : event.athleteIds;
    case 'held':
    case 'nextDay':
    case 'nextStep':
    case 'moved':
      return event.athleteIds;
    case 'named':
    case 'shifted':
    case 'undone':
    case 'clock':
    case 'ended':
      return 'all';
    default:
      return [event.athleteId];
  }
}
