/** One athlete's row of a session, as the estimate of fitness takes it. */
import type { Intent } from '../session/intent';
import type { TargetLeg } from '../targets/targetsFor';
import { asRun, isUphill } from './asRun';
import type { ReviewCell } from './cell';
import type { FitnessInput } from './fitness';
import type { RepRan } from './ranLegs';
import type { ReviewRow } from './review';

/** The leg of a rep with the target it had; one that is left out of the reading cost what it cost, and says nothing. */
function asPlanned(leg: TargetLeg, { rep, targetS, excluded }: ReviewCell): TargetLeg {
  const { targetS: ranS, ...rest } = leg;
  if (leg.kind !== 'rep' || excluded) return leg;
  const judgedS = rep?.distanceM === undefined ? ranS : targetS;
  return {
    ...rest,
    ...(judgedS === undefined ? {} : { targetS: judgedS }),
    ...(rep?.pace === undefined ? {} : { pace: rep.pace }),
    ...(rep?.open ? { open: true as const } : {}),
    ...(rep && isUphill(rep) ? { hill: true as const } : {}),
  };
}

/**
 * Legs and reps of what an athlete ran, rests as taken. Reps of a test that have no other pace were run flat out.
 * @param intent what the session was meant to do.
 */
export function evidenceOf(
  { cells, stoppedAtMs, stopReason }: Pick<ReviewRow, 'cells' | 'stoppedAtMs' | 'stopReason'>,
  intent: Intent | undefined,
): Pick<FitnessInput, 'legs' | 'runs' | 'kind'> {
  const { legs, cells: ran } = asRun(cells);
  const last = ran.at(-1);
  const isStopped = stoppedAtMs !== undefined && last !== undefined;
  const isSpent = stopReason === 'spent';
  let at = -1;
  const planned = legs.map((leg) => {
    if (leg.kind === 'rep') at++;
    const cell = ran[at];
    return cell ? asPlanned(leg, cell) : leg;
  });
  const runs = ran.map((cell, repIndex): RepRan => {
    const { rep, actualS, coveredM, effort, excluded } = cell;
    const isFlatOut = !excluded && (rep?.pace === 'max' || (intent === 'test' && rep?.pace === undefined));
    return {
      repIndex,
      ...(actualS === undefined ? {} : { timeS: actualS }),
      ...(coveredM === undefined ? {} : { distanceM: coveredM }),
      ...(effort === undefined || excluded ? {} : { effort }),
      ...(isStopped && cell === last ? { stopped: true, ...(isSpent ? { spent: true } : {}) } : {}),
      ...(isFlatOut ? { flatOut: 'trial' as const } : {}),
    };
  });
  return { legs: planned, runs, ...(intent ? { kind: intent } : {}) };
}
