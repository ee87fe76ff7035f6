/** Races, and the days and weeks before them. */
import { counted } from '../../units/counted';
import { dateOfDay, dayNumber } from '../../units/dayNumber';
import type { SeasonChange } from '../changes';
import { isSettled, makeEasy, type SeasonCheck, type CheckRule } from './checkRule';
import { MOST_WEEKS, peaksOf, racesOf } from '../phases';
import { RACE_WEEK_DAYS, TAPER_DAYS, taperDaysOf, weightOf } from '../layout/raceDays';
import type { SeasonDay } from '../season';

const racePlaces: CheckRule = ({ season }) => {
  const first = dayNumber(season.firstDay);
  const outside = season.races.flatMap((race): SeasonCheck[] => {
    const day = dayNumber(race.date);
    if (!(day < first) && day < first + MOST_WEEKS * 7) return [];
    const text =
      day < first
        ? `${race.name} is before the season’s first day: it is kept, and nothing is laid back from it.`
        : `${race.name} is more than ${MOST_WEEKS} weeks after the first day: nothing is laid back from it. Begin a season of its own.`;
    const change: SeasonChange = { kind: 'set', set: { firstDay: dateOfDay(day - 27) } };
    return [
      {
        code: day < first ? 'race-before-start' : 'race-too-far',
        date: race.date,
        text,
        ...(day < first ? { mend: { text: 'Begin the season four weeks before it', change } } : {}),
      },
    ];
  });
  const peaks = peaksOf(season);
  const twice = racesOf(season).flatMap((race): SeasonCheck[] => {
    if (race.weight !== 'A' || peaks.includes(race)) return [];
    const change: SeasonChange = { kind: 'putRace', race: { ...race, weight: 'B' } };
    const text = `${race.name} comes within a fortnight of another A race: the season is laid back from the first, and this one is freshened for.`;
    return [{ code: 'two-a-races', date: race.date, text, mend: { text: 'Make it a B race', change } }];
  });
  return [...outside, ...twice];
};

const hardInTaper: CheckRule = ({ days, placeOf, season }) =>
  peaksOf(season).flatMap((race) => {
    const place = placeOf(race.date);
    const taperDays = taperDaysOf(season, race);
    let cut = 0;
    return days.slice(Math.max(0, place - taperDays), place).flatMap((day) => {
      if (day.kind !== 'hard' || day.special === 'sharpener' || day.special === 'indicator') return [];
      const daysOut = place - placeOf(day.date);
      const isAllowed = day.share !== undefined && daysOut > RACE_WEEK_DAYS && ++cut === 1;
      if (isAllowed) return [];
      const mend = isSettled(day) ? undefined : makeEasy(day.date);
      const text = `Hard work ${counted(daysOut, 'day')} before ${race.name}: what is to be gained by training has been gained; fewer reps or an easy day.`;
      return [{ code: 'hard-in-taper', date: day.date, text, ...(mend ? { mend } : {}) }];
    });
  });

const noTaper: CheckRule = ({ season }) => {
  const peaks = peaksOf(season);
  return racesOf(season).flatMap((race): SeasonCheck[] => {
    const weight = weightOf(season, race, peaks);
    const { least, usual } = TAPER_DAYS[weight];
    if (race.taperDays === undefined || race.taperDays >= least) return [];
    const change: SeasonChange = { kind: 'putRace', race: { ...race, taperDays: usual } };
    const text = `${race.name} has ${race.taperDays === 0 ? 'no days' : `only ${race.taperDays} days`} of less work before it.`;
    return [{ code: 'no-taper', date: race.date, text, mend: { text: `Taper for ${usual} days`, change } }];
  });
};

const RACE_PACE = new Set(['race-pace', 'indicator', 'rehearsal']);

const RACE_PACE_DAYS = 28;

const nothingAtRacePace: CheckRule = ({ days, placeOf, season, weeks, threads }) =>
  peaksOf(season).flatMap((race) => {
    const place = placeOf(race.date);
    const last = days.slice(Math.max(0, place - RACE_PACE_DAYS), place);
    const isLong = dayNumber(race.date) - dayNumber(season.firstDay) >= RACE_PACE_DAYS;
    const phases = weeks
      .filter(({ from }) => from <= race.date)
      .slice(-5)
      .map(({ phase }) => phase);
    if (
      !isLong ||
      !phases.some((phase) => phase === 'late' || phase === 'middle' || phase === 'taper' || phase === 'early')
    )
      return [];
    const isAt = ({ kind, special, intent, thread }: SeasonDay) =>
      kind === 'hard' &&
      special !== 'sharpener' &&
      ((intent !== undefined && RACE_PACE.has(intent)) ||
        (thread !== undefined && (threads.get(thread.id)?.stages ?? []).some((stage) => stage.includes('goal'))));
    if (last.some(isAt) || !last.some(({ kind, special }) => kind === 'hard' && special !== 'sharpener')) return [];
    const free = last
      .filter((day) => day.kind === 'hard' && !day.because && day.special === undefined && !day.taper)
      .at(-1);
    const goal = season.threads.find((thread) => RACE_PACE.has(thread.intent));
    const text = `Nothing at race pace in the four weeks before ${race.name}: the pace of the race should feel familiar.`;
    return [
      {
        code: 'no-race-pace',
        date: race.date,
        text,
        ...(free && goal
          ? {
              mend: {
                text: `“${goal.name}” on the last free hard day`,
                change: { kind: 'setDay' as const, date: free.date, day: { kind: 'hard' as const, threadId: goal.id } },
              },
            }
          : {}),
      },
    ];
  });

export const RACE_CHECKS: readonly CheckRule[] = [racePlaces, hardInTaper, noTaper, nothingAtRacePace];
