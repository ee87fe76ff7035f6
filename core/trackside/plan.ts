import type { RecoveryLeg } from '../session/expand';
import { formatAmount, formatRecovery } from '../session/formatSession';
import { INTENT_FACTS, type Intent } from '../session/intent';
import type { Session } from '../session/session';
import { suggestIntent } from '../session/suggestIntent';
import type { PaceSource } from '../paces/paceSpeed';
import { curveBook } from '../paces/shippedBooks';
import { isTimedRep, targetsFor, type TargetLeg } from '../targets/targetsFor';
import { MILE_M } from '../units/distance';
import { crossedMarks, type Venue } from '../track/venue';

/** One rep that is timed at the track, the same for everyone. */
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
  /** The recovery that follows, as written, and its seconds where they are the same for everyone. */
  recovery?: string;
  /** The next rep begins where this one ends, without a break. */
  runsOn?: true;
};

/** What one athlete is to run in one rep: seconds for it (none by effort), and seconds of recovery after it. */
export type PlannedTarget = {
  targetS?: number;
  /** How near to it is on target, as a share of it; the usual 1 % if left out. */
  tolerance?: number;
  /** For a rep by the clock: the metres it should cover. */
  expectedM?: number;
  recoveryS?: number;
};

/** One athlete of the plan; `targets` has one entry for each rep. */
export type PlannedAthlete = { athleteId: string; name: string; tileName: string; targets: PlannedTarget[] };

/** A session laid out for the track: frozen when it is taken there, so that later edits change nothing that was run. */
export type Plan = {
  id: string;
  sessionId: string;
  title: string;
  /** YYYY-MM-DD */
  date: string;
  shorthand: string;
  reps: PlannedRep[];
  athletes: PlannedAthlete[];
};

/** What a plan says of itself. */
export type AboutPlan = Pick<Plan, 'id' | 'sessionId' | 'title' | 'date' | 'shorthand'>;

/** An athlete as the plan needs them: name, short name for the tile, and what their paces are worked out from. */
export type AthleteForPlan = { athleteId: string; name: string; tileName: string; paces: PaceSource };

/** Times are called at the 200s of the lap. */
const CALL_EVERY_M = 200;

/** A mark closer to the start than this is not called: the mile crosses the finish line after 9 m. */
const FIRST_CALL_M = 100;

function calledMarks(venue: Venue, startM: number, distanceM: number): number[] {
  const crossed = crossedMarks(venue, startM, distanceM, CALL_EVERY_M);
  return crossed.filter((atM) => atM >= FIRST_CALL_M || atM === distanceM);
}

function plannedRep(legs: readonly TargetLeg[], index: number, venue: Venue): PlannedRep | undefined {
  const leg = legs[index];
  if (!leg || !isTimedRep(leg)) return undefined;
  const { distanceM, durationS, pace, note, startM = 0 } = leg;
  const next = legs[index + 1];
  return {
    role: leg.role === 'finish' ? 'finish' : 'main',
    callM: distanceM === undefined ? [] : calledMarks(venue, startM, distanceM),
    ...(distanceM === undefined ? {} : { distanceM, startM }),
    ...(durationS === undefined ? {} : { durationS }),
    ...(pace === undefined ? {} : { pace }),
    ...(note === undefined ? {} : { note }),
    ...(next?.kind === 'recovery' ? { recovery: formatRecoveryLeg(next) } : {}),
    ...(next && isTimedRep(next) ? { runsOn: true as const } : {}),
  };
}

/** A recovery as it is laid out, in shorthand: `90s walk`. */
export function formatRecoveryLeg(leg: RecoveryLeg): string {
  const manner = leg.manner ? { manner: leg.manner } : {};
  if (leg.distanceM !== undefined)
    return formatRecovery({ amount: { kind: 'distance', distanceM: leg.distanceM }, ...manner });
  if (leg.shareOfRep !== undefined)
    return formatRecovery({ amount: { kind: 'share', percent: Math.round(leg.shareOfRep * 100) }, ...manner });
  const durationS = leg.durationS ?? 0;
  return formatRecovery({ amount: { kind: 'time', minS: leg.minDurationS ?? durationS, maxS: durationS }, ...manner });
}

/** A recovery range starts from its shorter end: the athlete who is ready goes. */
function plannedTarget(legs: readonly TargetLeg[], index: number): PlannedTarget {
  const leg = legs[index];
  const next = legs[index + 1];
  const recoveryS = next?.kind === 'recovery' ? (next.minDurationS ?? next.targetS) : undefined;
  return {
    ...(leg?.targetS === undefined ? {} : { targetS: leg.targetS }),
    ...(leg?.tolerance === undefined ? {} : { tolerance: leg.tolerance }),
    ...(leg?.expectedM === undefined ? {} : { expectedM: leg.expectedM }),
    ...(recoveryS === undefined ? {} : { recoveryS }),
  };
}

/**
 * Lays a session out for the track: the reps to be timed (main part and fast finish), and each athlete's targets for them.
 * Athletes without paces get no target times; they are timed all the same.
 * @param intent what the session is meant to do: it says how near to its times it is run.
 */
export function makePlan(
  about: AboutPlan,
  session: Session,
  athletes: readonly AthleteForPlan[],
  venue: Venue,
  intent: Intent = suggestIntent(session),
): Plan {
  const { toleranceTimes } = INTENT_FACTS[intent];
  const perAthlete = athletes.map(({ paces, ...who }) => ({
    ...who,
    legs: targetsFor(session, { ...paces, venue, toleranceTimes }),
  }));
  return planFromLegs(about, perAthlete, venue, targetsFor(session, { paceBook: curveBook, venue }));
}

/** An athlete with their own legs; everyone's have the same reps. */
export type AthleteWithLegs = Omit<AthleteForPlan, 'paces'> & { legs: readonly TargetLeg[] };

/** The same from legs that are worked out already. @param shared the legs where there is nobody. */
export function planFromLegs(
  about: AboutPlan,
  athletes: readonly AthleteWithLegs[],
  venue: Venue,
  shared: readonly TargetLeg[] = [],
): Plan {
  const legs = athletes[0]?.legs ?? shared;
  const timed = legs.flatMap((leg, index) => (isTimedRep(leg) ? [index] : []));
  return {
    ...about,
    reps: timed.flatMap((index) => plannedRep(legs, index, venue) ?? []),
    athletes: athletes.map(({ athleteId, name, tileName, legs: own }) => ({
      athleteId,
      name,
      tileName,
      targets: timed.map((index) => plannedTarget(own, index)),
    })),
  };
}

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
