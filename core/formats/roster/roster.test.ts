import fc from 'fast-check';
import Papa from 'papaparse';
import type { SquadMember } from '../../squad/athlete';
import { guessColumns, isHeadingRow, withoutTitles, type ColumnUse } from './columns';
import { candidates, importChange, type ImportChoice } from './importPeople';
import { readPeople, type ReadOptions } from './readPeople';
import { MAX_BYTES, readTable, type CsvTable } from './table';
import { marksCsv, rosterCsv } from './writeCsv';

const TODAY = '2026-11-01';
const bytes = (text: string) => new TextEncoder().encode(text);

function tableOf(text: string): CsvTable {
  const read = readTable(bytes(text));
  if (!read.ok) throw new Error(read.message);
  return read.table;
}

/** Reads a file as the screen does: columns guessed, nothing put right by hand. */
function readFile(text: string, more: Partial<ReadOptions> = {}) {
  const table = tableOf(text);
  const hasHeadings = more.hasHeadings ?? isHeadingRow(table.rows[0]?.cells ?? [], TODAY);
  return readPeople(table, { uses: guessColumns(table, hasHeadings, TODAY), today: TODAY, ...more, hasHeadings });
}

const SAMPLE = [
  'Name;Born;Group;1500;5k;Date',
  'Ada Brind;2007;Milers;4:29,8;16:40;12.10.2026',
  'Ned Orris;2009;Young;fast;18.55;12.10.2026',
  'Tam Quill;2008;Milers;4:51.2;;31.02.2026',
  'Zoe Marl;;;;;',
].join('\r\n');

describe('a file', () => {
  test.each([
    ['commas', ',', 'Ada,4:29.8\nBo,4:40'],
    ['semicolons', ';', 'Ada;4:29,8\nBo;4:40,1'],
    ['tabs', '\t', 'Ada\t4:29.8\nBo\t4:40'],
  ])('separated by %s', (_what, delimiter, text) => {
    const table = tableOf(text);
    expect(table).toMatchObject({ delimiter, width: 2 });
    expect(table.rows.map(({ row }) => row)).toEqual([1, 2]);
  });
  test('with quotes, doubled quotes and line breaks in a cell (RFC 4180)', () =>
    expect(tableOf('Name,Notes\r\n"Brind, Ada","says ""no""\nand means it"\r\n').rows[1]?.cells).toEqual([
      'Brind, Ada',
      'says "no"\nand means it',
    ]));
  test('with a byte order mark, in UTF-16, or in the old Windows code page', () => {
    expect(tableOf('\uFEFFName,5k\nZoë,18:30').rows[0]?.cells[0]).toBe('Name');
    const utf16 = new Uint8Array([
      0xff,
      0xfe,
      ...[...'Name,5k\nZoë,18:30'].flatMap((c) => [c.charCodeAt(0) & 255, c.charCodeAt(0) >> 8]),
    ]);
    const windows = new Uint8Array([...bytes('Name,5k\nZo'), 0xeb, ...bytes(',18:30')]);
    for (const file of [utf16, windows]) {
      const read = readTable(file);
      expect(read.ok && read.table.rows[1]?.cells[0]).toBe('Zoë');
    }
  });
  test.each([
    ['nothing in it', bytes(' \n\n'), /is empty/],
    ['10 MB of rubbish', new Uint8Array(10_000_000).fill(65), /has 10 MB; a roster has 2\.0 MB at most/],
    ['a picture', new Uint8Array([0x89, 0x50, 0x4e, 0x47, 0, 1, 2, 3]), /not a text file/],
    ['too many rows', bytes('a,b\n'.repeat(10_001)), /10001 rows/],
    ['too many columns', bytes(`${'a,'.repeat(150)}b\n`), /151 columns/],
  ])('with %s is refused, and nothing is imported', (_what, file, message) => {
    const read = readTable(file);
    expect(read).toEqual({ ok: false, message: expect.stringMatching(message) });
    if (!read.ok) expect(read.message).toMatch(/Nothing was imported\.$/);
  });
  test('of any bytes gets an answer', () => {
    fc.assert(
      fc.property(fc.uint8Array({ maxLength: 300 }), (file) => {
        const read = readTable(file);
        if (!read.ok) return;
        const uses = guessColumns(read.table, false, TODAY);
        readPeople(read.table, { uses, hasHeadings: false, today: TODAY });
      }),
    );
    expect(readTable(new Uint8Array(MAX_BYTES)).ok).toBe(false);
  });
});

describe('what spreadsheets do to a file', () => {
  test('a quotation mark that is never closed is said, not swallowed with half the squad', () =>
    expect(readTable(bytes('Name,Notes\nAda,"says no\nBo,fine\nCleo,late'))).toEqual({
      ok: false,
      message: 'A quotation mark in row 2 is never closed. Close it, or take it out. Nothing was imported.',
    }));
  test('quotation marks that do not fit are a problem of their row', () => {
    const { people, problems } = readFile(
      'Name,5k,Date\nAda,18:30,2026-10-01\nBo,"19:"00",2026-10-01\nCleo,20:00,2026-10-01',
    );
    expect(problems).toEqual([{ row: 3, message: expect.stringMatching(/quotation marks/) }]);
    expect(people.map(({ name }) => name)).toEqual(['Ada', 'Cleo']);
  });
  test('a first line that names the separator, and a title above the headings, are no people', () => {
    const table = tableOf(
      'sep=;\r\nOur squad, autumn;;\r\n\r\nName;5k;Date\r\nAda;18:30;2026-10-01\r\nBo;19:00;2026-10-01',
    );
    expect(table).toMatchObject({ delimiter: ';', width: 3 });
    const bare = withoutTitles(table, TODAY);
    expect(bare.rows.map(({ cells }) => cells[0])).toEqual(['Name', 'Ada', 'Bo']);
    // The number of a row is what the spreadsheet shows.
    expect(bare.rows[0]?.row).toBe(3);
    const short = tableOf('Our squad\nName,5k,Date\nAda,18:30,2026-10-01\nBo,19:00,2026-10-01');
    expect(withoutTitles(short, TODAY).rows.map(({ cells }) => cells[0])).toEqual(['Name', 'Ada', 'Bo']);
  });
  test('a lone name above rows without headings is somebody, not a title', () => {
    const table = tableOf('Ada\nBo,19:00\nCleo,20:00');
    expect(withoutTitles(table, TODAY).rows).toHaveLength(3);
  });
  test('days as spreadsheets write them', () => {
    const days = readFile('Name,5k,Date\nAda,18:30,3-Oct-26\nBo,18:30,46298\nCleo,18:30,46298.75').people;
    expect(days.map(({ marks }) => marks[0]?.date)).toEqual(['2026-10-03', '2026-10-03', '2026-10-03']);
  });
  test('a time that cannot have been run as it is written is asked about, and taken once it is said how', () => {
    const file = 'Name,5k,Marathon,Date\nAda,18:30:00,3:00,2026-10-01\nBo,19:00,3:10:00,2026-10-01';
    const { people, questions } = readFile(file);
    expect(people.map(({ marks }) => marks.length)).toEqual([0, 2]);
    expect(questions).toEqual([
      {
        id: '2 5k',
        row: 2,
        column: '5k',
        text: '18:30:00',
        meantS: 1110,
        message: expect.stringMatching(/cannot have been run/),
      },
      expect.objectContaining({ id: '2 Marathon', text: '3:00', meantS: 10_800 }),
    ]);
    const answered = readFile(file, {
      answers: new Map([
        ['2 5k', 'meant' as const],
        ['2 Marathon', 'leaveOut' as const],
      ]),
    });
    expect(answered.questions).toEqual([]);
    expect(answered.people[0]?.marks).toEqual([{ distanceM: 5000, timeS: 1110, date: '2026-10-01', kind: 'race' }]);
  });
  test('a mark without a day is not of today: it waits until one is chosen', () => {
    const file = 'Name,5k,1500,Date\nAda,18:30,4:50,\nBo,19:00,,2026-10-01';
    const asked = readFile(file);
    expect(asked.undated).toBe(2);
    expect(asked.people.map(({ marks }) => marks.length)).toEqual([0, 1]);
    const chosen = readFile(file, { markDate: '2026-09-01' });
    expect(chosen.people[0]?.marks.map(({ date }) => date)).toEqual(['2026-09-01', '2026-09-01']);
    expect(chosen.people[1]?.marks[0]?.date).toBe('2026-10-01');
  });
});

describe('columns are guessed', () => {
  test('from headings, however they are written; times under a distance are marks', () => {
    const table = tableOf('Athlete,Year of birth,800 m PB,5k,Half marathon,Shoe size\nAda,2007,2:20,18:30,1:25:00,41');
    expect(guessColumns(table, true, TODAY)).toEqual([
      'name',
      'bornYear',
      { markM: 800 },
      { markM: 5000 },
      { markM: 21_097.5 },
      'ignore',
    ] satisfies ColumnUse[]);
  });
  test('from the values where there are no headings', () => {
    const table = tableOf('Ada Brind,5000,18:30,12.10.2026,race\nBo Tarrow,1500,4:30.2,13.10.2026,trial');
    expect(isHeadingRow(table.rows[0]?.cells ?? [], TODAY)).toBe(false);
    expect(guessColumns(table, false, TODAY)).toEqual(['name', 'distance', 'time', 'date', 'kind']);
  });
  test('and no use is given twice', () =>
    expect(guessColumns(tableOf('Name,Athlete,Time\nAda,Ada,1'), true, TODAY)).toEqual(['name', 'ignore', 'time']));
});

describe('people', () => {
  test('a row with anything that cannot be read is left out whole, with row and column; the others are read', () => {
    const { people, problems } = readFile(SAMPLE);
    expect(people).toEqual([
      {
        name: 'Ada Brind',
        bornYear: 2007,
        groupName: 'Milers',
        rows: [2],
        marks: [
          { distanceM: 1500, timeS: 269.8, date: '2026-10-12', kind: 'race' },
          { distanceM: 5000, timeS: 1000, date: '2026-10-12', kind: 'race' },
        ],
      },
      { name: 'Zoe Marl', rows: [5], marks: [] },
    ]);
    expect(problems).toEqual([
      { row: 3, column: '1500', message: expect.stringMatching(/“fast” is not a time/) },
      { row: 4, column: 'Date', message: expect.stringMatching(/“31.02.2026” is not a date/) },
    ]);
  });
  test('rows of one name are one person, with all their marks', () => {
    const { people } = readFile(
      'Name,Distance,Time,Date,Kind\nAda Brind,5k,18:30,2026-10-01,race\nbrind ada,1500,4:58,2026-09-01,time trial',
    );
    expect(people).toHaveLength(1);
    expect(people[0]).toMatchObject({ rows: [2, 3], marks: [{ kind: 'race' }, { distanceM: 1500, kind: 'trial' }] });
  });
  test('first and family names are put together, and turned round where a comma says so', () => {
    expect(readFile('First,Surname\nAda,Brind').people[0]?.name).toBe('Ada Brind');
    expect(readFile('Name,5k\n"Brind, Ada",18:30').people[0]?.name).toBe('Ada Brind');
  });
  test('the date order is that of the whole file', () => {
    const file = 'Name,5k,Date\nAda,18:30,3/10/2026\nBo,19:00,10/23/2026';
    expect(readFile(file).people.map(({ marks }) => marks[0]?.date)).toEqual(['2026-03-10', '2026-10-23']);
    expect(readFile(file, { dayOrder: 'day-first' }).problems).toHaveLength(1);
  });
  test('everything of a profile', () => {
    const file =
      'Name,Tile name,Born,Leaning,Weeks,Status,Notes,Chip,Goal distance,Goal time,Goal date\nAda,A,12.3.2009,1500/3k,4,easing back,shy,A-17,1500,4:40,1.5.2027';
    expect(readFile(file)).toMatchObject({
      problems: [],
      people: [
        {
          tileName: 'A',
          bornYear: 2009,
          leaning: '1500-3k',
          runningSince: '2026-10-04',
          status: 'easing',
          notes: 'shy',
          chip: 'A-17',
          goal: { distanceM: 1500, timeS: 280, date: '2027-05-01' },
        },
      ],
    });
  });
  test.each([
    ['Name,5k\n,18:30', undefined, /There is no name/],
    ['Name,Born\nAda,2031', 'Born', /not a year of birth/],
    ['Name,Weeks\nAda,many', 'Weeks', /not a number of weeks/],
    ['Name,Km a week\nAda,lots', 'Km a week', /not a number of kilometres/],
    ['Name,Chip\nAda,number 7', 'Chip', /letters, figures/],
    ['Name,Status\nAda,lazy', 'Status', /“lazy” is none of training/],
    ['Name,Distance,Time\nAda,5k,', undefined, /a distance but no time/],
    ['Name,5k,Date\nAda,18:30,2027-01-01', undefined, /still to come/],
    ['Name,Goal time\nAda,4:40', undefined, /A goal needs a distance/],
  ])('%j is a problem', (file, column, message) => {
    const { people, problems } = readFile(file);
    expect(people).toEqual([]);
    expect(problems).toEqual([{ row: 2, ...(column ? { column } : {}), message: expect.stringMatching(message) }]);
  });
  test('a row separated otherwise than the rest is said to be so', () =>
    expect(readFile('Name;5k\nAda;18:30\nBo,19:00\nCleo;20:00').problems).toEqual([
      { row: 3, message: 'This row is separated by commas, the rest by semicolons.' },
    ]));
  test('a row with more cells than the first is a problem, one with empty ends is not', () =>
    expect(readFile('Name,5k\nAda,18:30,,\nBo,19:00,x').problems).toEqual([
      { row: 3, message: 'This row has 3 cells where the others have 2.' },
    ]));
  test('two of one name with different years of birth are not thrown together', () =>
    expect(readFile('Name,Born\nAda,2007\nAda,2009').problems[0]?.message).toMatch(/Row 2 has another Ada, born 2007/));
  test('a chip is worn by one, who may have several rows', () => {
    const { people, problems } = readFile('Name,Chip\nAda,A7\nBo,A7\nAda,A7\nCleo,C2');
    expect(people.map(({ name, chip }) => [name, chip])).toEqual([
      ['Ada', 'A7'],
      ['Cleo', 'C2'],
    ]);
    expect(problems).toEqual([{ row: 3, message: expect.stringMatching(/^Row 2 gives chip “A7” to someone else/) }]);
  });
  test('a hardly believable mark is taken, and asked about', () => {
    const { people, doubts } = readFile('Name,5k,Date\nAda,8:00,2026-10-01');
    expect(people[0]?.marks).toHaveLength(1);
    expect(doubts).toEqual([{ row: 2, message: expect.stringMatching(/^Really\?/) }]);
  });
  test('5,000 rows are read', () => {
    const rows = Array.from(
      { length: 5000 },
      (_, i) => `Runner ${i % 60} Number,${800 + (i % 7) * 100},4:${10 + (i % 50)},2026-10-01`,
    );
    const { people, problems } = readFile(['Name,Distance,Time,Date', ...rows].join('\n'));
    expect([people.length, problems.length]).toEqual([60, 0]);
  });
});

const ada: SquadMember = {
  id: 'ada',
  name: 'Ada Brind',
  tileName: 'Ada',
  status: 'training',
  groupId: 'g',
  notes: '=cmd()',
  chip: 'A-17',
  bornYear: 2007,
  leaning: '800-1500',
  runningSince: '2026-10-04',
  weeklyKm: 32.5,
  goal: { distanceM: 1609.344, timeS: 299.5, date: '2027-05-01', race: '+final' },
  marks: [
    { distanceM: 5000, timeS: 1000.25, date: '2026-10-12', kind: 'race', note: 'windy, "gusts"' },
    { distanceM: 800, timeS: 58.35 * 2, date: '2026-09-12', kind: 'estimate', leftOut: true },
  ],
};
const squad = { settings: { paceBookId: 'curve', groups: [{ id: 'g', name: 'Milers' }] }, athletes: [ada] };
let ids = 0;
const newId = () => `new${++ids}`;

describe('an import', () => {
  const read = (text: string) => candidates(readFile(text).people, squad.athletes);
  test('adds to someone of the same name: no mark twice, what is not said stays', () => {
    const list = read('Name,5k,1500,Date,Status\nada BRIND,16:40.25,4:29,12.10.2026,injured');
    const { change, count } = importChange(list, squad, newId);
    expect(count).toEqual({ added: 0, changed: 1, marks: 1, groups: 0, leftOut: 0 });
    expect(change.athletes).toEqual([
      { ...ada, status: 'injured', marks: [...ada.marks, expect.objectContaining({ distanceM: 1500 })] },
    ]);
    expect(change.groups).toBeUndefined();
  });
  test('takes someone with nearly the same name for new, and shows who it may be', () => {
    const [candidate] = read('Name\nAda Brindd');
    expect(candidate).toMatchObject({ decision: { kind: 'new' }, alike: [{ id: 'ada' }] });
  });
  test('the same name with another year of birth is someone else', () =>
    expect(read('Name,Born\nAda Brind,2011')[0]).toMatchObject({ decision: { kind: 'new' }, alike: [{ id: 'ada' }] }));
  test('gives everyone new a tile name of their own, and makes a group once', () => {
    const { change, count } = importChange(
      read('Name,Group\nAda Crane,Young\nAda Dove,young\nBo Eel,milers'),
      squad,
      newId,
    );
    expect(change.athletes?.map(({ tileName }) => tileName)).toEqual(['Ada C', 'Ada D', 'Bo']);
    expect(count).toMatchObject({ added: 3, groups: 1 });
    expect(change.groups?.map(({ name }) => name)).toEqual(['Milers', 'Young']);
    expect(change.athletes?.map(({ groupId }) => groupId)).toEqual([
      change.groups?.[1]?.id,
      change.groups?.[1]?.id,
      'g',
    ]);
  });
  test('does as the coach decides', () => {
    const [candidate] = read('Name,5k\nAda Brindd,17:00');
    if (!candidate) throw new Error();
    const decided = (decision: ImportChoice) => importChange([{ ...candidate, decision }], squad, newId);
    expect(decided({ kind: 'same', athleteId: 'ada' }).change.athletes?.[0]).toMatchObject({
      id: 'ada',
      name: 'Ada Brind',
    });
    expect(decided({ kind: 'leaveOut' })).toMatchObject({ change: { athletes: [] }, count: { leftOut: 1, added: 0 } });
  });
});

describe('files that are saved', () => {
  test('begin with a byte order mark, and what a spreadsheet would run is made harmless', () => {
    const text = rosterCsv([ada], squad.settings.groups, TODAY);
    expect(text.startsWith('\uFEFFName,Tile name')).toBe(true);
    const [, cells = []] = Papa.parse<string[]>(text.slice(1)).data;
    for (const cell of cells) expect(cell).not.toMatch(/^[=+@-]/);
    expect(cells).toContain("'=cmd()");
    // Also where the formula is followed by a line break.
    const broken = rosterCsv([{ ...ada, notes: '=cmd()\nand more' }], [], TODAY);
    expect(Papa.parse<string[]>(broken.slice(1)).data[1]).toContain("'=cmd()\nand more");
  });
  test('are read back as they were', () => {
    const roster = readFile(rosterCsv([ada], squad.settings.groups, TODAY));
    const marks = readFile(marksCsv([ada]));
    expect([...roster.problems, ...marks.problems]).toEqual([]);
    const { id: _id, groupId: _groupId, marks: ownMarks, ...profile } = ada;
    expect(roster.people).toEqual([{ ...profile, groupName: 'Milers', marks: [], rows: [2] }]);
    expect(marks.people).toEqual([{ name: 'Ada Brind', marks: ownMarks, rows: [2, 3] }]);
  });
  test('any name and note comes back, formula or not', () => {
    const word = fc
      .string({ minLength: 1, maxLength: 12 })
      .map((text) => `x${text.replace(/[\s,']/g, '').replace(/\p{C}/gu, '')}`);
    const start = fc.constantFrom('', '=', '+', '-', '@');
    fc.assert(
      fc.property(start, word, (sign, text) => {
        const notes = `${sign}${text}`;
        const { people } = readFile(rosterCsv([{ ...ada, notes }], [], TODAY));
        expect(people[0]?.notes).toBe(notes);
      }),
    );
  });
});
