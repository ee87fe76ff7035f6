import type { HeatLimits } from './heat';
import type { VolumeGuides } from './volumeGuides';
import type { Athlete, Group, SquadMember } from './athlete';
import type { Club } from './club';
import type { Schools } from './schools';
import type { SquadSettings } from './squadSettings';

/** An athlete as sent to be stored under an id. */
type SentMember = { id: string } & Omit<Athlete, 'tileName' | 'status'> & Partial<Pick<Athlete, 'tileName' | 'status'>>;

/** Several things about the squad changed at once, all or nothing: moving athletes, an import, an undo. */
export type SquadChange = {
  paceBookId?: string;
  /** How much is much; null for what the app says. */
  guides?: VolumeGuides | null;
  /** From which heat on the club acts; null for what the app says. */
  heat?: HeatLimits | null;
  /** How the squad recovers and runs its strides; null for what the app says. */
  schools?: Schools | null;
  /** Where the club is, and how it counts its weeks; null for what the device says. */
  club?: Club | null;
  /** All the groups there are to be, in order. Athletes of a group that is left out are in none. */
  groups?: Group[];
  /** Athletes added, or stored in place of what was there. */
  athletes?: SentMember[];
  removedIds?: string[];
};

/** The squad as it is stored. */
export type Squad = { settings: SquadSettings; athletes: readonly SquadMember[] };

/** The change that takes `change` back, for a squad that was as `before`. */
export function inverseOf(change: SquadChange, before: Squad): SquadChange {
  const touched = new Set([...(change.athletes ?? []).map(({ id }) => id), ...(change.removedIds ?? [])]);
  const left = new Set(change.groups?.map(({ id }) => id));
  const isUngrouped = ({ groupId }: SquadMember) =>
    change.groups !== undefined && groupId !== undefined && !left.has(groupId);
  const knownIds = new Set(before.athletes.map(({ id }) => id));
  return {
    ...(change.paceBookId === undefined ? {} : { paceBookId: before.settings.paceBookId }),
    ...(change.guides === undefined ? {} : { guides: before.settings.guides ?? null }),
    ...(change.heat === undefined ? {} : { heat: before.settings.heat ?? null }),
    ...(change.schools === undefined ? {} : { schools: before.settings.schools ?? null }),
    ...(change.club === undefined ? {} : { club: before.settings.club ?? null }),
    ...(change.groups ? { groups: before.settings.groups } : {}),
    athletes: before.athletes.filter((athlete) => touched.has(athlete.id) || isUngrouped(athlete)),
    removedIds: [...touched].filter((id) => !knownIds.has(id)),
  };
}
