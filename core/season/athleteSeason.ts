import { dayNumber } from '../units/dayNumber';
import { comingBackOf, longRunsBack, offDaysOf, type EasingOn } from './comingBack';
import { easingDays, exceptionOn, EXCEPTION_WORDS } from './exceptions';
import { daysOf, type AthleteException, type SeasonDay, type SeasonPlan, type SeasonWeek } from './season';

/** The share of a hard day that somebody easing back runs. */
const EASING_SHARE = 0.6;

type IsComingBack = (date: string) => boolean;

/** A day without what the squad does on it. */
function emptied(day: SeasonDay): SeasonDay {
  const { thread: _thread, special: _special, amount: _amount, raceId: _race, intent: _intent, ...rest } = day;
  return rest;
}

function dayFor(
  { exceptions, races }: SeasonPlan,
  day: SeasonDay,
  athleteId: string,
  isComingBack: IsComingBack,
): SeasonDay {
  const found = exceptionOn(exceptions, athleteId, day.date);
  if (found && !found.isEasing) {
    const kind = found.exception.kind === 'race' ? 'race' : 'off';
    return { ...emptied(day), kind, note: EXCEPTION_WORDS[found.exception.kind] };
  }
  if (day.kind === 'race') {
    const entries = races.filter(({ date }) => date === day.date).flatMap((race) => race.entries ?? []);
    // A race with no entries yet is everybody's.
    if (entries.length > 0 && !entries.some((entry) => entry.athleteId === athleteId)) return { ...day, kind: 'easy' };
  }
  const isBack = isComingBack(day.date);
  if (day.kind !== 'hard' || !(found?.isEasing || isBack)) return day;
  const note = found?.isEasing ? 'easing back' : 'coming back';
  // A rehearsal or a trial says nothing yet.
  if (day.special !== undefined) return { ...emptied(day), kind: 'easy', note };
  return { ...day, share: Math.min(day.share ?? 1, EASING_SHARE), note };
}

/** Long runs are shorter after days without running, and grow again from there. */
function withLongRuns(season: SeasonPlan, days: SeasonDay[], ownOffs: readonly AthleteException[]): SeasonDay[] {
  const { longRun, daysOff } = season;
  if (!longRun || ownOffs.length === 0) return days;
  const longs = days.flatMap((day, i) =>
    day.kind === 'long' && day.amount ? [{ i, day: dayNumber(day.date), amount: day.amount.amount }] : [],
  );
  const easing: EasingOn = (day) => {
    for (const off of ownOffs) {
      const k = day - dayNumber(off.to);
      const of = easingDays(off);
      if (k >= 1 && k <= of) return { k, of };
    }
    return undefined;
  };
  const amounts = longRunsBack(longs, offDaysOf([...daysOff, ...ownOffs]), longRun, easing);
  const own = [...days];
  longs.forEach(({ i, amount: whole }, place) => {
    const [day, amount] = [days[i], amounts[place] ?? whole];
    if (!day?.amount || amount === whole) return;
    // Nothing quick is in it yet.
    own[i] = { ...day, amount: { ...day.amount, amount }, note: 'coming back' };
  });
  return own;
}

/**
 * A season for one athlete: off while away, ill or injured, less while easing back or after a week off, long runs that start shorter again,
 * and only their own races.
 */
export function seasonForAthlete(season: SeasonPlan, weeks: readonly SeasonWeek[], athleteId: string): SeasonWeek[] {
  const ownOffs = season.exceptions.filter(
    (exception) => exception.athleteId === athleteId && exception.kind !== 'race',
  );
  const stretches = comingBackOf(offDaysOf(ownOffs));
  const isComingBack: IsComingBack = (date) => {
    const day = dayNumber(date);
    return stretches.some(({ from, to }) => day >= from && day <= to);
  };
  const own = daysOf(weeks).map((day) => dayFor(season, day, athleteId, isComingBack));
  const days = withLongRuns(season, own, ownOffs);
  let next = 0;
  return weeks.map((week) => ({ ...week, days: week.days.map(() => days[next++] as SeasonDay) }));
}
