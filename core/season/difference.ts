/** What a change does to a season, said before it is taken: two layouts compared. */
import { daysOf, type SeasonDay, type SeasonWeek } from './season';

/** One session that is not where it was: `to` is left out where it fell out, `from` where it is new. */
export type SessionMove = { threadId?: string; special?: SeasonDay['special']; from?: string; to?: string };

export type SeasonDifference = {
  moves: SessionMove[];
  moved: number;
  fellOut: number;
  added: number;
  /** Days that are for something else, hard ones or not. */
  otherDays: number;
  says: string;
};

/** Every hard session by what it is and the how many-th of its kind, with its date. */
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

const counted = (n: number, one: string, more: string) => (n === 1 ? `1 ${one}` : `${n} ${more}`);

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

/**
 * What a change does to the days: which sessions move, fall out or are new.
 * @param from only days from this one on; all where left out.
 */
export function compareSeasons(
  before: readonly SeasonWeek[],
  after: readonly SeasonWeek[],
  from = '',
): SeasonDifference {
  const [old, next] = [sessionsOf(before, from), sessionsOf(after, from)];
  const about = ({ thread, special }: SeasonDay) => ({
    ...(thread ? { threadId: thread.id } : {}),
    ...(special ? { special } : {}),
  });
  const moves: SessionMove[] = [];
  for (const [key, day] of old) {
    const now = next.get(key);
    if (!now) moves.push({ ...about(day), from: day.date });
    else if (now.date !== day.date) moves.push({ ...about(day), from: day.date, to: now.date });
  }
  for (const [key, day] of next) if (!old.has(key)) moves.push({ ...about(day), to: day.date });
  const fellOut = moves.filter(({ to }) => to === undefined).length;
  const added = moves.filter((move) => move.from === undefined).length;
  const moved = moves.length - fellOut - added;
  const kinds = new Map(daysOf(before).map(({ date, kind }) => [date, kind]));
  const otherDays = daysOf(after).filter(
    ({ date, kind }) => date >= from && kinds.has(date) && kinds.get(date) !== kind,
  ).length;
  return { moves, moved, fellOut, added, otherDays, says: differenceText(moved, fellOut, added, otherDays) };
}
