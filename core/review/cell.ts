/** One rep of one athlete as run, beside its plan. */
import { LOOP_DEVICE } from '../run/chips';
import type { Flag } from '../run/events';
import { ownRep } from '../run/lineUp';
import type { PlannedRep } from '../run/plan';
import type { AthleteState, GroupState, Passing, RepRun, RunState, Slot } from '../run/runState';
import { judge, type JudgedMark } from '../run/tile';
import { verdictOn, type Verdict } from '../run/verdict';
import type { TimedRep, TimeSource } from './evenness';

export type ReviewCell = {
  repIndex: number;
  targetS?: number;
  actualS?: number;
  /** Of a rep by the clock that was ended before its time: how long it was to be. */
  plannedS?: number;
  /** Seconds from the target; of a rep by the clock, those that the missing metres would have taken. Below 0 is early. */
  deltaS?: number;
  verdict?: Verdict;
  /** How near to the target is on target, as a share of it; the usual 1 % if left out. */
  tolerance?: number;
  /** Anywhere within the tolerance is as good: `deltaS` counts from its edge. */
  isBand?: true;
  /** Of a rep by the clock: the metres it was to cover and those it did. */
  expectedM?: number;
  coveredM?: number;
  /** Times at the marks on the way, the finish last. */
  passes: JudgedMark[];
  /** The rep as it was started: it may have been cut on the way. */
  rep?: PlannedRep;
  /** Started, but no finish was taken. */
  unfinished?: true;
  /** Not for this athlete, or dropped on the way. */
  leftOut?: true;
  effort?: number;
  beatsPerMin?: number;
  flags: Flag[];
  notes: string[];
  /** Rest after it until the next start, as it was taken and as it was to be. */
  restS?: number;
  plannedRestS?: number;
  source?: TimeSource;
  /** It does not count, and why. */
  excluded?: { eventId: string; reason: string };
  /** One more than planned; cut on the way from so many metres. */
  isAdded?: true;
  cutFromM?: number;
  startedAtMs?: number;
  /** By which the time at the finish is put right. */
  finish?: Passing;
};

/** Of a rep by the clock: a mark taken this far into it tells what the whole came to. */
const LATE_ENOUGH = 0.6;

/** How long a rep by the clock really was. */
function ranByTheClock({ startedAtMs, finishedAtMs }: RepRun, plannedS: number) {
  const actualS = finishedAtMs === undefined ? plannedS : (finishedAtMs - startedAtMs) / 1000;
  return actualS < plannedS - 0.05 ? { actualS, plannedS } : { actualS: plannedS };
}

/** Metres that a rep by the clock covered: as typed, or at the speed of the last mark passed. */
function metresCovered({ coveredM, passes }: RepRun, actualS: number): number | undefined {
  if (coveredM !== undefined) return coveredM;
  const last = passes.at(-1);
  if (!last || last.elapsedS <= 0 || last.elapsedS < LATE_ENOUGH * actualS) return undefined;
  return (last.atM * actualS) / last.elapsedS;
}

/** A rep by the clock is judged by its metres: the time that those missing would have taken. */
function judgedByMetres(run: RepRun, ran: { actualS: number; plannedS?: number }) {
  const coveredM = metresCovered(run, ran.actualS);
  const { expectedM: wholeM, tolerance } = run.target;
  // Ended before its time it was to cover as much less.
  const expectedM = wholeM === undefined ? undefined : wholeM * (ran.actualS / (ran.plannedS ?? ran.actualS));
  const metres = {
    ...(coveredM === undefined ? {} : { coveredM }),
    ...(expectedM === undefined ? {} : { expectedM }),
  };
  if (coveredM === undefined || expectedM === undefined || coveredM <= 0) return { ...ran, ...metres };
  const deltaS = ran.actualS * (expectedM / coveredM - 1);
  return { ...ran, ...metres, deltaS, verdict: verdictOn(deltaS, ran.actualS, tolerance) };
}

function sourceOf(state: RunState, { deviceId, estimated }: Passing): TimeSource {
  if (state.isEntered || estimated) return 'typed';
  return deviceId === LOOP_DEVICE ? 'chip' : 'thumb';
}

/** The rest after a run until the athlete's next one; undefined where one ran on into the other, or nobody knows. */
function restAfter(
  state: RunState,
  { finishedAtMs, target, heldS, rep }: RepRun,
  next: RepRun | undefined,
): Pick<ReviewCell, 'restS' | 'plannedRestS'> {
  if (rep.runsOn || !next) return {};
  const { recoveryS } = target;
  const plannedRestS = recoveryS === undefined ? {} : { plannedRestS: recoveryS + heldS };
  if (state.isEntered || finishedAtMs === undefined || next.startedAtMs < finishedAtMs) return plannedRestS;
  return { ...plannedRestS, restS: (next.startedAtMs - finishedAtMs) / 1000 };
}

/** A slot that was not run: what it was to be, or that it was not for this athlete. */
function notRun(state: RunState, athlete: AthleteState, slot: Slot, isElsewhere: boolean): ReviewCell {
  const ownRun = isElsewhere ? undefined : ownRep(state, athlete, slot);
  const { targetS } = ownRun?.rep.distanceM === undefined ? {} : ownRun.target;
  return {
    repIndex: slot.repIndex,
    passes: [],
    flags: [],
    notes: [],
    ...(ownRun ? {} : { leftOut: true as const }),
    ...(targetS === undefined ? {} : { targetS }),
  };
}

/** How the run of a slot differs from what the group was to run there. */
function changeOf(group: GroupState, slot: Slot, { rep }: RepRun): Pick<ReviewCell, 'isAdded' | 'cutFromM'> {
  const planned = group.plan.reps[slot.planIndex];
  const { distanceM: plannedM } = planned ?? {};
  const isCut = plannedM !== undefined && rep.distanceM !== undefined && rep.distanceM < plannedM && !planned?.open;
  return { ...(slot.onlyFor ? { isAdded: true as const } : {}), ...(isCut ? { cutFromM: plannedM } : {}) };
}

/**
 * Reads one slot of a group for one athlete. @param at the place of the slot's run among all of theirs; undefined if they did not run it.
 * @param isElsewhere they ran it with another group, or had left this one.
 */
export function readCell(
  state: RunState,
  group: GroupState,
  athlete: AthleteState,
  slot: Slot,
  at: number | undefined,
  isElsewhere: boolean,
): ReviewCell {
  const run = at === undefined ? undefined : athlete.runs[at];
  if (at === undefined || !run) return notRun(state, athlete, slot, isElsewhere);
  const { rep, target, effort, beatsPerMin, flags, notes, excluded, startedAtMs } = run;
  const isDistance = rep.distanceM !== undefined;
  const passes = run.passes.map((pass) => judge(rep, isDistance ? target : undefined, pass.atM, pass.elapsedS));
  const finishAt = isDistance ? run.passes.findIndex(({ atM }) => atM === rep.callM.at(-1)) : -1;
  const finish = run.passes[finishAt];
  const judged = passes[finishAt];
  const outcome = judged
    ? {
        actualS: judged.elapsedS,
        ...(judged.deltaS === undefined ? {} : { deltaS: judged.deltaS }),
        ...(judged.verdict ? { verdict: judged.verdict } : {}),
      }
    : rep.durationS === undefined
      ? { unfinished: true as const }
      : judgedByMetres(run, ranByTheClock(run, rep.durationS));
  return {
    repIndex: slot.repIndex,
    rep,
    passes,
    flags,
    notes,
    startedAtMs,
    ...outcome,
    ...restAfter(state, run, athlete.runs[at + 1]),
    ...changeOf(group, slot, run),
    ...(isDistance && target.targetS !== undefined ? { targetS: target.targetS } : {}),
    ...(target.tolerance === undefined ? {} : { tolerance: target.tolerance }),
    ...(target.isBand ? { isBand: true as const } : {}),
    ...(effort === undefined ? {} : { effort }),
    ...(beatsPerMin === undefined ? {} : { beatsPerMin }),
    ...(excluded ? { excluded } : {}),
    ...(finish ? { finish, source: sourceOf(state, finish) } : {}),
  };
}

/** True for a rep that was run to its end and counts. */
export const counts = ({ actualS, excluded }: ReviewCell): boolean => actualS !== undefined && !excluded;

/** A rep as evennessOf() reads it; undefined for one that does not count, or by the clock whose metres nobody knows. */
export function timedRep({
  actualS,
  excluded,
  targetS,
  rep,
  coveredM,
  expectedM,
  source,
}: ReviewCell): TimedRep | undefined {
  if (actualS === undefined || actualS <= 0 || excluded || !rep) return undefined;
  const taken = source === undefined ? {} : { source };
  if (rep.distanceM !== undefined)
    return { timeS: actualS, distanceM: rep.distanceM, ...taken, ...(targetS === undefined ? {} : { targetS }) };
  if (coveredM === undefined || coveredM <= 0) return undefined;
  // Of metres covered: the time that the speed asked for would have taken for them. Its error is that of the metres, not of taps.
  return {
    timeS: actualS,
    distanceM: coveredM,
    source: 'chip',
    ...(expectedM === undefined || expectedM <= 0 ? {} : { targetS: (actualS * coveredM) / expectedM }),
  };
}
