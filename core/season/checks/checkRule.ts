/** What a check of a season is, and what rules look at. */
import type { SquadMember } from '../../squad/athlete';
import type { SeasonChange } from '../changes';
import type { SeasonDay, SeasonPlan, SeasonWeek, Thread } from '../season';

export type SeasonCheck = {
  code: string;
  date: string;
  text: string;
  mend?: { text: string; change: SeasonChange };
};

/** Optional context. */
export type CheckContext = {
  /** Who the season is for. */
  athletes?: readonly SquadMember[];
  /** Ids of threads whose library session or progression is gone. */
  goneThreadIds?: readonly string[];
  /** Who is ticked for a session on a day and who is left out, if decided. */
  planned?: readonly { date: string; athleteIds: readonly string[]; notIds?: readonly string[] }[];
  /** Other seasons, each with its last day. */
  others?: readonly { season: SeasonPlan; lastDay: string }[];
  /** An athlete's easy running, minutes a kilometre, if known. */
  easyMinPerKm?: (athlete: SquadMember) => number | undefined;
  /** Days before it are over; left out, nothing is. */
  today?: string;
  /** Days whose session was run. */
  runDates?: ReadonlySet<string>;
  /** Sessions on a day that are in no season. */
  ownSessions?: readonly { id: string; date: string; title: string; isHard: boolean }[];
  /** Months (1 to 12) that are hot where the club is. */
  heatMonths?: readonly number[];
};

export type CheckSource = {
  season: SeasonPlan;
  weeks: readonly SeasonWeek[];
  days: readonly SeasonDay[];
  /** The place of a day in `days`. */
  placeOf: (date: string) => number;
  threads: ReadonlyMap<string, Thread>;
  context: CheckContext;
};

export type CheckRule = (source: CheckSource) => SeasonCheck[];

/** Whether a day is still to come, and its session not run. */
export const isAhead = ({ date }: Pick<SeasonDay, 'date'>, { today = '', runDates }: CheckContext): boolean =>
  date >= today && !runDates?.has(date);

export const isSettled = ({ because }: SeasonDay) => because === 'written' || because === 'past';

export const makeEasy = (date: string, text = 'Make it an easy day'): SeasonCheck['mend'] => ({
  text,
  change: { kind: 'setDay', date, day: { kind: 'easy' } },
});

/** Of two days the one that may be changed, preferring the later. */
export function mendOneOf(first: SeasonDay, second: SeasonDay): Pick<SeasonCheck, 'mend'> {
  const day = [second, first].find((day) => day.kind === 'hard' && !isSettled(day));
  const mend = day && makeEasy(day.date, day === second ? 'Make the second one easy' : 'Make the first one easy');
  return mend ? { mend } : {};
}
