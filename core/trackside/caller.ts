/** What a whole group is shown of a session by the clock: what is now, for how long yet, and what comes next. */
import { formatClock } from '../units/time';
import { ownRep } from '../run/lineUp';
import { repLabel, type PlannedGroup, type PlannedRep } from '../run/plan';
import { membersOf, peopledGroups, type GroupState, type RunState } from '../run/runState';
import { dueStarts, recoveredAtMs } from '../run/starts';

/** A stretch of a session by the clock, as it is shown to the whole group. */
export type Stretch = { words: string; isHard: boolean; lengthS?: number };
/** What a group does now, for how long yet, and what comes next. */
export type Now = Stretch & { leftS?: number; share: number; next?: Stretch };

const easy = (lengthS: number | undefined): Stretch => ({
  words: 'easy',
  isHard: false,
  ...(lengthS === undefined ? {} : { lengthS }),
});

const hard = (rep: PlannedRep): Stretch => {
  const { pace, durationS } = rep;
  const words = durationS === undefined ? repLabel(rep) : pace === undefined ? 'hard' : `@${pace}`;
  return { words, isHard: true, ...(durationS === undefined ? {} : { lengthS: durationS }) };
};

/** What a group is doing at a moment; undefined before its first start and after its last rep. */
export function groupNow(state: RunState, groupId: string, nowMs: number): Now | undefined {
  const members = membersOf(state, groupId);
  const runs = members.flatMap((athlete) => {
    const run = athlete.runs.findLast(({ startedAtMs }) => startedAtMs <= nowMs);
    return run ? [{ athlete, run }] : [];
  });
  const latest = runs.reduce<(typeof runs)[number] | undefined>(
    (best, candidate) => (!best || candidate.run.startedAtMs > best.run.startedAtMs ? candidate : best),
    undefined,
  );
  const due = dueStarts(state).find((due) => due.groupId === groupId);
  const nextAthlete = due?.athleteIds[0] === undefined ? undefined : state.athletes[due.athleteIds[0]];
  const nextRep = due && nextAthlete && ownRep(state, nextAthlete, due.slot)?.rep;
  const nextHard = nextRep && hard(nextRep);
  if (!latest) return undefined;
  const { run } = latest;
  const { finishedAtMs, rep, startedAtMs } = run;
  const runOnTo = latest.athlete.runs.find((other) => other !== run && other.startedAtMs === finishedAtMs);
  if (finishedAtMs === undefined || finishedAtMs > nowMs) {
    const lengthS = rep.durationS;
    const leftS = lengthS === undefined ? undefined : lengthS - (nowMs - startedAtMs) / 1000;
    const after = runOnTo ? hard(runOnTo.rep) : due ? easy(run.target.recoveryS) : undefined;
    return {
      ...hard(rep),
      share: lengthS === undefined || leftS === undefined ? 0 : 1 - leftS / lengthS,
      ...(leftS === undefined ? {} : { leftS }),
      ...(after ? { next: after } : {}),
    };
  }
  const backAtMs = due?.atMs ?? recoveredAtMs(run);
  if (!due) return undefined;
  const wholeS = backAtMs === undefined ? undefined : (backAtMs - finishedAtMs) / 1000;
  const leftS = backAtMs === undefined ? undefined : (backAtMs - nowMs) / 1000;
  return {
    ...easy(wholeS),
    share: wholeS && leftS !== undefined ? Math.min(1, Math.max(0, 1 - leftS / wholeS)) : 0,
    ...(leftS === undefined ? {} : { leftS }),
    ...(nextHard ? { next: nextHard } : {}),
  };
}

/** True if every rep and every rest of a group goes by the clock: then the phone can call all of it. */
export function isByTheClock(plan: PlannedGroup): boolean {
  if (plan.reps.length === 0) return false;
  return plan.reps.every(
    ({ durationS, runsOn, open }, i) =>
      durationS !== undefined &&
      !open &&
      (runsOn === true ||
        i === plan.reps.length - 1 ||
        plan.athletes.every(({ targets }) => targets[i]?.isLeftOut === true || targets[i]?.recoveryS !== undefined)),
  );
}

/** `2:30 left`: for a stretch whose end is known. */
export const leftText = (leftS: number): string => formatClock(Math.max(0, Math.ceil(leftS)));

/** Groups that do the same at the same moment, to be shown as one. `now` is undefined before their first start and after their last rep. */
export type CallerPanel = { groups: GroupState[]; now: Now | undefined };

/** What differs between groups that are not in step, as it is seen. */
function seenOf({ startedAtMs, surges }: GroupState, now: Now | undefined): string {
  const left = now?.leftS === undefined ? '' : leftText(now.leftS);
  return JSON.stringify([startedAtMs !== undefined, now?.words, left, now?.next, surges.length, surges.at(-1)?.isOn]);
}

/** These groups at a moment, those together that are in step, in the order of the plan. */
export function callerPanels(state: RunState, groupIds: ReadonlySet<string>, nowMs: number): CallerPanel[] {
  const panels = new Map<string, CallerPanel>();
  for (const group of peopledGroups(state, groupIds)) {
    const now = groupNow(state, group.id, nowMs);
    const seen = seenOf(group, now);
    const panel = panels.get(seen);
    if (panel) panel.groups.push(group);
    else panels.set(seen, { groups: [group], now });
  }
  return [...panels.values()];
}

/** True if the phone can call a group, from its start on or, where its stretch has no structure, as the leader does. */
export const canBeCalled = (plan: PlannedGroup): boolean => isByTheClock(plan) || plan.reps.some(({ free }) => free);
