/** Each athlete's own plan for a day: their targets, counts, recoveries and version of the session, after the coach's changes. */
import { expand, type ExpandOptions, type Leg } from '../session/expand';
import { INTENT_FACTS, type Intent } from '../session/intent';
import { readSession } from '../session/parseSession';
import type { SessionTree } from '../session/session';
import type { Telling } from '../outlook/calibration';
import type { PaceSource } from '../paces/paceSpeed';
import { isTimedRep, isWork, targetsForLegs, type TargetLeg } from '../targets/targetsFor';
import { heldFor, isExtrapolated, timeFor } from '../fitness/curve';
import type { Venue } from '../venue/venue';
import { adjustmentOf, aimOf, changedSession, changesFor, stillFits } from './changes';
import type { Change, DayGroup, DayPlan } from './dayPlan';
import { firstPart } from './firstPart';

/** An athlete as plans need them; `remark` says why there is no curve. */
export type Runner = {
  id: string;
  name: string;
  tileName: string;
  chip?: string;
  /** How they tell effort, where that is known. */
  telling?: Telling;
  paces: PaceSource & { remark?: string };
  /** Of a range they get the least unless the coach chooses: see startsAtLeast(). */
  startsAtLeast?: boolean;
};

export type AthletePlan = {
  runner: Runner;
  groupId: string;
  /** What they run, with changes applied, and before. */
  session: SessionTree;
  written: SessionTree;
  legs: TargetLeg[];
  /** The changes that apply to them, alone or with others; and those that no longer fit the text. */
  changes: Change[];
  waiting: Change[];
  /** Why some or all of it has no target times. */
  remark?: string;
};

export type AthletePlansSource = {
  session: SessionTree;
  intent: Intent;
  plan: DayPlan;
  groups: readonly DayGroup[];
  runners: readonly Runner[];
  venue: Venue;
  paceNames?: readonly string[];
  /** How rests are spent, and what ends one until ready, if the session does not say. */
  rests?: Pick<ExpandOptions, 'manner' | 'pulse'>;
};

/** The session a group runs: its own version if that can be read, else the session itself. */
export function sessionOf(
  { version }: DayGroup,
  session: SessionTree,
  options: { paceNames?: readonly string[]; lapM?: number } = {},
): SessionTree {
  if (version === undefined) return session;
  const { session: versionTree, problems } = readSession(version, { ...options, asks: false });
  return problems.length === 0 && versionTree.lines.length > 0 ? versionTree : session;
}

/** A rep faster than this share of the flat-out time is impossible. */
const FLAT_OUT = 0.985;

/** A target that the curve rules out: faster than flat out. */
function beyond(legs: readonly TargetLeg[], { paces }: Runner): string | undefined {
  const { curve } = paces;
  if (!curve) return undefined;
  const asked = new Map<string, { distanceM: number; targetS: number }>();
  for (const leg of legs) {
    const { distanceM = leg.expectedM, targetS } = leg;
    if (leg.kind === 'rep' && isWork(leg) && distanceM !== undefined && targetS !== undefined)
      asked.set(`${distanceM} ${targetS.toFixed(2)}`, { distanceM, targetS });
  }
  for (const { distanceM, targetS } of asked.values()) {
    const flatOutS = timeFor(curve, distanceM);
    if (targetS < flatOutS * FLAT_OUT)
      return `${Math.round(distanceM)} m in ${targetS.toFixed(1)} s is faster than flat out (${flatOutS.toFixed(1)} s).`;
  }
  return undefined;
}

/** Says so if a pace lies outside the athlete's model: critical speed says little about sprints and long runs. */
function guessed(legs: readonly TargetLeg[], { paces: { curve } }: Runner): string | undefined {
  if (!curve || curve.model !== 'critical-speed') return undefined;
  const speeds = new Set<number>();
  for (const { kind, role, distanceM, targetS, pace } of legs)
    if (kind === 'rep' && isWork({ role }) && distanceM !== undefined && targetS && pace !== undefined)
      speeds.add(Math.round((distanceM / targetS) * 1000) / 1000);
  const isOutside = [...speeds].some((speedMps) => isExtrapolated(curve, speedMps * heldFor(curve, speedMps)));
  return isOutside
    ? 'Some of these paces lie outside the 2 to 20 minutes that critical speed is meant for: take their times as a guess.'
    : undefined;
}

function remarkOn(legs: readonly TargetLeg[], runner: Runner): string | undefined {
  const work = legs.filter(isTimedRep);
  const without = work.filter(({ targetS }) => targetS === undefined);
  if (without.length > 0 && !runner.paces.curve)
    return `By effort: ${runner.paces.remark ?? 'there is no mark to work the paces out from.'}`;
  return beyond(legs, runner) ?? guessed(legs, runner);
}

/** Every athlete's plan, group by group in the order of the groups. */
export function athletePlans({
  session,
  intent,
  plan,
  groups,
  runners,
  venue,
  paceNames,
  rests,
}: AthletePlansSource): AthletePlan[] {
  const toleranceTimes = plan.toleranceTimes ?? INTENT_FACTS[intent].toleranceTimes;
  const byId = new Map(runners.map((runner) => [runner.id, runner]));
  const all = plan.changes ?? [];
  const laidOut = { min: new Map<SessionTree, Leg[]>(), max: new Map<SessionTree, Leg[]>() };
  /** One end of every range, of how often as of how long. */
  const legsOf = (tree: SessionTree, end: 'min' | 'max') => {
    const legs = laidOut[end].get(tree) ?? expand(tree, { counts: end, amounts: end, ...rests });
    laidOut[end].set(tree, legs);
    return legs;
  };
  return groups.flatMap((group) => {
    const written = sessionOf(group, session, { lapM: venue.lapM, ...(paceNames ? { paceNames } : {}) });
    return group.athleteIds.flatMap((id): AthletePlan[] => {
      const runner = byId.get(id);
      if (!runner) return [];
      const ownChanges = changesFor(all, id, group.id);
      const changes = ownChanges.filter((change) => stillFits(change, written));
      const run = changedSession(written, changes);
      const whole = legsOf(run, runner.startsAtLeast ? 'min' : 'max');
      const legs = plan.care?.[id] === 'part' ? firstPart(whole) : whole;
      const { curve, goalCurve, paceBook } = runner.paces;
      const targets = targetsForLegs(legs, {
        curve,
        goalCurve,
        paceBook,
        venue,
        toleranceTimes,
        aim: aimOf(changes),
        adjust: adjustmentOf(changes, legs),
      });
      const remark = remarkOn(targets, runner);
      return [
        {
          runner,
          groupId: group.id,
          session: run,
          written,
          legs: targets,
          changes,
          waiting: ownChanges.filter((change) => !changes.includes(change)),
          ...(remark === undefined ? {} : { remark }),
        },
      ];
    });
  });
}
