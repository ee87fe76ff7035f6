/** Which mark a timing chip's passing is a time for. */
import { expectedAt } from './tile';
import type { RepRun, RunState } from './runState';

/** The timing loop's device id in the log. */
export const LOOP_DEVICE = '00000000000000000000TRACK0';

/** Distance in metres between a mark and the loop within which it is timed by the loop. */
const NEAR_M = 0.5;
/** A chip that leaves the start line over the loop is heard within this; sooner than a third of the way to the first mark. */
const START = { withinS: 12, share: 1 / 3 };
/** A chip heard again within this was standing about, or crossed with both shoes. */
const AGAIN_S = 2;

/** What a passing was: a time for a mark, or nothing to be timed, and why. */
export type ChipPassing =
  | { kind: 'mark'; athleteId: string; repIndex: number; atM: number }
  | { kind: 'start' | 'again' | 'resting' | 'nobody' };

const isAt = (positionM: number, loopM: number, lapM: number): boolean => {
  const offM = (((positionM - loopM) % lapM) + lapM) % lapM;
  return Math.min(offM, lapM - offM) <= NEAR_M;
};

/** The marks of a rep that lie at the loop; for a rep by the clock those it is expected to reach, lap by lap. */
function marksAtLoop({ rep, target }: RepRun, loopM: number, lapM: number): number[] {
  const { startM, callM, everyM } = rep;
  if (everyM === undefined) return callM.filter((atM) => startM === undefined || isAt(startM + atM, loopM, lapM));
  const most = Math.ceil((target.expectedM ?? 20_000) / everyM) + 2;
  return Array.from({ length: most }, (_, i) => (i + 1) * everyM);
}

const expectedS = ({ rep, target }: RepRun, atM: number): number | undefined =>
  rep.durationS === undefined
    ? expectedAt(rep, target.targetS, atM)
    : target.expectedM === undefined
      ? undefined
      : (rep.durationS * atM) / target.expectedM;

/**
 * What the passing of a chip at `atMs` is a time for: of the marks at the loop the one that the athlete was to reach about then,
 * whatever has been taken by hand already. Passings may come in any order.
 * @param loopM where on the lap the loop lies, in metres past the finish line.
 */
export function chipPassing(
  state: RunState,
  athleteId: string,
  atMs: number,
  { loopM, lapM }: { loopM: number; lapM: number },
): ChipPassing {
  const athlete = state.athletes[athleteId];
  if (!athlete) return { kind: 'nobody' };
  const run = athlete.runs.findLast(({ startedAtMs }) => startedAtMs <= atMs);
  if (!run || state.endedAtMs !== undefined) return { kind: 'resting' };
  const elapsedS = (atMs - run.startedAtMs) / 1000;
  const marks = marksAtLoop(run, loopM, lapM);
  const [first] = marks;
  if (first === undefined) return { kind: 'resting' };
  const firstS = expectedS(run, first);
  if (elapsedS < Math.min(START.withinS, (firstS ?? Infinity) * START.share)) return { kind: 'start' };
  const nearest = (list: readonly number[]) =>
    list.reduce<number | undefined>((best, atM) => {
      const off = (mark: number) => Math.abs((expectedS(run, mark) ?? 0) - elapsedS);
      return best === undefined || off(atM) < off(best) ? atM : best;
    }, undefined);
  // Without a time to go by, one mark after the other.
  const atM =
    firstS === undefined ? marks.find((mark) => !run.passes.some((pass) => pass.atM === mark)) : nearest(marks);
  const isOver = run.finishedAtMs !== undefined && atMs - run.finishedAtMs > AGAIN_S * 1000;
  const taken = run.passes.find((pass) => pass.atM === atM);
  if (atM === undefined || (isOver && taken)) return { kind: 'resting' };
  if (taken && Math.abs(taken.elapsedS - elapsedS) >= AGAIN_S) return { kind: 'again' };
  return { kind: 'mark', athleteId, repIndex: run.repIndex, atM };
}

/** Seconds after a finish in which a pulse is that of the rep. */
const PULSE_WITHIN_S = 20;

/** The rep that a pulse measured at `atMs` belongs to: just finished, and without one yet. */
export function repOfPulse(state: RunState, athleteId: string, atMs: number): number | undefined {
  const run = state.athletes[athleteId]?.runs.findLast(({ finishedAtMs }) => (finishedAtMs ?? Infinity) <= atMs);
  if (run?.finishedAtMs === undefined || run.beatsPerMin !== undefined) return undefined;
  return atMs - run.finishedAtMs <= PULSE_WITHIN_S * 1000 ? run.repIndex : undefined;
}
