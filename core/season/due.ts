/** What a coach has still to do, beside running the sessions. */
import { isUsable } from '../fitness/weighing';
import type { SquadMember } from '../squad/athlete';
import { daysBetween } from '../units/dayNumber';
import type { SeasonPlan, SeasonRace } from './season';

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
