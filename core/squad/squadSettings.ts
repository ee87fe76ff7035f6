import type { HeatLimits } from './heat';
import type { VolumeGuides } from './volumeGuides';
import type { Group } from './athlete';
import type { Club } from './club';
import type { Schools } from './schools';

/** What holds for the whole squad. */
export type SquadSettings = {
  paceBookId: string;
  groups: Group[];
  /** How much is much, where the coach has changed what the app says. */
  guides?: VolumeGuides;
  /** From which heat on the club acts, where it has a policy of its own. */
  heat?: HeatLimits;
  /** How the squad recovers and runs its strides, where the coach has chosen. */
  schools?: Schools;
  /** Where it is, and how it counts its weeks, where the coach has said so. */
  club?: Club;
};
