import { readSession } from '../../session/parseSession';
import { daysAfter } from '../../units/dayNumber';
import { layOutSeason } from '../layout/layOut';
import { lastDayOf, phasesOf } from '../phases';
import { emptySeason, rhythmWith, seasonFrom } from './seasonFrom';
import type { SeasonDay, SeasonWeek } from '../season';
import { phasesInText, seasonTemplates, type SeasonTemplate } from './templates';
import { ALL_THREADS } from '../threads/threads';
import { sessionOfDay } from '../threads/threadSession';

const MONDAY = '2026-09-07';
const SIGNS = { hard: 'H', long: 'L', easy: 'e', strides: 's', off: '.', race: 'R', free: '_' } as const;

const laid = (template: SeasonTemplate) =>
  layOutSeason(
    seasonFrom(template, {
      firstDay: MONDAY,
      races: template.hasRace
        ? [{ date: daysAfter(MONDAY, template.weeks * 7 - 1), name: 'Harbour meeting', weight: 'A' }]
        : [],
    }),
  );

const what = ({ kind, special, thread, amount, share }: SeasonDay) =>
  kind === 'hard'
    ? [`${special ?? (thread ? `${thread.id} ${thread.step + 1}` : '–')}${share === undefined ? '' : ` ×${share}`}`]
    : kind === 'long' && amount
      ? [`${amount.amount} ${amount.unit}`]
      : [];

/** `early eHseH.L thr 1, falling 1, 11 km`: the phase, Monday to Sunday, and what the hard days and the long run are. */
const line = ({ phase, days }: SeasonWeek) =>
  `${phase} ${days.map(({ kind }) => SIGNS[kind]).join('')} ${days.flatMap(what).join(', ')}`.trim();

/** By hand, from how each is meant to come out: week by number, the last one is race week where there is a race. */
const BY_HAND: Record<string, Record<number, string>> = {
  '5k-12': {
    1: 'base essee.L 9 km',
    3: 'transition eHseH.L back1 1, back2 1, 11 km',
    4: 'early eHseH.L thr 1 ×0.7, falling 1 ×0.7, 12 km',
    8: 'middle eHseH.L two-pace 1, falling 3, 14 km',
    9: 'middle eHseH.L gears 1, rehearsal, 14 km',
    11: 'late eHseH.L indicator, sharp 2 ×0.6, 7 km',
    12: 'race week eHes.sR sharpener',
  },
  '10k-16': {
    1: 'base essee.L 11 km',
    4: 'transition eHseH.L back1 1, back2 1, 14 km',
    5: 'early eHseH.L even600-10k 1 ×0.5, tempo 1 ×0.5, 15 km',
    9: 'middle eHseH.L mixed-10k 1, over-under 1, 18 km',
    13: 'late eHseH.L goal-10k 1, rehearsal, 18 km',
    15: 'taper eHseH.L indicator, goal-10k 2 ×0.6, 9 km',
    16: 'race week eHes.sR sharpener',
  },
  '1500-13-speed': {
    1: 'base sese.eL 8 km',
    2: 'early seHe.HL k5 1, p800 1, 9 km',
    6: 'middle seHe.HL thr 2, mile 2, 12 km',
    10: 'middle seHe.HL rehearsal, falling 3, 12 km',
    12: 'late seHe.HL indicator, goal-mile 2 ×0.6, 6 km',
    13: 'race week sHes.sR sharpener',
  },
  '1500-12-stamina': {
    1: 'base esees.L 6 km',
    4: 'transition eHeHs.L back1 1, back2 1, 9 km',
    5: 'early eHeHs.L cv-long 1, falling 1, 10 km',
    8: 'middle eHeHs.L mile 1, thr-short 2, 10 km',
    11: 'late eHeHs.L indicator, goal-mile 1, 5 km',
    12: 'race week eHes.sR sharpener',
  },
  'half-12': {
    1: 'base eseee.L 12 km',
    3: 'transition eHeHe.L back1 1, back2 1, 15 km',
    4: 'early eHeHe.L tempo 1 ×0.75, falling 1 ×0.75, 16.5 km',
    7: 'middle eHeHe.L cv-short 1, clock 1, 19.5 km',
    11: 'taper eHeHe.L indicator, half-pace 2 ×0.6, 10.5 km',
    12: 'race week eHes.sR sharpener',
  },
  'marathon-18': {
    1: 'base eseee.L 16 km',
    4: 'transition eHeHe.L back1 1, back2 1, 20 km',
    5: 'early eHeHe.L thr 1 ×0.7, falling 1 ×0.7, 22 km',
    9: 'middle eHeHe.L thr 3, falling 3, 28 km',
    15: 'taper eeeHe.L rehearsal, 34 km',
    17: 'taper eHeHe.L indicator, falling 6 ×0.6, 17 km',
    18: 'race week eHes.sR sharpener',
  },
  'first-eight': {
    1: 'base .ss.eeL 4 km',
    5: 'transition .Hs.HeL first200 1, back2 1, 7 km',
    6: 'early .Hs.HeL first200 2, first1200 1, 8 km',
    10: 'middle .Hs.HeL first200 6, trial, 10 km',
    12: 'middle .Hs.HeL first200 8 ×0.8, first1200 6 ×0.8, 8 km',
  },
  'four-to-six': {
    1: 'early eHe.seL fours 1, 8 km',
    2: 'early eHe.HeL thr-short 1, fours 2, 9 km',
    3: 'early eHe.seL indicator, 4.5 km',
    4: 'race week eHes.sR sharpener',
  },
  stages: {
    1: 'early eHe.HeL stages 1, thr 1, 8 km',
    6: 'early eHe.HeL stages 1, tempo 3, 12 km',
    12: 'early eHe.HeL stages 1 ×0.8, tempo 6 ×0.8, 11 km',
  },
  'back-4': {
    1: 'transition .He.Hee back1 1, back2 1',
    3: 'transition .He.Hee back1 3, back2 3',
    4: 'transition .He.Hee back1 4, back2 4',
  },
};

test.each(seasonTemplates.map((template) => [template.name, template] as const))(
  '%s comes out as by hand',
  (_, template) => {
    const weeks = laid(template);
    expect(weeks).toHaveLength(template.weeks);
    const byHand = BY_HAND[template.id] ?? {};
    expect(Object.fromEntries(Object.keys(byHand).map((n) => [n, line(weeks[Number(n) - 1] as SeasonWeek)]))).toEqual(
      byHand,
    );
  },
);

test('there are ten, each with a school in a line and threads that exist and can be read', () => {
  expect(seasonTemplates).toHaveLength(10);
  const ids = new Set(ALL_THREADS.map(({ id }) => id));
  for (const { threadIds, cycles, spareIds = [], school, specials } of seasonTemplates) {
    expect(school).toMatch(/^[^\n]+\.$/);
    for (const id of threadIds) expect(ids).toContain(id);
    for (const id of [...Object.values(cycles).flat(2), ...spareIds]) if (id !== null) expect(threadIds).toContain(id);
    for (const special of Object.values(specials)) expect(readSession(special.main, {}).problems).toEqual([]);
  }
});

test.each(ALL_THREADS.map((thread) => [thread.id, thread] as const))(
  'the thread %s can be read at every step, and never goes back',
  (_, thread) => {
    const texts = Array.from({ length: 12 }, (__, step) => {
      const session = sessionOfDay(
        { threads: [thread], specials: {} },
        { kind: 'hard', thread: { id: thread.id, step } },
      );
      if (session?.kind !== 'session') throw new Error('No session.');
      expect(readSession(session.shorthand, {}).problems).toEqual([]);
      return session.shorthand;
    });
    // A step that was left is not come to again.
    const changes = texts.filter((text, i) => i === 0 || text !== texts[i - 1]);
    expect(new Set(changes).size).toBe(changes.length);
  },
);

describe('too few weeks', () => {
  const before = (weeks: number) => {
    const [template] = seasonTemplates as [SeasonTemplate];
    return phasesOf(
      seasonFrom(template, {
        firstDay: MONDAY,
        races: [{ date: daysAfter(MONDAY, weeks * 7 - 1), name: 'Harbour meeting', weight: 'A' }],
      }),
    );
  };
  const text = (weeks: number) => {
    const { weeks: all } = before(weeks);
    return all
      .filter(({ place }) => place === 0)
      .map(({ phase, of }) => `${phase} ${of}`)
      .join(' · ');
  };
  test('phases give way in the order base, middle, early, late, and it says which', () => {
    expect(text(12)).toBe('base 2 · transition 1 · early 4 · middle 2 · late 2 · race week 1');
    expect(text(11)).toBe('base 1 · transition 1 · early 4 · middle 2 · late 2 · race week 1');
    expect(text(9)).toBe('base 1 · transition 1 · early 3 · middle 1 · late 2 · race week 1');
    expect(text(4)).toBe('early 2 · late 1 · race week 1');
    expect(text(2)).toBe('late 1 · race week 1');
    expect(text(1)).toBe('race week 1');
    expect(before(12).leftOut).toEqual([]);
    expect(before(4).leftOut.map(({ text }) => text)).toEqual([
      'The base phase falls out: too few weeks before Harbour meeting.',
      'The transition phase falls out: too few weeks before Harbour meeting.',
      'The early phase has 2 weeks in place of 4: too few weeks before Harbour meeting.',
      'The middle phase falls out: too few weeks before Harbour meeting.',
      'The late phase has 1 week in place of 2: too few weeks before Harbour meeting.',
    ]);
  });
  test('more weeks are base first', () => {
    expect(text(15)).toBe('base 5 · transition 1 · early 4 · middle 2 · late 2 · race week 1');
  });
});

test('the number of hard days is the coach’s', () => {
  const [template] = seasonTemplates as [SeasonTemplate];
  const hard = (n: number) => rhythmWith(template.rhythm, n).filter((kind) => kind === 'hard').length;
  expect([1, 2, 3].map(hard)).toEqual([1, 2, 3]);
});

test('an empty season is free days and its races', () => {
  const season = emptySeason({ firstDay: MONDAY, races: [{ date: '2026-09-20', name: 'Relay', weight: 'C' }] }, 3);
  const kinds = layOutSeason(season).flatMap(({ days }) => days.map(({ kind }) => kind));
  expect(kinds.filter((kind) => kind !== 'free')).toEqual(['race']);
  expect(kinds).toHaveLength(21);
});

test('phases in a line', () => expect(phasesInText(seasonTemplates[9]?.phases ?? [])).toBe('transition 4'));

test('a season ends with the week of its last race', () => {
  const [template] = seasonTemplates as [SeasonTemplate];
  const race = (days: number) => ({ date: daysAfter(MONDAY, days), name: 'Harbour meeting', weight: 'A' as const });
  const end = (days: number) => lastDayOf(seasonFrom(template, { firstDay: MONDAY, races: [race(days)] }));
  expect([end(83), end(80)]).toEqual([daysAfter(MONDAY, 83), daysAfter(MONDAY, 83)]);
});
