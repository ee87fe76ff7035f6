/**
 * What a season can begin from: for whom, after which school, and what it is made of. Data to copy and change; numbers are for a grown club
 * runner, and the volume guides scale them for others.
 */
import type { CycleWeek, LongRun, Phase, PhasePlan, Rhythm, SeasonPlan } from '../season';

export type SeasonTemplate = {
  id: string;
  name: string;
  forWhom: string;
  /** The school it follows, in a line. */
  school: string;
  /** Weeks in all, race week included where there is one. */
  weeks: number;
  /** It leads to a race. */
  hasRace: boolean;
  threadIds: readonly string[];
} & Pick<
  SeasonPlan,
  'rhythm' | 'cycles' | 'longRun' | 'specials' | 'schools' | 'taperDays' | 'indicatorDays' | 'trialWeek' | 'spareIds'
> & { phases: readonly PhasePlan[] };

const phase = (name: PhasePlan['phase'], weeks: number, least: number, most: number): PhasePlan => ({
  phase: name,
  weeks,
  least,
  most,
});

const BACK: readonly CycleWeek[] = [['back1', 'back2']];

/** Monday to Sunday; the usual week of two hard days and a long run. */
const TUESDAY_FRIDAY: Rhythm = ['easy', 'hard', 'strides', 'easy', 'hard', 'off', 'long'];
const TUESDAY_THURSDAY: Rhythm = ['easy', 'hard', 'easy', 'hard', 'easy', 'off', 'long'];

const long = (from: number, step: number, most: number, lastDays = 14, parts?: LongRun['parts']): LongRun => ({
  unit: 'km',
  from,
  step,
  most,
  easierEvery: 4,
  lastDays,
  ...(parts ? { parts } : {}),
});

/** Light on the legs, for a day on which nothing else may come yet. */
const SPARE = ['falling', 'clock'] as const;

const SHARPENER_LONG = {
  title: 'Race week, sharp',
  intent: 'race-pace',
  main: 'main: 8min @threshold / 3:00 walk, 4x150 @800 / 150m walk',
} as const;
const SHARPENER_SHORT = {
  title: 'Race week, a few quick ones',
  intent: 'race-pace',
  main: 'main: 5x200 @goal 1500 / 200m walk',
} as const;

export const seasonTemplates: readonly SeasonTemplate[] = [
  {
    id: '5k-12',
    name: '5k, 12 weeks',
    forWhom: '3000 m to 5 km runners who race on a day they know.',
    school: 'Two hard days and a long run: stamina first, 5k pace in the middle, sharp at the end.',
    weeks: 12,
    hasRace: true,
    phases: [
      phase('base', 2, 1, 6),
      phase('transition', 1, 1, 2),
      phase('early', 4, 2, 6),
      phase('middle', 2, 1, 5),
      phase('late', 2, 1, 3),
    ],
    rhythm: TUESDAY_FRIDAY,
    threadIds: [
      'thr',
      'clock',
      'even300',
      'falling',
      'tempo',
      'two-pace',
      'gears',
      'sharp',
      'thr-short',
      'k3',
      'back1',
      'back2',
    ],
    cycles: {
      transition: BACK,
      early: [
        ['thr', 'falling'],
        ['clock', 'tempo'],
        ['even300', 'falling'],
      ],
      middle: [
        ['two-pace', 'falling'],
        ['gears', 'thr'],
      ],
      late: [
        ['sharp', 'thr-short'],
        ['k3', 'sharp'],
      ],
    },
    spareIds: SPARE,
    longRun: long(9, 1, 14),
    specials: {
      rehearsal: {
        title: 'The race in two pieces',
        intent: 'rehearsal',
        arc: { first: 9, middle: 9, last: 9.5 },
        main: 'main: 3000 @goal 5k / 5:00 jog, 2x1000 @goal 5k / 2:00 jog',
      },
      indicator: { title: 'Is it there?', intent: 'indicator', main: 'main: 6x900 @goal 5k / 100s jog' },
      sharpener: SHARPENER_LONG,
    },
    taperDays: 10,
    schools: {},
  },
  {
    id: '10k-16',
    name: '10k or cross-country, 16 weeks',
    forWhom: '5 km to 10 km and cross-country runners with a winter before them.',
    school: 'Long even work first, then changes between 10k and 5k; a tempo may share its week with 10k pace.',
    weeks: 16,
    hasRace: true,
    phases: [
      phase('base', 3, 2, 8),
      phase('transition', 1, 1, 2),
      phase('early', 4, 2, 6),
      phase('middle', 4, 2, 6),
      phase('late', 2, 1, 3),
      phase('taper', 1, 1, 1),
    ],
    rhythm: TUESDAY_FRIDAY,
    threadIds: [
      'even600-10k',
      'tempo',
      'thr',
      'falling',
      'clock',
      'mixed-10k',
      'over-under',
      'gears',
      'goal-10k',
      'sharp',
      'k5',
      'thr-short',
      'back1',
      'back2',
    ],
    cycles: {
      transition: BACK,
      early: [
        ['even600-10k', 'tempo'],
        ['thr', 'falling'],
      ],
      middle: [
        ['mixed-10k', 'over-under'],
        ['gears', 'thr'],
      ],
      late: [
        ['goal-10k', 'thr-short'],
        ['sharp', 'clock'],
      ],
      taper: [['k5', 'goal-10k']],
    },
    spareIds: SPARE,
    longRun: long(11, 1, 18),
    specials: {
      rehearsal: {
        title: 'The race in three pieces',
        intent: 'rehearsal',
        main: 'main: 5000 @goal 10k / 5:00 jog, 3000 @goal 10k / 3:00 jog, 1000 @goal 5k',
      },
      indicator: { title: 'Is it there?', intent: 'indicator', main: 'main: 5x1600 @goal 10k / 2:00 jog' },
      sharpener: SHARPENER_LONG,
    },
    taperDays: 12,
    schools: { mixesThreshold: true },
  },
  {
    id: '1500-13-speed',
    name: '800 and 1500, 13 weeks, speed first',
    forWhom: 'Middle-distance runners with some seasons behind them.',
    school:
      'All paces from the start, in blocks of three weeks that are held level and then raised; long run the day after a hard day.',
    weeks: 13,
    hasRace: true,
    phases: [phase('base', 1, 0, 4), phase('early', 3, 2, 6), phase('middle', 6, 3, 9), phase('late', 2, 1, 3)],
    rhythm: ['strides', 'easy', 'hard', 'easy', 'off', 'hard', 'long'],
    threadIds: ['k5', 'p800', 'thr', 'mile', 'k3', 'falling', 'goal-mile', 'thr-short', 'clock', 'back1', 'back2'],
    cycles: {
      transition: BACK,
      early: [
        ['k5', 'p800'],
        ['thr', 'mile'],
        ['k3', 'falling'],
      ],
      middle: [
        ['k5', 'p800'],
        ['thr', 'mile'],
        ['k3', 'falling'],
      ],
      late: [
        ['goal-mile', 'falling'],
        ['thr-short', 'goal-mile'],
      ],
    },
    spareIds: SPARE,
    longRun: long(8, 1, 12),
    specials: {
      rehearsal: {
        title: 'The race in two pieces',
        intent: 'rehearsal',
        arc: { first: 9.5, middle: 9.5, last: 9.5 },
        main: 'main: 1000 @goal 1500 / 6:00 walk, 500 @goal 1500',
      },
      indicator: {
        title: 'A 500 to see where they stand',
        intent: 'indicator',
        arc: { first: 7, middle: 7, last: 7.5 },
        main: 'main: 500 @max / 8:00 walk, 3x300 @goal 1500 / 3:00 walk',
      },
      sharpener: SHARPENER_SHORT,
    },
    taperDays: 9,
    schools: { isLongAfterHard: true },
  },
  {
    id: '1500-12-stamina',
    name: '800 and 1500, 12 weeks, stamina first',
    forWhom: '400 and 800 types and young runners.',
    school: 'Long reps with as much rest in place of harder ones; mile and 800 pace only from the middle on.',
    weeks: 12,
    hasRace: true,
    phases: [
      phase('base', 3, 2, 8),
      phase('transition', 1, 1, 2),
      phase('early', 3, 2, 6),
      phase('middle', 3, 2, 6),
      phase('late', 1, 1, 3),
    ],
    rhythm: ['easy', 'hard', 'easy', 'hard', 'strides', 'off', 'long'],
    threadIds: ['cv-long', 'falling', 'thr-short', 'clock', 'mile', 'p800', 'goal-mile', 'back1', 'back2'],
    cycles: {
      transition: BACK,
      early: [
        ['cv-long', 'falling'],
        ['thr-short', 'clock'],
      ],
      middle: [
        ['mile', 'thr-short'],
        ['p800', 'falling'],
        ['mile', 'cv-long'],
      ],
      late: [['mile', 'goal-mile']],
    },
    spareIds: SPARE,
    longRun: long(6, 1, 10),
    specials: {
      rehearsal: {
        title: 'The race in two pieces',
        intent: 'rehearsal',
        arc: { first: 8.5, middle: 8.5, last: 8 },
        main: 'main: 800 @goal 1500 / 6:00 walk, 400 @goal 1500',
      },
      indicator: {
        title: 'A 500 to see where they stand',
        intent: 'indicator',
        arc: { first: 6.5, middle: 6.5, last: 7 },
        main: 'main: 500 @max / 8:00 walk, 3x200 @goal 1500 / 3:00 walk',
      },
      sharpener: SHARPENER_SHORT,
    },
    taperDays: 9,
    schools: {},
  },
  {
    id: 'half-12',
    name: 'Half marathon, 12 weeks',
    forWhom: 'Road runners with a running base.',
    school: 'Tempo, threshold and 10k pace in turn; half-marathon pace inside the long run from the middle on.',
    weeks: 12,
    hasRace: true,
    phases: [
      phase('base', 2, 1, 8),
      phase('transition', 1, 1, 2),
      phase('early', 3, 2, 6),
      phase('middle', 4, 2, 7),
      phase('taper', 1, 1, 1),
    ],
    rhythm: TUESDAY_THURSDAY,
    threadIds: ['tempo', 'even600-10k', 'thr', 'falling', 'cv-short', 'clock', 'half-pace', 'back1', 'back2'],
    cycles: {
      transition: BACK,
      early: [
        ['tempo', 'falling'],
        ['even600-10k', 'thr'],
      ],
      middle: [
        ['cv-short', 'clock'],
        ['thr', 'even600-10k'],
        ['half-pace', 'falling'],
        ['tempo', 'cv-short'],
      ],
      taper: [['thr', 'half-pace']],
    },
    spareIds: SPARE,
    longRun: long(12, 1.5, 21, 14, {
      middle: '2 or 3 blocks of 3 km at half-marathon pace inside it',
      late: '2 or 3 blocks of 3 km at half-marathon pace inside it',
    }),
    specials: {
      rehearsal: {
        title: 'Half the race',
        intent: 'rehearsal',
        arc: { first: 6.5, middle: 7, last: 7.5 },
        main: 'main: 6km @goal half / 4:00 jog, 4km @goal half',
      },
      indicator: {
        title: 'Is it there?',
        intent: 'indicator',
        arc: { first: 5.5, middle: 6.5, last: 7 },
        main: 'main: 3x3000 @goal half / 2:00 jog',
      },
      sharpener: SHARPENER_LONG,
    },
    taperDays: 12,
    schools: { mixesThreshold: true },
  },
  {
    id: 'marathon-18',
    name: 'Marathon, 18 weeks',
    forWhom: 'Road runners who have run long before.',
    school: 'The long run is a hard day: one hard day beside it, and a light one.',
    weeks: 18,
    hasRace: true,
    phases: [
      phase('base', 3, 2, 10),
      phase('transition', 1, 1, 2),
      phase('early', 4, 2, 6),
      phase('middle', 6, 3, 8),
      phase('taper', 3, 2, 3),
    ],
    rhythm: TUESDAY_THURSDAY,
    threadIds: ['thr', 'falling', 'over-under', 'clock', 'tempo', 'half-pace', 'thr-short', 'back1', 'back2'],
    cycles: {
      transition: BACK,
      early: [
        ['thr', 'falling'],
        ['over-under', 'clock'],
      ],
      middle: [
        ['thr', 'falling'],
        ['half-pace', 'clock'],
        ['tempo', 'falling'],
        ['thr', 'clock'],
        ['half-pace', 'falling'],
        ['tempo', 'clock'],
      ],
      taper: [
        ['over-under', 'falling'],
        ['thr', 'clock'],
        ['thr-short', 'falling'],
      ],
    },
    spareIds: SPARE,
    longRun: long(16, 2, 34, 21, {
      middle:
        'over and under inside it: 1.5 km at half-marathon pace, 1.5 km 10 s a km slower than marathon pace, in turn',
    }),
    specials: {
      rehearsal: {
        title: 'Peak rehearsal',
        intent: 'rehearsal',
        arc: { first: 6.5, middle: 7, last: 7 },
        main: 'main: 12km @goal marathon / 4:00 jog, 5km @half',
      },
      indicator: {
        title: 'Is it there?',
        intent: 'indicator',
        arc: { first: 4.5, middle: 5, last: 5.5 },
        main: 'main: 3x3000 @goal marathon / 2:00 jog',
      },
      sharpener: SHARPENER_LONG,
    },
    taperDays: 14,
    schools: { isLongHard: true },
  },
  {
    id: 'first-eight',
    name: 'First weeks',
    forWhom: 'New runners, after four to six weeks of easy running.',
    school:
      'Strides from the first week, short reps that get more, long ones that get more; no trial before the sixth week.',
    weeks: 12,
    hasRace: false,
    phases: [phase('base', 4, 4, 6), phase('transition', 1, 1, 2), phase('early', 4, 2, 6), phase('middle', 3, 2, 6)],
    rhythm: ['off', 'hard', 'strides', 'off', 'hard', 'easy', 'long'],
    threadIds: ['first200', 'first1200', 'falling', 'back2'],
    cycles: {
      transition: [['first200', 'back2']],
      early: [['first200', 'first1200']],
      middle: [['first200', 'first1200']],
    },
    spareIds: ['falling'],
    longRun: long(4, 1, 10),
    specials: {
      trial: { title: 'A mile to see where they stand', intent: 'test', main: 'main: 1mi @max' },
      indicator: {
        title: 'Is it there?',
        intent: 'indicator',
        arc: { first: 5.5, middle: 6.5, last: 7.5 },
        main: 'main: 4x600 @goal 5k / 2:00 walk',
      },
      sharpener: SHARPENER_SHORT,
    },
    trialWeek: 6,
    taperDays: 7,
    schools: {},
  },
  {
    id: 'four-to-six',
    name: 'Four to six weeks to a race',
    forWhom: 'Whoever has run regularly, and races soon.',
    school: 'The least that helps: one session that grows, every eight to twelve days.',
    weeks: 4,
    hasRace: true,
    phases: [phase('early', 3, 2, 5)],
    rhythm: ['easy', 'hard', 'easy', 'off', 'hard', 'easy', 'long'],
    threadIds: ['fours', 'thr-short', 'clock', 'falling'],
    cycles: {
      early: [
        ['fours', null],
        ['thr-short', 'fours'],
        ['clock', null],
      ],
    },
    spareIds: SPARE,
    longRun: long(8, 1, 12),
    specials: {
      indicator: {
        title: 'Two long ones at goal pace',
        intent: 'indicator',
        arc: { first: 7, middle: 8.5, last: 9.5 },
        main: 'main: 2x2000 @goal 5k / 3:00 jog',
      },
      sharpener: SHARPENER_SHORT,
    },
    indicatorDays: [8, 14],
    taperDays: 7,
    schools: {},
  },
  {
    id: 'stages',
    name: 'Goal by stages',
    forWhom: 'Whoever has a goal and no date.',
    school:
      'Goal pace in longer and longer pieces; a step on when it was held, not by the date. A test race when the last stage is held.',
    weeks: 12,
    hasRace: false,
    phases: [phase('early', 12, 1, 52)],
    rhythm: ['easy', 'hard', 'easy', 'off', 'hard', 'easy', 'long'],
    threadIds: ['stages', 'thr', 'tempo', 'falling', 'clock'],
    cycles: {
      early: [
        ['stages', 'thr'],
        ['stages', 'tempo'],
      ],
    },
    spareIds: SPARE,
    longRun: long(8, 1, 14),
    specials: { sharpener: SHARPENER_LONG },
    taperDays: 7,
    schools: {},
  },
  {
    id: 'back-4',
    name: 'Back after a break, 4 weeks',
    forWhom: 'Whoever comes back from illness, injury or a long holiday, once they may run again.',
    school:
      'A little more each time at the pace of now, with full rests; stop before it gets hard. Then another template.',
    weeks: 4,
    hasRace: false,
    phases: [phase('transition', 4, 2, 8)],
    rhythm: ['off', 'hard', 'easy', 'off', 'hard', 'easy', 'easy'],
    threadIds: ['back1', 'back2'],
    cycles: { transition: BACK },
    specials: { sharpener: SHARPENER_SHORT },
    taperDays: 7,
    schools: {},
  },
];

/** What a template is laid out by, phase by phase, as a coach would say it: `base 2 · early 4`. */
export const phasesInText = (phases: readonly { phase: Phase; weeks: number }[]): string =>
  phases.map(({ phase: name, weeks }) => `${name} ${weeks}`).join(' · ');
