/** What somebody told of effort in sessions before, and the level that shows, from the rows of what they ran. */
import type { Curve } from '../fitness/curve';
import type { Calibration, EffortPair } from '../outlook/calibration';
import type { Conditions, StopReason } from '../run/events';
import { isAllOut, type Intent } from '../session/intent';
import type { ReviewCell } from './cell';
import type { LevelRead } from './changeShown';
import { effortPairs } from './effortReading';
import { evidenceOf } from './evidence';
import { estimateFitness } from './fitness';
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
  | 'pace'
  | 'targetS'
  | 'expectedM'
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
  const { repIndex, place, role, state, distanceM, durationS, coveredM, pace, targetS, expectedM } = row;
  const { timeS, effort, restS, plannedRestS } = row;
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
      ...(pace === undefined ? {} : { pace }),
      ...(row.recovery === undefined ? {} : { recovery: row.recovery }),
      ...(row.isHill ? { hill: true as const } : {}),
    },
    ...(timeS === undefined || state !== 'run' ? {} : { actualS: timeS }),
    ...(coveredM === undefined ? {} : { coveredM }),
    ...(targetS === undefined ? {} : { targetS }),
    ...(expectedM === undefined ? {} : { expectedM }),
    ...(state === 'unfinished' ? { unfinished: true as const } : {}),
    ...(effort === undefined ? {} : { effort }),
    ...(restS === undefined ? {} : { restS }),
    ...(plannedRestS === undefined ? {} : { plannedRestS }),
    ...(row.isExcluded ? { excluded: { eventId: '', reason: '' } } : {}),
  };
}

/** A session as one athlete ran it. */
export type RanSession = {
  date: string;
  rows: readonly RanRow[];
  intent?: Intent;
  conditions?: Conditions;
  /** They stopped; why, if that is known. */
  isStopped?: true;
  stopReason?: StopReason;
};

/** Shorter reps are over before an effort can be told. */
const SHORTEST_S = 45;

/** Work of which a told effort says nothing about how somebody tells it: flat out, sprints, or hardly begun. */
const tellsNothing = ({ pace, timeS }: RanRow, intent: Intent | undefined): boolean =>
  intent === 'speed' || isAllOut(intent) || pace === 'max' || (timeS ?? SHORTEST_S) < SHORTEST_S;

/** Every effort told in one session, beside what is predicted of it by the curve of that day. */
export function toldIn({ rows, intent }: RanSession, curve: Curve): Pick<EffortPair, 'predicted' | 'reported'>[] {
  const learned = rows.map((row): RanRow => {
    if (!tellsNothing(row, intent)) return row;
    const { effort: _told, ...rest } = row;
    return rest;
  });
  return effortPairs(learned.map(cellOf), curve);
}

/**
 * The level that a session before showed against the marks of its day; undefined where it told nothing.
 * @param calibration how they told effort, as it was known by that day.
 */
export function levelIn(
  session: RanSession,
  curve: Curve,
  calibration: Calibration | undefined,
): LevelRead | undefined {
  const { date, rows, intent, conditions, isStopped, stopReason } = session;
  const row = {
    cells: rows.map(cellOf),
    ...(isStopped ? { stoppedAtMs: 0 } : {}),
    ...(stopReason ? { stopReason } : {}),
  };
  const { isTold, levelShift, priorError } = estimateFitness({
    curve,
    ...evidenceOf(row, intent),
    ...(conditions ? { conditions } : {}),
    ...(calibration ? { calibration } : {}),
  });
  return isTold ? { date, shift: levelShift, error: priorError } : undefined;
}
