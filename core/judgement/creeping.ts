/** Effort that creeps up: the same work feels harder from week to week, which is tiredness, illness or heat and no character. */
import { mean } from '../units/mean';
import { daysAfter, daysBetween } from '../units/dayNumber';
import type { Creep } from './care';

/** One session: mean over its reps of the reported effort less the effort they would usually report for that work. */
export type AboveExpected = { date: string; above: number };

/** This many sessions are compared with those before them, all within so many weeks and over at least so many. */
const LATELY = 3;
const BEFORE = { least: 4, most: 8 };
const WEEKS = { most: 12, least: 3 };
/** Standard deviation of one session's mean, and the standard errors worth reporting: this project's own. */
const SD = 0.75;
const LIMIT_SES = 2;

/**
 * Points by which the same work has felt harder in the last three sessions than in the four to eight before, to half a point; undefined
 * where that is within chance, or too little is known.
 * @param sessions in any order; those after `day` (YYYY-MM-DD) do not count.
 */
export function creepingEffort(sessions: readonly AboveExpected[], day: string): Creep | undefined {
  const from = daysAfter(day, -7 * WEEKS.most);
  const known = sessions
    .filter(({ date, above }) => date <= day && date >= from && Number.isFinite(above))
    .sort((a, b) => a.date.localeCompare(b.date))
    .slice(-(LATELY + BEFORE.most));
  const [lately, before] = [known.slice(-LATELY), known.slice(0, -LATELY)];
  const [first, last] = [known[0], known.at(-1)];
  if (!first || !last || before.length < BEFORE.least) return undefined;
  if (daysBetween(first.date, last.date) < 7 * WEEKS.least) return undefined;
  const by = mean(lately.map(({ above }) => above)) - mean(before.map(({ above }) => above));
  const error = SD * Math.sqrt(1 / LATELY + 1 / before.length);
  return by > LIMIT_SES * error ? { by: Math.round(by * 2) / 2, date: lately[0]?.date ?? last.date } : undefined;
}
