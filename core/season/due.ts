/** What a coach still has to do, beside running the sessions. */
import { isUsable } from '../fitness/weighing';
import type { SquadMember } from '../squad/athlete';
import { daysBetween } from '../units/dayNumber';
import { daysOf, type SeasonPlan, type SeasonRace, type SeasonWeek, type Thread } from './season';

/** A mark older than this says little about today. */
export const STALE_DAYS = 56;

/** Those in training whose last mark is older than eight weeks, or who have none. */
export const withStaleMarks = (athletes: readonly SquadMember[], today: string): SquadMember[] =>
  athletes.filter(
    ({ status, marks }) =>
      (status === 'training' || status === 'easing') &&
      !marks.some((mark) => isUsable(mark) && daysBetween(mark.date, today) <= STALE_DAYS),
  );

/** Weeks after a race in which its results are asked for. */
const ASKED_DAYS = 21;

/** Entries of a race that have no mark of that day and distance yet. */
export const withoutResult = ({ date, entries = [] }: SeasonRace, athletes: readonly SquadMember[]) =>
  entries.filter(({ athleteId, distanceM }) => {
    const marks = athletes.find(({ id }) => id === athleteId)?.marks ?? [];
    return !marks.some(
      (mark) => mark.date === date && mark.kind === 'race' && Math.abs(mark.distanceM - distanceM) < 1,
    );
  });

/** Races that are over and whose results were not all entered. */
export const racesToEnter = (season: SeasonPlan, athletes: readonly SquadMember[], today: string): SeasonRace[] =>
  season.races.filter((race) => {
    const ago = daysBetween(race.date, today);
    return ago >= 0 && ago <= ASKED_DAYS && withoutResult(race, athletes).length > 0;
  });

/** A thread whose next turn is near, without the coach's word on the last one. */
export type ThreadToDecide = { thread: Thread; ran: { date: string; sessionId: string }; next: string };

/** Days before its next turn in which a thread asks for a decision. */
const DECIDED_DAYS = 7;

/**
 * Threads whose last turn was run and whose next is near, without a decision to go on, wait or step back.
 * @param ranIds ids of sessions that were run.
 */
export function threadsToDecide(
  season: SeasonPlan,
  weeks: readonly SeasonWeek[],
  ranIds: { has: (sessionId: string) => boolean },
  today: string,
): ThreadToDecide[] {
  const days = daysOf(weeks).filter(({ kind }) => kind === 'hard');
  return season.threads.flatMap((thread): ThreadToDecide[] => {
    const turns = days.filter((day) => day.thread?.id === thread.id);
    const ran = turns.findLast(
      ({ date, sessionId }) => date <= today && sessionId !== undefined && ranIds.has(sessionId),
    );
    if (ran?.sessionId === undefined) return [];
    const { date, sessionId } = ran;
    const next = turns.find((day) => day.date > date && day.date >= today && day.sessionId === undefined);
    if (!next || daysBetween(today, next.date) > DECIDED_DAYS) return [];
    const isDecided = season.decisions.some((decision) => decision.threadId === thread.id && decision.date >= date);
    return isDecided ? [] : [{ thread, ran: { date, sessionId }, next: next.date }];
  });
}

/** A session as a thread's turn, and the date of the next unwritten one. */
export type TurnOfSession = { thread: Thread; date: string; next?: string };

/** The threads of a season that a session was a turn of. @param today the next turn is not before it. */
export function turnsOfSession(
  season: SeasonPlan,
  weeks: readonly SeasonWeek[],
  sessionId: string,
  today: string,
): TurnOfSession[] {
  const days = daysOf(weeks).filter(({ kind }) => kind === 'hard');
  return days.flatMap((day): TurnOfSession[] => {
    const thread = day.sessionId === sessionId ? season.threads.find(({ id }) => id === day.thread?.id) : undefined;
    if (!thread) return [];
    const next = days.find(
      (candidate) =>
        candidate.thread?.id === thread.id &&
        candidate.date > day.date &&
        candidate.date >= today &&
        candidate.sessionId === undefined,
    );
    return [{ thread, date: day.date, ...(next ? { next: next.date } : {}) }];
  });
}
