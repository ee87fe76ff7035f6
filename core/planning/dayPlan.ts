/**
 * What the coach has decided for one session on one day, beyond its text: who runs it, where, in which groups, and what differs for some
 * of them. Everything else follows from the session and the athletes.
 */
import type { ItemPath } from '../session/edit';
import type { ItemSetting } from '../session/itemSetting';
import type { CareChoice } from '../run/events';
import type { SquadMember } from '../squad/athlete';
import type { Aim } from '../targets/targetsFor';

/** Whom a change is for. A change for one athlete wins over their group's, and that over one for all. */
export type Whom = { kind: 'all' } | { kind: 'group'; groupId: string } | { kind: 'athlete'; athleteId: string };

/** A change with the item it was made to: its place and how it read. If the item reads differently now, the change waits. */
export type ItemChange = { whom: Whom; path: ItemPath; wrote: string; set: ItemSetting };
/** A change of the aim or of an item. */
export type Change = ItemChange | { whom: Whom; set: { kind: 'aim'; aim: Aim } };

/** A group for this session. */
export type DayGroup = {
  id: string;
  name: string;
  athleteIds: string[];
  /** Who sets the pace, if the coach has said so. */
  leaderId?: string;
  /** The lane they are told to run in; 1 if left out. */
  lane?: number;
  /** Seconds after the first group that they start. */
  startGapS?: number;
  /** Another session's text that they run instead. */
  version?: string;
  /** The library session that version is. */
  libraryId?: string;
};

/** Times of day (HH:MM) when somebody else has the track. */
export type Busy = { from: string; to: string; who: string };

export const ROUNDINGS = [0.1, 0.5, 1] as const;

export type DayPlan = {
  venueId?: string;
  /** Rounding of shown times, in seconds; 0.1 if left out. Targets themselves are exact. */
  rounding?: (typeof ROUNDINGS)[number];
  /** Factor on every tolerance; that of the intent if left out. */
  toleranceTimes?: number;
  /** Who does or does not take part, where that differs from their status. */
  taking?: Record<string, boolean>;
  /** The coach's answer for athletes to take care of, by their ids. */
  care?: Record<string, CareChoice>;
  /** The squad's training groups if left out. */
  groups?: DayGroup[];
  changes?: Change[];
  /** Finishes nearer together than this cannot both be timed by one person. */
  windowS?: number;
  busy?: Busy[];
};

/** Fields of a day plan that are decided together; undefined resets one to its default. */
export type DayDecision = { [K in keyof DayPlan]?: DayPlan[K] | undefined };

/** The plan with a decision applied. */
export const withDecision = (plan: DayPlan, decision: DayDecision): DayPlan =>
  Object.fromEntries(Object.entries<unknown>({ ...plan, ...decision }).filter(([, value]) => value !== undefined));

/** The decision that undoes another: it restores the fields that one set, and touches nothing else. */
export const inverseOfDecision = (decision: DayDecision, before: DayPlan): DayDecision =>
  Object.fromEntries(Object.keys(decision).map((key) => [key, before[key as keyof DayPlan]]));

export const USUAL_WINDOW_S = 3;

/** Athletes who take part: in training or easing back by default, unless the coach overrides it; not who leaves out that day. */
export const takesPart = ({ taking, care }: DayPlan, { id, status }: Pick<SquadMember, 'id' | 'status'>): boolean =>
  care?.[id] !== 'out' && (taking?.[id] ?? (status === 'training' || status === 'easing'));

/** The decision that somebody takes part or not: who is ticked again leaves out no longer. */
export function takingDecision({ taking, care }: DayPlan, athleteId: string, takes: boolean): DayDecision {
  const decision = { taking: { ...taking, [athleteId]: takes } };
  if (!takes || care?.[athleteId] !== 'out') return decision;
  return { ...decision, care: without(care, athleteId) };
}

/** The decision of how much an athlete to take care of runs. */
export const careDecision = ({ care }: DayPlan, athleteId: string, choice: CareChoice): DayDecision => ({
  care: { ...care, [athleteId]: choice },
});

const without = <T>(record: Readonly<Record<string, T>>, id: string): Record<string, T> =>
  Object.fromEntries(Object.entries(record).filter(([key]) => key !== id));

/** The id of the group of athletes who are in none. */
export const REST_ID = 'rest';

/**
 * The day's groups with their members in squad order: the coach's for this day, else the squad's. Athletes in none form a last group of
 * their own. An empty group is left out unless the coach made it for this day.
 */
export function groupsFor(
  plan: DayPlan,
  athletes: readonly SquadMember[],
  squadGroups: readonly { id: string; name: string }[],
): DayGroup[] {
  const running = athletes.filter((athlete) => takesPart(plan, athlete));
  const ownGroups = plan.groups;
  const base =
    ownGroups ??
    squadGroups.map(({ id, name }): DayGroup => ({
      id,
      name,
      athleteIds: running.filter(({ groupId }) => groupId === id).map((athlete) => athlete.id),
    }));
  const here = new Set(running.map(({ id }) => id));
  const grouped = new Set(base.flatMap(({ athleteIds }) => athleteIds));
  const rest = running.filter(({ id }) => !grouped.has(id)).map(({ id }) => id);
  const groups = base.map((group) => ({ ...group, athleteIds: group.athleteIds.filter((id) => here.has(id)) }));
  return [
    ...groups.filter(({ athleteIds, id }) => id !== REST_ID && (ownGroups !== undefined || athleteIds.length > 0)),
    ...(rest.length > 0 ? [{ id: REST_ID, name: base.length > 0 ? 'In no group' : 'Everyone', athleteIds: rest }] : []),
  ];
}

/** Moves an athlete to another group; REST_ID for none. */
export function moveAthlete(groups: readonly DayGroup[], athleteId: string, groupId: string): DayGroup[] {
  return groups
    .filter(({ id }) => id !== REST_ID)
    .map((group): DayGroup => {
      const others = group.athleteIds.filter((id) => id !== athleteId);
      const { leaderId, ...rest } = group;
      if (group.id === groupId) return { ...group, athleteIds: [...others, athleteId] };
      return { ...rest, athleteIds: others, ...(leaderId && leaderId !== athleteId ? { leaderId } : {}) };
    });
}

/** Fields to set in a group; undefined removes one. */
export type GroupPart = { [K in keyof Omit<DayGroup, 'id'>]?: DayGroup[K] | undefined };

/** Changes fields of one group. The rest become a group of their own by it, with the id `restId`. */
export function withGroupPart(
  groups: readonly DayGroup[],
  groupId: string,
  part: GroupPart,
  restId: string,
): DayGroup[] {
  return groups.flatMap((group) => {
    const isMeant = group.id === groupId;
    if (group.id === REST_ID && !isMeant) return [];
    const changed = isMeant ? { ...group, ...part, id: group.id === REST_ID ? restId : group.id } : group;
    return [
      Object.fromEntries(Object.entries<unknown>(changed).filter(([, value]) => value !== undefined)) as DayGroup,
    ];
  });
}

/** Sets the groups' start gaps in seconds; the rest become a group if they are to wait. */
export function withStartGaps(
  groups: readonly DayGroup[],
  gapsS: Readonly<Record<string, number>>,
  restId: string,
): DayGroup[] {
  return groups.flatMap((group) => {
    const startGapS = gapsS[group.id] ?? group.startGapS ?? 0;
    const { startGapS: _before, ...rest } = group;
    if (group.id === REST_ID) return startGapS > 0 ? [{ ...rest, id: restId, startGapS }] : [];
    return [startGapS > 0 ? { ...rest, startGapS } : rest];
  });
}

/** The plan without anything about one athlete. */
export function withoutAthlete(plan: DayPlan, athleteId: string): DayPlan {
  const { taking, care, groups, changes, ...rest } = plan;
  return {
    ...rest,
    ...(taking ? { taking: without(taking, athleteId) } : {}),
    ...(care ? { care: without(care, athleteId) } : {}),
    ...(groups
      ? {
          groups: groups.map(({ leaderId, ...group }) => ({
            ...group,
            athleteIds: group.athleteIds.filter((id) => id !== athleteId),
            ...(leaderId !== undefined && leaderId !== athleteId ? { leaderId } : {}),
          })),
        }
      : {}),
    ...(changes
      ? { changes: changes.filter(({ whom }) => whom.kind !== 'athlete' || whom.athleteId !== athleteId) }
      : {}),
  };
}

/** One athlete's part in a plan. */
export type DayPlanOfAthlete = {
  takesPart?: boolean;
  care?: CareChoice;
  group?: string;
  leads?: boolean;
  changes?: Change[];
};

/** What a plan says about one athlete; undefined if nothing. */
export function aboutAthlete(
  { taking, care, groups, changes }: DayPlan,
  athleteId: string,
): DayPlanOfAthlete | undefined {
  const isTaking = taking?.[athleteId];
  const choice = care?.[athleteId];
  const group = groups?.find(({ athleteIds }) => athleteIds.includes(athleteId));
  const ownChanges = (changes ?? []).filter(({ whom }) => whom.kind === 'athlete' && whom.athleteId === athleteId);
  if (isTaking === undefined && !choice && !group && ownChanges.length === 0) return undefined;
  return {
    ...(isTaking === undefined ? {} : { takesPart: isTaking }),
    ...(choice ? { care: choice } : {}),
    ...(group ? { group: group.name } : {}),
    ...(group?.leaderId === athleteId ? { leads: true } : {}),
    ...(ownChanges.length > 0 ? { changes: ownChanges } : {}),
  };
}
