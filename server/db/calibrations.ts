/** Each athlete's way of reporting effort, from the sessions of some months before a day; and whether theirs has crept up. */
import { ageDaysOn } from '@core/fitness/weighing';
import {
  calibrate,
  calibrated,
  calibrationFor,
  LEARNED_AFTER_DAYS,
  UNCALIBRATED,
  type Calibration,
  type EffortPair,
} from '@core/outlook/calibration';
import type { AboveExpected } from '@core/judgement/creeping';
import { daysAfter } from '@core/units/dayNumber';
import { meanOfKnown } from '@core/units/mean';
import type { Db } from './open';
import { toldBefore, type ToldSession } from './toldSessions';

/** An athlete's way of reporting effort on a day, from sessions old enough to learn it from. */
export function calibrationOf(sessions: readonly ToldSession[], day: string): Calibration | undefined {
  const pairs = sessions.flatMap(({ sessionId, session: { date, intent }, told }): EffortPair[] => {
    const ageDays = ageDaysOn(date, day);
    const of = { ageDays, sessionId, ...(intent ? { kind: intent } : {}) };
    return ageDays > LEARNED_AFTER_DAYS ? told.map((pair) => ({ ...pair, ...of })) : [];
  });
  return pairs.length > 0 ? calibrate(pairs) : undefined;
}

/** Everyone's calibration from sessions some weeks before a day (YYYY-MM-DD), by athlete; those without reports are left out. */
export async function calibrationsBefore(db: Db, before: string): Promise<Record<string, Calibration>> {
  const found: Record<string, Calibration> = {};
  for (const { athlete, sessions } of await toldBefore(db, before)) {
    const calibration = calibrationOf(sessions, before);
    if (calibration) found[athlete.id] = calibration;
  }
  return found;
}

/** Reported less expected effort of each athlete in each session up to a day, that day included. */
export async function aboveExpectedUpTo(db: Db, day: string): Promise<Map<string, AboveExpected[]>> {
  const found = new Map<string, AboveExpected[]>();
  for (const { athlete, sessions } of await toldBefore(db, daysAfter(day, 1))) {
    const telling = calibrationOf(sessions, day) ?? UNCALIBRATED;
    found.set(
      athlete.id,
      sessions.flatMap(({ session: { date, intent }, told }) => {
        const theirs = calibrationFor(telling, intent);
        const above = meanOfKnown(told.map(({ predicted, reported }) => reported - calibrated(predicted, theirs)));
        return above === undefined ? [] : [{ date, above }];
      }),
    );
  }
  return found;
}
