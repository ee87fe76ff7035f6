import type { Mark } from '../../fitness/mark';
import type { Group, SquadMember } from '../../squad/athlete';
import type { Squad, SquadChange } from '../../squad/change';
import { isLikelyName, nameKey } from '../../squad/likeness';
import { suggestTileName, tileKey } from '../../squad/tileName';
import type { ImportedPerson } from './readPeople';

/** What is to be done with a person in a file: added as new, added to someone in the squad, or left out. */
export type Decision = { kind: 'new' } | { kind: 'same'; athleteId: string } | { kind: 'leaveOut' };

/** A person in a file beside those of the squad who may be the same, the surest first. */
export type Candidate = { person: ImportedPerson; decision: Decision; alike: SquadMember[] };

/**
 * Sets those in a file against the squad. The same name is taken for the same athlete; a name that is only alike is taken
 * for someone new, and shown, so that the coach can say otherwise.
 */
export function candidates(people: readonly ImportedPerson[], athletes: readonly SquadMember[]): Candidate[] {
  const byKey = new Map(athletes.map((athlete) => [nameKey(athlete.name), athlete]));
  return people.map((person) => {
    const same = byKey.get(nameKey(person.name));
    const bornApart = (other: SquadMember) =>
      other.bornYear !== undefined && person.bornYear !== undefined && other.bornYear !== person.bornYear;
    if (same && !bornApart(same)) return { person, decision: { kind: 'same', athleteId: same.id }, alike: [same] };
    const alike = athletes.filter((other) => !bornApart(other) && isLikelyName(person.name, other.name));
    return { person, decision: { kind: 'new' }, alike: same ? [same, ...alike] : alike };
  });
}

const isSameMark = (a: Mark, b: Mark) =>
  Math.abs(a.distanceM - b.distanceM) < 0.5 && Math.abs(a.timeS - b.timeS) < 0.05 && a.date === b.date;

/** Marks of both, none twice. */
const withMarks = (marks: readonly Mark[], more: readonly Mark[]): Mark[] =>
  more.reduce<Mark[]>((all, mark) => (all.some((known) => isSameMark(known, mark)) ? all : [...all, mark]), [...marks]);

/** What an import comes to, in numbers. */
export type ImportCount = { added: number; changed: number; marks: number; groups: number; leftOut: number };

/**
 * The one change to the squad that an import is. New groups are made for names that there are none of yet.
 * @param newId makes an id.
 */
export function importChange(
  list: readonly Candidate[],
  squad: Squad,
  newId: () => string,
): { change: SquadChange; count: ImportCount } {
  const groups: Group[] = [...squad.settings.groups];
  const groupIdOf = (name: string) => {
    const known = groups.find((group) => nameKey(group.name) === nameKey(name));
    if (known) return known.id;
    const group = { id: newId(), name };
    groups.push(group);
    return group.id;
  };
  const stored = new Map(squad.athletes.map((athlete) => [athlete.id, athlete]));
  const tileNames = new Set(squad.athletes.map(({ tileName }) => tileKey(tileName)));
  const changed = new Map<string, SquadMember>();
  const count: ImportCount = { added: 0, changed: 0, marks: 0, groups: 0, leftOut: 0 };
  for (const { person, decision } of list) {
    if (decision.kind === 'leaveOut') {
      count.leftOut++;
      continue;
    }
    const { rows: _rows, groupName, marks, tileName, name, ...said } = person;
    const inGroup = groupName === undefined ? {} : { groupId: groupIdOf(groupName) };
    const before =
      decision.kind === 'same' ? (changed.get(decision.athleteId) ?? stored.get(decision.athleteId)) : undefined;
    const after: SquadMember = before
      ? { ...before, ...said, ...inGroup, marks: withMarks(before.marks, marks) }
      : {
          id: newId(),
          status: 'training',
          ...said,
          name,
          tileName: suggestTileName(tileName ?? name, tileNames),
          ...inGroup,
          marks: withMarks([], marks),
        };
    if (!before) tileNames.add(tileKey(after.tileName));
    if (before) count.changed++;
    else count.added++;
    count.marks += after.marks.length - (before?.marks.length ?? 0);
    changed.set(after.id, after);
  }
  count.groups = groups.length - squad.settings.groups.length;
  const isNewGroup = count.groups > 0;
  return { change: { ...(isNewGroup ? { groups } : {}), athletes: [...changed.values()] }, count };
}
