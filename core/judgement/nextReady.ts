/** Facts of a session as readiness() takes them, as plain data for a worker. */
import type { Curve } from '../fitness/curve';
import { oneMoreFits } from '../outlook/chances';
import { asMostTell } from '../outlook/calibration';
import type { LeverChange } from '../outlook/proposals';
import type { TargetLeg } from '../targets/targetsFor';
import { seeded } from '../units/seeded';
import type { AthleteFacts, SessionFacts } from './facts';
import { leverAsked, leverFor, type LeverAsked } from './lever';
import { readiness, type Readiness, type ReadinessInput, type RepDone } from './readiness';

/** The question about one athlete, as plain data for a worker. */
export type ReadyAsked = {
  athleteId: string;
  groupId: string;
  input: Omit<ReadinessInput, 'oneMore' | 'isUnlikeGroup'>;
  /** Their reps, and their curve of that day at the level the session showed, if they have one. */
  legs: TargetLeg[];
  curve?: Curve;
  lever?: LeverAsked;
  /** They were not there, or ran nothing. */
  isAbsent?: true;
};

export type ReadyAnswer = Readiness &
  Pick<ReadyAsked, 'athleteId' | 'groupId' | 'isAbsent'> & {
    /** The change their own efforts ask for. */
    advice?: LeverChange;
    /** The share of the draws in which one rep more would fit. */
    oneMore?: number;
  };

/** Enough draws for a share within a few percent; a squad waits for them. */
const DRAWS = 300;
/** One more rep fits, in this share of the draws. */
const FITS = 0.7;

/** A rep by the clock is judged by the seconds that its missing metres would have taken; what heat costs is taken off before. */
function repsDone({ ran, row, pace, telling }: AthleteFacts): RepDone[] {
  const shares = new Map(pace?.reps.map(({ place, share }) => [row?.cells[place], share]));
  return ran.cells.map((cell): RepDone => {
    const { actualS, effort, excluded, deltaS, tolerance, isBand } = cell;
    if (actualS === undefined) return {};
    if (excluded) return { timeS: actualS };
    const ownEffort = effort === undefined ? undefined : asMostTell(effort, telling);
    const targetS = deltaS === undefined ? undefined : actualS - deltaS;
    const share = shares.get(cell);
    return {
      timeS: targetS === undefined || share === undefined ? actualS : targetS * (1 + share),
      ...(targetS === undefined ? {} : { targetS }),
      ...(tolerance === undefined || isBand ? {} : { tolerance }),
      ...(ownEffort === undefined ? {} : { effort: ownEffort }),
      ...(effort === undefined || effort === ownEffort ? {} : { told: effort }),
    };
  });
}

function askedOf(facts: AthleteFacts, session: SessionFacts): ReadyAsked {
  const { athleteId, groupId, row, ran, curve, stop, care, legs: nextDay, count, end } = facts;
  const { hot } = session;
  const stamp = { athleteId, groupId };
  if (!row) return { ...stamp, input: { reps: [] }, legs: [], isAbsent: true };
  const lever = leverAsked(facts, session);
  return {
    ...stamp,
    legs: ran.legs,
    ...(curve ? { curve } : {}),
    ...(lever ? { lever } : {}),
    input: {
      reps: repsDone(facts),
      care,
      ranOn: session.plan.date,
      ...(end ? { meantLast: end.meant, aboveMeant: end.above } : {}),
      ...(nextDay ? { nextDay } : {}),
      ...(stop ? { stopped: true } : {}),
      ...(stop?.reason ? { stopReason: stop.reason } : {}),
      // A stop accounts for the missing reps.
      ...(count.missing > 0 && !stop ? { cut: count.missing } : {}),
      ...(facts.isEased ? { eased: true } : {}),
      ...(hot ? { heat: hot.isOverHard ? ('hard' as const) : ('care' as const) } : {}),
      ...(facts.shown ? { isFarQuicker: true } : {}),
    },
  };
}

/** Readiness questions for everyone of a session, in the order of its groups. @param isKnown true for athletes of the squad; others are left out. */
export const readyAsked = (facts: SessionFacts, isKnown: (athleteId: string) => boolean): ReadyAsked[] =>
  facts.athletes.filter(({ athleteId }) => isKnown(athleteId)).map((athlete) => askedOf(athlete, facts));

const RAN_NOTHING = ['Ran nothing of it.'];

/** The answers for a session; the same each time they are asked for. */
export function readReady(asks: readonly ReadyAsked[]): ReadyAnswer[] {
  const oneMores = asks.map(({ curve, legs, isAbsent }) =>
    curve && !isAbsent ? oneMoreFits(curve, legs, seeded(7), DRAWS) : undefined,
  );
  const known = oneMores.filter((share) => share !== undefined);
  const mostFit = known.filter((share) => share >= FITS).length * 2 > known.length;
  return asks.map((asked, i): ReadyAnswer => {
    const { athleteId, groupId, isAbsent, input, lever } = asked;
    const advice = lever && leverFor(lever);
    if (isAbsent) return { athleteId, groupId, isAbsent, verdict: 'repeat', reasons: RAN_NOTHING };
    const oneMore = oneMores[i];
    return {
      athleteId,
      groupId,
      ...readiness({ ...input, ...(oneMore === undefined ? {} : { oneMore, isUnlikeGroup: mostFit }) }),
      ...(advice ? { advice } : {}),
      ...(oneMore === undefined ? {} : { oneMore }),
    };
  });
}
