/** What somebody told of effort in sessions before, from the rows of what they ran. */
import type { Curve } from '../fitness/curve';
import type { EffortPair } from '../outlook/calibration';
import type { ReviewCell } from './cell';
import { effortPairs } from './effortReading';
import type { RepResult } from './results';

/** A row of one athlete's rep, as far as it says what the rep cost. */
export type RanRow = Pick<
  RepResult,
  | 'repIndex'
  | 'place'
  | 'role'
  | 'state'
  | 'distanceM'
  | 'durationS'
  | 'coveredM'
  | 'timeS'
  | 'effort'
  | 'restS'
  | 'plannedRestS'
  | 'recovery'
  | 'isHill'
  | 'isExcluded'
>;

/** The row as the review reads it; its place among the others stands for when it was run. */
function cellOf(row: RanRow): ReviewCell {
  const { repIndex, place, role, state, distanceM, durationS, coveredM, timeS, effort, restS, plannedRestS } = row;
  return {
    repIndex,
    passes: [],
    flags: [],
    notes: [],
    startedAtMs: place,
    rep: {
      role,
      callM: [],
      ...(distanceM === undefined ? {} : { distanceM }),
      ...(durationS === undefined ? {} : { durationS }),
      ...(row.recovery === undefined ? {} : { recovery: row.recovery }),
      ...(row.isHill ? { hill: true as const } : {}),
    },
    ...(timeS === undefined || state !== 'run' ? {} : { actualS: timeS }),
    ...(coveredM === undefined ? {} : { coveredM }),
    ...(effort === undefined ? {} : { effort }),
    ...(restS === undefined ? {} : { restS }),
    ...(plannedRestS === undefined ? {} : { plannedRestS }),
    ...(row.isExcluded ? { excluded: { eventId: '', reason: '' } } : {}),
  };
}

/** Every effort told in one session, beside what is predicted of it by the curve of that day. */
export const toldIn = (rows: readonly RanRow[], curve: Curve): Pick<EffortPair, 'predicted' | 'reported'>[] =>
  effortPairs(rows.map(cellOf), curve);
