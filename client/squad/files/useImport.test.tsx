import { act } from '@testing-library/react';
import type { SquadMember } from '@core/squad/athlete';
import { NOBODY } from '../../data/useSquad';
import { hook } from '../../testing';
import { useImport } from './useImport';

jest.mock('expo-router', () => ({ usePathname: () => '/squad/files' }));

const ADA: SquadMember = {
  id: '01M1ADA0000000000000000000',
  name: 'Ada Brackenbury',
  tileName: 'Ada',
  status: 'training',
  marks: [],
};
const SQUAD = { ...NOBODY, athletes: [ADA] };

function importing(squad = SQUAD) {
  const { result } = hook(() => useImport(squad));
  const work = () => result.current;
  return { work, paste: (text: string) => act(() => work().openText(text)) };
}

const LIST = 'Name,5k,Date\nAda Brackenbury,18:30,2025-10-03\nBo Tarrowby,19:10,2025-10-03';

test('a pasted list is read by its headings: who is new comes in, who is there gets the mark', () => {
  const { work, paste } = importing();
  paste(LIST);
  expect(work().trouble).toBeUndefined();
  expect(work().list.map(({ person, decision }) => [person.name, decision])).toEqual([
    ['Ada Brackenbury', { kind: 'same', athleteId: ADA.id }],
    ['Bo Tarrowby', { kind: 'new' }],
  ]);
  const athletes = work().change.athletes ?? [];
  expect(athletes.map(({ name, marks }) => [name, marks.map(({ timeS }) => timeS)])).toEqual([
    ['Ada Brackenbury', [1110]],
    ['Bo Tarrowby', [1150]],
  ]);
});

test('a column used anew is taken from the one that had the use', () => {
  const { work, paste } = importing();
  paste(LIST);
  const file = work().file;
  if (file?.kind !== 'table') throw new Error('It is no table.');
  const [name] = file.uses;
  expect(name).toBe('name');
  act(() => void work().setUse(2, 'name'));
  expect(work().file).toMatchObject({ uses: ['ignore', expect.anything(), 'name'] });
});

test('what somebody has decided about a person is kept while columns change', () => {
  const { work, paste } = importing();
  paste(LIST);
  const { decision } = work().list[1] ?? {};
  act(() => work().decide('Bo Tarrowby', { kind: 'leaveOut' }));
  expect(work().list[1]?.decision).not.toEqual(decision);
  act(() => void work().setHeadings(true));
  expect(work().list[1]?.decision).toEqual({ kind: 'leaveOut' });
});

test('marks without a day are asked about, and a day to come is none', () => {
  const { work, paste } = importing();
  paste('Name,5k\nBo Tarrowby,19:10');
  expect(work().undated).toBe(1);
  expect(work().isUndatedOpen).toBe(true);
  act(() => work().setMarkDate('2999-01-01'));
  expect(work().isUndatedOpen).toBe(true);
  act(() => work().setMarkDate('2025-10-03'));
  expect(work().isUndatedOpen).toBe(false);
  expect(work().change.athletes?.[0]?.marks).toMatchObject([{ timeS: 1150, date: '2025-10-03' }]);
});

test('closing begins anew; a file that is no list says so', async () => {
  const { work, paste } = importing();
  paste(LIST);
  act(() => work().close());
  expect(work().file).toBeUndefined();
  const json = new TextEncoder().encode('{"format":"something else"}');
  await act(() => work().open({ name: 'them.json', bytes: json }));
  expect(work().trouble).toMatch(/not an athlete saved from Zest Lap/);
});
