/** What a race does to the days round it: race week, taper before, rest after. */
import { dayNumber } from '../../units/dayNumber';
import { ease, setKind, type Draft, type DraftDay } from './draftDay';
import { peaksOf, racesOf } from '../phases';
import type { RaceWeight, SeasonPlan, SeasonRace } from '../season';

/** Days of less work, least and most. */
export const TAPER_DAYS: Record<RaceWeight, { usual: number; least: number; most: number }> = {
  A: { usual: 10, least: 7, most: 14 },
  B: { usual: 5, least: 4, most: 6 },
  C: { usual: 0, least: 0, most: 0 },
};
/** Days after it without hard work. */
const EASY_AFTER: Record<RaceWeight, number> = { A: 7, B: 3, C: 1 };
/** The long run after it gives way. */
const NO_LONG_AFTER: Record<RaceWeight, number> = { A: 6, B: 2, C: 2 };
/** A race takes the place of a hard day within so many days before it. */
const TAKES_WITHIN = 2;
/** Of a B race: the hard day before it is half as long. */
const HALF = 0.5;
/** After another race the sharp one waits so many days. */
const RESTED_DAYS = 3;
/** Race week begins so many days before. */
export const RACE_WEEK_DAYS = 6;

/** How a race is laid out: an A race close after another one as a B. */
export const weightOf = (season: SeasonPlan, race: SeasonRace, peaks = peaksOf(season)): RaceWeight =>
  race.weight === 'A' && !peaks.includes(race) ? 'B' : race.weight;

/** No taper is longer than this. */
const MOST_TAPER_DAYS = 42;

/** Days of less work before a race: as chosen, up to six weeks. */
export function taperDaysOf(season: SeasonPlan, race: SeasonRace, weight: RaceWeight = race.weight): number {
  const chosen = race.taperDays ?? (weight === 'A' ? season.taperDays : TAPER_DAYS[weight].usual);
  return chosen >= 0 ? Math.min(MOST_TAPER_DAYS, chosen) : TAPER_DAYS[weight].usual;
}

const isDemanding = (day: DraftDay | undefined) =>
  day !== undefined && (day.kind === 'hard' || day.kind === 'long' || day.kind === 'race');

/** −5 or −4 sharp, −2 off, −1 short with strides, all else easy. */
function raceWeek({ at }: Draft, race: number): void {
  const before = (days: number) => at(race - days);
  if (before(6)?.kind === 'hard') ease(before(6));
  for (const days of [5, 4, 3, 2, 1]) {
    const day = before(days);
    if (!day) continue;
    day.isClosed = true;
    if (day.kind === 'off' && day.note !== undefined) continue;
    setKind(day, days === 2 ? 'off' : days === 1 ? 'strides' : 'easy');
  }
  const isOpen = (days: number) => {
    const day = before(days);
    return day?.kind === 'easy' && !day.fixed && !isDemanding(before(days + 1)) && !isDemanding(before(days - 1));
  };
  const isRested = (days: number) =>
    Array.from({ length: RESTED_DAYS - 1 }, (_, i) => before(days + 1 + i)).every((day) => day?.kind !== 'race');
  const sharp = [5, 4].find((days) => isOpen(days) && isRested(days)) ?? [5, 4].find(isOpen);
  const isThere = [6, 5, 4, 3].some((days) => before(days)?.special === 'sharpener');
  const day = sharp === undefined || isThere ? undefined : before(sharp);
  if (day) {
    day.kind = 'hard';
    day.special = 'sharpener';
  }
  // A little quicker in the middle, where nothing else is.
  const third = before(3);
  if (third?.kind === 'easy' && before(5)?.special === 'sharpener') ease(third, 'strides');
}

function beforeRace(draft: Draft, race: number, weight: RaceWeight): void {
  const { at } = draft;
  for (let days = 1; days <= TAKES_WITHIN; days++) if (at(race - days)?.kind === 'hard') ease(at(race - days));
  if (at(race - 1)?.kind === 'long') ease(at(race - 1));
  if (weight !== 'B') return;
  if (at(race - 2)?.kind === 'long') ease(at(race - 2));
  const last = [3, 4, 5, 6, 7].map((days) => at(race - days)).find((day) => day?.kind === 'hard');
  if (last && !last.special) last.share = HALF;
}

function afterRace({ at }: Draft, race: number, weight: RaceWeight): void {
  for (let days = 1; days <= EASY_AFTER[weight]; days++) {
    const day = at(race + days);
    if (!day) continue;
    day.isClosed = true;
    if (day.kind === 'hard') ease(day);
    if (day.kind === 'long' && days <= NO_LONG_AFTER[weight]) ease(day);
  }
}

/** Puts the races in, and lays out the days before and after them. */
export function layRaces(draft: Draft): void {
  const { season, at } = draft;
  const peaks = peaksOf(season);
  const races = racesOf(season).map((race) => ({
    race,
    day: dayNumber(race.date),
    weight: weightOf(season, race, peaks),
  }));
  for (const { race, day } of races) {
    const its = at(day);
    if (!its) continue;
    its.kind = 'race';
    its.isClosed = true;
    its.raceId ??= race.id;
  }
  // Before takes precedence over after: a race's preparation wins over the rest after the one before.
  for (const { day, weight } of races) afterRace(draft, day, weight);
  for (const { race, day, weight } of races) {
    if (weight === 'A') raceWeek(draft, day);
    else beforeRace(draft, day, weight);
    const taperDays = taperDaysOf(season, race, weight);
    for (let days = 1; days <= taperDays; days++) {
      const its = at(day - days);
      if (!its || its.isOutside) continue;
      its.taper = true;
      if (weight === 'B') its.isClosed = true;
    }
  }
}

/** No more hard days than this within seven days that have a race in them. */
const MOST_HARD = 2;

/** Within seven days round a race, the hard days next to it go first. */
export function thinRoundRaces({ days, at }: Draft): void {
  for (const race of days) {
    if (race.kind !== 'race') continue;
    for (let from = race.day - 6; from <= race.day; from++) {
      const hard = Array.from({ length: 7 }, (_, i) => at(from + i)).filter((day) => day?.kind === 'hard');
      const free = hard
        .filter((day) => day && !day.fixed && day.special === undefined)
        .sort((a, b) => Math.abs((a?.day ?? 0) - race.day) - Math.abs((b?.day ?? 0) - race.day));
      for (let over = hard.length - MOST_HARD; over > 0; over--) ease(free.shift());
    }
  }
}
