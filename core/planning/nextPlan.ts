/** What was decided for a session, carried over to the next one of its kind: everything but what belonged to that day. */
import { itemAt } from '../session/edit';
import { formatItem } from '../session/formatSession';
import { timesOf } from '../session/lengths';
import type { Item, Session } from '../session/session';
import { isOfItem, stillFits } from './changes';
import { REST_ID, type Change, type DayGroup, type DayPlan, type ItemChange, type Whom } from './dayPlan';

/** One athlete's place in the next session: with which of the groups before, and what they run. */
export type Placed = {
  athleteId: string;
  groupId: string;
  shorthand: string;
  /** The session of the library that it is. */
  bookId?: string;
  /** What sets those apart who do not run what their group does: `again`, `a step back`. */
  label: string;
};

export type NextPlan = { shorthand: string; bookId?: string; plan: DayPlan };

const LONGEST_NAME = 40;
const SHORTEST_REST_S = 10;

/** How many times, how long a rest and how long a rep the change of an item's text makes of what was set by hand. */
function movedSetting(set: ItemChange['set'], before: Item, now: Item): ItemChange['set'] | undefined {
  const restOf = ({ recovery }: Item, kind: 'time' | 'distance') => {
    const amount = recovery?.amount;
    if (amount?.kind !== kind) return 0;
    return amount.kind === 'time' ? amount.maxS : amount.distanceM;
  };
  const isSameBody = JSON.stringify(before.body) === JSON.stringify(now.body);
  switch (set.kind) {
    case 'count':
      return { ...set, n: Math.max(1, set.n + timesOf(now.count, 'max') - timesOf(before.count, 'max')) };
    case 'recovery':
      return {
        ...set,
        durationS: Math.max(SHORTEST_REST_S, set.durationS + restOf(now, 'time') - restOf(before, 'time')),
      };
    case 'jog':
      return { ...set, distanceM: Math.max(50, set.distanceM + restOf(now, 'distance') - restOf(before, 'distance')) };
    case 'pace':
      return set;
    // A length or a time of its own was of that rep.
    case 'length':
    case 'target':
      return isSameBody ? set : undefined;
  }
}

/** A change as it is for another text; undefined where its item is gone, or it was waiting for its item already. */
function carriedChange(change: Change, whom: Whom, before: Session, now: Session): Change | undefined {
  if (!isOfItem(change)) return { ...change, whom };
  const [was, is] = [itemAt(before, change.path), itemAt(now, change.path)];
  if (!was || !is || !stillFits(change, before)) return undefined;
  const set = movedSetting(change.set, was, is);
  return set && { whom, path: change.path, wrote: formatItem(is), set };
}

/** Those of one group who run the same. */
type Class = { shorthand: string; bookId?: string; label: string; groupId: string; athleteIds: string[] };

function classesOf(placed: readonly Placed[], groupId: string): Class[] {
  const classes = new Map<string, Class>();
  for (const { athleteId, shorthand, bookId, label, groupId: own } of placed) {
    if (own !== groupId) continue;
    const one = classes.get(shorthand) ?? {
      shorthand,
      label,
      groupId,
      athleteIds: [],
      ...(bookId === undefined ? {} : { bookId }),
    };
    classes.set(shorthand, one);
    one.athleteIds.push(athleteId);
  }
  // The most first; of as many the earlier one: a sort is stable.
  return [...classes.values()].sort((a, b) => b.athleteIds.length - a.athleteIds.length);
}

/** The text that most run. */
function mostRun(placed: readonly Placed[]): Placed | undefined {
  const counts = new Map<string, number>();
  for (const { shorthand } of placed) counts.set(shorthand, (counts.get(shorthand) ?? 0) + 1);
  return placed.reduce<Placed | undefined>(
    (most, one) => (most && (counts.get(most.shorthand) ?? 0) >= (counts.get(one.shorthand) ?? 0) ? most : one),
    undefined,
  );
}

/** A group as it was, with those of it who run the same. */
function groupOf(
  { version: _version, bookId: _bookId, leaderId, ...rest }: DayGroup,
  { athleteIds, shorthand, bookId, label }: Class,
  { isOwn, isNew, newId }: { isOwn: boolean; isNew: boolean; newId: () => string },
): DayGroup {
  return {
    ...rest,
    ...(isNew ? { id: newId() } : {}),
    ...(isNew && isOwn ? { name: `${rest.name}, ${label}`.slice(0, LONGEST_NAME) } : {}),
    athleteIds,
    ...(leaderId !== undefined && athleteIds.includes(leaderId) ? { leaderId } : {}),
    ...(isOwn ? { version: shorthand } : {}),
    ...(isOwn && bookId !== undefined ? { bookId } : {}),
  };
}

type Carry = {
  placed: readonly Placed[];
  /** The groups as they ran; and what had been decided for that day, and its text. */
  groups: readonly DayGroup[];
  before: { plan: DayPlan; shorthand: string };
  /** Reads a text; undefined where it cannot be read. */
  read: (shorthand: string) => Session | undefined;
  newId: () => string;
};

/**
 * The next session for everyone: the text that most run, groups as they were, and those of a group who run something else as a group of
 * their own with a version. Lanes, gaps, place and what was changed for somebody stay; who was away and when the track was taken do not.
 * Undefined where nobody is placed.
 */
export function nextPlan({ placed, groups, before, read, newId }: Carry): NextPlan | undefined {
  const main = mostRun(placed);
  if (!main) return undefined;
  const { venueId, rounding, toleranceTimes, windowS, changes = [] } = before.plan;
  const split = groups.map((group) => ({ group, classes: classesOf(placed, group.id) }));
  const isWhole = split.every(
    ({ classes: [first, ...others] }) => others.length === 0 && (first?.shorthand ?? main.shorthand) === main.shorthand,
  );
  const laidOut = split.flatMap(({ group, classes }) =>
    classes.map((one, i) => ({
      one,
      was: group.version ?? before.shorthand,
      group: groupOf(group, one, {
        isOwn: one.shorthand !== main.shorthand,
        isNew: i > 0 || group.id === REST_ID,
        newId,
      }),
    })),
  );
  const carried = isWhole
    ? changes.flatMap((change) => carriedFor(change, change.whom, before.shorthand, main.shorthand, read))
    : laidOut.flatMap(({ one, group, was }) =>
        changes.flatMap((change) => {
          const { whom } = change;
          if (whom.kind === 'athlete' && !one.athleteIds.includes(whom.athleteId)) return [];
          if (whom.kind === 'group' && whom.groupId !== one.groupId) return [];
          const own: Whom = whom.kind === 'athlete' ? whom : { kind: 'group', groupId: group.id };
          return carriedFor(change, own, was, one.shorthand, read);
        }),
      );
  return {
    shorthand: main.shorthand,
    ...(main.bookId === undefined ? {} : { bookId: main.bookId }),
    plan: {
      ...(venueId === undefined ? {} : { venueId }),
      ...(rounding === undefined ? {} : { rounding }),
      ...(toleranceTimes === undefined ? {} : { toleranceTimes }),
      ...(windowS === undefined ? {} : { windowS }),
      ...(before.plan.groups || !isWhole ? { groups: laidOut.map(({ group }) => group) } : {}),
      ...(carried.length > 0 ? { changes: carried } : {}),
    },
  };
}

function carriedFor(change: Change, whom: Whom, was: string, now: string, read: Carry['read']): Change[] {
  const [before, after] = [read(was), read(now)];
  const carried = before && after && carriedChange(change, whom, before, after);
  return carried ? [carried] : [];
}
