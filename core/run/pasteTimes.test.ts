import { pastedCells } from '../formats/pasted';
import { cellKey } from './entered';
import { placePasted } from './pasteTimes';
import type { PlannedGroup } from './plan';

const athlete = (athleteId: string, name: string) => ({
  athleteId,
  name,
  tileName: name.split(' ')[0] ?? '',
  targets: [],
});
const rep = { role: 'main' as const, distanceM: 400, callM: [400] };
const group: PlannedGroup = {
  id: 'all',
  name: 'Everyone',
  reps: [rep, rep, rep],
  athletes: [athlete('a', 'Ada Brindlecote'), athlete('b', 'Bo Tarrow'), athlete('c', 'Cleo Marl')],
};
const paste = (text: string, from = { row: 0, column: 0 }) => placePasted(pastedCells(text), group, from);

test('a block that begins with names goes to whose they are, in whatever order, whatever cell it was pasted in', () => {
  const { cells, doubts } = paste('Name\t1\t2\nCleo Marl\t88.4\t89\nAda\t1:27\t-\n', { row: 2, column: 1 });
  expect(cells).toEqual({
    [cellKey('c', 0)]: '88.4',
    [cellKey('c', 1)]: '89',
    [cellKey('a', 0)]: '1:27',
    [cellKey('a', 1)]: '-',
  });
  expect(doubts).toEqual([]);
});

test('a name that is only alike is taken and said; one that is nobody’s is left out and said', () => {
  const { cells, doubts } = paste('Ada Brindlecotte\t88\nZed Quorn\t90');
  expect(cells).toEqual({ [cellKey('a', 0)]: '88' });
  expect(doubts).toEqual([
    '“Ada Brindlecotte” was taken for Ada Brindlecote.',
    '“Zed Quorn” is nobody here: their times were left out.',
  ]);
});

test('without names a block goes where it was pasted, and what is beyond the grid is left', () => {
  expect(paste('88\t89\n90\t91\n92\t93', { row: 1, column: 2 }).cells).toEqual({
    [cellKey('b', 2)]: '88',
    [cellKey('c', 2)]: '90',
  });
  expect(paste('dnf\t88\n89\tdns').cells).toMatchObject({ [cellKey('a', 0)]: 'dnf', [cellKey('b', 1)]: 'dns' });
});
