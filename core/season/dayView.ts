/** What stands on a day: from every season that is shown, and from the sessions that were written for themselves. */
import type { SquadMember } from '../squad/athlete';
import { exceptionOn, EXCEPTION_WORDS } from './exceptions';
import type { DayDone, DayKind, SeasonDay, SeasonPlan, SeasonRace, SeasonWeek } from './season';
import { sessionOfDay, type Library } from './threads/threadSession';
import { amountText, DAY_WORDS, mainLine } from './weekText';

/** A written session, as far as a day shows it. */
export type SessionOnDay = { id: string; title: string; date: string; shorthand: string };
/** What was taken to the track, as far as a day shows it. */
export type RunOnDay = { sessionId?: string; isSetAside?: boolean; summary?: { startedAtMs?: number } };

/** One thing on a day, for some groups or all. */
export type DayEntry<Session extends SessionOnDay, Run extends RunOnDay> = {
  key: string;
  kind: DayKind;
  /** Which seasons it is of; none where it is a session of its own. */
  seasonIds: string[];
  title: string;
  /** In a line: the main part, or how far. */
  detail?: string;
  /** As written, of a hard day. */
  shorthand?: string;
  session?: Session;
  run?: Run;
  races?: SeasonRace[];
  day?: SeasonDay;
  /** It was ticked as run. */
  done?: DayDone;
  /** Its session is no longer there. */
  trouble?: string;
};

export type AwayOn = { athlete: SquadMember; reason: string };
export type DayView<Session extends SessionOnDay, Run extends RunOnDay> = {
  date: string;
  entries: DayEntry<Session, Run>[];
  away: AwayOn[];
};

type LaidSeason = { id: string; season: SeasonPlan; weeks: readonly SeasonWeek[] };
type Source<Session, Run> = {
  seasons: readonly LaidSeason[];
  sessions: readonly Session[];
  runs: readonly Run[];
  athletes: readonly SquadMember[];
  library: Library;
  isLibraryHere?: boolean;
};

/** Of a session the run that was begun, rather than one that never was. */
export function runFor<Run extends RunOnDay>(runs: readonly Run[], sessionId: string): Run | undefined {
  const ownRuns = runs.filter((run) => run.sessionId === sessionId && !run.isSetAside);
  return ownRuns.find(({ summary }) => summary?.startedAtMs !== undefined);
}

function ofSeason<Session extends SessionOnDay, Run extends RunOnDay>(
  { id, season }: LaidSeason,
  day: SeasonDay,
  source: Source<Session, Run>,
): DayEntry<Session, Run> {
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
  // Why it is shorter than its thread has it.
  const detail = [mainLine(shorthand), ...(day.share === undefined || note === undefined ? [] : [note])].join(' · ');
  return { ...common, key: `${title} ${shorthand}`, title, shorthand, detail };
}

function ofItself<Session extends SessionOnDay, Run extends RunOnDay>(
  session: Session,
  runs: readonly Run[],
): DayEntry<Session, Run> {
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
export function dayView<Session extends SessionOnDay, Run extends RunOnDay>(
  date: string,
  source: Source<Session, Run>,
): DayView<Session, Run> {
  const { seasons, sessions, runs, athletes } = source;
  const entries = new Map<string, DayEntry<Session, Run>>();
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
  const isDemanding = ({ kind }: Pick<DayEntry<Session, Run>, 'kind'>) =>
    kind === 'race' ? 0 : kind === 'hard' ? 1 : kind === 'long' ? 2 : 3;
  const exceptions = seasons.flatMap(({ season }) => season.exceptions);
  const away = athletes.flatMap((athlete): AwayOn[] => {
    const found = exceptionOn(exceptions, athlete.id, date);
    if (!found) return [];
    return [{ athlete, reason: found.isEasing ? 'easing back' : EXCEPTION_WORDS[found.exception.kind] }];
  });
  return { date, entries: [...entries.values()].sort((a, b) => isDemanding(a) - isDemanding(b)), away };
}
