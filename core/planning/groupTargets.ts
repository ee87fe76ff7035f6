/** What a group runs together: one time for each rep, and how far each member's own target is from it. */
import type { Leg } from '../session/expand';
import { isTimedRep, isWork, type TargetLeg } from '../targets/targetsFor';
import { amountsOf } from '../targets/totals';
import type { DayGroup } from './dayPlan';
import type { AthletePlan } from './athletePlans';
import { suggestGroups, type SuggestedGroup } from '../squad/groups';
import { groupTraffic, type GroupTraffic } from '../track/traffic';
import type { Venue } from '../venue/venue';

/** A leg as a group runs it. `targetS` is half way between its quickest and slowest member's. */
export type GroupLeg = {
  leg: TargetLeg;
  targetS?: number;
  /** By athlete: own target minus the group's, in seconds; above 0 is slower. */
  offsetS: Record<string, number>;
};

/** A group's legs: as many as the member with the most has, matched by item and repetition. */
export type GroupRun = { group: DayGroup; members: AthletePlan[]; legs: GroupLeg[]; leaderId?: string };

/** The key shared by members whose counts differ: the item, and which rep or recovery of it. */
const slotOf = ({ kind, path, turns }: Leg, nth: number) => `${kind} ${path.join('.')} ${turns.join('.')} ${nth}`;

/** Index of each slot's leg in running order; a ladder's reps within one turn differ by their position. */
export function legsBySlot(legs: readonly TargetLeg[]): Map<string, number> {
  const slots = new Map<string, number>();
  legs.forEach((leg, index) => {
    let nth = 0;
    while (slots.has(slotOf(leg, nth))) nth++;
    slots.set(slotOf(leg, nth), index);
  });
  return slots;
}

/** Legs by their slot, in running order. */
const slotsOf = (legs: readonly TargetLeg[]): Map<string, TargetLeg> =>
  new Map([...legsBySlot(legs)].flatMap(([slot, index]) => (legs[index] ? [[slot, legs[index]] as const] : [])));

/** The member whose targets are nearest to the group's: as leader they suit everybody best. */
function nearest(members: readonly AthletePlan[], legs: readonly GroupLeg[]): string | undefined {
  const off = ({ runner }: AthletePlan) => {
    const offsets = legs.flatMap(({ leg, offsetS }) => (isWork(leg) ? (offsetS[runner.id] ?? []) : []));
    return offsets.length === 0
      ? Infinity
      : offsets.reduce((sum, offset) => sum + Math.abs(offset), 0) / offsets.length;
  };
  // An athlete without a pace leads only if the coach chooses them.
  const paced = members.filter((member) => off(member) < Infinity);
  const [first] = [...(paced.length > 0 ? paced : members)].sort((a, b) => off(a) - off(b));
  return first?.runner.id;
}

/** A group's shared targets. */
export function groupRun(group: DayGroup, plans: readonly AthletePlan[]): GroupRun {
  const members = plans.filter(({ groupId }) => groupId === group.id);
  const slots = members.map(({ legs }) => slotsOf(legs));
  const longest = slots.reduce<Map<string, TargetLeg> | undefined>(
    (most, candidate) => (most && most.size >= candidate.size ? most : candidate),
    undefined,
  );
  const legs = [...(longest ?? [])].map(([slot, leg]): GroupLeg => {
    const targets = members.flatMap(({ runner }, i) => {
      const targetS = slots[i]?.get(slot)?.targetS;
      return targetS === undefined ? [] : [{ id: runner.id, targetS }];
    });
    if (targets.length === 0) return { leg, offsetS: {} };
    const times = targets.map(({ targetS }) => targetS);
    const targetS = (Math.min(...times) + Math.max(...times)) / 2;
    return {
      leg,
      targetS,
      offsetS: Object.fromEntries(targets.map((target) => [target.id, target.targetS - targetS])),
    };
  });
  const leaderId = members.some(({ runner }) => runner.id === group.leaderId) ? group.leaderId : nearest(members, legs);
  return { group, members, legs, ...(leaderId === undefined ? {} : { leaderId }) };
}

/** Seconds per 400 m over reps of main part and fast finish that have a time; undefined if none has. */
export function sessionLapS(legs: readonly TargetLeg[]): number | undefined {
  let [distanceM, timeS] = [0, 0];
  for (const leg of legs) {
    if (!isTimedRep(leg) || leg.targetS === undefined) continue;
    const amounts = amountsOf(leg);
    if (amounts.isGuessed) continue;
    distanceM += amounts.distanceM;
    timeS += leg.targetS;
  }
  return distanceM > 0 ? (timeS / distanceM) * 400 : undefined;
}

export type DaySuggestion = { groups: SuggestedGroup<{ id: string; paceS: number }>[]; withoutIds: string[] };

/**
 * Groups for this session by its own paces: nobody further than `gapS` a lap from the middle, as few groups as possible (see
 * suggestGroups). Athletes without target times are in none.
 */
export function suggestDayGroups(
  plans: readonly AthletePlan[],
  limits: { gapS: number; maxSize: number },
): DaySuggestion {
  const paced = plans.map(({ runner, legs }) => ({ id: runner.id, paceS: sessionLapS(legs) }));
  return {
    groups: suggestGroups(
      paced.flatMap(({ id, paceS }) => (paceS === undefined ? [] : [{ id, paceS }])),
      limits,
    ),
    withoutIds: paced.filter(({ paceS }) => paceS === undefined).map(({ id }) => id),
  };
}

/** A group's legs with its shared times. */
export const legsOfRun = ({ legs }: GroupRun): TargetLeg[] =>
  legs.map(({ leg, targetS }) => (targetS === undefined ? leg : { ...leg, targetS }));

/** A group's way through the session, each member in their own time. */
export function trafficOf(run: GroupRun, venue: Venue): GroupTraffic {
  const offsetsS = run.legs.map(({ offsetS }) => run.members.map(({ runner }) => offsetS[runner.id] ?? 0));
  return groupTraffic({ id: run.group.id, legs: legsOfRun(run), offsetsS }, venue);
}
