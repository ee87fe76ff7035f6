/** Coming back after days without running: for how long it is taken step by step, and how long the long run is by then. */
import { dayNumber } from '../units/dayNumber';
import type { LongRun } from './season';

/** From this many days off within a fortnight, hard work comes back step by step. */
const FEWEST_OFF = 7;
/** It does for as many days as were off, up to a fortnight. */
const FORTNIGHT = 14;
/** Without a long run for longer than this, the next one is shorter. */
const GAP_DAYS = 10;
/** After so many days without running it begins with the season's first long run. */
export const LONG_BREAK_DAYS = 35;
/** How much each week without a long run takes from the next one, and what is left at least. */
const LOSS = { running: { aWeek: 0.1, least: 0.6 }, resting: { aWeek: 0.15, least: 0.4 } } as const;
/** From there it grows by no more than this. */
const MOST_GROWTH = 1.15;
/** Who eases back runs no more than this share of their last long run. */
const MOST_EASING = 0.8;
/** The legs are used to the longest run of so many days. */
export const USED_TO_DAYS = 28;

type Days = { from: string; to: string };
/** Days without running, told by their day numbers. */
export type OffDays = {
  isOff: (day: number) => boolean;
  count: (from: number, to: number) => number;
  /** Stretches of days off, in order and apart from each other. */
  stretches: { from: number; to: number }[];
};

/** The days of some spans, both ends included; spans may overlap, and one that is no span is left out. */
export function offDaysOf(spans: readonly Days[]): OffDays {
  const merged: { from: number; to: number }[] = [];
  const byDay = spans.map(({ from, to }) => ({ from: dayNumber(from), to: dayNumber(to) }));
  for (const { from, to } of byDay.filter(({ from, to }) => from <= to).sort((a, b) => a.from - b.from)) {
    const last = merged.at(-1);
    if (last && from <= last.to + 1) last.to = Math.max(last.to, to);
    else merged.push({ from, to });
  }
  return {
    isOff: (day) => merged.some(({ from, to }) => day >= from && day <= to),
    count: (from, to) =>
      merged.reduce((days, off) => days + Math.max(0, Math.min(to, off.to) - Math.max(from, off.from) + 1), 0),
    stretches: merged,
  };
}

/** Stretches of days in which hard work comes back step by step: after seven days off or more within a fortnight. */
export const comingBackOf = ({ count, stretches }: OffDays): { from: number; to: number; offDays: number }[] =>
  stretches.flatMap(({ to }) => {
    const offDays = count(to - FORTNIGHT + 1, to);
    return offDays >= FEWEST_OFF ? [{ from: to + 1, to: to + offDays, offDays }] : [];
  });

export type LongOn = { day: number; amount: number };
/** How far somebody has eased back by a day: day `k` of so many. */
export type EasingOn = (day: number) => { k: number; of: number } | undefined;

/** Rounded down to what a coach would write, from half a kilometre or five minutes. */
const roundedDown = (amount: number, { unit }: Pick<LongRun, 'unit'>) => {
  const step = unit === 'km' ? 0.5 : 5;
  return Math.max(step, Math.floor(amount / step + 1e-9) * step);
};

/** What a gap without a long run leaves of the longest before it. */
function afterGap(longest: number, gap: number, offDays: number, from: number): number {
  const isResting = offDays > (gap - 1) / 2;
  const { aWeek, least } = isResting ? LOSS.resting : LOSS.running;
  const left = longest * Math.max(least, 1 - aWeek * Math.ceil((gap - 7) / 7));
  return offDays >= LONG_BREAK_DAYS ? Math.min(left, from) : left;
}

/**
 * The amounts of long runs as they are to be run: less after more than ten days without one, and less while somebody eases back; from there
 * they grow by the season's step, never by more than 15 %, until they are as planned again. Common coaching practice.
 * @param longs those that are run, in order of their days.
 */
export function longRunsBack(
  longs: readonly LongOn[],
  { count }: Pick<OffDays, 'count'>,
  longRun: Pick<LongRun, 'unit' | 'from' | 'step'>,
  easing: EasingOn = () => undefined,
): number[] {
  const ran: LongOn[] = [];
  let most = Number.POSITIVE_INFINITY;
  for (const { day, amount: planned } of longs) {
    const last = ran.at(-1);
    const usedTo = ran.filter((long) => last && last.day - long.day < USED_TO_DAYS).map(({ amount }) => amount);
    const gap = last ? day - last.day : 0;
    if (last && gap > GAP_DAYS) most = afterGap(Math.max(...usedTo), gap, count(last.day + 1, day - 1), longRun.from);
    const back = easing(day);
    if (back) {
      const share = 0.5 + (0.5 * back.k) / back.of;
      most = Math.min(most, planned * share, last ? MOST_EASING * last.amount : Number.POSITIVE_INFINITY);
    }
    const amount = planned <= most ? planned : roundedDown(most, longRun);
    if (planned >= most) most = Math.min(most + longRun.step, most * MOST_GROWTH);
    ran.push({ day, amount });
  }
  return ran.map(({ amount }) => amount);
}
