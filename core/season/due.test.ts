import type { SquadMember } from '../squad/athlete';
import { daysAfter } from '../units/dayNumber';
import { racesToEnter, threadsToDecide, turnsOfSession, withoutResult, withStaleMarks } from './due';
import { layOutSeason } from './layout/layOut';
import { emptySeason, seasonFrom } from './templates/seasonFrom';
import { daysOf, type SeasonPlan } from './season';
import { seasonTemplates, type SeasonTemplate } from './templates/templates';

const TODAY = '2026-11-28';
const athlete = (id: string, marks: SquadMember['marks'], more: Partial<SquadMember> = {}): SquadMember => ({
  id,
  name: id,
  tileName: id,
  status: 'training',
  marks,
  ...more,
});
const mark = (date: string, more: Partial<SquadMember['marks'][number]> = {}) => ({
  date,
  distanceM: 5000,
  timeS: 1100,
  kind: 'race' as const,
  ...more,
});

test('marks are stale after eight weeks; whoever is away is not asked for one', () => {
  const squad = [
    athlete('fresh', [mark('2026-10-10')]),
    athlete('stale', [mark('2026-09-01')]),
    athlete('none', []),
    athlete('out', [mark('2026-11-01', { leftOut: true })]),
    athlete('away', [], { status: 'away' }),
  ];
  expect(withStaleMarks(squad, TODAY).map(({ id }) => id)).toEqual(['stale', 'none', 'out']);
});

test('a race asks for its times until each is a mark, for three weeks', () => {
  const entries = [
    { athleteId: 'ada', distanceM: 5000 },
    { athleteId: 'bo', distanceM: 1500 },
  ];
  const race = { id: 'r', date: '2026-11-20', name: 'Open', weight: 'B' as const, entries };
  const season = emptySeason({ firstDay: '2026-09-01', races: [race] }, 20);
  const ada = athlete('ada', [mark(race.date)]);
  expect(withoutResult(race, [ada]).map(({ athleteId }) => athleteId)).toEqual(['bo']);
  expect(racesToEnter(season, [ada], TODAY)).toHaveLength(1);
  const bo = athlete('bo', [mark(race.date, { distanceM: 1500, timeS: 280 })]);
  expect(racesToEnter(season, [ada, bo], TODAY)).toEqual([]);
  expect(racesToEnter(season, [ada], '2026-12-20')).toEqual([]);
  expect(racesToEnter(season, [ada], '2026-11-19')).toEqual([]);
});

describe('a thread asks what comes next', () => {
  const [FIVE_K] = seasonTemplates as [SeasonTemplate];
  const plan = seasonFrom(FIVE_K, {
    firstDay: '2026-09-07',
    races: [{ id: 'r', date: '2026-11-29', name: 'Harbour meeting', weight: 'A' }],
  });
  const turns = daysOf(layOutSeason(plan)).filter((day) => day.thread?.id === 'thr');
  const [first, second] = turns.map(({ date }) => date) as [string, string];
  const written: SeasonPlan = {
    ...plan,
    fixed: [{ date: first, kind: 'hard', because: 'written', threadId: 'thr', step: 0, sessionId: 's' }],
  };
  const asked = (season: SeasonPlan, today: string, ran = ['s']) =>
    threadsToDecide(season, layOutSeason(season), new Set(ran), today).map(({ thread, ran: last, next }) => [
      thread.id,
      last.date,
      next,
    ]);
  test('in the week before its next turn, until the coach has said so', () => {
    expect(asked(written, daysAfter(second, -3))).toEqual([['thr', first, second]]);
    expect(asked(written, daysAfter(second, -8))).toEqual([]);
    const decided: SeasonPlan = { ...written, decisions: [{ threadId: 'thr', date: first, step: 'repeat' }] };
    expect(asked(decided, daysAfter(second, -3))).toEqual([]);
  });
  test('only after one that was run', () => {
    expect(asked(written, daysAfter(second, -3), [])).toEqual([]);
    expect(asked(plan, daysAfter(second, -3))).toEqual([]);
  });
  test('not where the next one is written already', () => {
    const both: SeasonPlan = {
      ...written,
      fixed: [...written.fixed, { date: second, kind: 'hard', because: 'written', threadId: 'thr', sessionId: 't' }],
    };
    expect(asked(both, daysAfter(second, -3))).toEqual([]);
  });
  test('a session knows which turn it was, and when the next one is', () => {
    const of = (season: SeasonPlan, today: string) =>
      turnsOfSession(season, layOutSeason(season), 's', today).map(({ thread, date, next }) => [thread.id, date, next]);
    expect(of(written, first)).toEqual([['thr', first, second]]);
    expect(of(written, '2027-01-01')).toEqual([['thr', first, undefined]]);
    expect(of(plan, first)).toEqual([]);
  });
});
