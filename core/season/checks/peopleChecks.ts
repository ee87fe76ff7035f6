/** Checks of a season against the people it is for: other seasons of theirs, how old they are, and how long they are on their feet. */
import { ageInYear, weeksRunning, type SquadMember } from '../../squad/athlete';
import { YOUNG_BY_DEFAULT } from '../../squad/club';
import { listedAtMost } from '../../units/listed';
import { formatDistance } from '../../units/distance';
import { isAhead, type CheckRule, type SeasonCheck } from './checkRule';
import { isSeasonFor } from '../kmAWeek';
import { minutesText, mostLongRun, slowestOf } from '../longestRun';
import { racesOf } from '../phases';

const MOST_NAMES = 4;
const namesOf = (athletes: readonly SquadMember[]) =>
  listedAtMost(
    athletes.map(({ tileName }) => tileName),
    MOST_NAMES,
  );

/** Of two seasons in the same weeks the one that begins later says so. */
const samePeople: CheckRule = ({ season, days, context }) => {
  const lastDay = days.at(-1)?.date ?? season.firstDay;
  return (context.others ?? []).flatMap((other): SeasonCheck[] => {
    const order = (plan: typeof season) => `${plan.firstDay} ${plan.name}`;
    if (other.season.firstDay > lastDay || other.lastDay < season.firstDay) return [];
    if (order(season) <= order(other.season)) return [];
    const both = (context.athletes ?? []).filter((athlete) => isSeasonFor(other.season, athlete));
    if (both.length === 0) return [];
    const verb = both.length === 1 ? 'is' : 'are';
    const text = `${namesOf(both)} ${verb} in “${other.season.name}” in these weeks too: hard days of two seasons fall on them. Choose one for each.`;
    const date = context.today !== undefined && context.today > season.firstDay ? context.today : season.firstDay;
    return [{ code: 'two-seasons', date, text }];
  });
};

/** From this distance on a race is long. */
const LONG_RACE_M = 21_000;
/** A first season: fewer weeks of regular running than this. */
const FIRST_SEASON_WEEKS = 26;

const longRaces: CheckRule = ({ season, context }) =>
  racesOf(season).flatMap((race): SeasonCheck[] => {
    const entered = new Map((race.entries ?? []).map((entry) => [entry.athleteId, entry.distanceM]));
    const early = (context.athletes ?? []).filter((athlete) => {
      if ((entered.get(athlete.id) ?? 0) < LONG_RACE_M) return false;
      const isYoung = (ageInYear(athlete, race.date) ?? YOUNG_BY_DEFAULT) < YOUNG_BY_DEFAULT;
      return isYoung || (weeksRunning(athlete, race.date) ?? FIRST_SEASON_WEEKS) < FIRST_SEASON_WEEKS;
    });
    if (early.length === 0) return [];
    const distance = formatDistance(Math.max(...early.map(({ id }) => entered.get(id) ?? 0)));
    const text = `${race.name} is ${distance} for ${namesOf(early)}, who ${early.length === 1 ? 'is' : 'are'} under ${YOUNG_BY_DEFAULT} or in a first season: a shorter race first. Local rules on age come before this.`;
    return [{ code: 'long-race-early', date: race.date, text }];
  });

const longOnTheFeet: CheckRule = ({ season, days, context }) => {
  const { longRun } = season;
  if (longRun?.unit !== 'km') return [];
  const ahead = days.filter((day) => day.kind === 'long' && day.amount && isAhead(day, context));
  const longest = Math.max(0, ...ahead.map(({ amount }) => amount?.amount ?? 0));
  const first = ahead.find(({ amount }) => amount?.amount === longest);
  const slowest = first && context.easyMinPerKm && slowestOf(context.athletes ?? [], context.easyMinPerKm);
  if (!first || !slowest) return [];
  const { km, minutes } = mostLongRun(longRun, slowest.minPerKm);
  if (longest <= km) return [];
  const text = `The long run comes to ${longest} km: ${minutesText(longest * slowest.minPerKm)} at ${slowest.athlete.tileName}’s easy pace. ${minutesText(minutes)} on the feet is enough.`;
  const change = { kind: 'set' as const, set: { longRun: { ...longRun, from: Math.min(longRun.from, km), most: km } } };
  return [{ code: 'long-on-the-feet', date: first.date, text, mend: { text: `At most ${km} km`, change } }];
};

export const PEOPLE_CHECKS: readonly CheckRule[] = [samePeople, longRaces, longOnTheFeet];
