import type { SquadMember } from '../squad/athlete';
import { racesToEnter, withoutResult, withStaleMarks } from './due';
import { emptySeason } from './seasonFrom';

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
