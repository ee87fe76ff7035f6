import { readChatList } from './chatList';
import { guessColumns } from './columns';
import { readPeople } from './readPeople';

const TODAY = '2026-10-20';
/** Name, distance, time, date and group of everyone in a list. */
function people(text: string, more: object = {}) {
  const table = readChatList(text, TODAY);
  if (!table) return undefined;
  const uses = guessColumns(table, true, TODAY);
  const read = readPeople(table, { uses, hasHeadings: true, today: TODAY, ...more });
  return {
    ...read,
    people: read.people.map(({ name, marks, groupName }) =>
      [name, ...marks.map(({ distanceM, timeS, date }) => `${distanceM} ${timeS} ${date}`), groupName]
        .filter(Boolean)
        .join(' · '),
    ),
  };
}

test('a list as it stands in a chat: name and time in any order, signs between them, a heading with distance and day', () => {
  const text = [
    '1500 PBs, 3 Oct 2026',
    'Amelia Hart 5:42',
    "Ben O'Dowd - 4:51.3",
    'Isla McKay 5\'31"',
    'Dylan Price 4:38 (U17)',
    '5:02.4 Zoë Ashdown-Firth',
    '6) Owen Tarrow: 5.12',
    '• Priya Lindmoor – 1500m in 5:20',
    '',
  ].join('\n');
  expect(people(text)?.people).toEqual([
    'Amelia Hart · 1500 342 2026-10-03',
    "Ben O'Dowd · 1500 291.3 2026-10-03",
    'Isla McKay · 1500 331 2026-10-03',
    'Dylan Price · 1500 278 2026-10-03 · U17',
    'Zoë Ashdown-Firth · 1500 302.4 2026-10-03',
    'Owen Tarrow · 1500 312 2026-10-03',
    'Priya Lindmoor · 1500 320 2026-10-03',
  ]);
});

test('a distance and a day of its own go before the heading’s; a later heading takes over; a name with a colon is a group', () => {
  const text = 'Girls:\n800 trial 12 Sep\nAda Brindle 2:31\nBo Tarrow 5k 21:40 1 Oct\nBoys:\n1500\nCal Dee 4:40';
  expect(people(text)?.people).toEqual([
    'Ada Brindle · 800 151 2026-09-12 · Girls',
    'Bo Tarrow · 5000 1300 2026-10-01 · Girls',
    'Cal Dee · 1500 280 2026-09-12 · Boys',
  ]);
});

test('who has no time is brought in without a mark; what has no distance is asked about once for all', () => {
  const read = people('Ada Brindle 5:42\nBo Tarrow 4:51\nCal Dee');
  expect(read).toMatchObject({ people: ['Ada Brindle', 'Bo Tarrow', 'Cal Dee'], undistanced: 2, problems: [] });
  expect(people('Ada Brindle 5:42\nBo Tarrow 4:51', { markDistanceM: 1500, markDate: TODAY })?.people).toEqual([
    'Ada Brindle · 1500 342 2026-10-20',
    'Bo Tarrow · 1500 291 2026-10-20',
  ]);
});

test.each(['Hello everyone, training is at 6 on Tuesday', 'Ada Brindle\nBo Tarrow', '', 'name,5k\nAda,18:30'])(
  'what is no such list is left to the others: %j',
  (text) => expect(readChatList(text, TODAY)).toBeUndefined(),
);
