import type { SquadMember } from '@core/squad/athlete';
import { groupColumns, inGroup, suggestion, suggestionChange } from './groupBoard';

const athlete = (id: string, groupId?: string): SquadMember => ({
  id,
  name: id,
  tileName: id,
  status: 'training',
  marks: [],
  ...(groupId === undefined ? {} : { groupId }),
});
const LAPS: Record<string, number> = { a: 80, b: 82, c: 95, d: 96 };
const lapOf = ({ id }: SquadMember) => LAPS[id];
const SQUAD = [athlete('d'), athlete('a', 'g'), athlete('x', 'g'), athlete('c', 'gone'), athlete('b', 'g')];
const GROUPS = [{ id: 'g', name: 'Milers' }];

test('columns have their members quickest first, those without a pace last; the rest are in none', () =>
  expect(groupColumns(GROUPS, SQUAD, lapOf).map(({ name, athletes }) => [name, athletes.map(({ id }) => id)])).toEqual([
    ['Milers', ['a', 'b', 'x']],
    ['In no group', ['c', 'd']],
  ]));

test('a suggestion keeps names that are there, makes new ones, and leaves those without a pace where they are', () => {
  const { groups, without } = suggestion(SQUAD, lapOf, { gapS: 3, maxSize: 8 });
  expect(groups.map(({ members }) => members.map(({ id }) => id))).toEqual([
    ['a', 'b'],
    ['c', 'd'],
  ]);
  const change = suggestionChange(groups, without, GROUPS, () => 'new');
  expect(change.groups).toEqual([
    { id: 'g', name: 'Milers' },
    { id: 'new', name: 'Group B' },
  ]);
  expect(change.athletes?.map(({ id, groupId }) => [id, groupId])).toEqual([
    ['a', 'g'],
    ['b', 'g'],
    ['c', 'new'],
    ['d', 'new'],
    ['x', 'g'],
  ]);
});

test('someone whose group goes with a smaller suggestion is in none', () => {
  const change = suggestionChange([], [athlete('x', 'g')], GROUPS, () => 'new');
  expect(change).toEqual({ groups: [], athletes: [athlete('x')] });
});

test('out of a group is without one', () => expect(inGroup(athlete('a', 'g'), '')).toEqual(athlete('a')));
