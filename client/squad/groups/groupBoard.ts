import { paceOf } from '@core/paces/paceTable';
import type { AthletePaces } from '@core/squad/athletePaces';
import type { Group, SquadMember } from '@core/squad/athlete';
import type { SquadChange } from '@core/squad/change';
import { suggestGroups, type SuggestedGroup } from '@core/squad/groups';

/** A group with its members, the quickest first; `''` is the id of those in none. */
export type GroupColumn = Group & { athletes: SquadMember[] };

/** Seconds per 400 m by which groups are made and sorted, or undefined for someone without that pace. */
export function lapS(paces: AthletePaces, pace: string): number | undefined {
  const speedMps = paceOf(paces, pace);
  return speedMps === undefined ? undefined : 400 / speedMps;
}

/** The groups in order with everyone in them, and those in no group last. */
export function groupColumns(
  groups: readonly Group[],
  athletes: readonly SquadMember[],
  lapOf: (athlete: SquadMember) => number | undefined,
): GroupColumn[] {
  const sorted = [...athletes].sort(
    (a, b) => (lapOf(a) ?? Infinity) - (lapOf(b) ?? Infinity) || a.name.localeCompare(b.name),
  );
  const knownIds = new Set(groups.map(({ id }) => id));
  return [
    ...groups.map((group) => ({ ...group, athletes: sorted.filter(({ groupId }) => groupId === group.id) })),
    { id: '', name: 'In no group', athletes: sorted.filter(({ groupId = '' }) => !knownIds.has(groupId)) },
  ];
}

/** The athlete in another group, or in none (`''`). */
export function inGroup(athlete: SquadMember, groupId: string): SquadMember {
  const { groupId: _before, ...rest } = athlete;
  return groupId === '' ? rest : { ...rest, groupId };
}

export type Suggestion = SuggestedGroup<{ id: string; paceS: number; athlete: SquadMember }>;

/** Groups by pace, and those who have none. */
export function suggestion(
  athletes: readonly SquadMember[],
  lapOf: (athlete: SquadMember) => number | undefined,
  limits: { gapS: number; maxSize: number },
): { groups: Suggestion[]; without: SquadMember[] } {
  const paced = athletes.flatMap((athlete) => {
    const paceS = lapOf(athlete);
    return paceS === undefined ? [] : [{ id: athlete.id, paceS, athlete }];
  });
  return {
    groups: suggestGroups(paced, limits),
    without: athletes.filter((athlete) => lapOf(athlete) === undefined),
  };
}

/** Letters as in a spreadsheet: A to Z, then AA. */
const letter = (i: number): string =>
  (i < 26 ? '' : letter(Math.floor(i / 26) - 1)) + String.fromCharCode(65 + (i % 26));

/** The change that puts a suggestion in place of the groups there are; names there are already are kept in their order. */
export function suggestionChange(
  suggested: readonly Suggestion[],
  without: readonly SquadMember[],
  before: readonly Group[],
  newId: () => string,
): SquadChange {
  const groups = suggested.map((_, i): Group => before[i] ?? { id: newId(), name: `Group ${letter(i)}` });
  const left = new Set(groups.map(({ id }) => id));
  return {
    groups,
    athletes: [
      ...suggested.flatMap(({ members }, i) => members.map(({ athlete }) => inGroup(athlete, groups[i]?.id ?? ''))),
      // Those without a pace stay where they are, if that is still there.
      ...without.map((athlete) => inGroup(athlete, left.has(athlete.groupId ?? '') ? (athlete.groupId ?? '') : '')),
    ],
  };
}
