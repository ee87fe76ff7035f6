/** What stands on each day of a week: from every season that is shown, and from the sessions that were written for themselves. */
import { counted } from '@core/units/counted';
import { exceptionOn, EXCEPTION_WORDS } from '@core/season/exceptions';
import { isToRun } from '@core/season/load';
import { weekStartOf } from '@core/season/phases';
import type { DayDone, DayKind, SeasonDay, SeasonPlan, SeasonRace } from '@core/season/season';
import { sessionOfDay, type Library } from '@core/season/threads/threadSession';
import { amountText, DAY_WORDS, mainLine } from '@core/season/weekText';
import type { SquadMember } from '@core/squad/athlete';
import { dateOfDay, dayNumber } from '@core/units/dayNumber';
import type { LaidSeason } from '../data/useSeasons';
import type { ListedRun, ScheduledSession } from '@core/api/answers';

/** One thing on a day, for some groups or all. */
export type DayEntry = {
  key: string;
  kind: DayKind;
  /** Which seasons it is of; none where it is a session of its own. */
  seasonIds: string[];
  title: string;
  /** In a line: the main part, or how far. */
  detail?: string;
  /** As written, of a hard day. */
  shorthand?: string;
  session?: ScheduledSession;
  run?: ListedRun;
  races?: SeasonRace[];
  day?: SeasonDay;
  /** It was ticked as run. */
  done?: DayDone;
  /** Its session is no longer there. */
  trouble?: string;
};

export type AwayOn = { athlete: SquadMember; reason: string };
export type DayView = { date: string; entries: DayEntry[]; away: AwayOn[] };

type Source = {
  seasons: readonly LaidSeason[];
  sessions: readonly ScheduledSession[];
  runs: readonly ListedRun[];
  athletes: readonly SquadMember[];
  library: Library;
  isLibraryHere?: boolean;
};

/** The first day of the week a day is in. */
export const weekOf = (date: string, season: Pick<SeasonPlan, 'weekStart'> = {}): string =>
  dateOfDay(weekStartOf(dayNumber(date), season));

/** Of a session the run that was begun, rather than one that never was. */
export function runFor(runs: readonly ListedRun[], sessionId: string): ListedRun | undefined {
  const ownRuns = runs.filter((run) => run.sessionId === sessionId && !run.isSetAside);
  return ownRuns.find(({ summary }) => summary?.startedAtMs !== undefined);
}

function ofSeason({ id, season }: LaidSeason, day: SeasonDay, source: Source): DayEntry {
  const { sessions, runs, library, isLibraryHere = true } = source;
  const { kind, date, amount, note } = day;
  const done = season.done?.find((done) => done.date === date);
  const common = { kind, seasonIds: [id], day, ...(done ? { done } : {}) };
  if (kind === 'race') {
    const races = season.races.filter((race) => race.date === date);
    const title = races.map(({ name }) => name).join(', ');
    const places = [...new Set(races.flatMap(({ place }) => place ?? []))].join(', ');
    return { ...common, key: `race ${title}`, title, races, ...(places ? { detail: places } : {}) };
  }
  if (kind !== 'hard') {
    const detail = [
      ...(done ? [`run, ${amountText(done.amount)}`] : amount ? [amountText(amount)] : []),
      ...(note === undefined ? [] : [note]),
    ].join(', ');
    const title = DAY_WORDS[kind];
    return { ...common, key: `${title} ${detail}`, title, ...(detail ? { detail } : {}) };
  }
  const session = sessions.find((session) => session.id === day.sessionId);
  if (session) {
    const run = runFor(runs, session.id);
    const { title, shorthand } = session;
    return {
      ...common,
      key: session.id,
      title,
      shorthand,
      detail: mainLine(shorthand),
      session,
      ...(run ? { run } : {}),
    };
  }
  const laid = sessionOfDay(season, day, library);
  if (laid?.kind !== 'session') {
    const trouble = laid && isLibraryHere ? { trouble: laid.text } : {};
    const thread = season.threads.find((thread) => thread.id === day.thread?.id);
    return {
      ...common,
      key: `hard ${id}`,
      title: thread?.name ?? DAY_WORDS.hard,
      ...(note === undefined ? {} : { detail: note }),
      ...trouble,
    };
  }
  const { title, shorthand } = laid;
  return { ...common, key: `${title} ${shorthand}`, title, shorthand, detail: mainLine(shorthand) };
}

function ofItself(session: ScheduledSession, runs: readonly ListedRun[]): DayEntry {
  const run = runFor(runs, session.id);
  const { id, title, shorthand } = session;
  return {
    key: id,
    kind: 'hard',
    seasonIds: [],
    title,
    shorthand,
    detail: mainLine(shorthand),
    session,
    ...(run ? { run } : {}),
  };
}

/** What is on a day, the hard things first; the same for several groups is one entry. */
export function dayView(date: string, source: Source): DayView {
  const { seasons, sessions, runs, athletes } = source;
  const entries = new Map<string, DayEntry>();
  for (const laid of seasons) {
    const day = laid.weeks.flatMap((week) => (date >= week.from ? week.days : [])).find((day) => day.date === date);
    if (!day || date < laid.season.firstDay) continue;
    const entry = ofSeason(laid, day, source);
    const same = entries.get(entry.key);
    if (same) same.seasonIds.push(laid.id);
    else entries.set(entry.key, entry);
  }
  for (const session of sessions)
    if (session.date === date && !entries.has(session.id)) entries.set(session.id, ofItself(session, runs));
  const isDemanding = ({ kind }: DayEntry) => (kind === 'race' ? 0 : kind === 'hard' ? 1 : kind === 'long' ? 2 : 3);
  const exceptions = seasons.flatMap(({ season }) => season.exceptions);
  const away = athletes.flatMap((athlete): AwayOn[] => {
    const found = exceptionOn(exceptions, athlete.id, date);
    if (!found) return [];
    return [{ athlete, reason: found.isEasing ? 'easing back' : EXCEPTION_WORDS[found.exception.kind] }];
  });
  return { date, entries: [...entries.values()].sort((a, b) => isDemanding(a) - isDemanding(b)), away };
}

/** Easy days and long runs up to today are ticked by hand: nobody times them. */
export const canTick = ({ day, run }: DayEntry, date: string, today: string): boolean =>
  day !== undefined && !run && date <= today && isToRun(day) && day.kind !== 'hard';

/** How a session went, in a few words: `12 ran · 96 of 104 reps`. */
export function wentText({ summary }: ListedRun): string {
  if (!summary) return 'run';
  const { athletes, finished, planned } = summary;
  return `${athletes} ran · ${finished} of ${counted(planned, 'rep')}`;
}
