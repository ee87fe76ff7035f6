import { exceptionOn, EXCEPTION_WORDS } from './exceptions';
import type { SeasonDay, SeasonPlan, SeasonWeek } from './season';

/** The share of a hard day that somebody easing back runs. */
const EASING_SHARE = 0.6;

function dayFor({ exceptions, races }: SeasonPlan, day: SeasonDay, athleteId: string): SeasonDay {
  const found = exceptionOn(exceptions, athleteId, day.date);
  if (found && !found.isEasing) {
    const { thread: _thread, special: _special, amount: _amount, raceId: _race, intent: _intent, ...rest } = day;
    const kind = found.exception.kind === 'race' ? 'race' : 'off';
    return { ...rest, kind, note: EXCEPTION_WORDS[found.exception.kind] };
  }
  if (day.kind === 'race') {
    const entries = races.filter(({ date }) => date === day.date).flatMap((race) => race.entries ?? []);
    // A race with no entries yet is everybody's.
    if (entries.length > 0 && !entries.some((entry) => entry.athleteId === athleteId)) return { ...day, kind: 'easy' };
  }
  return found?.isEasing && day.kind === 'hard'
    ? { ...day, share: Math.min(day.share ?? 1, EASING_SHARE), note: 'easing back' }
    : day;
}

/** A season for one athlete: off while away, ill or injured, less while easing back, and only their own races. */
export const seasonForAthlete = (season: SeasonPlan, weeks: readonly SeasonWeek[], athleteId: string): SeasonWeek[] =>
  weeks.map((week) => ({ ...week, days: week.days.map((day) => dayFor(season, day, athleteId)) }));
