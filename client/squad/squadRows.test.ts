import { paceBookById, athletePaces } from '@core/squad/athletePaces';
import type { SquadMember } from '@core/squad/athlete';
import { curveBook, SHIPPED_PACE_BOOKS } from '@core/paces/shippedPaceBooks';
import { arrangeSquad, cellText, sureOf, type Arrangement } from './squadRows';

const DAY = '2026-11-01';
const athlete = (name: string, fiveS: number | undefined, more: Partial<SquadMember> = {}): SquadMember => ({
  id: name,
  name,
  tileName: name.slice(0, 3),
  status: 'training',
  marks: fiveS === undefined ? [] : [{ distanceM: 5000, timeS: fiveS, date: DAY, kind: 'race' }],
  ...more,
});
const GROUPS = [
  { id: 'g', name: 'Milers' },
  { id: 'e', name: 'Empty' },
];
const SQUAD = [
  athlete('Zoë Marl', 1200, { groupId: 'g' }),
  athlete('Ada Brind', 1000),
  athlete('Bo Tarrow', 1100, { groupId: 'g', status: 'injured' }),
  athlete('Nia Quell', undefined, { groupId: 'gone' }),
];
const paces = (athlete: SquadMember) => athletePaces(athlete, curveBook, DAY);
const ALL: Arrangement = { find: '', show: 'everyone', sortBy: undefined, byGroup: false };
const names = (part: Partial<Arrangement>) =>
  arrangeSquad(SQUAD, GROUPS, { ...ALL, ...part }, paces).map(({ group, athletes }) => [
    group?.name,
    ...athletes.map(({ name }) => name.split(' ')[0]),
  ]);

test('one list by name, or by a pace with the quickest first and those without last', () => {
  expect(names({})).toEqual([[undefined, 'Ada', 'Bo', 'Nia', 'Zoë']]);
  expect(names({ sortBy: 'threshold' })).toEqual([[undefined, 'Ada', 'Bo', 'Zoë', 'Nia']]);
});
test('by group, in the order of the groups; empty ones are left out, a group that is gone is none', () =>
  expect(names({ byGroup: true, sortBy: '5k' })).toEqual([
    ['Milers', 'Bo', 'Zoë'],
    ['In no group', 'Ada', 'Nia'],
  ]));
test('found by any part of the name, without accents', () => {
  expect(names({ find: 'zoe' })).toEqual([[undefined, 'Zoë']]);
  expect(names({ find: 'marl ZO' })).toEqual([[undefined, 'Zoë']]);
  expect(names({ find: 'nobody' })).toEqual([]);
});
test('shown by status, group, or unsure paces', () => {
  expect(names({ show: 'injured' })).toEqual([[undefined, 'Bo']]);
  expect(names({ show: 'group:g' })).toEqual([[undefined, 'Bo', 'Zoë']]);
  expect(names({ show: 'unsure' })).toEqual([[undefined, 'Nia']]);
});
test('a cell is the time, marked when unsure; the effort; or a dash', () => {
  const ada = paces(athlete('Ada', 1110));
  expect(cellText(ada, '5k', '400')).toBe('1:28.8');
  expect(cellText(ada, '5k', 'km')).toBe('3:42');
  expect(cellText(ada, 'max', '400')).toBe('effort 10');
  expect(cellText(ada, 'nothing', '400')).toBe('–');
  expect(cellText(paces(athlete('Nia', undefined)), '5k', '400')).toBe('–');
  const old = athlete('Old', 1110, { marks: [{ distanceM: 5000, timeS: 1110, date: '2025-11-01', kind: 'race' }] });
  expect(cellText(paces(old), '5k', '400')).toBe('≈ 1:28.8');
  expect(sureOf(paces(old))).toBe('unsure');
  expect(cellText(athletePaces(old, paceBookById(SHIPPED_PACE_BOOKS, 'effort'), DAY), '5k', '400')).toBe('effort 8');
});
