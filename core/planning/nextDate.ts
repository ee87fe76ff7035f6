import { daysAfter } from '../units/dayNumber';

/** Proposed day of the next session, YYYY-MM-DD, and the reason: `weekday` is a later week's same weekday, since the next one is past or taken. */
export type ProposedDate = {
  date: string;
  why: 'turn' | 'progression' | 'next-week' | 'weekday';
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
};

const WEEK_DAYS = 7;
/** Looks no further ahead than this. */
const MOST_WEEKS = 26;

/** Proposes the day of the next session: its thread's next turn, its progression's, else the same weekday in the first free week to come. */
export function nextDate({ ranOn, today, turn, everyDays, busy }: Source): ProposedDate {
  if (turn !== undefined) return { date: turn, why: 'turn' };
  const byProgression = everyDays === undefined ? undefined : daysAfter(ranOn, everyDays);
  if (byProgression !== undefined && byProgression > today && everyDays !== undefined)
    return { date: byProgression, why: 'progression', everyDays };
  const weeks = Array.from({ length: MOST_WEEKS }, (_, i) => daysAfter(ranOn, WEEK_DAYS * (i + 1)));
  const [first = ranOn] = weeks;
  const date = weeks.find((day) => day > today && !busy.has(day)) ?? daysAfter(today, 1);
  return { date, why: date === first ? 'next-week' : 'weekday' };
}
