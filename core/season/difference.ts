/** What a change does to a season, shown before it is made: two layouts compared. */
import { counted } from '../units/counted';
import { daysOf, type SeasonDay, type SeasonWeek } from './season';

/** A session that moved: `to` is missing if it fell out, `from` if it is new. */
export type SessionMove = { threadId?: string; special?: SeasonDay['special']; from?: string; to?: string };

export type SeasonDifference = {
  moves: SessionMove[];
  moved: number;
  fellOut: number;
  added: number;
  /** Days whose purpose changed, hard or not. */
  otherDays: number;
  text: string;
};

/** Every hard session by its key and its number among those, with its date. */
function sessionsOf(weeks: readonly SeasonWeek[], from: string): Map<string, SeasonDay> {
  const count = new Map<string, number>();
  const found = new Map<string, SeasonDay>();
  for (const day of daysOf(weeks)) {
    if (day.kind !== 'hard' || day.missed) continue;
    const what = day.special ?? day.thread?.id ?? 'hard';
    const n = (count.get(what) ?? 0) + 1;
    count.set(what, n);
    if (day.date >= from) found.set(`${what} ${n}`, day);
  }
  return found;
}

function differenceText(moved: number, fellOut: number, added: number, otherDays: number): string {
  const parts = [
    ...(moved > 0 ? [counted(moved, 'session moves', 'sessions move')] : []),
    ...(fellOut > 0 ? [counted(fellOut, 'falls out', 'fall out')] : []),
    ...(added > 0 ? [counted(added, 'is new', 'are new')] : []),
  ];
  if (parts.length > 0)
    return `${parts.join(', ').replace(/^(\d+) (falls?|is|are)/, (_, n: string, verb: string) => `${n} ${n === '1' ? 'session' : 'sessions'} ${verb}`)}.`;
  return otherDays > 0 ? `${counted(otherDays, 'day changes', 'days change')}, no session moves.` : 'Nothing moves.';
}

/** The difference between two layouts: sessions that move, fall out or are new. @param from compare only days from here on. */
export function compareSeasons(
  before: readonly SeasonWeek[],
  after: readonly SeasonWeek[],
  from = '',
): SeasonDifference {
  const [old, next] = [sessionsOf(before, from), sessionsOf(after, from)];
  const workOf = ({ thread, special }: SeasonDay) => ({
    ...(thread ? { threadId: thread.id } : {}),
    ...(special ? { special } : {}),
  });
  const moves: SessionMove[] = [];
  for (const [key, day] of old) {
    const now = next.get(key);
    if (!now) moves.push({ ...workOf(day), from: day.date });
    else if (now.date !== day.date) moves.push({ ...workOf(day), from: day.date, to: now.date });
  }
  for (const [key, day] of next) if (!old.has(key)) moves.push({ ...workOf(day), to: day.date });
  const fellOut = moves.filter(({ to }) => to === undefined).length;
  const added = moves.filter((move) => move.from === undefined).length;
  const moved = moves.length - fellOut - added;
  const kinds = new Map(daysOf(before).map(({ date, kind }) => [date, kind]));
  const otherDays = daysOf(after).filter(
    ({ date, kind }) => date >= from && kinds.has(date) && kinds.get(date) !== kind,
  ).length;
  return { moves, moved, fellOut, added, otherDays, text: differenceText(moved, fellOut, added, otherDays) };
}
