/** A season while it is laid out: one entry a day, mutated by one rule after another (see layOut.ts). */
import { dayNumber, weekdayOf } from '../../units/dayNumber';
import type { PhaseWeek } from '../phases';
import type { DayKind, FixedDay, SeasonDay, SeasonPlan } from '../season';

export type DraftDay = {
  day: number;
  week: PhaseWeek;
  kind: DayKind;
  /** Not of the season: before its first day. */
  isOutside: boolean;
  /** No hard day may move here: it is close to a race, or nobody trains. */
  isClosed: boolean;
  fixed?: FixedDay;
  raceId?: string;
  special?: SeasonDay['special'];
  thread?: SeasonDay['thread'];
  taper?: true;
  share?: number;
  amount?: SeasonDay['amount'];
  /** A long run of an easier week. */
  isEasier?: true;
  note?: string;
};

/** The whole season, with how to come by a day. */
export type Draft = { season: SeasonPlan; days: DraftDay[]; at: (day: number) => DraftDay | undefined };

/** In weeks without hard work the first hard day has strides, the others are easy. */
const EASY_PHASES = ['base', 'break'];

/** The week's rhythm on every day, then what is off, then what is fixed. */
export function draftOf(season: SeasonPlan, weeks: readonly PhaseWeek[]): Draft {
  const firstDay = dayNumber(season.firstDay);
  const offs = season.daysOff.map(({ from, to, reason }) => ({ from: dayNumber(from), to: dayNumber(to), reason }));
  const days = weeks.flatMap((week) => {
    const rhythm = season.phaseRhythms?.[week.phase] ?? season.rhythm;
    const isEasy = EASY_PHASES.includes(week.phase);
    let hard = 0;
    return Array.from({ length: 7 }, (_, i): DraftDay => {
      const day = week.fromDay + i;
      let kind: DayKind = rhythm[weekdayOf(day)] ?? 'free';
      if (kind === 'hard' && isEasy) kind = hard++ === 0 && week.phase === 'base' ? 'strides' : 'easy';
      if (kind === 'long' && week.phase === 'break') kind = 'easy';
      const off = offs.find(({ from, to }) => day >= from && day <= to);
      const isOutside = day < firstDay;
      if (isOutside) return { day, week, kind: 'free', isOutside, isClosed: true };
      if (off) return { day, week, kind: 'off', isOutside, isClosed: true, note: off.reason };
      return { day, week, kind, isOutside, isClosed: isEasy };
    });
  });
  const begin = days[0]?.day ?? 0;
  const at = (day: number) => days[day - begin];
  for (const fixed of season.fixed) {
    const day = at(dayNumber(fixed.date));
    if (!day || day.isOutside) continue;
    day.fixed = fixed;
    day.kind = fixed.kind;
    day.isClosed = true;
    if (fixed.special) day.special = fixed.special;
    if (fixed.share !== undefined) day.share = fixed.share;
    if (fixed.note !== undefined) day.note = fixed.note;
  }
  return { season, days, at };
}

/** Changes a day's purpose unless the coach or the past has fixed it. */
export function setKind(day: DraftDay | undefined, kind: DayKind): void {
  if (!day || day.fixed || day.isOutside || day.kind === 'race') return;
  day.kind = kind;
}

/** Off days stay off; everything else becomes easy. */
export function ease(day: DraftDay | undefined, to: 'easy' | 'strides' = 'easy'): void {
  if (day && day.kind !== 'off' && day.kind !== 'free') setKind(day, to);
}
