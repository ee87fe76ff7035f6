import { daysAfter } from '../units/dayNumber';

/**
 * Proposed day of the next session, YYYY-MM-DD, and the reason. Where the same weekday next week is past or taken it is the next hard day
 * that a season leaves free, else a later week's same weekday.
 */
export type ProposedDate = {
  date: string;
  why: 'turn' | 'progression' | 'next-week' | 'free' | 'weekday';
  everyDays?: number;
};

type Source = {
  /** The day of the session that was run, and today. */
  ranOn: string;
  today: string;
  /** The next turn of its thread in the season. */
  turn: string | undefined;
  /** Days between the steps of its progression. */
  everyDays: number | undefined;
  /** Days that have another session. */
  busy: ReadonlySet<string>;
  /** A season's hard days with no session yet; asked for only when they matter. */
  hardDays?: () => readonly string[];
};

const WEEK_DAYS = 7;
/** Looks no further ahead than this. */
const MOST_WEEKS = 26;

/** Proposes the day of the next session: see ProposedDate for the order. */
export function nextDate({ ranOn, today, turn, everyDays, busy, hardDays }: Source): ProposedDate {
  if (turn !== undefined) return { date: turn, why: 'turn' };
  const byProgression = everyDays === undefined ? undefined : daysAfter(ranOn, everyDays);
  if (byProgression !== undefined && byProgression > today && everyDays !== undefined)
    return { date: byProgression, why: 'progression', everyDays };
  const weeks = Array.from({ length: MOST_WEEKS }, (_, i) => daysAfter(ranOn, WEEK_DAYS * (i + 1)));
  const [first = ranOn] = weeks;
  const isFree = (day: string) => day > today && !busy.has(day);
  if (isFree(first)) return { date: first, why: 'next-week' };
  const free = hardDays?.().find(isFree);
  if (free !== undefined) return { date: free, why: 'free' };
  return { date: weeks.find(isFree) ?? daysAfter(today, 1), why: 'weekday' };
}
