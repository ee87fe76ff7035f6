/** Hard days beside each other, and what shares a week. */
import { isCritical, isFartlek, isThreshold } from '../threads/threadKinds';
import type { SeasonChange } from '../changes';
import { isSettled, makeEasy, mendOneOf, type CheckSource, type CheckRule } from './checkRule';
import { COMES_OVER, EASY_WEEKS, racesOf } from '../phases';
import type { SeasonWeek } from '../season';

const hardInARow: CheckRule = ({ days }) =>
  days.flatMap((day, i) => {
    const before = days[i - 1];
    if (!before) return [];
    const pair = { date: day.date, ...mendOneOf(before, day) };
    if (day.kind === 'hard' && before.kind === 'hard')
      return [
        {
          ...pair,
          code: 'hard-in-a-row',
          text: 'Two hard days in a row: the second is run on tired legs, and neither is what it could be.',
        },
      ];
    if (day.kind === 'hard' && before.kind === 'race')
      return [
        { ...pair, code: 'hard-after-race', text: 'A hard day straight after a race: give the legs a day first.' },
      ];
    if (day.kind === 'race' && before.kind === 'hard')
      return [{ ...pair, code: 'hard-before-race', text: 'A hard day on the day before a race.' }];
    return [];
  });

/** A week that cannot be as it is written: one of the two was moved or left out. */
const rhythmTooTight: CheckRule = ({ season }) => {
  const { rhythm } = season;
  const isTight = rhythm.some((kind, i) => kind === 'hard' && rhythm[(i + 1) % rhythm.length] === 'hard');
  const text =
    'The usual week has hard days in a row: one of them is moved to where it stands apart, or left out. Pin the days to have it so.';
  return isTight ? [{ code: 'rhythm-too-tight', date: season.firstDay, text }] : [];
};

const besideLong: CheckRule = ({ days, season }) =>
  days.flatMap((day, i) => {
    const before = days[i - 1];
    if (!before) return [];
    const pair = { date: day.date, ...mendOneOf(before, day) };
    if (day.kind === 'hard' && before.kind === 'long')
      return [{ ...pair, code: 'hard-after-long', text: 'A hard day straight after the long run.' }];
    if (day.kind === 'long' && before.kind === 'hard' && !season.schools.isLongAfterHard)
      return [{ ...pair, code: 'long-after-hard', text: 'The long run is on the day after a hard day.' }];
    return [];
  });

const MOST_HARD_ROUND_RACE = 2;

const tooManyHard: CheckRule = ({ days, placeOf, season }) =>
  racesOf(season).flatMap(({ date, name }) => {
    const place = placeOf(date);
    for (let from = Math.max(0, place - 6); from <= place; from++) {
      const hard = days.slice(from, from + 7).filter(({ kind }) => kind === 'hard');
      if (hard.length <= MOST_HARD_ROUND_RACE) continue;
      const movable = hard.filter((day) => !isSettled(day));
      const nearest = movable.sort((a, b) => Math.abs(placeOf(a.date) - place) - Math.abs(placeOf(b.date) - place))[0];
      const mend = nearest && makeEasy(nearest.date, 'Make the one nearest to the race easy');
      const text = `${hard.length} hard days and ${name} within seven days: two and a race are enough.`;
      return [{ code: 'too-many-hard', date, text, ...(mend ? { mend } : {}) }];
    }
    return [];
  });

function hardThreads({ threads }: CheckSource, { days }: SeasonWeek) {
  return days.flatMap((day) => {
    const thread = day.kind === 'hard' && day.thread ? threads.get(day.thread.id) : undefined;
    return thread ? [{ day, thread }] : [];
  });
}

const thresholdAndCritical: CheckRule = (source) => {
  if (source.season.schools.mixesThreshold) return [];
  return source.weeks.flatMap((week) => {
    const hard = hardThreads(source, week);
    const threshold = hard.find(({ thread }) => isThreshold(thread));
    const critical = hard.find(({ thread }) => isCritical(thread));
    if (!threshold || !critical) return [];
    const later = threshold.day.date > critical.day.date ? threshold : critical;
    const text = `“${threshold.thread.name}” and “${critical.thread.name}” in one week: one of the two is usually taken in place of the other.`;
    const change: SeasonChange = { kind: 'set', set: { schools: { ...source.season.schools, mixesThreshold: true } } };
    return [
      {
        code: 'threshold-and-critical',
        date: later.day.date,
        text,
        mend: { text: 'This season mixes the two', change },
      },
    ];
  });
};

const fartlekTwice: CheckRule = (source) =>
  source.weeks.flatMap((week) => {
    const hard = week.days.filter(({ kind }) => kind === 'hard');
    const fartlek = hardThreads(source, week).filter(({ thread }) => isFartlek(thread));
    const last = fartlek.at(-1);
    if (fartlek.length < 2 || hard.length < 3 || !last) return [];
    const mend = isSettled(last.day) ? undefined : makeEasy(last.day.date, 'Make the second fartlek an easy day');
    const text = 'Fartlek twice beside another hard day: it is harder than it looks.';
    return [{ code: 'fartlek-twice', date: last.day.date, text, ...(mend ? { mend } : {}) }];
  });

const hasHard = ({ days }: SeasonWeek) => days.some(({ kind }) => kind === 'hard');

const withoutTransition: CheckRule = ({ weeks }) =>
  weeks.flatMap((week, i) => {
    const before = weeks.slice(Math.max(0, i - EASY_WEEKS), i);
    const first = week.days.find(({ kind }) => kind === 'hard');
    if (!first || before.length < EASY_WEEKS || !COMES_OVER.includes(week.phase)) return [];
    if (before.some(hasHard) || before.some((week) => week.days.some(({ kind }) => kind === 'race'))) return [];
    const pinned = before.at(-1)?.days.find((day) => day.pinned);
    const text = 'Hard work straight after easy weeks: a week of few reps, full rests and the pace of now comes first.';
    const mend = pinned && {
      text: 'Let go of the pin before it',
      change: { kind: 'unpin' as const, date: pinned.date },
    };
    return [{ code: 'no-transition', date: first.date, text, ...(mend ? { mend } : {}) }];
  });

export const HARD_DAY_CHECKS: readonly CheckRule[] = [
  rhythmTooTight,
  hardInARow,
  besideLong,
  tooManyHard,
  withoutTransition,
  thresholdAndCritical,
  fartlekTwice,
];
