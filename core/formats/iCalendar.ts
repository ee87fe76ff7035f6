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

function entriesOf(season: SeasonPlan, weeks: readonly SeasonWeek[], options: CalendarOptions): Entry[] {
  const { startTime, days = 'sessions', library = NO_LIBRARY } = options;
  const count = new Map<string, number>();
  // Its place among days of its kind: keeps the session's UID when it moves to another day.
  const numbered = (what: string) => {
    const n = (count.get(what) ?? 0) + 1;
    count.set(what, n);
    return `${what}-${n}`;
  };
  const entries: Entry[] = [];
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
      const session = sessionOfDay(season, day, library);
      const isSession = session?.kind === 'session';
      entries.push({
        uid: numbered(day.special ?? day.thread?.id ?? 'hard'),
        date,
        summary: isSession ? session.title : 'Hard day',
        description: isSession ? session.shorthand : undefined,
        startTime,
      });
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
