import type { SquadMember } from '../squad/athlete';
import type { AthleteFile } from '../api/athleteFile';
import { readAthleteFile } from './athleteFile';

const ID = '01M7ZKC8B0Y78609PN4H3NMY4X';
const athlete: SquadMember = {
  id: ID,
  name: 'Ada',
  tileName: 'Ada',
  status: 'training',
  groupId: ID,
  paceBookId: 'offset',
  nudge: { distanceM: 5000, timeS: 1100, date: '2026-10-20' },
  marks: [{ distanceM: 5000, timeS: 1110, date: '2026-10-01', kind: 'race', note: 'wind' }],
};
const file: AthleteFile = { format: 'zest-lap/athlete', version: 1, savedOn: '2026-11-01', athlete, runs: [] };
const read = (content: unknown) => readAthleteFile(typeof content === 'string' ? content : JSON.stringify(content));

test('profile and marks are taken over, ids of the other squad are not', () => {
  const { id: _id, groupId: _groupId, paceBookId: _bookId, ...rest } = athlete;
  expect(read(file)).toEqual({ ok: true, value: rest });
});

test.each([
  ['not JSON', '{', /not readable JSON/],
  ['something else', { name: 'Ada' }, /not an athlete saved from/],
  ['nothing', 'null', /not an athlete saved from/],
  ['a newer version', { ...file, version: 2 }, /newer Zest Lap \(version 2/],
  ['a version that is none', { ...file, version: 'x' }, /newer Zest Lap/],
  [
    'a mark without a time',
    { ...file, athlete: { ...athlete, marks: [{ distanceM: 5000 }] } },
    /marks\[0\]\.timeS|required/,
  ],
  ['no athlete', { ...file, athlete: undefined }, /name|required/],
])('%s is refused, and nothing is imported', (_what, content, message) => {
  const result = read(content);
  expect(result).toMatchObject({ ok: false, message: expect.stringMatching(message) });
  if (!result.ok) expect(result.message).toMatch(/Nothing was imported\.$/);
});
