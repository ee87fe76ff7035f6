/** Checks of the amount from week to week. */
import { USED_TO_DAYS } from '../comingBack';
import { isSettled, makeEasy, type SeasonCheck, type CheckRule } from './checkRule';
import { dayMinutes, weekMinutes } from '../load';
import { phasesOf } from '../phases';
import type { SeasonPlan, SeasonWeek } from '../season';

/** A rise of more than a third. */
const JUMP = 4 / 3 + 0.01;

const longRunJump: CheckRule = ({ days, placeOf, season }) => {
  const longs = days.filter((day) => day.kind === 'long' && day.amount);
  return longs.flatMap((day) => {
    const place = placeOf(day.date);
    const before = days
      .slice(Math.max(0, place - USED_TO_DAYS), place)
      .flatMap(({ kind, amount }) => (kind === 'long' && amount ? [amount.amount] : []));
    const now = day.amount?.amount ?? 0;
    const unit = day.amount?.unit ?? 'km';
    // Weeks cut before a race say nothing about what they are used to.
    const most = Math.max(...before, season.longRun?.from ?? 0);
    if (before.length === 0 || now <= most * JUMP) return [];
    const { longRun } = season;
    const text = `The long run goes from ${most} to ${now} ${unit}: more than a third at once.`;
    const step = longRun && Math.max(0.5, Math.round(most * 0.15 * 2) / 2);
    return [
      {
        code: 'long-run-jump',
        date: day.date,
        text,
        ...(longRun && step !== undefined && step < longRun.step
          ? {
              mend: {
                text: `Grow by ${step} ${unit} a week`,
                change: { kind: 'set' as const, set: { longRun: { ...longRun, step } } },
              },
            }
          : {}),
      },
    ];
  });
};

const isWholeWeek = (season: SeasonPlan, { from }: SeasonWeek) => from >= season.firstDay;

/** A week is compared with the largest of this many before it. */
const WEEKS_BEFORE = 6;

const weekJump: CheckRule = ({ weeks, season }) =>
  weeks.flatMap((week, i) => {
    const before = weeks.slice(Math.max(0, i - WEEKS_BEFORE), i).filter((week) => isWholeWeek(season, week));
    // In race week the race itself adds to it.
    if (before.length < 2 || week.phase === 'race week') return [];
    const most = Math.max(...before.map(weekMinutes));
    const now = weekMinutes(week);
    if (most === 0 || now <= most * JUMP) return [];
    const day = week.days.find((day) => day.kind === 'hard' && !isSettled(day));
    const text = `This week is about ${Math.round((now / most - 1) * 100)} % more than any of the weeks before it.`;
    const isEnough = day && now - dayMinutes(day) + dayMinutes({ ...day, kind: 'easy' }) <= most * JUMP;
    const mend = isEnough && makeEasy(day.date, 'Make one hard day easy');
    return [{ code: 'week-jump', date: week.from, text, ...(mend ? { mend } : {}) }];
  });

const phaseTooLong: CheckRule = ({ season, weeks }) => {
  const kept = season.phases.filter(({ isKept }) => isKept);
  if (kept.length === 0) return [];
  const { leftOut } = phasesOf(season);
  return kept.flatMap(({ phase, weeks: wanted }): SeasonCheck[] => {
    const short = leftOut.find((part) => part.phase === phase && part.planned === wanted);
    return short
      ? [
          {
            code: 'phase-too-long',
            date: weeks[0]?.from ?? season.firstDay,
            text: `The ${phase} phase was to have ${wanted} weeks; there is room for ${short.weeks}.`,
          },
        ]
      : [];
  });
};

export const LOAD_CHECKS: readonly CheckRule[] = [longRunJump, weekJump, phaseTooLong];
