import { surenessAt, surenessOf, type Sureness } from '@core/fitness/howSure';
import { paceOf, speedError, unitM, type PaceUnit } from '@core/paces/paceTable';
import { entryOf } from '@core/paces/paceBook';
import type { AthletePaces } from '@core/squad/athletePaces';
import type { Group, SquadMember, Status } from '@core/squad/athlete';
import { plainName } from '@core/squad/likeness';
import { standardTrack } from '@core/venue/venue';
import { formatTime } from '@core/units/time';

/** Who is shown: everyone, those of a status, those whose paces are unsure, those who have left, or one group. */
export type Show = 'everyone' | Status | 'unsure' | 'archived' | `group:${string}`;

/** What the squad's table is made from. */
export type Arrangement = {
  find: string;
  show: Show;
  /** The pace to sort by, the quickest first; by name if left out. */
  sortBy: string | undefined;
  byGroup: boolean;
};

export type Section = { group?: Group; athletes: SquadMember[] };

/** How sure each curve is, worked out once. */
const sureness = new WeakMap<object, Sureness>();
export function sureOf({ curve }: AthletePaces): Sureness | undefined {
  if (!curve) return undefined;
  const cached = sureness.get(curve) ?? surenessOf(curve);
  sureness.set(curve, cached);
  return cached;
}

function isShown(athlete: SquadMember, show: Show, paces: (athlete: SquadMember) => AthletePaces): boolean {
  if (show === 'everyone' || show === 'archived') return true;
  if (show === 'unsure') return (sureOf(paces(athlete)) ?? 'unsure') === 'unsure';
  if (show.startsWith('group:')) return (athlete.groupId ?? '') === show.slice('group:'.length);
  return athlete.status === show;
}

/** Those to be shown, found and in order, in their groups or in one list. Empty groups are left out. */
export function arrangeSquad(
  athletes: readonly SquadMember[],
  groups: readonly Group[],
  { find, show, sortBy, byGroup }: Arrangement,
  paces: (athlete: SquadMember) => AthletePaces,
): Section[] {
  const words = plainName(find).split(/\s+/).filter(Boolean);
  const found = athletes.filter(
    (athlete) =>
      words.every((word) => plainName(`${athlete.name} ${athlete.tileName}`).includes(word)) &&
      isShown(athlete, show, paces),
  );
  const speed = (athlete: SquadMember) => (sortBy === undefined ? 0 : (paceOf(paces(athlete), sortBy) ?? 0));
  const sorted = [...found].sort((a, b) => speed(b) - speed(a) || a.name.localeCompare(b.name));
  if (!byGroup || groups.length === 0) return sorted.length > 0 ? [{ athletes: sorted }] : [];
  const knownIds = new Set(groups.map(({ id }) => id));
  const sections: Section[] = [
    ...groups.map((group) => ({ group, athletes: sorted.filter(({ groupId }) => groupId === group.id) })),
    {
      group: { id: '', name: 'In no group' },
      athletes: sorted.filter(({ groupId }) => groupId === undefined || !knownIds.has(groupId)),
    },
  ];
  return sections.filter((section) => section.athletes.length > 0);
}

/** A speed as a time over the unit: tenths up to a lap, whole seconds over km and mile. */
export function paceText(speedMps: number, unit: PaceUnit): string {
  const overM = unitM(unit, standardTrack.lapM);
  return formatTime(overM / speedMps, overM <= 400 ? 1 : 0);
}

/** One cell of the table: the time, `≈` in front when that pace is unsure; the effort where there is no time. */
export function cellText(paces: AthletePaces, name: string, unit: PaceUnit): string {
  const entry = entryOf(paces.paceBook, name);
  if (!entry) return '–';
  if (entry.basis.kind === 'effort') return `effort ${entry.basis.effort}`;
  const speedMps = paceOf(paces, name);
  if (speedMps === undefined || !paces.curve) return '–';
  return `${surenessAt(speedError(paces.curve, speedMps)) === 'unsure' ? '≈ ' : ''}${paceText(speedMps, unit)}`;
}

export const UNIT_WORDS: Record<PaceUnit, string> = {
  '100': 'per 100',
  '200': 'per 200',
  '400': 'per 400',
  lap: 'per lap',
  km: 'per km',
  mile: 'per mile',
};
