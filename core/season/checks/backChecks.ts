/** Coming back too fast after days off. */
import { counted } from '../../units/counted';
import { dateOfDay, dayNumber } from '../../units/dayNumber';
import { listed } from '../../units/listed';
import { comingBackOf, LONG_BREAK_DAYS, offDaysOf } from '../comingBack';
import { easingDays, EXCEPTION_WORDS } from '../exceptions';
import { racesOf } from '../phases';
import { BACK_THREADS } from '../threads/backThreads';
import { isAhead, isSettled, makeEasy, type CheckRule, type SeasonCheck } from './checkRule';

/** Whole sessions of hard work among the first days after a break. */
const backTooFast: CheckRule = ({ days, season, threads, context }) => {
  if (season.daysOff.length === 0) return [];
  const stretches = comingBackOf(offDaysOf(season.daysOff));
  return days.flatMap((day): SeasonCheck[] => {
    const at = dayNumber(day.date);
    const stretch = stretches.find(({ from, to }) => at >= from && at <= to);
    if (day.kind !== 'hard' || !stretch || day.share !== undefined || day.missed || !isAhead(day, context)) return [];
    if (day.thread && threads.get(day.thread.id)?.intent === 'transition') return [];
    if (season.cycles.transition === undefined && !day.because) return [];
    const after = counted(at - stretch.from + 1, 'day');
    const text = `Hard work ${after} after ${counted(stretch.offDays, 'day')} off: few reps with full rests come first.`;
    const mend = isSettled(day) ? undefined : makeEasy(day.date);
    return [{ code: 'back-too-fast', date: day.date, text, ...(mend ? { mend } : {}) }];
  });
};

/** Races entered by somebody who is only just well again. */
const raceWhileEasing: CheckRule = ({ season, context }) =>
  racesOf(season).flatMap((race): SeasonCheck[] => {
    const at = dayNumber(race.date);
    const entered = new Set((race.entries ?? []).map(({ athleteId }) => athleteId));
    const easing = season.exceptions.filter((exception) => {
      const daysBack = at - dayNumber(exception.to);
      return entered.has(exception.athleteId) && daysBack > 0 && daysBack <= easingDays(exception);
    });
    const who = easing.flatMap(({ athleteId, kind }) => {
      const name = context.athletes?.find(({ id }) => id === athleteId)?.tileName;
      return name === undefined ? [] : [`${name} (${EXCEPTION_WORDS[kind]} until lately)`];
    });
    if (who.length === 0) return [];
    const text = `${race.name} comes while ${listed(who)} should still be easing back: a later race, or run it easy.`;
    return [{ code: 'race-while-easing', date: race.date, text }];
  });

/** After five weeks off a season without sessions for the way back is offered them. */
const longBreak: CheckRule = ({ season }) => {
  if (season.cycles.transition || season.threads.length === 0) return [];
  const long = offDaysOf(season.daysOff).stretches.filter(({ from, to }) => to - from + 1 >= LONG_BREAK_DAYS);
  return long.map(({ from, to }): SeasonCheck => {
    const known = new Set(season.threads.map(({ id }) => id));
    const threads = [...season.threads, ...BACK_THREADS.filter(({ id }) => !known.has(id))];
    const change = {
      kind: 'set' as const,
      set: { threads, cycles: { ...season.cycles, transition: [BACK_THREADS.map(({ id }) => id)] } },
    };
    const text = `${counted(to - from + 1, 'day')} off: the way back comes first, as in “Back after a break”, and the long run begins as it did in the first week.`;
    return { code: 'long-break', date: dateOfDay(to), text, mend: { text: 'Put the way back in', change } };
  });
};

export const BACK_CHECKS: readonly CheckRule[] = [backTooFast, raceWhileEasing, longBreak];
