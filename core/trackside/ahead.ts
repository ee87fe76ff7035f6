/** What is still to come for an athlete at the track, and what it would leave them. */
import { reserveAfter } from '../targets/reserve';
import { ownRep } from '../run/lineUp';
import { restMps } from '../run/plan';
import { groupOf, type AthleteState, type GroupState, type RunState, type Slot } from '../run/runState';
import { recoveredAtMs } from '../run/starts';

/** The reps an athlete has still to run. */
export function slotsAhead(state: RunState, group: GroupState, athlete: AthleteState): Slot[] {
  const last = athlete.runs.at(-1);
  const at = last ? group.slots.findIndex(({ repIndex }) => repIndex === last.repIndex) : -1;
  return group.slots.filter((slot, i) => i > at && ownRep(state, athlete, slot) !== undefined);
}

/** Whether the athlete is in open work that has not ended for them. */
export function isInOpen(athlete: AthleteState, group: GroupState | undefined): boolean {
  const last = athlete.runs.at(-1);
  const ran = group?.slots.find(({ repIndex }) => repIndex === last?.repIndex);
  return ran !== undefined && group?.plan.reps[ran.planIndex]?.open === true && !athlete.open[ran.planIndex]?.isOver;
}

/** Share of D′ left after what was run and one more rep as planned; undefined where it cannot be told. */
export function leftAfterNext(state: RunState, athlete: AthleteState): number | undefined {
  const { reserve: model } = athlete.planned;
  const group = groupOf(state, athlete.groupId);
  const slot = group && slotsAhead(state, group, athlete)[0];
  // In open work the next one is another of the same, not the fast finish behind it.
  const next = isInOpen(athlete, group) ? athlete.runs.at(-1) : slot && ownRep(state, athlete, slot);
  if (!model || next?.rep.distanceM === undefined || next.target.targetS === undefined) return undefined;
  let leftM = model.reserveM;
  for (const [i, run] of athlete.runs.entries()) {
    const { finishedAtMs, startedAtMs, rep, target } = run;
    if (finishedAtMs === undefined) continue;
    const ranS = (finishedAtMs - startedAtMs) / 1000;
    const ranM = rep.distanceM ?? run.coveredM ?? target.expectedM;
    if (ranM !== undefined && ranS > 0) leftM = reserveAfter(model, leftM, ranM / ranS, ranS);
    const restedToMs = athlete.runs[i + 1]?.startedAtMs ?? recoveredAtMs(run);
    const restS = restedToMs === undefined ? 0 : Math.max(0, restedToMs - finishedAtMs) / 1000;
    leftM = reserveAfter(model, leftM, restMps(rep.recovery, model), restS);
  }
  const { distanceM } = next.rep;
  const { targetS } = next.target;
  return reserveAfter(model, leftM, distanceM / targetS, targetS) / model.reserveM;
}
