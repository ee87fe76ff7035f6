/** A session as it was hoped for beside the one that was run, on average over those who ran it. */
import { meanOfKnown } from '../units/mean';
import type { Review } from './review';

/** One side of it; metres and seconds for each athlete. */
export type SideOfSession = {
  reps: number;
  distanceM?: number;
  /** Of a rep, or of 400 m if distances differ: see Review. */
  repS?: number;
  restS?: number;
  lastEffort?: number;
};

export type HopedAndRun = { hoped: SideOfSession; run: SideOfSession; athletes: number; meanOver: Review['meanOver'] };

const known = (part: { [K in keyof SideOfSession]: SideOfSession[K] | undefined }): SideOfSession =>
  Object.fromEntries(Object.entries(part).filter(([, value]) => value !== undefined)) as SideOfSession;

/** Returns undefined if nobody ran anything. @param meantLast the effort meant for the last rep. */
export function hopedAndRun(
  { rows, columns, meanOver }: Review,
  meantLast: number | undefined,
): HopedAndRun | undefined {
  const ran = rows.filter(({ cells }) => cells.some(({ actualS }) => actualS !== undefined));
  if (ran.length === 0) return undefined;
  const mean = (of: (row: Review['rows'][number]) => number | undefined) => meanOfKnown(ran.map(of));
  const scale = (distanceM: number | undefined) =>
    meanOver === 'rep' || distanceM === undefined ? 1 : 400 / distanceM;
  const metres = (row: Review['rows'][number], isRun: boolean) =>
    row.cells.reduce((total, cell, at) => {
      const rep = isRun ? cell.rep : columns[at]?.rep;
      const counts = isRun ? cell.actualS !== undefined : !cell.leftOut;
      return total + (counts ? (rep?.distanceM ?? (isRun ? (cell.coveredM ?? 0) : (cell.expectedM ?? 0))) : 0);
    }, 0);
  return {
    athletes: ran.length,
    meanOver,
    hoped: known({
      reps: mean(({ cells }) => cells.filter(({ leftOut, isAdded }) => !leftOut && !isAdded).length) ?? 0,
      distanceM: mean((row) => metres(row, false) || undefined),
      repS: mean(({ cells }) =>
        meanOfKnown(
          cells.map(({ targetS }, at) => {
            const distanceM = columns[at]?.rep.distanceM;
            return targetS === undefined ? undefined : targetS * scale(distanceM);
          }),
        ),
      ),
      restS: mean(({ rest }) => rest?.plannedS),
      lastEffort: meantLast,
    }),
    run: known({
      reps: mean(({ cells }) => cells.filter(({ actualS }) => actualS !== undefined).length) ?? 0,
      distanceM: mean((row) => metres(row, true) || undefined),
      repS: mean(({ meanS }) => meanS),
      restS: mean(({ rest }) => rest?.takenS),
      lastEffort: mean(({ lastEffort }) => lastEffort),
    }),
  };
}
