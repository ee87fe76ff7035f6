import type { SquadMember } from '../../squad/athlete';
import { daysAfter } from '../../units/dayNumber';
import { changeSeason, type SeasonChange } from '../changes';
import { checkSeason, type CheckContext } from './checks';
import { layOutSeason } from '../layout/layOut';
import { seasonFrom } from '../templates/seasonFrom';
import type { FixedDay, SeasonPlan } from '../season';
import { seasonTemplates, type SeasonTemplate } from '../templates/templates';

const MONDAY = '2026-09-07';
const RACE = { id: 'harbour', date: daysAfter(MONDAY, 83), name: 'Harbour meeting', weight: 'A' as const };
const [FIVE_K] = seasonTemplates as [SeasonTemplate];
const FOUR_WEEKS = seasonTemplates.find(({ id }) => id === 'four-to-six') as SeasonTemplate;
const season = seasonFrom(FIVE_K, { firstDay: MONDAY, races: [RACE] });
const on = (week: number, day: number) => daysAfter(MONDAY, (week - 1) * 7 + day);
const pin = (date: string, day: Partial<FixedDay> = {}): FixedDay => ({
  date,
  kind: 'hard',
  because: 'pinned',
  ...day,
});
const withPins = (...fixed: FixedDay[]): SeasonPlan => ({ ...season, fixed });

const checks = (plan: SeasonPlan, context?: CheckContext) => checkSeason(plan, layOutSeason(plan), context);
const codes = (plan: SeasonPlan) => checks(plan).map(({ code }) => code);
const athlete = (id: string, more: Partial<SquadMember> = {}): SquadMember => ({
  id,
  name: id,
  tileName: id,
  status: 'training',
  marks: [],
  bornYear: 2000,
  ...more,
});

/** Each with what brings it about; where there is a mend, it mends. */
const CASES: [code: string, plan: SeasonPlan, context?: CheckContext][] = [
  ['hard-in-a-row', withPins(pin(on(5, 1)), pin(on(5, 2)))],
  ['rhythm-too-tight', { ...season, rhythm: ['easy', 'hard', 'hard', 'easy', 'easy', 'off', 'long'] }],
  ['hard-after-long', withPins(pin(on(4, 6), { kind: 'long' }), pin(on(5, 0)))],
  ['long-after-hard', withPins(pin(on(5, 5)), pin(on(5, 6), { kind: 'long' }))],
  ['hard-before-race', withPins(pin(on(12, 5)))],
  [
    'hard-after-race',
    { ...withPins(pin(on(6, 6))), races: [RACE, { id: 'b', date: on(6, 5), name: 'Open', weight: 'C' }] },
  ],
  ['too-many-hard', withPins(pin(on(12, 0)), pin(on(12, 2)), pin(on(12, 4)))],
  ['hard-in-taper', withPins(pin(on(12, 3)))],
  ['no-taper', { ...season, races: [{ ...RACE, taperDays: 0 }] }],
  ['no-transition', withPins(pin(on(3, 1), { kind: 'easy' }), pin(on(3, 4), { kind: 'easy' }))],
  ['fast-without-base', season, { athletes: [athlete('Ada', { runningSince: daysAfter(MONDAY, 14) })] }],
  ['thread-too-soon', withPins(pin(on(4, 1), { threadId: 'thr' }), pin(on(5, 1), { threadId: 'thr' }))],
  [
    'no-race-pace',
    {
      ...season,
      specials: { sharpener: season.specials.sharpener! },
      cycles: { ...season.cycles, late: [['tempo', 'falling']], middle: [['thr', 'falling']] },
      spareIds: ['clock'],
      threads: season.threads.filter(({ id }) => id !== 'even300'),
    },
  ],
  [
    'threshold-and-critical',
    {
      ...withPins(pin(on(5, 1), { threadId: 'thr' }), pin(on(5, 4), { threadId: 'cv' })),
      threads: [
        ...season.threads,
        {
          id: 'cv',
          name: 'Critical',
          intent: 'critical-speed-short',
          stages: ['main: 400 @cv'],
          chain: [],
          spacingDays: 7,
        },
      ],
    },
  ],
  [
    'fartlek-twice',
    withPins(
      pin(on(5, 1), { threadId: 'clock' }),
      pin(on(5, 3), { threadId: 'falling' }),
      pin(on(5, 5), { threadId: 'k3' }),
    ),
  ],
  ['long-run-jump', { ...season, longRun: { ...season.longRun!, step: 5, most: 30 } }],
  ['week-jump', { ...season, longRun: { ...season.longRun!, step: 25, most: 60 } }],
  [
    'young-hard-days',
    seasonFrom(FIVE_K, { firstDay: MONDAY, races: [RACE], hardDays: 3 }),
    { athletes: [athlete('Kit', { bornYear: 2014 })] },
  ],
  [
    'young-races',
    {
      ...season,
      races: [
        RACE,
        { id: 'x', date: on(7, 5), name: 'Heats', weight: 'C', entries: [{ athleteId: 'Kit', distanceM: 800 }] },
        { id: 'y', date: on(7, 6), name: 'Final', weight: 'C', entries: [{ athleteId: 'Kit', distanceM: 800 }] },
      ],
    },
    { athletes: [athlete('Kit', { bornYear: 2014 })] },
  ],
  [
    'exception-unknown',
    { ...season, exceptions: [{ id: 'e', athleteId: 'Ada', kind: 'ill', from: on(5, 0), to: on(5, 6) }] },
    { athletes: [athlete('Ada')], planned: [{ date: on(5, 1), athleteIds: ['Ada'] }] },
  ],
  ['race-before-start', { ...season, races: [RACE, { id: 'old', date: '2026-08-30', name: 'Old', weight: 'B' }] }],
  ['race-too-far', { ...season, races: [RACE, { id: 'far', date: '2099-01-01', name: 'Far', weight: 'A' }] }],
  [
    'two-a-races',
    { ...season, races: [RACE, { id: 'two', date: daysAfter(RACE.date, -3), name: 'Two', weight: 'A' }] },
  ],
  ['phase-too-long', changeSeason(season, { kind: 'phaseWeeks', place: 2, weeks: 40 })],
  ['thread-gone', withPins(pin(on(5, 1), { threadId: 'nobody' }))],
  ['thread-gone', season, { goneThreadIds: ['thr'] }],
  ['heat', season, { heatMonths: [10] }],
  ['fast-without-base', season, { athletes: [athlete('Ada', { weeklyKm: 8 })] }],
  [
    'back-too-fast',
    {
      ...withPins(pin(on(6, 1), { threadId: 'k3' })),
      daysOff: [{ id: 'o', from: on(4, 5), to: on(5, 6), reason: 'x' }],
    },
  ],
  [
    'race-while-easing',
    {
      ...season,
      races: [
        RACE,
        { id: 'x', date: on(7, 5), name: 'Open', weight: 'C', entries: [{ athleteId: 'Ada', distanceM: 800 }] },
      ],
      exceptions: [{ id: 'e', athleteId: 'Ada', kind: 'ill', from: on(6, 0), to: on(7, 2) }],
    },
    { athletes: [athlete('Ada')] },
  ],
  [
    'long-break',
    {
      ...seasonFrom(FOUR_WEEKS, { firstDay: MONDAY, races: [] }),
      phases: [{ phase: 'early', weeks: 12, least: 1, most: 20 }],
      daysOff: [{ id: 'o', from: on(3, 0), to: on(7, 6), reason: 'closed' }],
    },
  ],
  [
    'two-seasons',
    season,
    { athletes: [athlete('Ada')], others: [{ season: { ...season, firstDay: '2026-08-31' }, lastDay: RACE.date }] },
  ],
  [
    'long-race-early',
    { ...season, races: [{ ...RACE, entries: [{ athleteId: 'Kit', distanceM: 42_195 }] }] },
    { athletes: [athlete('Kit', { bornYear: 2012 })] },
  ],
  ['long-on-the-feet', season, { athletes: [athlete('Ada')], easyMinPerKm: () => 12 }],
  ['session-on-day-off', season, { ownSessions: [{ id: 's', date: on(4, 5), title: 'Hills', isHard: true }] }],
  ['session-on-race-day', season, { ownSessions: [{ id: 's', date: RACE.date, title: 'Hills', isHard: true }] }],
  ['two-sessions', season, { ownSessions: [{ id: 's', date: on(4, 1), title: 'Hills', isHard: true }] }],
  ['session-beside-hard-day', season, { ownSessions: [{ id: 's', date: on(4, 2), title: 'Hills', isHard: true }] }],
];

describe.each(CASES.map(([code], i) => [code, i] as const))('%s', (code, i) => {
  const [, plan, context] = CASES[i] as (typeof CASES)[number];
  const of = (plan: SeasonPlan, date?: string, given = context) =>
    checks(plan, given).filter((check) => check.code === code && (date === undefined || check.date === date));
  test('is said in a sentence', () => {
    expect(of(plan)[0]?.text).toMatch(/^[A-Z0-9“].*\.$/);
  });
  test('is mended where a mend is offered', () => {
    const [found] = of(plan);
    const change = found?.mend?.change;
    const mended = change ? changeSeason(plan, change) : undefined;
    // A session that was taken into the season is not beside it any more.
    const left =
      change?.kind === 'adopt'
        ? { ...context, ownSessions: context?.ownSessions?.filter(({ id }) => id !== change.sessionId) ?? [] }
        : context;
    expect(mended ? of(mended, found?.date, left).length : 0).toBeLessThan(of(plan, found?.date).length);
  });
});

test('what is written or over is told of, with nothing offered that would change it', () => {
  const plan = withPins(pin(on(5, 1), { because: 'past' }), pin(on(5, 2), { because: 'written' }));
  const found = checks(plan).find(({ code }) => code === 'hard-in-a-row');
  expect(found).toBeDefined();
  expect(found?.mend).toBeUndefined();
});

test('a school’s choice is quiet', () => {
  const plan = withPins(pin(on(5, 5)), pin(on(5, 6), { kind: 'long' }));
  const change: SeasonChange = { kind: 'set', set: { schools: { isLongAfterHard: true } } };
  expect(codes(changeSeason(plan, change))).not.toContain('long-after-hard');
});

test('a race week is more by its race, and that is no jump', () => {
  const first = seasonTemplates.find(({ id }) => id === 'first-eight') as SeasonTemplate;
  const race = { date: '2027-04-24', name: 'First race', weight: 'A' as const };
  expect(codes(seasonFrom(first, { firstDay: '2027-03-30', races: [race], hardDays: 1 }))).toEqual([]);
});

describe('sessions are looked at only for those who take part, and only ahead', () => {
  const few = [athlete('Ada', { weeklyKm: 8 })];
  const fast = (context: CheckContext) =>
    checks(season, { athletes: few, ...context }).find(({ code }) => code === 'fast-without-base');
  const first = fast({})?.date ?? '';
  test('who is left out of the first fast one is named for the next', () => {
    const later = fast({ planned: [{ date: first, athleteIds: [], notIds: ['Ada'] }] });
    expect(later?.date.localeCompare(first)).toBe(1);
  });
  test('what was run, or is over, is not looked at any more', () => {
    expect(fast({ runDates: new Set([first]) })?.date).not.toBe(first);
    expect(fast({ today: daysAfter(first, 1) })?.date.localeCompare(first)).toBe(1);
  });
});
