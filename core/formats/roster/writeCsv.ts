import { weeksRunning, type Group, type SquadMember } from '../../squad/athlete';
import { formatExactTime } from '../../units/time';
import { csv } from '../csv';
import { USE_WORDS } from './columns';

/** Distances as a number of metres: every program can read that. */
const metres = (distanceM: number) => String(Math.round(distanceM * 1000) / 1000);

/** Everyone, a row each, as the importer reads it. */
export function rosterCsv(athletes: readonly SquadMember[], groups: readonly Group[], asOf: string): string {
  const uses = [
    'name',
    'tileName',
    'bornYear',
    'leaning',
    'weeks',
    'weeklyKm',
    'group',
    'status',
    'notes',
    'chip',
    'goalDistance',
    'goalTime',
    'goalDate',
    'goalRace',
  ] as const;
  const groupName = new Map(groups.map(({ id, name }) => [id, name]));
  return csv(
    uses.map((use) => USE_WORDS[use]),
    athletes.map((athlete) => [
      athlete.name,
      athlete.tileName,
      athlete.bornYear === undefined ? '' : String(athlete.bornYear),
      athlete.leaning ?? '',
      String(weeksRunning(athlete, asOf) ?? ''),
      String(athlete.weeklyKm ?? ''),
      groupName.get(athlete.groupId ?? '') ?? '',
      athlete.status,
      athlete.notes ?? '',
      athlete.chip ?? '',
      athlete.goal ? metres(athlete.goal.distanceM) : '',
      athlete.goal ? formatExactTime(athlete.goal.timeS) : '',
      athlete.goal?.date ?? '',
      athlete.goal?.race ?? '',
    ]),
  );
}

/** Every mark, a row each, as the importer reads it. */
export function marksCsv(athletes: readonly SquadMember[]): string {
  const uses = ['name', 'distance', 'time', 'date', 'kind', 'note', 'leftOut'] as const;
  return csv(
    uses.map((use) => USE_WORDS[use]),
    athletes.flatMap(({ name, marks }) =>
      marks.map((mark) => [
        name,
        metres(mark.distanceM),
        formatExactTime(mark.timeS),
        mark.date,
        mark.kind,
        mark.note ?? '',
        mark.leftOut ? 'yes' : '',
      ]),
    ),
  );
}
