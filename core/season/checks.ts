/**
 * What a coach would want to look at again in a season: soft, each with its reason and, where there is one, a change that mends it. Thresholds
 * are common coaching practice; local rules and qualified advice come first.
 */
import { ageInYear, weeksRunning, YOUNG_UNDER, type SquadMember } from '../squad/athlete';
import { dateOfDay, dayNumber } from '../units/dayNumber';
import { listed } from '../units/listed';
import type { SeasonChange } from './changes';
import { exceptionOn, EXCEPTION_WORDS } from './exceptions';
import { dayMinutes, weekMinutes } from './load';
import { COMES_OVER, EASY_WEEKS, MOST_WEEKS, peaksOf, phasesOf, racesOf } from './phases';
import { RACE_WEEK_DAYS, TAPER_DAYS, taperDaysOf, weightOf } from './raceDays';
import type { SeasonDay, SeasonPlan, SeasonWeek, Thread } from './season';

export type SeasonCheck = {
  code: string;
  date: string;
  says: string;
  mend?: { says: string; change: SeasonChange };
};

/** What else is known, where it is. */
export type CheckContext = {
  /** Who the season is for. */
  athletes?: readonly SquadMember[];
  /** Ids of threads whose library session or progression is gone. */
  goneThreadIds?: readonly string[];
  /** Who is ticked for a session on a day, where the coach has decided it. */
  planned?: readonly { date: string; athleteIds: readonly string[] }[];
};

type Source = {
  season: SeasonPlan;
  weeks: readonly SeasonWeek[];
  days: readonly SeasonDay[];
  /** The place of a day in `days`. */
  placeOf: (date: string) => number;
  threads: ReadonlyMap<string, Thread>;
  context: CheckContext;
};

type Rule = (source: Source) => SeasonCheck[];

const isSettled = ({ because }: SeasonDay) => because === 'written' || because === 'past';
const makeEasy = (date: string, says = 'Make it an easy day'): SeasonCheck['mend'] => ({
  says,
  change: { kind: 'setDay', date, day: { kind: 'easy' } },
});

/** Of two days the one that may be changed, the later one first. */
function mendOneOf(first: SeasonDay, second: SeasonDay): Pick<SeasonCheck, 'mend'> {
  const day = [second, first].find((one) => one.kind === 'hard' && !isSettled(one));
  const mend = day && makeEasy(day.date, day === second ? 'Make the second one easy' : 'Make the first one easy');
  return mend ? { mend } : {};
}

const hardInARow: Rule = ({ days }) =>
  days.flatMap((day, i) => {
    const before = days[i - 1];
    if (!before) return [];
    const pair = { date: day.date, ...mendOneOf(before, day) };
    if (day.kind === 'hard' && before.kind === 'hard')
      return [
        {
          ...pair,
          code: 'hard-in-a-row',
          says: 'Two hard days in a row: the second is run on tired legs, and neither is what it could be.',
        },
      ];
    if (day.kind === 'hard' && before.kind === 'race')
      return [
        { ...pair, code: 'hard-after-race', says: 'A hard day straight after a race: give the legs a day first.' },
      ];
    if (day.kind === 'race' && before.kind === 'hard')
      return [{ ...pair, code: 'hard-before-race', says: 'A hard day on the day before a race.' }];
    return [];
  });

const besideLong: Rule = ({ days, season }) =>
  days.flatMap((day, i) => {
    const before = days[i - 1];
    if (!before) return [];
    const pair = { date: day.date, ...mendOneOf(before, day) };
    if (day.kind === 'hard' && before.kind === 'long')
      return [{ ...pair, code: 'hard-after-long', says: 'A hard day straight after the long run.' }];
    if (day.kind === 'long' && before.kind === 'hard' && !season.schools.isLongAfterHard)
      return [{ ...pair, code: 'long-after-hard', says: 'The long run is on the day after a hard day.' }];
    return [];
  });

const MOST_HARD_ROUND_RACE = 2;

const tooManyHard: Rule = ({ days, placeOf, season }) =>
  racesOf(season).flatMap(({ date, name }) => {
    const place = placeOf(date);
    for (let from = Math.max(0, place - 6); from <= place; from++) {
      const hard = days.slice(from, from + 7).filter(({ kind }) => kind === 'hard');
      if (hard.length <= MOST_HARD_ROUND_RACE) continue;
      const movable = hard.filter((day) => !isSettled(day));
      const nearest = movable.sort((a, b) => Math.abs(placeOf(a.date) - place) - Math.abs(placeOf(b.date) - place))[0];
      const mend = nearest && makeEasy(nearest.date, 'Make the one nearest to the race easy');
      const says = `${hard.length} hard days and ${name} within seven days: two and a race are enough.`;
      return [{ code: 'too-many-hard', date, says, ...(mend ? { mend } : {}) }];
    }
    return [];
  });

function hardThreads({ threads }: Source, { days }: SeasonWeek) {
  return days.flatMap((day) => {
    const thread = day.kind === 'hard' && day.thread ? threads.get(day.thread.id) : undefined;
    return thread ? [{ day, thread }] : [];
  });
}

const thresholdAndCritical: Rule = (source) => {
  if (source.season.schools.mixesThreshold) return [];
  return source.weeks.flatMap((week) => {
    const hard = hardThreads(source, week);
    const threshold = hard.find(({ thread }) => thread.intent === 'threshold');
    const critical = hard.find(({ thread }) => thread.intent.startsWith('critical-speed'));
    if (!threshold || !critical) return [];
    const later = threshold.day.date > critical.day.date ? threshold : critical;
    const says = `“${threshold.thread.name}” and “${critical.thread.name}” in one week: one of the two is usually taken in place of the other.`;
    const change: SeasonChange = { kind: 'set', set: { schools: { ...source.season.schools, mixesThreshold: true } } };
    return [
      {
        code: 'threshold-and-critical',
        date: later.day.date,
        says,
        mend: { says: 'This season mixes the two', change },
      },
    ];
  });
};

const fartlekTwice: Rule = (source) =>
  source.weeks.flatMap((week) => {
    const hard = week.days.filter(({ kind }) => kind === 'hard');
    const fartlek = hardThreads(source, week).filter(({ thread }) => thread.intent === 'fartlek');
    const last = fartlek.at(-1);
    if (fartlek.length < 2 || hard.length < 3 || !last) return [];
    const mend = isSettled(last.day) ? undefined : makeEasy(last.day.date, 'Make the second fartlek an easy day');
    const says = 'Fartlek twice beside another hard day: it is harder than it looks.';
    return [{ code: 'fartlek-twice', date: last.day.date, says, ...(mend ? { mend } : {}) }];
  });

const FAST = new Set(['aerobic-power', 'race-pace', 'speed', 'test', 'indicator', 'rehearsal']);
/** Weeks of regular running before fast work or a trial. */
const BASE_WEEKS = 6;

const fastWithoutBase: Rule = ({ days, season, context }) => {
  const first = days.find(({ kind, intent }) => kind === 'hard' && intent !== undefined && FAST.has(intent));
  if (!first) return [];
  const few = (context.athletes ?? []).filter(
    (athlete) => (weeksRunning(athlete, first.date) ?? BASE_WEEKS) < BASE_WEEKS,
  );
  if (few.length === 0) return [];
  const names = listed(few.map(({ tileName }) => tileName));
  const says = `Fast work before there are ${BASE_WEEKS} weeks of running behind ${names}: easy running and strides first, or fewer reps for them.`;
  const place = season.phases.findIndex(({ phase }) => phase === 'base');
  const weeks = place < 0 ? undefined : season.phases[place]?.weeks;
  return [
    {
      code: 'fast-without-base',
      date: first.date,
      says,
      ...(weeks === undefined
        ? {}
        : { mend: { says: 'Two more weeks of base', change: { kind: 'phaseWeeks', place, weeks: weeks + 2 } } }),
    },
  ];
};

const hasHard = ({ days }: SeasonWeek) => days.some(({ kind }) => kind === 'hard');
const isWholeWeek = (season: SeasonPlan, { from }: SeasonWeek) => from >= season.firstDay;

const withoutTransition: Rule = ({ weeks }) =>
  weeks.flatMap((week, i) => {
    const before = weeks.slice(Math.max(0, i - EASY_WEEKS), i);
    const first = week.days.find(({ kind }) => kind === 'hard');
    if (!first || before.length < EASY_WEEKS || !COMES_OVER.includes(week.phase)) return [];
    if (before.some(hasHard) || before.some((one) => one.days.some(({ kind }) => kind === 'race'))) return [];
    const pinned = before.at(-1)?.days.find((day) => day.pinned);
    const says = 'Hard work straight after easy weeks: a week of few reps, full rests and the pace of now comes first.';
    const mend = pinned && {
      says: 'Let go of the pin before it',
      change: { kind: 'unpin' as const, date: pinned.date },
    };
    return [{ code: 'no-transition', date: first.date, says, ...(mend ? { mend } : {}) }];
  });

const tooSoon: Rule = ({ days, threads }) => {
  const last = new Map<string, SeasonDay>();
  return days.flatMap((day) => {
    const thread = day.kind === 'hard' && day.thread && !day.missed ? threads.get(day.thread.id) : undefined;
    if (!thread) return [];
    const before = last.get(thread.id);
    last.set(thread.id, day);
    const days0 = before ? dayNumber(day.date) - dayNumber(before.date) : Infinity;
    if (days0 >= thread.spacingDays) return [];
    const mend = isSettled(day)
      ? undefined
      : day.pinned
        ? { says: 'Let go of the pin', change: { kind: 'unpin' as const, date: day.date } }
        : makeEasy(day.date);
    const says = `“${thread.name}” again after ${days0} days: it wants ${thread.spacingDays} to do its work.`;
    return [{ code: 'thread-too-soon', date: day.date, says, ...(mend ? { mend } : {}) }];
  });
};

const RACE_PACE = new Set(['race-pace', 'indicator', 'rehearsal']);
const RACE_PACE_DAYS = 28;

const nothingAtRacePace: Rule = ({ days, placeOf, season, weeks, threads }) =>
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
    const says = `Nothing at race pace in the four weeks before ${race.name}: the pace of the race should feel familiar.`;
    return [
      {
        code: 'no-race-pace',
        date: race.date,
        says,
        ...(free && goal
          ? {
              mend: {
                says: `“${goal.name}” on the last free hard day`,
                change: { kind: 'setDay' as const, date: free.date, day: { kind: 'hard' as const, threadId: goal.id } },
              },
            }
          : {}),
      },
    ];
  });

const hardInTaper: Rule = ({ days, placeOf, season }) =>
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
      const says = `Hard work ${daysOut} days before ${race.name}: what is to be gained by training has been gained; fewer reps or an easy day.`;
      return [{ code: 'hard-in-taper', date: day.date, says, ...(mend ? { mend } : {}) }];
    });
  });

/** Up by more than a third. */
const JUMP = 4 / 3 + 0.01;

const longRunJump: Rule = ({ days, season }) => {
  const longs = days.filter((day) => day.kind === 'long' && day.amount);
  return longs.flatMap((day, i) => {
    const before = longs.slice(Math.max(0, i - 4), i).map(({ amount }) => amount?.amount ?? 0);
    const now = day.amount?.amount ?? 0;
    const unit = day.amount?.unit ?? 'km';
    // What was cut before a race says nothing about what they are used to.
    const most = Math.max(...before, season.longRun?.from ?? 0);
    if (before.length === 0 || now <= most * JUMP) return [];
    const { longRun } = season;
    const says = `The long run goes from ${most} to ${now} ${unit}: more than a third at once.`;
    const step = longRun && Math.max(0.5, Math.round(most * 0.15 * 2) / 2);
    return [
      {
        code: 'long-run-jump',
        date: day.date,
        says,
        ...(longRun && step !== undefined && step < longRun.step
          ? {
              mend: {
                says: `Grow by ${step} ${unit} a week`,
                change: { kind: 'set' as const, set: { longRun: { ...longRun, step } } },
              },
            }
          : {}),
      },
    ];
  });
};

/** A week is held against the most of so many before it. */
const WEEKS_BEFORE = 6;

const weekJump: Rule = ({ weeks, season }) =>
  weeks.flatMap((week, i) => {
    const before = weeks.slice(Math.max(0, i - WEEKS_BEFORE), i).filter((one) => isWholeWeek(season, one));
    if (before.length < 2) return [];
    const most = Math.max(...before.map(weekMinutes));
    const now = weekMinutes(week);
    if (most === 0 || now <= most * JUMP) return [];
    const day = week.days.find((one) => one.kind === 'hard' && !isSettled(one));
    const says = `This week is about ${Math.round((now / most - 1) * 100)} % more than any of the weeks before it.`;
    const isEnough = day && now - dayMinutes(day) + dayMinutes({ ...day, kind: 'easy' }) <= most * JUMP;
    const mend = isEnough && makeEasy(day.date, 'Make one hard day easy');
    return [{ code: 'week-jump', date: week.from, says, ...(mend ? { mend } : {}) }];
  });

const isYoung = (date: string) => (athlete: SquadMember) => (ageInYear(athlete, date) ?? YOUNG_UNDER) < YOUNG_UNDER;

const young: Rule = ({ weeks, season, context }) => {
  const names = listed((context.athletes ?? []).filter(isYoung(season.firstDay)).map(({ tileName }) => tileName));
  if (names === '') return [];
  const first = weeks.find(({ days }) => days.filter(({ kind }) => kind === 'hard').length > 2);
  const third = first?.days.filter(({ kind }) => kind === 'hard')[2];
  const tooMany: SeasonCheck[] = third
    ? [
        {
          code: 'young-hard-days',
          date: third.date,
          says: `More than two hard days a week for ${names} (under ${YOUNG_UNDER}): two are enough, with other sport beside them.`,
        },
      ]
    : [];
  const races = racesOf(season);
  const youngIds = new Set((context.athletes ?? []).filter(isYoung(season.firstDay)).map(({ id }) => id));
  const runs = (entries: readonly { athleteId: string }[] | undefined) =>
    new Set((entries ?? []).map(({ athleteId }) => athleteId).filter((id) => youngIds.has(id)));
  const following = races.flatMap((race, i): SeasonCheck[] => {
    const next = races[i + 1];
    if (!next || dayNumber(next.date) - dayNumber(race.date) !== 1) return [];
    const both = [...runs(race.entries)].filter((id) => runs(next.entries).has(id));
    const who = listed((context.athletes ?? []).filter(({ id }) => both.includes(id)).map(({ tileName }) => tileName));
    return who === ''
      ? []
      : [{ code: 'young-races', date: next.date, says: `Races on following days for ${who} (under ${YOUNG_UNDER}).` }];
  });
  return [...tooMany, ...following];
};

const unknownException: Rule = ({ season, context }) =>
  (context.planned ?? []).flatMap(({ date, athleteIds }) =>
    athleteIds.flatMap((athleteId): SeasonCheck[] => {
      const found = exceptionOn(season.exceptions, athleteId, date);
      if (!found || found.isEasing) return [];
      const name = context.athletes?.find(({ id }) => id === athleteId)?.tileName ?? 'Somebody';
      const says = `${name} is ticked for this day, but ${found.exception.kind === 'race' ? '' : 'is '}${EXCEPTION_WORDS[found.exception.kind]} then.`;
      return [{ code: 'exception-unknown', date, says }];
    }),
  );

const noTaper: Rule = ({ season }) => {
  const peaks = peaksOf(season);
  return racesOf(season).flatMap((race): SeasonCheck[] => {
    const weight = weightOf(season, race, peaks);
    const { least, usual } = TAPER_DAYS[weight];
    if (race.taperDays === undefined || race.taperDays >= least) return [];
    const change: SeasonChange = { kind: 'putRace', race: { ...race, taperDays: usual } };
    const says = `${race.name} has ${race.taperDays === 0 ? 'no days' : `only ${race.taperDays} days`} of less work before it.`;
    return [{ code: 'no-taper', date: race.date, says, mend: { says: `Taper for ${usual} days`, change } }];
  });
};

const heat: Rule = ({ days, season }) => {
  const months = new Set(season.heatMonths ?? []);
  const first = days.find(
    ({ kind, date }) => (kind === 'hard' || kind === 'race') && months.has(Number(date.slice(5, 7))),
  );
  if (!first) return [];
  const says =
    'Hard days in the hot months: early or late in the day, shade and water, fewer reps; the club’s own rules for heat come first.';
  return [{ code: 'heat', date: first.date, says }];
};

const racePlaces: Rule = ({ season }) => {
  const first = dayNumber(season.firstDay);
  const outside = season.races.flatMap((race): SeasonCheck[] => {
    const day = dayNumber(race.date);
    if (!(day < first) && day < first + MOST_WEEKS * 7) return [];
    const says =
      day < first
        ? `${race.name} is before the season’s first day: it is kept, and nothing is laid back from it.`
        : `${race.name} is more than ${MOST_WEEKS} weeks after the first day: nothing is laid back from it. Begin a season of its own.`;
    const change: SeasonChange = { kind: 'set', set: { firstDay: dateOfDay(day - 27) } };
    return [
      {
        code: day < first ? 'race-before-start' : 'race-too-far',
        date: race.date,
        says,
        ...(day < first ? { mend: { says: 'Begin the season four weeks before it', change } } : {}),
      },
    ];
  });
  const peaks = peaksOf(season);
  const twice = racesOf(season).flatMap((race): SeasonCheck[] => {
    if (race.weight !== 'A' || peaks.includes(race)) return [];
    const change: SeasonChange = { kind: 'putRace', race: { ...race, weight: 'B' } };
    const says = `${race.name} comes within a fortnight of another A race: the season is laid back from the first, and this one is freshened for.`;
    return [{ code: 'two-a-races', date: race.date, says, mend: { says: 'Make it a B race', change } }];
  });
  return [...outside, ...twice];
};

const phaseTooLong: Rule = ({ season, weeks }) => {
  const kept = season.phases.filter(({ isKept }) => isKept);
  if (kept.length === 0) return [];
  const { leftOut } = phasesOf(season);
  return kept.flatMap(({ phase, weeks: wanted }): SeasonCheck[] => {
    const short = leftOut.find((one) => one.phase === phase && one.planned === wanted);
    return short
      ? [
          {
            code: 'phase-too-long',
            date: weeks[0]?.from ?? season.firstDay,
            says: `The ${phase} phase was to have ${wanted} weeks; there is room for ${short.weeks}.`,
          },
        ]
      : [];
  });
};

const goneThreads: Rule = ({ days, threads, context }) => {
  const gone = new Set(context.goneThreadIds ?? []);
  const told = new Set<string>();
  return days.flatMap((day): SeasonCheck[] => {
    const id = day.thread?.id;
    if (day.kind !== 'hard' || id === undefined || !gone.has(id) || told.has(id)) return [];
    told.add(id);
    const name = threads.get(id)?.name ?? 'A thread';
    return [
      {
        code: 'thread-gone',
        date: day.date,
        says: `“${name}” names a session that is no longer in the library: choose another for it.`,
      },
    ];
  });
};

const danglingPins: Rule = ({ season, threads }) =>
  season.fixed.flatMap((fixed): SeasonCheck[] =>
    fixed.threadId !== undefined && !threads.has(fixed.threadId) && fixed.because === 'pinned'
      ? [
          {
            code: 'thread-gone',
            date: fixed.date,
            says: 'This day was pinned for a thread that is no longer in the season.',
            mend: { says: 'Let go of the pin', change: { kind: 'unpin', date: fixed.date } },
          },
        ]
      : [],
  );

const RULES: readonly Rule[] = [
  racePlaces,
  hardInARow,
  besideLong,
  tooManyHard,
  hardInTaper,
  noTaper,
  withoutTransition,
  fastWithoutBase,
  tooSoon,
  nothingAtRacePace,
  thresholdAndCritical,
  fartlekTwice,
  longRunJump,
  weekJump,
  young,
  unknownException,
  phaseTooLong,
  goneThreads,
  danglingPins,
  heat,
];

/** What to look at again in a season that was laid out, by date; empty for a template as it comes. */
export function checkSeason(
  season: SeasonPlan,
  weeks: readonly SeasonWeek[],
  context: CheckContext = {},
): SeasonCheck[] {
  const days = weeks.flatMap((week) => week.days);
  const begin = dayNumber(days[0]?.date ?? season.firstDay);
  const source: Source = {
    season,
    weeks,
    days,
    placeOf: (date) => dayNumber(date) - begin,
    threads: new Map(season.threads.map((thread) => [thread.id, thread])),
    context,
  };
  return RULES.flatMap((rule) => rule(source)).sort((a, b) => (a.date < b.date ? -1 : a.date > b.date ? 1 : 0));
}
