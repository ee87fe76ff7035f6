/** What a group runs together: one time for each rep, and how far each member's own lies from it. */
import type { Leg } from '../session/expand';
import { isTimedRep, isWork, type TargetLeg } from '../targets/targetsFor';
import { amountsOf } from '../targets/totals';
import type { DayGroup } from './dayPlan';
import type { OwnPlan } from './ownPlans';
import { suggestGroups, type SuggestedGroup } from '../squad/groups';
import { groupTraffic, type GroupTraffic } from '../track/traffic';
import type { Venue } from '../venue/venue';

/** One leg as a group runs it. `targetS` lies half way between its quickest and its slowest member's. */
export type GroupLeg = {
  leg: TargetLeg;
  targetS?: number;
  /** By athlete: own target less the group's, in seconds; above 0 for those who are to be slower. */
  offsetS: Record<string, number>;
};

/** A group's legs: as many as the member with the most has, each matched by the item it is of and how often that has been run. */
export type GroupRun = { group: DayGroup; members: OwnPlan[]; legs: GroupLeg[]; leaderId?: string };

/** What stays the same between members whose counts differ: the item, and its how-manyth rep or recovery. */
const slotOf = ({ kind, path, turns }: Leg, nth: number) => `${kind} ${path.join('.')} ${turns.join('.')} ${nth}`;

/** Where the leg of each slot stands, in running order; a ladder's reps of one turn are told apart by their place in it. */
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

/** The member whose own targets are nearest to the group's: with them at the front everybody is about right. */
function nearest(members: readonly OwnPlan[], legs: readonly GroupLeg[]): string | undefined {
  const off = ({ runner }: OwnPlan) => {
    const own = legs.flatMap(({ leg, offsetS }) => (isWork(leg) ? (offsetS[runner.id] ?? []) : []));
    return own.length === 0 ? Infinity : own.reduce((sum, offset) => sum + Math.abs(offset), 0) / own.length;
  };
  const [first] = [...members].sort((a, b) => off(a) - off(b));
  return first?.runner.id;
}

/** A group's shared targets. */
export function groupRun(group: DayGroup, plans: readonly OwnPlan[]): GroupRun {
  const members = plans.filter(({ groupId }) => groupId === group.id);
  const slots = members.map(({ legs }) => slotsOf(legs));
  const longest = slots.reduce<Map<string, TargetLeg> | undefined>(
    (most, one) => (most && most.size >= one.size ? most : one),
    undefined,
  );
  const legs = [...(longest ?? [])].map(([slot, leg]): GroupLeg => {
    const own = members.flatMap(({ runner }, i) => {
      const targetS = slots[i]?.get(slot)?.targetS;
      return targetS === undefined ? [] : [{ id: runner.id, targetS }];
    });
    if (own.length === 0) return { leg, offsetS: {} };
    const times = own.map(({ targetS }) => targetS);
    const targetS = (Math.min(...times) + Math.max(...times)) / 2;
    return { leg, targetS, offsetS: Object.fromEntries(own.map((one) => [one.id, one.targetS - targetS])) };
  });
  const leaderId = members.some(({ runner }) => runner.id === group.leaderId) ? group.leaderId : nearest(members, legs);
  return { group, members, legs, ...(leaderId === undefined ? {} : { leaderId }) };
}

/** Seconds per 400 m over the reps of main part and fast finish with a time; undefined where none has. */
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
 * Groups that can run this session together, by its own paces: nobody further than `gapS` a lap from the middle, as few groups as
 * can be (see suggestGroups). Those without a target time come in none.
 */
export function suggestDayGroups(plans: readonly OwnPlan[], limits: { gapS: number; maxSize: number }): DaySuggestion {
  const paced = plans.map(({ runner, legs }) => ({ id: runner.id, paceS: sessionLapS(legs) }));
  return {
    groups: suggestGroups(
      paced.flatMap(({ id, paceS }) => (paceS === undefined ? [] : [{ id, paceS }])),
      limits,
    ),
    withoutIds: paced.filter(({ paceS }) => paceS === undefined).map(({ id }) => id),
  };
}

/** A group's legs in the times it runs them together. */
export const legsOfRun = ({ legs }: GroupRun): TargetLeg[] =>
  legs.map(({ leg, targetS }) => (targetS === undefined ? leg : { ...leg, targetS }));

/** A group's way through the session, each member in their own time. */
export function trafficOf(run: GroupRun, venue: Venue): GroupTraffic {
  const offsetsS = run.legs.map(({ offsetS }) => run.members.map(({ runner }) => offsetS[runner.id] ?? 0));
  return groupTraffic({ id: run.group.id, legs: legsOfRun(run), offsetsS }, venue);
}
