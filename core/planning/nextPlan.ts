/** A day plan carried over to the next session of its kind: everything except what belonged to that day. */
import { itemAt } from '../session/edit';
import { formatItem } from '../session/formatSession';
import { timesOf } from '../session/lengths';
import type { Item, SessionTree } from '../session/session';
import { listedAtMost } from '../units/listed';
import { isOfItem, stillFits, withChanges } from './changes';
import { ownDifference } from './ownDifference';
import { REST_ID, type Change, type DayGroup, type DayPlan, type ItemChange, type Whom } from './dayPlan';

/** An athlete's place in the next session: their group before, and what they run. */
export type Placed = {
  athleteId: string;
  groupId: string;
  shorthand: string;
  /** The session in the library that it is. */
  libraryId?: string;
  /** Their name, by which those who run something else than their group are called. */
  label: string;
};

export type NextPlan = { shorthand: string; libraryId?: string; plan: DayPlan };

const LONGEST_NAME = 40;
const SHORTEST_REST_S = 10;

/**
 * Returns the title of a session with another text: a title that was made from the text is made anew, one that the coach gave stays.
 * @param nameOf makes a title from a text; returns undefined if the text cannot be read.
 */
export function titleFor(
  title: string,
  before: string,
  now: string,
  nameOf: (shorthand: string) => string | undefined,
): string {
  const plain = (text: string | undefined) => text?.toLowerCase().replace(/[×*]/g, 'x').replace(/\s+/g, '');
  const was = plain(title) ?? '';
  // A title may be the beginning of the made name: the reps without their pace.
  const isBeginning = /\d/.test(was) && (plain(nameOf(before))?.startsWith(was) ?? false);
  return isBeginning || was === plain(before) ? (nameOf(now) ?? title) : title;
}

/** Ratios by which counts, rests and rep lengths set by hand follow a change of the text. */
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
    // A length or time set by hand belonged to that rep.
    case 'length':
    case 'target':
      return isSameBody ? set : undefined;
  }
}

/** A change carried to another text; undefined if its item is gone, or it was already waiting for its item. */
function carriedChange(change: Change, whom: Whom, before: SessionTree, now: SessionTree): Change | undefined {
  if (!isOfItem(change)) return { ...change, whom };
  const [was, is] = [itemAt(before, change.path), itemAt(now, change.path)];
  if (!was || !is || !stillFits(change, before)) return undefined;
  const set = movedSetting(change.set, was, is);
  return set && { whom, path: change.path, wrote: formatItem(is), set };
}

/** Members of one group who run the same. */
type Cohort = { shorthand: string; libraryId?: string; labels: string[]; groupId: string; athleteIds: string[] };

function cohortsOf(placed: readonly Placed[], groupId: string): Cohort[] {
  const cohorts = new Map<string, Cohort>();
  for (const { athleteId, shorthand, libraryId, label, groupId: ownGroupId } of placed) {
    if (ownGroupId !== groupId) continue;
    const cohort = cohorts.get(shorthand) ?? {
      shorthand,
      labels: [],
      groupId,
      athleteIds: [],
      ...(libraryId === undefined ? {} : { libraryId }),
    };
    cohorts.set(shorthand, cohort);
    cohort.athleteIds.push(athleteId);
    cohort.labels.push(label);
  }
  // The largest first; ties keep their order, since sorting is stable.
  return [...cohorts.values()].sort((a, b) => b.athleteIds.length - a.athleteIds.length);
}

/** The text that most run. */
function mostRun(placed: readonly Placed[]): Placed | undefined {
  const counts = new Map<string, number>();
  for (const { shorthand } of placed) counts.set(shorthand, (counts.get(shorthand) ?? 0) + 1);
  return placed.reduce<Placed | undefined>(
    (most, placed) =>
      most && (counts.get(most.shorthand) ?? 0) >= (counts.get(placed.shorthand) ?? 0) ? most : placed,
    undefined,
  );
}

/** Up to this many are named; more are counted. */
const MOST_NAMED = 3;
const nameOfThose = (labels: readonly string[]): string => listedAtMost(labels, MOST_NAMED).slice(0, LONGEST_NAME);

/** A group as before, with those of its members who run the same. */
function groupOf(
  { version: _version, libraryId: _libraryId, leaderId, ...rest }: DayGroup,
  { athleteIds, shorthand, libraryId, labels }: Cohort,
  { isOwn, isNew, newId }: { isOwn: boolean; isNew: boolean; newId: () => string },
): DayGroup {
  return {
    ...rest,
    ...(isNew ? { id: newId() } : {}),
    ...(isNew && isOwn ? { name: nameOfThose(labels) } : {}),
    athleteIds,
    ...(leaderId !== undefined && athleteIds.includes(leaderId) ? { leaderId } : {}),
    ...(isOwn ? { version: shorthand } : {}),
    ...(isOwn && libraryId !== undefined ? { libraryId } : {}),
  };
}

/** A group that runs one text, with the differences of some of its members; the rest are cohorts of their own. */
type Together = { group: DayGroup; classes: Cohort[]; own: Change[] };

/** Keeps those in the group who differ from most of it by one count or one rest alone. */
function together(group: DayGroup, cohorts: readonly Cohort[], main: string, read: Carry['read']): Together {
  // The text of the majority is the group's own, if some of the group run it.
  const most = cohorts.find(({ shorthand }) => shorthand === main) ?? cohorts[0];
  const others = cohorts.filter((cohort) => cohort !== most);
  const tree = most && read(most.shorthand);
  if (!most || !tree) return { group, classes: [...cohorts], own: [] };
  const base: Cohort = { ...most, athleteIds: [...most.athleteIds] };
  const apart: Cohort[] = [];
  const own: Change[] = [];
  for (const cohort of others) {
    const theirs = read(cohort.shorthand);
    const difference = theirs && ownDifference(tree, theirs);
    if (!difference) {
      apart.push(cohort);
      continue;
    }
    base.athleteIds.push(...cohort.athleteIds);
    own.push(
      ...cohort.athleteIds.map((athleteId): Change => ({ whom: { kind: 'athlete', athleteId }, ...difference })),
    );
  }
  // In the order they were in before.
  base.athleteIds.sort((a, b) => group.athleteIds.indexOf(a) - group.athleteIds.indexOf(b));
  return { group, classes: [base, ...apart], own };
}

type Carry = {
  placed: readonly Placed[];
  /** The groups as they ran, the day plan of that day, and its text. */
  groups: readonly DayGroup[];
  before: { plan: DayPlan; shorthand: string };
  /** Reads a text; undefined where it cannot be read. */
  read: (shorthand: string) => SessionTree | undefined;
  newId: () => string;
};

/**
 * The next session for everyone: the text that most run, groups as they were. Who runs a rep fewer, or rests longer, than most of their
 * group does so in it; those who run something else altogether become a group of their own with a version, named after them. Lanes, gaps, place and what was changed for somebody stay; who was away and when the track was taken do not.
 * Undefined where nobody is placed.
 */
export function nextPlan({ placed, groups, before, read, newId }: Carry): NextPlan | undefined {
  const main = mostRun(placed);
  if (!main) return undefined;
  const { venueId, rounding, toleranceTimes, windowS, changes = [] } = before.plan;
  const split = groups.map((group) => together(group, cohortsOf(placed, group.id), main.shorthand, read));
  const own = split.flatMap(({ own: ownChanges }) => ownChanges);
  const isWhole = split.every(
    ({ classes: [first, ...others] }) => others.length === 0 && (first?.shorthand ?? main.shorthand) === main.shorthand,
  );
  const laidOut = split.flatMap(({ group, classes }) =>
    classes.map((cohort, i) => ({
      cohort,
      was: group.version ?? before.shorthand,
      group: groupOf(group, cohort, {
        isOwn: cohort.shorthand !== main.shorthand,
        isNew: i > 0 || group.id === REST_ID,
        newId,
      }),
    })),
  );
  const carried = isWhole
    ? changes.flatMap((change) => carriedFor(change, change.whom, before.shorthand, main.shorthand, read))
    : laidOut.flatMap(({ cohort, group, was }) =>
        changes.flatMap((change) => {
          const { whom } = change;
          if (whom.kind === 'athlete' && !cohort.athleteIds.includes(whom.athleteId)) return [];
          if (whom.kind === 'group' && whom.groupId !== cohort.groupId) return [];
          const carriedTo: Whom = whom.kind === 'athlete' ? whom : { kind: 'group', groupId: group.id };
          return carriedFor(change, carriedTo, was, cohort.shorthand, read);
        }),
      );
  const allChanges = withChanges(carried, own);
  return {
    shorthand: main.shorthand,
    ...(main.libraryId === undefined ? {} : { libraryId: main.libraryId }),
    plan: {
      ...(venueId === undefined ? {} : { venueId }),
      ...(rounding === undefined ? {} : { rounding }),
      ...(toleranceTimes === undefined ? {} : { toleranceTimes }),
      ...(windowS === undefined ? {} : { windowS }),
      ...(before.plan.groups || !isWhole ? { groups: laidOut.map(({ group }) => group) } : {}),
      ...(allChanges.length > 0 ? { changes: allChanges } : {}),
    },
  };
}

function carriedFor(change: Change, whom: Whom, was: string, now: string, read: Carry['read']): Change[] {
  const [before, after] = [read(was), read(now)];
  const carried = before && after && carriedChange(change, whom, before, after);
  return carried ? [carried] : [];
}
