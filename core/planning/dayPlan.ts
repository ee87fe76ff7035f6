/**
 * What the coach has decided for one session on one day, beyond its text: who runs it and where, in which groups, and what is
 * different for some of them. Everything else is worked out from the session and the athletes.
 */
import type { ItemPath } from '../session/edit';
import type { ItemSetting } from '../session/itemSetting';
import type { SquadMember } from '../squad/athlete';
import type { Aim } from '../targets/targetsFor';

/** Whom a change is for. What is for one athlete goes before what is for their group, and that before what is for all. */
export type Whom = { kind: 'all' } | { kind: 'group'; groupId: string } | { kind: 'athlete'; athleteId: string };

/** A change, and the item it was made to: where that stands and how it read. If it reads differently now, the change waits. */
export type ItemChange = { whom: Whom; path: ItemPath; wrote: string; set: ItemSetting };
/** What is aimed at, or a change to an item. */
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
  /** The session of the library that it is. */
  bookId?: string;
};

/** The track is someone else's then: times of day, HH:MM. */
export type Busy = { from: string; to: string; who: string };

export const ROUNDINGS = [0.1, 0.5, 1] as const;

export type DayPlan = {
  venueId?: string;
  /** How times are shown, in seconds; they are worked out exactly. 0.1 if left out. */
  rounding?: (typeof ROUNDINGS)[number];
  /** Every tolerance is taken so many times; as the kind of session says if left out. */
  toleranceTimes?: number;
  /** Who does or does not take part, where it is not as their status says. */
  taking?: Record<string, boolean>;
  /** The squad's training groups if left out. */
  groups?: DayGroup[];
  changes?: Change[];
  /** Finishes nearer together than so many seconds cannot both be timed by one person. */
  windowS?: number;
  busy?: Busy[];
};

/** A part of a day's plan that is decided at once; what is undefined is as the app says again. */
export type Decision = { [K in keyof DayPlan]?: DayPlan[K] | undefined };

/** The plan with a decision. */
export const withDecision = (plan: DayPlan, decision: Decision): DayPlan =>
  Object.fromEntries(Object.entries({ ...plan, ...decision }).filter(([, value]) => value !== undefined));

/** The decision that takes another back: what it decided is as it was before, and nothing else is touched. */
export const inverseOfDecision = (decision: Decision, before: DayPlan): Decision =>
  Object.fromEntries(Object.keys(decision).map((key) => [key, before[key as keyof DayPlan]]));

export const USUAL_WINDOW_S = 3;

/** Who runs: those in training or easing back, and whoever the coach has ticked, less whom they have not. */
export const takesPart = ({ taking }: DayPlan, { id, status }: Pick<SquadMember, 'id' | 'status'>): boolean =>
  taking?.[id] ?? (status === 'training' || status === 'easing');

/** The id of the group of those who are in none. */
export const REST_ID = 'rest';

/**
 * The groups that run, each with its members in order of the squad: the coach's for this day, or the squad's. Those who are in
 * none come last, as a group of their own; a group with nobody in it is left out unless the coach made it for this day.
 */
export function groupsFor(
  plan: DayPlan,
  athletes: readonly SquadMember[],
  squadGroups: readonly { id: string; name: string }[],
): DayGroup[] {
  const running = athletes.filter((athlete) => takesPart(plan, athlete));
  const own = plan.groups;
  const base =
    own ??
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
    ...groups.filter(({ athleteIds, id }) => id !== REST_ID && (own !== undefined || athleteIds.length > 0)),
    ...(rest.length > 0 ? [{ id: REST_ID, name: base.length > 0 ? 'In no group' : 'Everyone', athleteIds: rest }] : []),
  ];
}

/** The groups with one athlete put into another; in no group for REST_ID. */
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

/** What a group is given; undefined takes it away. */
export type GroupPart = { [K in keyof Omit<DayGroup, 'id'>]?: DayGroup[K] | undefined };

/** The groups with something about one of them changed. Those in no group become a group of their own by it: `restId` is its id. */
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
    return [Object.fromEntries(Object.entries(changed).filter(([, value]) => value !== undefined)) as DayGroup];
  });
}

/** The groups with their starts so many seconds after the first; those in no group become one if they are to wait. */
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

/** A plan without anything about one athlete. */
export function withoutAthlete(plan: DayPlan, athleteId: string): DayPlan {
  const { taking, groups, changes, ...rest } = plan;
  const others = Object.entries(taking ?? {}).filter(([id]) => id !== athleteId);
  return {
    ...rest,
    ...(taking ? { taking: Object.fromEntries(others) } : {}),
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
export type OwnDayPlan = { takesPart?: boolean; group?: string; leads?: boolean; changes?: Change[] };

/** What a plan says about one athlete; undefined where it says nothing. */
export function aboutAthlete({ taking, groups, changes }: DayPlan, athleteId: string): OwnDayPlan | undefined {
  const isTaking = taking?.[athleteId];
  const group = groups?.find(({ athleteIds }) => athleteIds.includes(athleteId));
  const own = (changes ?? []).filter(({ whom }) => whom.kind === 'athlete' && whom.athleteId === athleteId);
  if (isTaking === undefined && !group && own.length === 0) return undefined;
  return {
    ...(isTaking === undefined ? {} : { takesPart: isTaking }),
    ...(group ? { group: group.name } : {}),
    ...(group?.leaderId === athleteId ? { leads: true } : {}),
    ...(own.length > 0 ? { changes: own } : {}),
  };
}
