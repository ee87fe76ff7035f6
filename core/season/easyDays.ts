/** Easy days as part of the load: as they were ticked, else as the season has them. */
import type { EasyRun } from '../review/story';
import type { SquadMember } from '../squad/athlete';
import { exceptionOn } from './exceptions';
import { isSeasonFor } from './kmAWeek';
import { isToRun, minutesOf, usualAmount } from './load';
import { lastDayOf } from './phases';
import { daysOf, type SeasonPlan, type SeasonWeek } from './season';

/** Effort of easy running and of a long run; between easy and moderate on the scale of session-RPE (Foster et al. 2001). */
const EFFORT = { easy: 3, strides: 3, long: 4 } as const;

/** One athlete's easy days and long runs of some weeks before `to`, leaving out those that they did not run. */
export function easyDaysOf(
  athlete: Pick<SquadMember, 'id' | 'groupId'>,
  seasons: readonly { season: SeasonPlan; weeks: readonly SeasonWeek[] }[],
  window: { from: string; to: string },
): EasyRun[] {
  const onDay = new Map<string, EasyRun>();
  for (const laid of seasons) {
    const { season } = laid;
    // The weeks of a season are laid out when they are asked for: those of other years are not.
    if (!isSeasonFor(season, athlete) || season.firstDay >= window.to || lastDayOf(season) < window.from) continue;
    const doneOn = new Map((season.done ?? []).map((done) => [done.date, done]));
    for (const day of daysOf(laid.weeks)) {
      const { date, kind } = day;
      if (date < window.from || date >= window.to || date < season.firstDay || !isToRun(day) || kind === 'hard')
        continue;
      const done = doneOn.get(date);
      const found = exceptionOn(season.exceptions, athlete.id, date);
      if (done?.notIds?.includes(athlete.id) || (found && !found.isEasing)) continue;
      const effort = kind === 'long' ? EFFORT.long : EFFORT.easy;
      onDay.set(date, { athleteId: athlete.id, date, minutes: minutesOf(done?.amount ?? usualAmount(day)), effort });
    }
  }
  return [...onDay.values()];
}
