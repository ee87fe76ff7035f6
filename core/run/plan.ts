import type { Telling } from '../outlook/calibration';
import type { Intent, MeantArc } from '../session/intent';
import { formatAmount } from '../session/formatSession';
import { joggedMps, type ReserveModel } from '../targets/reserve';
import { MILE_M } from '../units/distance';

/** One rep that is timed at the track, the same for a whole group. */
export type PlannedRep = {
  role: 'main' | 'finish';
  distanceM?: number;
  /** A rep by the clock: it ends by itself after so many seconds. */
  durationS?: number;
  pace?: string;
  note?: string;
  /** Where on the lap it starts, in metres past the finish line. */
  startM?: number;
  /** Metres into the rep at which a time is taken; the finish is the last. Empty for a rep by the clock. */
  callM: number[];
  /** For a rep by the clock: a mark is passed every so many metres. */
  everyM?: number;
  /** The recovery that follows, as written. */
  recovery?: string;
  /** The next rep begins where this one ends, without a break. */
  runsOn?: true;
  /** Repeated until it is ended at the track. */
  open?: true;
  /** Faster and easier as somebody calls it. */
  free?: true;
  /** Uphill: its speed says nothing on the flat. */
  hill?: true;
};

/** One athlete's part of one rep: target seconds (none by effort), and seconds of recovery after it. */
export type PlannedTarget = {
  targetS?: number;
  /** How near to it is on target, as a share of it; the usual 1 % if left out. */
  tolerance?: number;
  /** Anywhere within the tolerance is as good: differences count from its edge. */
  isBand?: true;
  /** For a rep by the clock: the metres it should cover. */
  expectedM?: number;
  /** The shorter end where the recovery is a range: the athlete who is ready goes. */
  recoveryS?: number;
  mostRecoveryS?: number;
  /** This athlete does not run this rep. */
  isLeftOut?: true;
};

/** One athlete of the plan; `targets` has one entry for each rep of the group. `reserve`: critical speed in m/s and D′ in metres. */
export type PlannedAthlete = {
  athleteId: string;
  name: string;
  tileName: string;
  targets: PlannedTarget[];
  /** The id their timing chip transmits. */
  chip?: string;
  reserve?: { criticalMps: number; reserveM: number };
  /** How they tell effort, where that is known. */
  telling?: Telling;
  /** There is something to know of them; why is for the coach alone, and in no plan. */
  takeCare?: true;
};

/** Athletes who run the same reps. */
export type PlannedGroup = {
  id: string;
  name: string;
  lane?: number;
  /** Seconds after the first group that they start. */
  startGapS?: number;
  leaderId?: string;
  /** The session in the library that they run as a version of their own. */
  libraryId?: string;
  reps: PlannedRep[];
  athletes: PlannedAthlete[];
};

/** A session laid out for the track: frozen when it is taken there, so that later edits change nothing that was run. */
export type Plan = {
  id: string;
  sessionId: string;
  title: string;
  /** YYYY-MM-DD */
  date: string;
  shorthand: string;
  /** What it is meant to do; plans of older versions do not say. */
  intent?: Intent;
  /** How hard it is meant to feel. */
  arc?: MeantArc;
  /** Its times were typed in afterwards, from a clipboard or a watch. */
  isEntered?: true;
  /** A lap of the place, in metres. */
  lapM?: number;
  groups: PlannedGroup[];
};

/** A plan's header. */
export type PlanHeader = Omit<Plan, 'groups'>;

/** Everyone in a plan, group by group. */
export const athletesOf = ({ groups }: Plan): PlannedAthlete[] => groups.flatMap(({ athletes }) => athletes);

/** `600 @3k`, `2:00 @threshold`, `10min`: a rep in a few characters. */
export function repLabel(rep: Pick<PlannedRep, 'distanceM' | 'durationS' | 'pace'>): string {
  const amount =
    rep.distanceM !== undefined
      ? formatAmount({
          kind: 'distance',
          distanceM: rep.distanceM,
          ...(rep.distanceM % MILE_M === 0 ? { unit: 'mi' } : {}),
        })
      : formatAmount({ kind: 'duration', durationS: rep.durationS ?? 0 });
  return rep.pace === undefined ? amount : `${amount} @${rep.pace}`;
}

/** Speed of a recovery as it is written, in m/s: jogged where it says so, else standing or walking. */
export const restMps = (recovery: string | undefined, model: ReserveModel): number =>
  /jog|moving/.test(recovery ?? '') ? joggedMps(model) : 0;
