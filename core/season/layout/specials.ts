/** Sessions with a fixed place before an A race: peak rehearsal, indicator, the shortened session of the taper; and a trial. */
import { dayNumber } from '../../units/dayNumber';
import { ease, type Draft, type DraftDay } from './draftDay';
import { peaksOf, phasesOf } from '../phases';
import { RACE_WEEK_DAYS, taperDaysOf } from './raceDays';
import type { SpecialKind } from '../season';

/** Days before the race. */
const REHEARSAL_DAYS = [21, 28] as const;
const INDICATOR_DAYS = [10, 14] as const;
/** Without a hard day in the window, one this far from it will do. */
const NEAR_DAYS = 4;
/** In the taper a session has about so much of its reps, at the same pace. */
const TAPER_SHARE = 0.6;
/** In weeks of taper before that. */
const EARLY_TAPER_SHARE = 0.75;

const isOpen = (day: DraftDay) => day.kind === 'hard' && day.special === undefined && !day.fixed;
const isFree = (day: DraftDay) => isOpen(day) && day.week.phase !== 'transition';

/** Its sessions are at least so many days after the A race before. */
const AFTER_PEAK_DAYS = 7;
type Peak = { race: number; taperDays: number; before: number | undefined };

/** The hard day nearest to the middle of a window before the race; of two the one nearer to the race. */
function nearest(draft: Draft, { race, before }: Peak, [least, most]: readonly [number, number]): DraftDay | undefined {
  const isOwn = ({ day }: DraftDay) => before === undefined || day >= before + AFTER_PEAK_DAYS;
  const middle = (least + most) / 2;
  const around = (from: number, to: number) =>
    Array.from({ length: to - from + 1 }, (_, i) => draft.at(race - from - i))
      .filter((day) => day !== undefined && isFree(day) && isOwn(day))
      .sort((a, b) => {
        const off = (day: DraftDay | undefined) => Math.abs(race - (day?.day ?? 0) - middle);
        return off(a) - off(b) || (b?.day ?? 0) - (a?.day ?? 0);
      })[0];
  return around(least, most) ?? around(Math.max(RACE_WEEK_DAYS + 1, least - NEAR_DAYS), most + NEAR_DAYS);
}

/** A special session before the race that is already settled: run, or written. */
const standing = (draft: Draft, race: number, special: SpecialKind) =>
  draft.days.find((day) => day.special === special && day.fixed && day.day < race && day.day > race - 35);

function beforePeak(draft: Draft, peak: Peak): void {
  const { season, days } = draft;
  const { race, taperDays } = peak;
  const place = (special: SpecialKind, window: readonly [number, number]) => {
    const knownDay = standing(draft, race, special);
    if (knownDay || !season.specials[special]) return knownDay;
    const day = nearest(draft, peak, window);
    if (day) day.special = special;
    return day;
  };
  place('indicator', season.indicatorDays ?? INDICATOR_DAYS);
  const rehearsal = place('rehearsal', REHEARSAL_DAYS);
  // With the long run as a hard day, the rehearsal stands alone beside it.
  if (rehearsal && season.schools.isLongHard)
    for (const day of days) if (day.week === rehearsal.week && day !== rehearsal && isFree(day)) ease(day);
  // Of what is left in the taper one session stays, cut down.
  const within = days.filter((day) => isOpen(day) && race - day.day <= taperDays && race - day.day > RACE_WEEK_DAYS);
  const kept = within.at(-1);
  for (const day of within) if (day !== kept) ease(day);
  if (kept) kept.share = TAPER_SHARE;
  for (const day of days)
    if (day.week.phase === 'taper' && isFree(day) && race - day.day > taperDays && race - day.day < 28)
      day.share = EARLY_TAPER_SHARE;
}

/** Puts the special sessions on the hard days nearest to where they belong. */
export function laySpecials(draft: Draft): void {
  const { season } = draft;
  const peaks = peaksOf(season);
  let before: number | undefined;
  for (const peak of peaks) {
    const race = dayNumber(peak.date);
    beforePeak(draft, { race, taperDays: taperDaysOf(season, peak, 'A'), before });
    before = race;
  }
  if (season.trialWeek === undefined || !season.specials.trial || draft.days.some(({ special }) => special === 'trial'))
    return;
  const { weeks } = phasesOf(season);
  const begin = weeks.findIndex(({ phase }) => phase !== 'base');
  const week = weeks[begin + season.trialWeek - 1];
  const last = draft.days.filter((day) => day.week.fromDay === week?.fromDay && isFree(day)).at(-1);
  if (last) last.special = 'trial';
}
