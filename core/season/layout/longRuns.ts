/** The length of each long run. */
import { dayNumber } from '../../units/dayNumber';
import { longRunsBack, offDaysOf } from '../comingBack';
import type { Draft, DraftDay } from './draftDay';
import { peaksOf } from '../phases';
import type { LongRun } from '../season';

/** Cut by a fifth, then by half. */
const CUT = { first: 0.8, last: 0.5 };
/** Within so many days of the race it is half as long. */
const LAST_CUT_DAYS = 8;
/** An easier week is a fifth shorter. */
const EASIER = 0.8;
/** After an A race it starts again at about this share of its growth. */
const AFTER_RACE = 0.5;

const rounded = (amount: number, { unit }: LongRun) =>
  unit === 'km' ? Math.round(amount * 2) / 2 : Math.round(amount / 5) * 5;

/** The length after so many steps. */
function grown({ from, step, most, heldWeeks }: LongRun, steps: number): number {
  const raised = heldWeeks ? Math.floor(steps / heldWeeks) * heldWeeks : steps;
  return Math.max(from, Math.min(most, from + step * raised));
}

/** All its numbers are ones. */
const isWhole = ({ from, step, most, easierEvery, lastDays }: LongRun) =>
  [from, step, most, easierEvery, lastDays].every(Number.isFinite);

type PlannedLong = { day: number; amount: number; long: DraftDay };

/** Lengths that grow, with easier weeks counted back from the last whole one, and cut before the race. */
function plannedLongs({ season, days }: Draft, longRun: LongRun): PlannedLong[] {
  const longs = days.filter(({ kind, isOutside, fixed }) => kind === 'long' && !isOutside && !fixed?.missed);
  const peaks = peaksOf(season).map(({ date }) => dayNumber(date));
  const planned: PlannedLong[] = [];
  const plan = (long: DraftDay, amount: number) =>
    planned.push({ day: long.day, amount: rounded(amount, longRun), long });
  let steps = 0;
  let from = Number.NEGATIVE_INFINITY;
  for (const race of [...peaks, Number.POSITIVE_INFINITY]) {
    const part = longs.filter(({ day }) => day > from && day <= race);
    const cut = part.filter(({ day }) => race - day < longRun.lastDays);
    const whole = part.slice(0, part.length - cut.length);
    whole.forEach((long, i) => {
      const left = whole.length - 1 - i;
      // With a race ahead the easier weeks are counted back from it, so that the longest one is whole.
      const count = Number.isFinite(race) ? left : i + 1;
      const isEasier = longRun.easierEvery > 0 && count > 0 && count % longRun.easierEvery === 0 && i > 1;
      const amount = grown(longRun, steps);
      plan(long, isEasier ? amount * EASIER : amount);
      if (isEasier) long.isEasier = true;
      else steps += 1;
    });
    const longest = grown(longRun, Math.max(0, steps - 1));
    for (const long of cut) plan(long, longest * (race - long.day <= LAST_CUT_DAYS ? CUT.last : CUT.first));
    steps = Math.floor(steps * AFTER_RACE);
    from = race;
  }
  return planned;
}

/** Lays the lengths over the long runs; after weeks without one they start shorter. */
export function layLongRuns(draft: Draft): void {
  const { daysOff, longRun } = draft.season;
  if (!longRun || !isWhole(longRun)) return;
  const planned = plannedLongs(draft, longRun);
  const amounts = longRunsBack(planned, offDaysOf(daysOff), longRun);
  planned.forEach(({ long, amount: whole }, i) => {
    const amount = amounts[i] ?? whole;
    long.amount = { unit: longRun.unit, amount };
    const part = longRun.parts?.[long.week.phase];
    if (part !== undefined && long.note === undefined && !long.taper && amount === whole) long.note = part;
  });
}
