import type { Locator, Page } from '@playwright/test';
import { ulid } from 'ulid';
import {
  drawn,
  expect,
  press,
  secondsOf,
  seriousProblems,
  test,
  drag,
  ALL_RUNS,
  ALL_SESSIONS,
  sessionText,
} from './app';

type Athlete = { id: string; name: string; tileName: string; groupId?: string; marks: { distanceM: number }[] };
type Squad = { paceBookId: string; groups: { id: string; name: string }[] };

/** Presses with the thumb on a phone, with the keyboard on a wide screen. */
const presser = (page: Page, isMobile: boolean) => (target: Locator) =>
  press(page, isMobile ? 'touch' : 'keyboard', target);
const button = (page: Page, name: string | RegExp) => page.getByRole('button', { name, exact: true });

/** A pace in the table of an open athlete, in seconds a lap. */
async function paceOf(page: Page, name: string): Promise<number> {
  const cell = page.getByRole('table', { name: /^Paces of / }).getByRole('row', { name: new RegExp(`^${name}`) });
  const text = await cell.getByRole('cell').first().innerText();
  return secondsOf(text.split('\n')[0] ?? '');
}

test.describe('where a tile name is taken', () => {
  test.use({ expectedConsole: /409 .*\/api\/squad\/changes/ });

  test('an athlete and two marks: the paces follow as they are typed, and with the goal there are two', async ({
    page,
    demo,
    isMobile,
  }) => {
    const go = presser(page, isMobile);
    const side = (name: string) => go(page.getByRole('radio', { name, exact: true }));
    await page.goto(`${demo.url}/squad/new`);
    await page.getByLabel('Name', { exact: true }).fill('Ada Otterly');
    // There is an Ada already: the tile needs another name.
    await page.getByLabel('Name on the tile').fill('ada');
    await go(page.getByRole('radio', { name: '5k', exact: true }));
    await page.getByLabel('Time', { exact: true }).fill('20:00');
    await go(button(page, 'Save athlete'));
    await expect(page.getByText('“ada” is the tile name of Ada Brindlecote', { exact: false })).toBeVisible();
    await page.getByLabel('Name on the tile').fill('');
    await go(button(page, 'Save athlete'));
    await expect(page.getByText('15 athletes')).toBeVisible();
    await go(page.getByRole('link', { name: 'Ada Otterly' }));
    await expect(page.getByText(/^Fairly sure: one mark only\. An? \d+ trial would settle it\.$/)).toBeVisible();
    expect(await paceOf(page, '5k')).toBeCloseTo(96, 1);
    const before = await paceOf(page, '800');

    await side('Marks');
    await go(button(page, 'Add a mark'));
    await go(page.getByRole('radio', { name: '800', exact: true }));
    const time = page.getByLabel('Time', { exact: true });
    await time.fill('about two');
    await go(button(page, 'Save mark'));
    await expect(page.getByText('“about two” is not a time that can be read.', { exact: false })).toBeVisible();
    await expect(time).toHaveValue('about two');
    await time.fill('2:32');
    await expect(page.getByRole('status', { name: 'What it changes' })).toContainText(/mile\d:\d\d\.\d → \d:\d\d\.\d/);
    await go(button(page, 'Save mark'));
    await expect(page.getByText('2 marks')).toBeVisible();
    await expect(page.getByRole('img', { name: /^Ada Otterly’s curve: 400 in/ })).toBeVisible();
    await side('Paces');
    await expect.poll(() => paceOf(page, '800')).toBeLessThan(before - 1);
    await expect(page.getByText(/^Sure: .*800/)).toBeVisible();

    // One tap changes the length; the goal stands beside, with the gap a lap.
    await go(page.getByRole('radio', { name: 'km', exact: true }));
    await expect.poll(() => paceOf(page, '5k')).toBeGreaterThan(230);
    await side('Season');
    await go(button(page, 'Set a goal'));
    await page.getByLabel('Goal distance').fill('5k');
    await page.getByLabel('Goal time').fill('19.00');
    await go(button(page, 'Save goal'));
    await expect(page.getByText('A date is needed.')).toBeVisible();
    await page.getByLabel('Race day').fill('2030-05-04');
    await go(button(page, 'Save goal'));
    await expect(page.getByText(/^5k in 19:00, 4 May 2030/)).toBeVisible();
    await side('Paces');
    const five = page.getByRole('row', { name: /^5k/ });
    await expect(five).toContainText('3:48');
    await expect(five).toContainText(/−4\.\d/);

    // The coach's own word is dated, moves every pace, and can be taken off.
    await side('Marks');
    await go(button(page, 'Set the level'));
    await page.getByLabel('Equals now').fill('18:20');
    await go(button(page, 'Set the level'));
    await expect(page.getByText(/^5k equals 18:20 now: set by you, Today\. The marks say 19:\d\d\.$/)).toBeVisible();
    await side('Paces');
    await expect.poll(() => paceOf(page, '5k')).toBeCloseTo(220, 0);
    await expect(page.getByText(/at the level you set/)).toBeVisible();
    expect(await seriousProblems(page)).toEqual([]);
  });

  test('an Undo that is refused says so, and why', async ({ page, demo }) => {
    const [ada] = await demo.get<Athlete[]>('athletes');
    await page.goto(`${demo.url}/squad/${ada?.id}`);
    await page.getByRole('radio', { name: 'About' }).tap();
    await page.getByLabel('Name on the tile').fill('Adda');
    await button(page, 'Save changes').tap();
    await expect(page.getByText('Ada Brindlecote is changed.')).toBeVisible();
    // Meanwhile, from another phone.
    const other = { id: ulid(), name: 'Ada Ferrowby', tileName: 'Ada', marks: [] };
    await demo.send('POST', 'squad/changes', { athletes: [other] });
    await button(page, 'Undo').tap();
    await expect(page.getByText(/^It was not taken back\. “Ada” is the tile name of Ada Ferrowby\./)).toBeVisible();
  });
});

const SAMPLE = [
  'Athlete;Born;Group;1500;5k;Date',
  'Ada Brindlecotte;2007;Five and ten;4:29,8;16:40;12.10.2026',
  'Zoë Marlpit;2010;Young ones;5:44;;12.10.2026',
  'Ned Orrisdale;2009;Steady ones;fast;18.55;12.10.2026',
  'Tam Quillan;2008;Milers;4:51.2;;31.02.2026',
  'Dov Ashgrave;2004;;;18:21;3.11.2026',
].join('\r\n');
const file = (name: string, text: string) => ({ name, mimeType: 'text/csv', buffer: Buffer.from(text) });

test('a list with two bad rows: said by row and column, imported whole or not at all, and undone @wide', async ({
  page,
  demo,
  isMobile,
}) => {
  const go = presser(page, isMobile);
  await page.goto(`${demo.url}/squad/files`);
  const pick = page.getByLabel('File to bring in');
  await pick.setInputFiles(file('roster.csv', SAMPLE));
  const bad = page.getByRole('group', { name: 'Rows that cannot be read' });
  await expect(bad).toContainText('2 rows cannot be read');
  await expect(bad).toContainText(
    'Ned Orrisdale, 2009, Steady ones, fast, 18.55, 12.10.2026Row 4, 1500: “fast” is not a time',
  );
  await expect(bad).toContainText('Row 5, Date: “31.02.2026” is not a date');
  await expect(button(page, 'Import')).toBeDisabled();
  expect(await seriousProblems(page)).toEqual([]);

  // What a column holds can be put right.
  await page.getByLabel('Group holds').selectOption({ label: 'leave out' });
  await page.getByLabel('Group holds').selectOption({ label: 'Group' });
  // Someone with nearly the same name is pointed out, and the coach says who it is.
  await expect(page.getByText('Is this Ada Brindlecote, who is in the squad already?')).toBeVisible();
  await page.getByLabel('Ada Brindlecotte is').selectOption({ label: 'Ada Brindlecote, in the squad' });
  await go(page.getByRole('checkbox', { name: 'Leave these 2 rows out' }));
  await expect(
    page.getByText('This makes 1 new athlete, 2 athletes changed, 4 marks. It can be undone.'),
  ).toBeVisible();
  const before = await demo.get<Athlete[]>('athletes');
  await go(button(page, 'Import'));
  await expect(page.getByText('15 athletes')).toBeVisible();
  const after = await demo.get<Athlete[]>('athletes');
  const marks = (list: Athlete[], name: string) => list.find((athlete) => athlete.name === name)?.marks.length ?? 0;
  expect(marks(after, 'Dov Ashgrave')).toBe(marks(before, 'Dov Ashgrave') + 1);
  expect(marks(after, 'Ada Brindlecote')).toBe(marks(before, 'Ada Brindlecote') + 2);
  expect(marks(after, 'Zoë Marlpit')).toBe(1);
  await go(button(page, 'Undo'));
  await expect(page.getByText('14 athletes')).toBeVisible();
  await expect.poll(() => demo.get<Athlete[]>('athletes')).toEqual(before);
});

test('files that are no list say so, and what is saved can be read back', async ({ page, demo }) => {
  await page.goto(`${demo.url}/squad/files`);
  const pick = page.getByLabel('File to bring in');
  for (const [name, text, message] of [
    ['rubbish.csv', 'x'.repeat(2_100_000), 'This file has 2.1 MB; a roster has 2.0 MB at most. Nothing was imported.'],
    ['picture.csv', '\u0089PNG\u0000\u0001', 'This is not a text file.'],
    ['empty.csv', '', 'This file is empty.'],
    ['other.json', '{"format":"else"}', 'This is not an athlete saved from Zest Lap.'],
  ] as const) {
    await pick.setInputFiles(file(name, text));
    await expect(page.getByText(message, { exact: false })).toBeVisible();
  }
  // No headings: the columns are guessed from what is in them, and the missing name is asked for.
  await pick.setInputFiles(file('bare.csv', '5000,18:30,12.10.2026\n1500,4:50,13.10.2026'));
  await expect(page.getByText('Which column has the names?', { exact: false })).toBeVisible();
  await expect(button(page, 'Import')).toBeDisabled();
  await button(page, 'Another file').tap();

  // What only the coach knows is asked: what a time was meant to be, and when a mark without a day was run.
  await pick.setInputFiles(
    file('club.csv', 'sep=;\nOur squad\nName;5k;Date\nJune Fallowmere;18:30:00;3-Oct-24\nKit Larchway;19:00;'),
  );
  await expect(page.getByText('Some marks are to be settled first: see above.')).toBeVisible();
  await button(page, /^Row 3, 5k: it was 18:30$/).tap();
  const undated = page.getByRole('group', { name: 'Marks without a day' });
  await expect(undated).toContainText('1 mark has no day');
  await expect(button(page, 'Import')).toBeDisabled();
  await undated.getByLabel('They were run on').fill('2024-09-01');
  await expect(page.getByText('5k 18:30 (3 Oct 2024)')).toBeVisible();
  await expect(page.getByText(/5k 19:00 \(1 Sept? 2024\)/)).toBeVisible();
  await expect(button(page, 'Import')).toBeEnabled();
  await button(page, 'Another file').tap();

  const saving = page.waitForEvent('download');
  await button(page, 'Save all marks').tap();
  const saved = await (await saving).path();
  await pick.setInputFiles({
    name: 'marks.csv',
    mimeType: 'text/csv',
    buffer: await import('node:fs').then((fs) => fs.readFileSync(saved)),
  });
  await expect(page.getByText('15 athletes in the file')).toBeVisible();
  await expect(page.getByText('This makes 15 athletes changed.', { exact: false })).toBeVisible();
});

test('groups suggested by pace, one athlete moved to another, and taken back @wide', async ({
  page,
  demo,
  isMobile,
}) => {
  const go = presser(page, isMobile);
  await page.goto(`${demo.url}/squad/groups`);
  await go(button(page, 'Suggest groups'));
  const suggested = page.getByRole('group', { name: 'Suggested groups' });
  await expect(suggested).toContainText('Use these 5 groups');
  // A wider gap needs fewer groups; a smaller size more.
  for (let i = 0; i < 4; i++) await go(button(page, 'From the middle, at most: more'));
  await expect(suggested).toContainText('Use these 4 groups');
  for (let i = 0; i < 4; i++) await go(button(page, 'From the middle, at most: less'));
  await go(button(page, 'Use these 5 groups'));
  await expect(page.getByText('5 groups made.')).toBeVisible();
  await expect(suggested).toBeHidden();
  const groups = (await demo.get<Squad>('squad')).groups;
  expect(groups.map(({ name }) => name)).toEqual(['Milers', 'Five and ten', 'Young ones', 'Group D', 'Group E']);
  const groupOf = async (name: string) => {
    const athlete = (await demo.get<Athlete[]>('athletes')).find((athlete) => athlete.name === name);
    return groups.find(({ id }) => id === athlete?.groupId)?.name;
  };
  expect([await groupOf('Ivo Castlebrae'), await groupOf('Milo Thurskell')]).toEqual(['Milers', 'Milers']);
  expect(await groupOf('Lark Ostervane')).toBe('Group E');

  const card = (name: string) => page.getByRole('group', { name, exact: true });
  await expect(card('Milers').getByText('Milo Thurskell')).toBeVisible();
  await drag(page, button(page, 'Move Milo Thurskell'), card('Five and ten'), isMobile);
  await expect(card('Five and ten').getByText('Milo Thurskell')).toBeVisible();
  await expect.poll(() => groupOf('Milo Thurskell')).toBe('Five and ten');
  await go(button(page, 'Undo'));
  await expect.poll(() => groupOf('Milo Thurskell')).toBe('Milers');

  // The same with the keyboard alone.
  await expect(card('Milers').getByText('Milo Thurskell')).toBeVisible();
  await button(page, 'Move Milo Thurskell').focus();
  await page.keyboard.press('Space');
  await expect(page.getByText('Milo Thurskell is over Milers.')).toBeAttached();
  // Where the groups lie is measured with the next picture.
  await drawn(page);
  await page.keyboard.press('ArrowDown');
  await expect(page.getByText('Milo Thurskell is over Five and ten.')).toBeAttached();
  await page.keyboard.press('Space');
  await expect.poll(() => groupOf('Milo Thurskell')).toBe('Five and ten');

  // Named, ordered, and taken away.
  const name = page.getByLabel('Name of Milers');
  await name.fill('Quick ones');
  await name.blur();
  await expect(card('Quick ones')).toBeVisible();
  await go(button(page, 'Move Quick ones down'));
  await expect
    .poll(async () => (await demo.get<Squad>('squad')).groups.map((group) => group.name))
    .toEqual(['Five and ten', 'Quick ones', 'Young ones', 'Group D', 'Group E']);
  await go(button(page, 'Remove Group E'));
  await expect(card('In no group').getByText('Lark Ostervane')).toBeVisible();
  expect(await seriousProblems(page)).toEqual([]);
});

test('the squad: found, sorted, shown by status, and several changed at once @wide', async ({
  page,
  demo,
  isMobile,
}) => {
  const go = presser(page, isMobile);
  await page.goto(`${demo.url}/squad`);
  const names = page.getByRole('table', { name: 'Paces of the squad' }).getByRole('link');
  await expect(names).toHaveCount(14);
  await expect(names.first()).toHaveText(/^Bo Tarrowby/);
  await go(button(page, 'Sort by threshold'));
  await expect(names.first()).toHaveText(/^Ivo Castlebrae/);
  await page.getByLabel('Find by name').fill('nia');
  await expect(names).toHaveCount(1);
  await page.getByLabel('Find by name').fill('');
  await page.getByLabel('Show').selectOption({ label: 'easing back' });
  await expect(names).toHaveText([/^Hana Morvane/]);
  await page.getByLabel('Show').selectOption({ label: 'Everyone' });
  await go(button(page, 'View'));
  await go(page.getByRole('radio', { name: 'One list' }));
  await expect(names.first()).toHaveText(/^Ivo Castlebrae/);
  await expect(names.nth(1)).toHaveText(/^Bo Tarrowby/);
  await go(page.getByRole('checkbox', { name: 'tempo' }));
  await expect(page.getByRole('columnheader', { name: 'tempo' })).toBeVisible();
  await go(button(page, 'View'));

  await go(button(page, 'Choose several athletes'));
  for (const name of ['Bo Tarrowby', 'Dov Ashgrave']) await go(page.getByRole('checkbox', { name }));
  await expect(page.getByText('2 athletes chosen')).toBeVisible();
  await page.getByLabel('Status', { exact: true }).selectOption({ label: 'injured' });
  await expect(page.getByText('2 athletes: injured.')).toBeVisible();
  await page.getByLabel('Show').selectOption({ label: 'injured' });
  await expect(names).toHaveCount(2);
  await go(button(page, 'Undo'));
  await expect(page.getByText('Nobody like that.', { exact: false })).toBeVisible();
});

test('a pace book of one’s own: copied, changed, used; what would break it is refused by name', async ({
  page,
  demo,
  isMobile,
}) => {
  const go = presser(page, isMobile);
  await page.goto(`${demo.url}/squad/books`);
  await go(button(page, 'Copy Fitness curve'));
  await expect(page.getByRole('heading', { name: 'Fitness curve, my own' })).toBeVisible();
  await go(button(page, 'Change tempo'));
  const entry = page.getByRole('group', { name: 'Change tempo' });
  await go(entry.getByRole('radio', { name: 'Share' }));
  await entry.getByLabel('Percent').fill('98');
  await entry.getByLabel('of the speed of').selectOption('threshold');
  await go(button(page, 'Save pace'));
  await expect(page.getByText('98 % threshold', { exact: false })).toBeVisible();
  // Threshold from tempo would be a circle.
  await go(button(page, 'Change threshold'));
  const threshold = page.getByRole('group', { name: 'Change threshold' });
  await go(threshold.getByRole('radio', { name: 'Share' }));
  await threshold.getByLabel('of the speed of').selectOption('tempo');
  await go(button(page, 'Save pace'));
  await expect(page.getByText(/“t\w+” leads back to itself: /)).toBeVisible();
  await go(button(page, 'Cancel'));
  // A pace of one's own can be written in a session.
  await go(button(page, 'Add a pace'));
  await page.getByLabel('Name, as in @name').fill('cruise');
  await page.getByLabel('Short name').fill('Cr');
  await go(button(page, 'Save pace'));
  await expect(button(page, 'Change cruise')).toBeVisible();
  expect(await seriousProblems(page)).toEqual([]);
  await go(button(page, 'Back to the pace books'));
  await go(button(page, 'Use Fitness curve, my own for the squad'));
  await expect.poll(async () => (await demo.get<Squad>('squad')).paceBookId).toMatch(/^[0-9A-Z]{26}$/);
  const [session] = await demo.get<{ id: string }[]>(ALL_SESSIONS);
  await page.goto(`${demo.url}/sessions/${session?.id}`);
  await sessionText(page).fill('4x1000 @cruise / 60s');
  await expect(page.getByText(/^4\.0 km, about/)).toBeVisible();
  await expect(page.getByText('Saved', { exact: true })).toBeVisible();
});

test('erased for good, after a copy: out of the squad and of every result, and off this phone', async ({
  page,
  demo,
}) => {
  const [ada] = await demo.get<Athlete[]>('athletes');
  const [run] = await demo.get<{ id: string }[]>(ALL_RUNS);
  await page.goto(`${demo.url}/results/${run?.id}`);
  await expect(page.getByRole('row', { name: /Ada Brindlecote/ })).toBeVisible();
  await page.goto(`${demo.url}/squad/${ada?.id}`);
  await page.getByRole('radio', { name: 'About' }).tap();
  await button(page, 'Erase for good …').tap();
  await expect(button(page, 'Erase Ada Brindlecote')).toBeDisabled();
  const saving = page.waitForEvent('download');
  await button(page, 'Save a copy first').tap();
  expect((await saving).suggestedFilename()).toMatch(/^Ada \d{4}-\d\d-\d\d\.json$/);
  await expect(page.getByText('A copy is saved')).toBeVisible();
  await button(page, 'Erase Ada Brindlecote').tap();
  await expect(page.getByText('13 athletes')).toBeVisible();
  expect(JSON.stringify(await demo.get(`runs/${run?.id}`))).not.toContain('Brindlecote');
  await page.goto(`${demo.url}/results/${run?.id}`);
  await expect(page.getByRole('row', { name: /Bo Tarrowby/ })).toBeVisible();
  await expect(page.getByRole('row', { name: /Ada Brindlecote/ })).toBeHidden();
});

test('an athlete’s file goes into another squad; archived and brought back @wide', async ({
  page,
  demo,
  empty,
  isMobile,
}) => {
  const go = presser(page, isMobile);
  const athletes = await demo.get<Athlete[]>('athletes');
  const fern = athletes.find(({ name }) => name === 'Fern Hollowick');
  const saved = await page.request.get(`${demo.url}/api/athletes/${fern?.id}/file`);
  await page.goto(`${empty.url}/squad/files`);
  await page
    .getByLabel('File to bring in')
    .setInputFiles({ name: 'fern.json', mimeType: 'application/json', buffer: await saved.body() });
  await expect(page.getByText('This makes 1 new athlete, 2 marks. It can be undone.')).toBeVisible();
  await go(button(page, 'Import'));
  await go(page.getByRole('link', { name: 'Fern Hollowick' }));
  // The coach's own word has come along.
  await expect(page.getByText(/at the level you set/)).toBeVisible();
  await go(page.getByRole('radio', { name: 'About' }));
  await go(button(page, 'Archive'));
  await expect(page.getByText('0 athletes')).toBeVisible();
  await page.getByLabel('Show').selectOption({ label: 'archive (1)' });
  await go(page.getByRole('link', { name: 'Fern Hollowick' }));
  await expect(page.getByText(/^in the archive/)).toBeVisible();
  await go(page.getByRole('radio', { name: 'About' }));
  await go(button(page, 'Bring back'));
  await expect(page.getByText('1 athlete', { exact: true })).toBeVisible();
});

test('a flat-out trial in a session names those who have not run for long', async ({ page, demo }) => {
  const athletes = await demo.get<Athlete[]>('athletes');
  const kit = athletes.find(({ name }) => name === 'Kit Rennagh');
  await page.goto(`${demo.url}/squad/${kit?.id}`);
  await page.getByRole('radio', { name: 'About' }).tap();
  const weeks = page.getByLabel('Weeks of regular running');
  await weeks.fill('a few');
  await button(page, 'Save changes').tap();
  await expect(page.getByText('Write a number of weeks, like 8, or nothing.')).toBeVisible();
  await expect(weeks).toHaveValue('a few');
  await weeks.fill('2');
  await button(page, 'Save changes').tap();
  await expect(page.getByText('Kit Rennagh is changed.')).toBeVisible();
  const [session] = await demo.get<{ id: string }[]>(ALL_SESSIONS);
  await page.goto(`${demo.url}/sessions/${session?.id}`);
  const text = sessionText(page);
  await text.fill('1600 @effort 10');
  await expect(page.getByRole('note')).toContainText(/Kit Rennagh has \d weeks?\./);
  await expect(page.getByRole('note')).toContainText('local rules and qualified advice come first');
  await text.fill('warm: 1600 @easy\nmain: 3x400 @5k / 90s\ncool: 1200 @easy');
  await expect(page.getByRole('note')).toBeHidden();
  await expect(page.getByText('Saved', { exact: true })).toBeVisible();
});
