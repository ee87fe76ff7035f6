import type { Mark } from '../../fitness/mark';
import type { Group, SquadMember } from '../../squad/athlete';
import type { Squad, SquadChange } from '../../squad/change';
import { isLikelyName, nameKey } from '../../squad/likeness';
import { suggestTileName, tileKey } from '../../squad/tileName';
import type { ImportedPerson } from './readPeople';

/** What to do with a person in a file: add as new, merge with someone in the squad, or leave out. */
export type ImportChoice = { kind: 'new' } | { kind: 'same'; athleteId: string } | { kind: 'leaveOut' };

/** A person in a file with the squad members who may be the same, likeliest first. */
export type Candidate = { person: ImportedPerson; decision: ImportChoice; alike: SquadMember[] };

/**
 * Compares the people in a file with the squad. The same name is the same athlete; a similar name is somebody new, and shown, so that the
 * coach can decide otherwise.
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

/** The marks of both, without duplicates. */
const withMarks = (marks: readonly Mark[], more: readonly Mark[]): Mark[] =>
  more.reduce<Mark[]>(
    (all, mark) => (all.some((knownMark) => isSameMark(knownMark, mark)) ? all : [...all, mark]),
    [...marks],
  );

/** The result of an import, in numbers. */
export type ImportCount = { added: number; changed: number; marks: number; groups: number; leftOut: number };

/** The one squad change that an import makes. Unknown group names become new groups. @param newId makes an id. */
export function importChange(
  list: readonly Candidate[],
  squad: Squad,
  newId: () => string,
): { change: SquadChange; count: ImportCount } {
  const groups: Group[] = [...squad.settings.groups];
  const groupIdOf = (name: string) => {
    const knownGroup = groups.find((group) => nameKey(group.name) === nameKey(name));
    if (knownGroup) return knownGroup.id;
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
