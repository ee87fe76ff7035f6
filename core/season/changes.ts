/** Changes a coach makes in a season by hand: pure steps from one plan to the next. The rest is laid out again. */
import { dateOfDay, dayNumber } from '../units/dayNumber';
import { layOutSeason } from './layout/layOut';
import {
  daysOf,
  type AthleteException,
  type DayDone,
  type DayKind,
  type DaysOff,
  type FixedDay,
  type SeasonDay,
  type SeasonPlan,
  type SeasonRace,
  type SeasonWeek,
  type Thread,
  type ThreadDecision,
} from './season';

export type SeasonChange =
  | { kind: 'putRace'; race: SeasonRace }
  | { kind: 'removeRace'; raceId: string }
  /** Two days change places, as when one is dragged onto the other; both are pinned. */
  | { kind: 'swap'; from: string; to: string }
  | { kind: 'setDay'; date: string; day: Pick<FixedDay, 'kind' | 'threadId' | 'note'> }
  | { kind: 'pin'; date: string }
  | { kind: 'unpin'; date: string }
  /** The length of the phase at a place in the plan. */
  | { kind: 'phaseWeeks'; place: number; weeks: number }
  | { kind: 'putDaysOff'; off: DaysOff }
  | { kind: 'removeDaysOff'; id: string }
  | { kind: 'putException'; exception: AthleteException }
  | { kind: 'removeException'; id: string }
  | { kind: 'decide'; decision: ThreadDecision }
  /** A day was run, or is no longer said to have been. */
  | { kind: 'done'; date: string; done: Omit<DayDone, 'date'> | undefined }
  /** A session of its own becomes a day's; `isTurn` if it is the turn laid out there. */
  | { kind: 'adopt'; date: string; sessionId: string; isTurn?: true }
  /** A missed session: on the next free hard day, left to the thread's next turn, or dropped. */
  | { kind: 'miss'; date: string; how: 'next' | 'slide' | 'skip' }
  /** A thread that is new, or another way. */
  | { kind: 'putThread'; thread: Thread }
  /** A thread is removed, also from the cycles; days pinned to it are free for another. */
  | { kind: 'removeThread'; threadId: string }
  /** Whom it is for; everyone where nobody is named. */
  | { kind: 'groups'; groupIds: readonly string[] }
  /** Everything else that is set: name, rhythm, cycles, long run, schools. */
  | { kind: 'set'; set: Partial<Omit<SeasonPlan, 'fixed'>> };

/** Pins a day as it is. */
function fixedOf(day: SeasonDay, because: FixedDay['because']): FixedDay {
  return {
    date: day.date,
    kind: day.kind === 'race' ? 'easy' : day.kind,
    because,
    ...(day.thread ? { threadId: day.thread.id } : {}),
    ...(day.thread && because !== 'pinned' ? { step: day.thread.step } : {}),
    ...(day.special ? { special: day.special } : {}),
    ...(day.share !== undefined && because !== 'pinned' ? { share: day.share } : {}),
    ...(day.sessionId === undefined ? {} : { sessionId: day.sessionId }),
    ...(day.missed ? { missed: day.missed } : {}),
    ...(day.note === undefined || day.kind === 'long' ? {} : { note: day.note }),
  };
}

/** The plan with some days fixed anew, in order of their dates. */
export function withFixed(season: SeasonPlan, fixed: readonly FixedDay[]): SeasonPlan {
  const dates = new Set(fixed.map(({ date }) => date));
  const all = [...season.fixed.filter(({ date }) => !dates.has(date)), ...fixed];
  return { ...season, fixed: all.sort((a, b) => (a.date < b.date ? -1 : 1)) };
}

const without = <T extends { id: string }>(list: readonly T[], id: string) => list.filter((item) => item.id !== id);

/** Fixes every day before today as laid out: the past does not move when the rest is laid out again. */
export function keepPast(season: SeasonPlan, today: string): SeasonPlan {
  if (season.firstDay >= today) return season;
  const knownIds = new Set(season.fixed.map(({ date }) => date));
  const past = daysOf(layOutSeason(season)).filter(
    ({ date, kind }) => date < today && date >= season.firstDay && !knownIds.has(date) && kind !== 'race',
  );
  return past.length === 0
    ? season
    : withFixed(
        season,
        past.map((day) => fixedOf(day, 'past')),
      );
}

/** Moves a day's content to another date; what comes instead keeps its place. */
function swapped(season: SeasonPlan, from: string, to: string): SeasonPlan {
  const days = daysOf(layOutSeason(season));
  const [a, b] = [from, to].map((date) => days.find((day) => day.date === date));
  if (!a || !b || a.kind === 'race' || b.kind === 'race' || from === to) return season;
  const at = (day: SeasonDay, date: string): FixedDay => ({
    ...fixedOf({ ...day, date }, day.sessionId === undefined ? 'pinned' : 'written'),
    // The step is the thread's next one on that day.
    ...(day.sessionId === undefined || !day.thread ? {} : { step: day.thread.step }),
  });
  return withFixed(season, [at(a, to), at(b, from)]);
}

/** A missed session on the next hard day that nothing was decided about. */
function onNextHardDay(season: SeasonPlan, date: string): SeasonPlan {
  const days = daysOf(layOutSeason(season));
  const missed = days.find((day) => day.date === date);
  if (!missed) return season;
  const next = days.find((day) => day.date > date && day.kind === 'hard' && !day.because && day.special === undefined);
  const moved: FixedDay[] =
    next && missed.thread ? [{ date: next.date, kind: 'hard', because: 'pinned', threadId: missed.thread.id }] : [];
  return withFixed(season, [{ ...fixedOf(missed, 'past'), missed: 'slide' }, ...moved]);
}

function adopted(
  season: SeasonPlan,
  { date, sessionId, isTurn }: Extract<SeasonChange, { kind: 'adopt' }>,
): SeasonPlan {
  const laid = isTurn && daysOf(layOutSeason(season)).find((day) => day.date === date);
  const turn = laid && laid.kind === 'hard' ? fixedOf(laid, 'written') : {};
  return withFixed(season, [{ ...turn, date, kind: 'hard', because: 'written', sessionId }]);
}

function setDay(season: SeasonPlan, date: string, day: Pick<FixedDay, 'kind' | 'threadId' | 'note'>): SeasonPlan {
  const before = season.fixed.find((day) => day.date === date);
  const kept: Partial<FixedDay> = before?.kind === day.kind && before.sessionId !== undefined ? before : {};
  return withFixed(season, [{ ...kept, because: 'pinned', ...day, date }]);
}

function withoutThread(season: SeasonPlan, threadId: string): SeasonPlan {
  const cycles = Object.entries(season.cycles).map(([phase, weeks]) => [
    phase,
    weeks.map((week) => week.map((id) => (id === threadId ? null : id))),
  ]);
  return {
    ...season,
    threads: without(season.threads, threadId),
    cycles: Object.fromEntries(cycles) as SeasonPlan['cycles'],
    ...(season.spareIds ? { spareIds: season.spareIds.filter((id) => id !== threadId) } : {}),
    // Sessions written or over stay as they were.
    fixed: season.fixed.filter((day) => day.threadId !== threadId || day.because !== 'pinned'),
    decisions: season.decisions.filter((decision) => decision.threadId !== threadId),
  };
}

/**
 * Postpones a hard day after heavy legs: it swaps with the next day if that is easy, else becomes easy. Undefined if it cannot be moved.
 */
export function putOff(weeks: readonly SeasonWeek[], date: string): SeasonChange | undefined {
  const days = daysOf(weeks);
  const at = days.findIndex((day) => day.date === date);
  const [day, next, after] = [days[at], days[at + 1], days[at + 2]];
  if (day?.kind !== 'hard' || day.because === 'past') return undefined;
  const isFree = next && !next.because && ['easy', 'strides', 'off', 'free'].includes(next.kind);
  const isApart = after?.kind !== 'hard' && after?.kind !== 'race';
  if (isFree && isApart) return { kind: 'swap', from: date, to: next.date };
  return { kind: 'setDay', date, day: { kind: 'easy' } };
}

/**
 * The plan after a change. Nothing is checked here: what is not as it should be is said by `checkSeason()`.
 * @param today days before it stay as they were; left out, nothing is over yet.
 */
export function changeSeason(plan: SeasonPlan, change: SeasonChange, today?: string): SeasonPlan {
  const season = today === undefined ? plan : keepPast(plan, today);
  switch (change.kind) {
    case 'putRace': {
      const isKnown = season.races.some(({ id }) => id === change.race.id);
      const races = isKnown
        ? season.races.map((race) => (race.id === change.race.id ? change.race : race))
        : [...season.races, change.race];
      return { ...season, races };
    }
    case 'removeRace':
      return { ...season, races: without(season.races, change.raceId) };
    case 'swap':
      return swapped(season, change.from, change.to);
    case 'setDay':
      return setDay(season, change.date, change.day);
    case 'pin': {
      const day = daysOf(layOutSeason(season)).find(({ date }) => date === change.date);
      return day && !day.because && day.kind !== 'race' ? withFixed(season, [fixedOf(day, 'pinned')]) : season;
    }
    case 'unpin':
      return {
        ...season,
        fixed: season.fixed.filter(({ date, because }) => date !== change.date || because !== 'pinned'),
      };
    case 'phaseWeeks':
      return {
        ...season,
        phases: season.phases.map((phase, i) =>
          i === change.place
            ? {
                ...phase,
                weeks: change.weeks,
                least: Math.min(phase.least, change.weeks),
                most: Math.max(phase.most, change.weeks),
                isKept: true,
              }
            : phase,
        ),
      };
    case 'putDaysOff':
      return { ...season, daysOff: [...without(season.daysOff, change.off.id), change.off] };
    case 'removeDaysOff':
      return { ...season, daysOff: without(season.daysOff, change.id) };
    case 'putException':
      return { ...season, exceptions: [...without(season.exceptions, change.exception.id), change.exception] };
    case 'removeException':
      return { ...season, exceptions: without(season.exceptions, change.id) };
    case 'decide': {
      const { threadId, date } = change.decision;
      const others = season.decisions.filter((decision) => decision.threadId !== threadId || decision.date !== date);
      return { ...season, decisions: [...others, change.decision] };
    }
    case 'done': {
      const others = (season.done ?? []).filter(({ date }) => date !== change.date);
      const done = change.done ? [...others, { ...change.done, date: change.date }] : others;
      return { ...season, done: done.sort((a, b) => (a.date < b.date ? -1 : 1)) };
    }
    case 'adopt':
      return adopted(season, change);
    case 'putThread': {
      const { thread } = change;
      const isKnown = season.threads.some(({ id }) => id === thread.id);
      const threads = season.threads.map((candidate) => (candidate.id === thread.id ? thread : candidate));
      return { ...season, threads: isKnown ? threads : [...threads, thread] };
    }
    case 'removeThread':
      return withoutThread(season, change.threadId);
    case 'groups': {
      const { groupIds: _before, ...everyone } = season;
      return change.groupIds.length > 0 ? { ...everyone, groupIds: [...change.groupIds] } : everyone;
    }
    case 'miss': {
      if (change.how === 'next') return onNextHardDay(season, change.date);
      const day = daysOf(layOutSeason(season)).find(({ date }) => date === change.date);
      return day ? withFixed(season, [{ ...fixedOf(day, 'past'), missed: change.how }]) : season;
    }
    case 'set':
      return { ...season, ...change.set };
  }
}

/** The season with everything so many days later, or earlier: a copy for another year. */
export function shiftedBy({ done: _done, ...season }: SeasonPlan, days: number): SeasonPlan {
  const shift = (date: string) => dateOfDay(dayNumber(date) + days);
  return {
    ...season,
    firstDay: shift(season.firstDay),
    races: season.races.map(({ entries: _entries, ...race }) => ({ ...race, date: shift(race.date) })),
    daysOff: season.daysOff.map((off) => ({ ...off, from: shift(off.from), to: shift(off.to) })),
    // Who runs what is decided anew every year.
    exceptions: [],
    fixed: season.fixed.filter(({ because }) => because === 'pinned').map((day) => ({ ...day, date: shift(day.date) })),
    decisions: [],
  };
}

/** Days a coach can choose for a date by hand. */
export const CHOOSABLE_KINDS: readonly Exclude<DayKind, 'race'>[] = ['hard', 'long', 'strides', 'easy', 'off', 'free'];
