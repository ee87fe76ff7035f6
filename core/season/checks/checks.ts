/**
 * What a coach may want to look at again in a season, each with its reason and often a change that mends it. Thresholds are common
 * coaching practice; local rules and qualified advice come first.
 */
import { dayNumber } from '../../units/dayNumber';
import { ATHLETE_CHECKS } from './athleteChecks';
import { BACK_CHECKS } from './backChecks';
import type { CheckContext, CheckSource, SeasonCheck } from './checkRule';
import { HARD_DAY_CHECKS } from './hardDayChecks';
import { LOAD_CHECKS } from './loadChecks';
import { OWN_SESSION_CHECKS } from './ownSessionChecks';
import { PEOPLE_CHECKS } from './peopleChecks';
import { RACE_CHECKS } from './raceChecks';
import { daysOf, type SeasonPlan, type SeasonWeek } from '../season';
import { THREAD_CHECKS } from './threadChecks';

export type { CheckContext, SeasonCheck } from './checkRule';

const CHECKS = [
  ...RACE_CHECKS,
  ...HARD_DAY_CHECKS,
  ...THREAD_CHECKS,
  ...LOAD_CHECKS,
  ...OWN_SESSION_CHECKS,
  ...ATHLETE_CHECKS,
  ...PEOPLE_CHECKS,
  ...BACK_CHECKS,
];

/** The checks of a season as laid out, by date; none for an unchanged template. */
export function checkSeason(
  season: SeasonPlan,
  weeks: readonly SeasonWeek[],
  context: CheckContext = {},
): SeasonCheck[] {
  const days = daysOf(weeks);
  const begin = dayNumber(days[0]?.date ?? season.firstDay);
  const source: CheckSource = {
    season,
    weeks,
    days,
    placeOf: (date) => dayNumber(date) - begin,
    threads: new Map(season.threads.map((thread) => [thread.id, thread])),
    context,
  };
  return CHECKS.flatMap((rule) => rule(source)).sort((a, b) => (a.date < b.date ? -1 : a.date > b.date ? 1 : 0));
}
