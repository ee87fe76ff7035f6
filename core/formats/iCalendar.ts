/** A season or sessions as a calendar file (RFC 5545). No athlete is named in it. */
import ical, { ICalCalendarMethod } from 'ical-generator';
import type { SeasonDay, SeasonPlan, SeasonWeek } from '../season/season';
import { NO_LIBRARY, sessionOfDay, type Library } from '../season/threads/threadSession';
import { daysAfter } from '../units/dayNumber';

/** A session on a day, as it goes out. */
export type CalendarSession = { id: string; title: string; date: string; shorthand: string; startTime?: string };

export type CalendarOptions = {
  /** The season's id, for UIDs that stay the same. */
  id: string;
  name: string;
  /** Grows with every change, so that a calendar takes the newer one. */
  sequence: number;
  /** When it was written. */
  atMs: number;
  /** HH:MM at which the squad trains; days without a time where left out. */
  startTime?: string;
  /** Which days to export: only those with a session, a long run or a race, or all. */
  days?: 'sessions' | 'all';
  library?: Library;
  /** Sessions that are written for days of the season. */
  sessions?: readonly CalendarSession[];
};

/** A season as it was laid out, or sessions on their days. */
export type CalendarSource =
  | { kind: 'season'; season: SeasonPlan; weeks: readonly SeasonWeek[] }
  | { kind: 'sessions'; sessions: readonly CalendarSession[] };

type Entry = {
  uid: string;
  date: string;
  startTime?: string | undefined;
  summary: string;
  description?: string | undefined;
  place?: string | undefined;
};

/** Assumed length of a session whose length is unknown. */
const MINUTES = 90;

const KIND_WORDS: Partial<Record<SeasonDay['kind'], string>> = {
  hard: 'Hard day',
  long: 'Long run',
  easy: 'Easy running',
  strides: 'Easy running with strides',
  off: 'Off',
};

const threadName = ({ threads }: SeasonPlan, { thread }: SeasonDay): string | undefined =>
  threads.find(({ id }) => id === thread?.id)?.name;

const entryOf = ({ id, date, title, shorthand, startTime }: CalendarSession, usualTime?: string): Entry => ({
  uid: `session-${id}`,
  date,
  summary: title,
  description: shorthand,
  startTime: startTime ?? usualTime,
});

function entriesOf(season: SeasonPlan, weeks: readonly SeasonWeek[], options: CalendarOptions): Entry[] {
  const { startTime, days = 'sessions', library = NO_LIBRARY, sessions = [] } = options;
  const count = new Map<string, number>();
  // Its place among days of its kind: keeps the session's UID when it moves to another day.
  const numbered = (what: string) => {
    const n = (count.get(what) ?? 0) + 1;
    count.set(what, n);
    return `${what}-${n}`;
  };
  const entries: Entry[] = [];
  const ofDays = new Set(weeks.flatMap((week) => week.days.flatMap(({ sessionId }) => sessionId ?? [])));
  /** Written for a day, and not as a session of the season. */
  const standing = sessions.filter(({ id }) => !ofDays.has(id));
  for (const { day, phase } of weeks.flatMap((week) => week.days.map((day) => ({ day, phase: week.phase })))) {
    const { date, kind, amount } = day;
    if (kind === 'free' || date < season.firstDay) continue;
    if (kind === 'race') {
      for (const race of season.races.filter((race) => race.date === date))
        entries.push({
          uid: `race-${race.id}`,
          date,
          summary: race.name,
          startTime: race.startTime,
          place: race.place,
        });
    } else if (kind === 'hard') {
      const written = sessions.find(({ id }) => id === day.sessionId);
      const laid = sessionOfDay(season, day, library);
      const session = written ?? (laid?.kind === 'session' ? laid : undefined);
      const others = standing.filter((other) => other.date === date && other !== written);
      // A day without a session of the season has those that were written for it.
      if (session || others.length === 0)
        entries.push({
          uid: numbered(day.special ?? day.thread?.id ?? 'hard'),
          date,
          summary: session?.title ?? threadName(season, day) ?? 'Hard day',
          description: session?.shorthand ?? day.note,
          startTime: written?.startTime ?? startTime,
        });
      for (const other of others) entries.push(entryOf(other, startTime));
    } else if (standing.some((other) => other.date === date)) {
      for (const other of standing) if (other.date === date) entries.push(entryOf(other, startTime));
    } else if (kind === 'long')
      entries.push({
        uid: numbered('long'),
        date,
        summary: amount ? `Long run, ${amount.amount} ${amount.unit}` : 'Long run',
        description: season.longRun?.parts?.[phase],
      });
    else if (days === 'all') entries.push({ uid: `day-${date}`, date, summary: KIND_WORDS[kind] ?? kind });
  }
  return entries;
}

/** Writes iCalendar text. Times are floating (local to the venue): half past five stays half past five when clocks change. */
export function writeICalendar(source: CalendarSource, options: CalendarOptions): string {
  const { id, name, sequence, atMs } = options;
  const calendar = ical({
    name,
    prodId: { company: 'Zest Lap', product: 'Season', language: 'EN' },
    method: ICalCalendarMethod.PUBLISH,
  });
  const entries: Entry[] =
    source.kind === 'season'
      ? entriesOf(source.season, source.weeks, options)
      : source.sessions.map((session) => ({
          uid: session.id,
          date: session.date,
          startTime: session.startTime,
          summary: session.title,
          description: session.shorthand,
        }));
  for (const { uid, date, startTime, summary, description, place } of entries) {
    // In UTC, so that the day is the same on any machine; "floating" removes the zone again.
    const start = new Date(`${date}T${startTime ?? '00:00'}:00Z`);
    calendar.createEvent({
      id: `${id}-${uid}@zest-lap`,
      sequence,
      stamp: new Date(atMs),
      start,
      end:
        startTime === undefined
          ? new Date(`${daysAfter(date, 1)}T00:00:00Z`)
          : new Date(start.getTime() + MINUTES * 60_000),
      allDay: startTime === undefined,
      floating: true,
      summary,
      ...(description === undefined ? {} : { description }),
      ...(place === undefined ? {} : { location: place }),
    });
  }
  return calendar.toString();
}
