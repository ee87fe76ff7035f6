import type { Locator, Page } from '@playwright/test';
import type { LibrarySession } from '../core/library/librarySession';
import { drag, expect, press, seriousProblems, test, ALL_SESSIONS, sessionText, expectWritten } from './app';
import type { RunningApp } from './runningApp';
import { todaysSession } from './board';

const FIRST_EXAMPLE = [
  'warm: 1600 @easy, drills "hips and ankles", 4x100 @strides / 60s walk',
  'main: 2x(3x600 @3k / 90s walk) / 4:00 walk',
  'finish: 4x200 @mile / 200m jog',
  'cool: 1200 @easy',
].join('\n');

const button = (page: Page, name: string | RegExp) => page.getByRole('button', { name });
const saved = (page: Page) => expect(page.getByText('Saved', { exact: true })).toBeVisible();
const side = (page: Page, name: string) => page.getByRole('radio', { name, exact: true });

type Listed = { id: string; title: string; shorthand: string };
type Kept = { sessions: LibrarySession[]; progressions: { name: string; stepIds: string[] }[] };
/** The one session of a server that had none. */
async function onlySession(app: RunningApp): Promise<string> {
  const sessions = await app.get<Listed[]>(ALL_SESSIONS);
  expect(sessions).toHaveLength(1);
  return sessions[0]?.shorthand ?? '';
}

test('a day is typed: the page stands while its year is not whole', async ({ page, demo }) => {
  const { id } = await todaysSession(demo);
  await page.goto(`${demo.url}/sessions/${id}`);
  const day = page.getByLabel('Day', { exact: true });
  const whole = await day.inputValue();
  for (const typed of ['0002-01-01', '0202-05-06', whole]) {
    await day.fill(typed);
    await expect(sessionText(page)).toBeVisible();
  }
  await saved(page);
});

test('the first example is written by keyboard: names are completed, slips marked, steps taken back @wide', async ({
  page,
  empty,
}) => {
  await page.goto(`${empty.url}/sessions`);
  await press(page, 'keyboard', button(page, 'New session'));
  const text = sessionText(page);
  await text.focus();
  // The name of a pace is offered from its first letters, and taken with Tab.
  await page.keyboard.type('warm: 1600 @ea');
  await expect(page.getByRole('option', { name: 'easy' })).toBeVisible();
  await page.keyboard.press('Tab');
  await expectWritten(page, 'warm: 1600 @easy');
  await page.keyboard.type(', drills "hips and ankles", 4x100 @str');
  await page.keyboard.press('Tab');
  await page.keyboard.type(' / 60s walk\nmain: 2x(3x600 @3k / 90s walk) / 4:00 walk\n');
  await page.keyboard.type('finish: 4x200 @mil / 200m jog');
  // A slip is named while the picture of what could be read stays.
  await expect(page.getByRole('alert', { name: 'What cannot be read' })).toContainText('Did you mean mile?');
  await expect(page.getByRole('img', { name: /The session lap by lap/ })).toBeVisible();
  for (let i = 0; i < ' / 200m jog'.length; i++) await page.keyboard.press('ArrowLeft');
  await page.keyboard.type('e');
  await expect(page.getByRole('alert')).toBeHidden();
  await page.keyboard.press('End');
  await page.keyboard.type('\ncool: 1200 @easy');
  await expectWritten(page, FIRST_EXAMPLE);
  await saved(page);
  expect(await onlySession(empty)).toBe(FIRST_EXAMPLE);

  // Word by word back, and forth again.
  await page.keyboard.press('Control+z');
  await expectWritten(page, FIRST_EXAMPLE.replace(/@easy$/, ''));
  await page.keyboard.press('Control+z');
  await page.keyboard.press('Control+z');
  await expectWritten(page, FIRST_EXAMPLE.replace(/1200 @easy$/, ''));
  for (let i = 0; i < 3; i++) await page.keyboard.press('Control+Shift+z');
  await expectWritten(page, FIRST_EXAMPLE);
  // In the title the keys are the title's own.
  await page.getByLabel('Title', { exact: true }).focus();
  await page.keyboard.press('Control+z');
  await expectWritten(page, FIRST_EXAMPLE);

  // The same session as parts, each of which the keyboard reaches.
  await press(page, 'keyboard', side(page, 'Build'));
  await press(page, 'keyboard', button(page, 'Change 3 × 600 at 3k'));
  await press(page, 'keyboard', button(page, 'Times: more'));
  await press(page, 'keyboard', side(page, 'Text'));
  await expectWritten(page, FIRST_EXAMPLE.replace('3x600', '4x600'));
});

/** Turns a pace wheel with the thumb. */
const turn = (page: Page, wheel: string, name: string) =>
  page.getByRole('listbox', { name: wheel, exact: true }).getByRole('option', { name }).first().tap();

/** Presses until the field says so. */
async function until(target: Locator, field: Locator, value: string): Promise<void> {
  for (let i = 0; i < 12 && (await field.inputValue()) !== value; i++) {
    const before = await field.inputValue();
    await target.tap();
    await expect(field).not.toHaveValue(before);
  }
  await expect(field).toHaveValue(value);
}

/** What can be pressed and is too small for a thumb, by what it says. */
const tooSmall = (page: Page) =>
  page.getByRole('main').evaluate((main) =>
    Array.from(main.querySelectorAll('[role="radio"], [role="checkbox"], button, [role="option"]'))
      .filter((element) => !element.closest('[inert]'))
      .map((element) => ({
        says: element.getAttribute('aria-label') ?? element.textContent,
        box: element.getBoundingClientRect(),
      }))
      .filter(({ box }) => box.width > 0 && (box.height < 44 || box.width < 36))
      .map(({ says }) => says),
  );

test('the same is built by thumb, and is the same session', async ({ page, empty }) => {
  await page.goto(`${empty.url}/sessions`);
  await button(page, 'New session').tap();
  await side(page, 'Build').tap();
  const add = (part: string) => button(page, new RegExp(`^Add: ${part},`)).tap();
  const panel = (name: string) => page.getByRole('group', { name: `Change ${name}` });

  await add('Cool-down');
  await add('Warm-up');
  await add('Drills');
  await panel('drills').getByLabel('Note').fill('hips and ankles');
  await add('Strides');
  await add('Fast finish');
  // Three reps become a set of their own.
  await add('Reps');
  const reps = panel('6 × 400');
  for (const left of [5, 4, 3]) {
    await page.getByRole('button', { name: 'Times: less' }).tap();
    await expect(panel(`${left} × 400`)).toBeVisible();
  }
  await expect(reps).toBeHidden();
  await until(button(page, 'Length: longer'), page.getByLabel('Length', { exact: true }).last(), '600');
  for (const kind of ['Share', 'Effort', 'Time', 'By name']) {
    await page.getByRole('radiogroup', { name: 'How the pace is given' }).getByRole('radio', { name: kind }).tap();
    expect({ kind, small: await tooSmall(page) }).toEqual({ kind, small: [] });
  }
  await turn(page, 'Pace', '3k');
  await expect(button(page, 'Change 3 × 600 at 3k')).toBeVisible();
  await button(page, 'Make it a set').tap();
  const set = panel('2 × set');
  await set.getByRole('radio', { name: 'Time', exact: true }).tap();
  const rest = page.getByLabel('Recovery time', { exact: true }).last();
  await rest.fill('4:00');
  await set.getByRole('radio', { name: 'walk' }).tap();
  expect(await tooSmall(page)).toEqual([]);

  await side(page, 'Text').tap();
  await expectWritten(page, FIRST_EXAMPLE);
  await saved(page);
  expect(await onlySession(empty)).toBe(FIRST_EXAMPLE);
  // It is worth keeping; and then it is not.
  await button(page, 'Keep in the library').tap();
  await expect(button(page, 'In the library')).toBeVisible();
  const kept = async () => (await empty.get<Kept>('library')).sessions.map(({ shorthand }) => shorthand);
  await expect.poll(kept).toEqual([FIRST_EXAMPLE]);
  await page.getByRole('button', { name: 'Undo', exact: true }).tap();
  await expect(button(page, 'Keep in the library')).toBeVisible();
  await expect.poll(kept).toEqual([]);
});

const SHORT = 'main: 1000 @5k / 2:00, 2x(400 @3k / 60s) / 3:00, 200 @mile';

async function openWith(page: Page, app: RunningApp, shorthand: string): Promise<void> {
  const { id } = await todaysSession(app);
  await page.goto(`${app.url}/sessions/${id}`);
  await sessionText(page).fill(shorthand);
  await saved(page);
}

test('parts are dragged into another order, into a set and out of it @both', async ({ page, demo, isMobile }) => {
  const by = isMobile ? 'touch' : 'keyboard';
  const writesOut = async (shorthand: string) => {
    // A press right after a drag is taken for the end of it.
    await expect(async () => {
      await press(page, by, side(page, 'Text'));
      await expect(sessionText(page)).toBeVisible({ timeout: 300 });
    }).toPass();
    await expectWritten(page, shorthand);
    await press(page, by, side(page, 'Build'));
  };
  await openWith(page, demo, SHORT);
  await press(page, by, side(page, 'Build'));
  await drag(page, button(page, 'Move 200 at mile'), button(page, 'Change 1000 at 5k'), isMobile);
  await writesOut('main: 200 @mile, 1000 @5k / 2:00, 2x(400 @3k / 60s) / 3:00');
  await drag(page, button(page, 'Move 200 at mile'), button(page, 'Change 400 at 3k'), isMobile);
  await writesOut('main: 1000 @5k / 2:00, 2x(200 @mile, 400 @3k / 60s) / 3:00');
  await drag(page, button(page, 'Move 400 at 3k'), button(page, 'Change 1000 at 5k'), isMobile);
  await writesOut('main: 400 @3k / 60s, 1000 @5k / 2:00, 2x(200 @mile) / 3:00');
  // All of it goes back, and forth.
  for (let i = 0; i < 3; i++) await press(page, by, button(page, 'Step back'));
  await writesOut(SHORT);
  await press(page, by, button(page, 'Step forward'));
  await writesOut('main: 200 @mile, 1000 @5k / 2:00, 2x(400 @3k / 60s) / 3:00');
});

test('paces are offered at the cursor, a thumb high and inside the screen, and taken by a tap', async ({
  page,
  demo,
}) => {
  await openWith(page, demo, 'main: 6x400 / 90s jog, 8x300 ');
  await page.getByRole('group', { name: 'Signs' }).getByRole('button', { name: '@', exact: true }).tap();
  const offers = page.getByRole('listbox', { name: 'Completions' }).getByRole('option');
  await expect(offers.first()).toBeVisible();
  const { width = 0, height = 0 } = page.viewportSize() ?? {};
  const list = await page.getByRole('listbox', { name: 'Completions' }).boundingBox();
  expect(list && list.x >= 0 && list.x + list.width <= width && list.y + list.height <= height).toBe(true);
  expect((await offers.first().boundingBox())?.height).toBeGreaterThanOrEqual(44);
  const name = await offers.nth(2).textContent();
  await offers.nth(2).tap();
  await expectWritten(page, `main: 6x400 / 90s jog, 8x300 @${name}`);
});

test('where its editor cannot be fetched, a session is written in a plain field', async ({ page, demo }) => {
  await page.route(/\/codeMirror-/, (route) => route.abort());
  const { id } = await todaysSession(demo);
  await page.goto(`${demo.url}/sessions/${id}`);
  await page.getByLabel('Session', { exact: true }).fill('main: 5x300 @mile / 60s');
  await saved(page);
  await expect(page.getByRole('img', { name: /The session lap by lap/ })).toBeVisible();
  await expect(sessionText(page)).toHaveCount(0);
});

test('while the server is away what is written is kept, and sent when it is back', async ({ page, killable }) => {
  const { sessions } = await killable.get<Kept>('library');
  const ownSession = sessions.find(({ title }) => title === 'Sharp 200s');
  const inLibrary = async () => (await killable.get<Kept>('library')).sessions.find(({ id }) => id === ownSession?.id);
  await page.goto(`${killable.url}/sessions/library/${ownSession?.id}`);
  await expectWritten(page, /10x200/);
  await killable.kill();
  await sessionText(page).fill('main: 12x200 @1500 / 200m jog');
  await expect(page.getByText('Not saved yet')).toBeVisible();
  await button(page, 'Make it a favourite').or(button(page, 'No longer a favourite')).tap();
  await expect(page.getByText('The server cannot be reached.', { exact: false }).first()).toBeVisible();
  await killable.start();
  expect((await inLibrary())?.shorthand).toMatch(/10x200/);
  // Opened again, what was typed is there, and goes out by itself.
  await page.reload();
  await expectWritten(page, 'main: 12x200 @1500 / 200m jog');
  await saved(page);
  expect((await inLibrary())?.shorthand).toBe('main: 12x200 @1500 / 200m jog');
});

test('a broken text is mended, and nothing is lost on the way', async ({ page, demo }) => {
  await openWith(page, demo, '# before the race\nmain: 6x400 @5k / 90s');
  const picture = page.getByRole('img', { name: /The session lap by lap/ });
  await sessionText(page).fill('# before the race\nmain: 6x400 @5kk / 90s, soon, 30 @mile');
  const problems = page.getByRole('alert', { name: 'What cannot be read' });
  for (const text of ['“5kk” is not a pace', '“soon” is not a distance', '30 what?'])
    await expect(problems).toContainText(text);
  await expect(picture).toBeVisible();
  await side(page, 'Build').tap();
  await expect(page.getByText('The text cannot be read just now.', { exact: false })).toBeVisible();
  await button(page, 'Step back').tap();
  await button(page, 'Change 6 × 400 at 5k').tap();
  await button(page, 'Times: more').tap();
  await side(page, 'Text').tap();
  // Only the line that changed is written anew.
  await expectWritten(page, '# before the race\nmain: 7x400 @5k / 90s');
  // What cannot be had is refused with the reason, and changes nothing.
  await sessionText(page).fill('main: 250x(2x400)');
  await side(page, 'Build').tap();
  await button(page, 'Change 2 × 400').tap();
  await button(page, 'Times: more').tap();
  await expect(page.getByText('750 legs', { exact: false })).toBeVisible();
  await side(page, 'Text').tap();
  await expectWritten(page, 'main: 250x(2x400)');
});

test('what coaches write is understood and said; what can mean two things is asked, and stored text is not reopened', async ({
  page,
  demo,
  isMobile,
}) => {
  const by = isMobile ? 'touch' : 'keyboard';
  await openWith(page, demo, '6x400 @5k / 90');
  await expect(page.getByRole('alert', { name: 'What cannot be read' })).toContainText('90 seconds or 90 metres?');
  // Stored and opened again it is read as it always was, and nobody is asked.
  await saved(page);
  await page.reload();
  await expectWritten(page, '6x400 @5k / 90');
  await expect(page.getByRole('alert', { name: 'What cannot be read' })).toHaveCount(0);
  await sessionText(page).fill('WU 2 miles easy, drills # by the river\n6 x 800 at 5k pace with 2 min jog');
  const understood = page.getByRole('status', { name: 'How it was understood' });
  await expect(understood).toContainText('6x800 @5k / 2:00 jog');
  await expectWritten(page, /at 5k pace with/);
  await press(page, by, button(page, 'Write it like this'));
  await expectWritten(page, 'warm: 2mi @easy, drills # by the river\n6x800 @5k / 2:00 jog');
  await expect(understood).toHaveCount(0);
  // Asked while it is typed, unfinished until it is answered.
  await sessionText(page).fill('6x400 @5k, 2min\n4x200 @mile / 75');
  const asked = page.getByRole('alert', { name: 'What cannot be read' });
  await expect(asked).toContainText('Is 2:00 a rest, or running of 2:00?');
  await expect(asked).toContainText('75 seconds or 75 metres?');
  await press(page, by, button(page, '75 seconds'));
  await press(page, by, button(page, '2:00 of rest'));
  await expectWritten(page, 'main: 6x400 @5k / 2:00\n4x200 @mile / 75s');
  await expect(asked).toHaveCount(0);
  // A forgotten recovery is a soft note.
  await sessionText(page).fill('6x400 @5k');
  await expect(understood).toContainText('No recovery after each 400');
  await expect(button(page, 'To the track')).toBeEnabled();
});

test('the lap sheet says where a rep goes and how far the next start is, on any track @wide', async ({
  page,
  demo,
  isMobile,
}) => {
  await openWith(page, demo, 'main: 3x350 @3k / 90s, 60s @mile');
  const sheet = page.getByRole('group', { name: /Rep by rep/ });
  const facts = page.getByRole('status').filter({ hasText: ' of ' });
  if (isMobile) {
    const box = await sheet.boundingBox();
    await sheet.tap({ position: { x: (box?.width ?? 0) * 0.4, y: 60 } });
  } else {
    await sheet.focus();
    await page.keyboard.press('ArrowRight');
  }
  await expect(facts).toContainText('Rep 1 of 4: 350 @3k');
  await expect(facts).toContainText('Starts at the finish line, ends at 50 m past the 300 m start.');
  await expect(facts).toContainText('The next start is 50 m on, at the finish line.');
  await expect(page.getByText(/^Dashed: by the clock, drawn as far as Ada/)).toBeVisible();
  await page.getByLabel('Drawn on').selectOption({ label: '200 m indoor track' });
  await expect(page.getByRole('img', { name: /lap by lap on the 200 m indoor track/ })).toBeVisible();
  await sheet.focus();
  await page.keyboard.press('ArrowRight');
  await expect(facts).toContainText('ends at the 150 m mark');
  await page.getByLabel('Drawn for').selectOption({ label: 'Bo Tarrowby' });
  await expect(page.getByText(/^Dashed: by the clock, drawn as far as Bo/)).toBeVisible();
  // The choice of track is kept on this device.
  await page.reload();
  await expect(page.getByLabel('Drawn on')).toHaveValue('indoor-200');
});

test('totals, kind and notes follow what is written', async ({ page, demo }) => {
  await openWith(page, demo, 'main: 4x1000 @threshold / 60s');
  const totals = page.getByRole('group', { name: 'Totals' });
  await expect(totals).toContainText(/4 × @threshold\s*4,000 m, \d+ to \d+ min/);
  await expect(page.getByLabel('Kind')).toContainText('Threshold (suggested)');
  await expect(page.getByRole('note')).toContainText('There is no warm-up');
  await sessionText(page).fill('warm: 1600 @easy\nmain: 5x1000 @5k / 2:00\ncool: 800 @easy');
  await expect(totals).toContainText('of a flat-out run100 %');
  await expect(page.getByLabel('Kind')).toContainText('Aerobic power (suggested)');
  await page.getByLabel('Starts at').fill('18:30');
  await expect(totals).toContainText(/from 18:30over at 19:\d\d for/);
  await page.getByLabel('Kind').selectOption({ label: 'Test' });
  await expect(page.getByText(/Meant to feel medium-hard, then very hard, then all out/)).toBeVisible();
  await expect(page.getByRole('note')).toContainText('pain, feels dizzy or ill');
  await saved(page);
  await page.reload();
  await expect(page.getByLabel('Kind')).toHaveValue('test');
  await expect(page.getByLabel('Starts at')).toHaveValue('18:30');
});

test('the lap sheet goes on paper, whole and alone @wide', async ({ page, demo }) => {
  await openWith(page, demo, 'warm: 1600 @easy\nmain: 30x400 @5k / 60s\ncool: 800 @easy');
  await page.evaluate(() => {
    window.print = () => document.body.setAttribute('data-printed', 'yes');
  });
  await press(page, 'keyboard', button(page, 'Print the lap sheet'));
  await expect(page.locator('body')).toHaveAttribute('data-printed', 'yes');
  await page.emulateMedia({ media: 'print' });
  const paper = page.getByRole('document', { name: /on paper$/ });
  await expect(paper).toContainText('30x400 @5k');
  await expect(paper.getByRole('img', { name: /lap by lap/ })).toBeVisible();
  await expect(button(page, 'Print the lap sheet')).toBeHidden();
  const pdf = (await page.pdf({ preferCSSPageSize: true })).toString('latin1');
  expect(pdf.match(/\/Type\s*\/Page\b/g)).toHaveLength(2);
  await page.emulateMedia({ media: 'screen' });
  await page.evaluate(() => window.dispatchEvent(new Event('afterprint')));
  await expect(paper).toBeHidden();
});

test('what is much is the coach’s to say', async ({ page, demo }) => {
  await openWith(page, demo, 'warm: 1600 @easy\nmain: 3x1000 @threshold / 60s\ncool: 800 @easy');
  const note = page.getByText(/^Much for threshold/);
  await expect(page.getByText('Meant to feel', { exact: false })).toBeVisible();
  await button(page, 'Guides and schools').tap();
  const threshold = page.getByRole('group', { name: 'Threshold', exact: true });
  for (let minutes = 38; minutes >= 8; minutes -= 2) {
    await threshold.getByRole('button', { name: 'Threshold: less' }).tap();
    await expect(threshold).toContainText(`${minutes} min`);
  }
  await expect(page.getByText('set by the coach')).toBeVisible();
  await page.goBack();
  await expect(note).toBeVisible();
  await button(page, 'Guides and schools').tap();
  await button(page, 'As they came with the app').tap();
  await expect(threshold).toContainText('40 min');
});

test('the library: found again, favoured, put on a day, and changed without touching what was run @wide', async ({
  page,
  demo,
  isMobile,
}) => {
  const by = isMobile ? 'touch' : 'keyboard';
  const go = (target: Locator) => press(page, by, target);
  await page.goto(`${demo.url}/sessions`);
  await go(page.getByRole('link', { name: /^Library/ }));
  await page.getByLabel('Find', { exact: true }).fill('whistle');
  await expect(page.getByText('1 session', { exact: true })).toBeVisible();
  await page.getByLabel('Find', { exact: true }).fill('nothing at all like it');
  await expect(page.getByText('Nothing like that')).toBeVisible();
  await page.getByLabel('Find', { exact: true }).fill('');
  if (isMobile) await go(button(page, 'Choose by'));
  await page.getByLabel('Kind', { exact: true }).selectOption({ label: 'Rehearsal' });
  await expect(page.getByText('1 session', { exact: true })).toBeVisible();
  await go(page.getByRole('link', { name: /The mile in pieces/ }));
  await go(button(page, 'Make it a favourite'));
  await expect(button(page, 'No longer a favourite')).toBeVisible();
  await go(button(page, 'Put on this day'));
  await expect(page.getByRole('heading', { name: 'Today' })).toBeVisible();
  await expectWritten(page, /@goal mile/);
  await go(button(page, 'In the library'));
  await expect(page.getByRole('heading', { name: 'In the library' })).toBeVisible();

  // One that was run: its text is kept as a version when it is changed.
  const { sessions } = await demo.get<Kept>('library');
  const run = sessions.find(({ title }) => title === 'Threshold kilometres');
  await page.goto(`${demo.url}/sessions/library/${run?.id}`);
  await sessionText(page).fill('main: 3x1000 @threshold / 60s');
  await saved(page);
  await go(side(page, 'About'));
  await expect(page.getByText(/12 athletes, 48 of 48 reps; \d+ on, \d+ early, \d+ late/)).toBeVisible();
  await expect(page.getByText(/^Version 1, until/)).toBeVisible();
  await go(button(page, 'Go back to version 1'));
  await go(side(page, 'Text'));
  await expectWritten(page, /main: 4x1000 @threshold/);
});

test('a progression is proposed, looked at, kept, and taken back', async ({ page, demo, isMobile }) => {
  const go = (target: Locator) => press(page, isMobile ? 'touch' : 'keyboard', target);
  await page.goto(`${demo.url}/sessions/library`);
  await page.getByLabel('Find', { exact: true }).fill('Mile-pace');
  await go(page.getByRole('link', { name: /Mile-pace 400s/ }));
  await go(side(page, 'About'));
  await go(button(page, 'Make a progression'));
  const proposal = page.getByRole('group', { name: 'Progression', exact: true });
  await expect(proposal).toContainText('12x400 @mile');
  await go(page.getByRole('radio', { name: 'Sets run as one' }));
  await expect(proposal).toContainText('This lever moves nothing');
  await go(page.getByRole('radio', { name: 'Less rest' }));
  await expect(proposal).toContainText('8x400 @mile / 1:40 walk');
  await go(button(page, 'Keep this progression'));
  await expect(page.getByRole('heading', { name: 'Mile-pace 400s: less rest' })).toBeVisible();
  const steps = page.getByRole('list', { name: 'Steps' }).getByRole('listitem');
  await expect(steps).toHaveCount(4);
  await go(button(page, 'Step 4 earlier'));
  await expect(steps.nth(2)).toContainText('Mile-pace 400s, 4');
  await go(button(page, 'Take step 4 out'));
  await expect(steps).toHaveCount(3);
  await go(page.getByRole('button', { name: 'Undo', exact: true }));
  await expect(steps).toHaveCount(4);
  await page.getByLabel('Add a step').selectOption({ label: 'Sharp 200s' });
  await expect(steps).toHaveCount(5);
  const progressions = async () => (await demo.get<Kept>('library')).progressions;
  await expect.poll(progressions).toHaveLength(3);
  await go(button(page, 'Remove this progression'));
  await expect(page.getByText('Kilometres, one more each time')).toBeVisible();
  await expect.poll(progressions).toHaveLength(2);
});

test('sessions come and go as files; what cannot be taken is said, and nothing is half done', async ({
  page,
  demo,
}) => {
  const count = async () => (await demo.get<Kept>('library')).sessions.length;
  const before = await count();
  await page.goto(`${demo.url}/sessions/files`);
  const downloading = page.waitForEvent('download');
  await button(page, /^Save the library/).tap();
  const file = await (await downloading).path();
  const bring = (name: string, text: string) =>
    page.getByLabel('File to bring in').setInputFiles({ name, mimeType: 'text/plain', buffer: Buffer.from(text) });
  const found = page.getByRole('list', { name: 'What is in the file' });
  await page.getByLabel('File to bring in').setInputFiles(file);
  await expect(found.getByText('in the library already')).toHaveCount(46);
  await expect(button(page, 'Take 0 sessions over')).toBeDisabled();
  await bring('later.json', '{"format":"zest-lap/sessions","version":9,"sessions":[]}');
  await expect(page.getByText('saved by a newer Zest Lap', { exact: false })).toBeVisible();
  await expect(found).toBeHidden();
  await bring('Tuesday.txt', '# Hills on Tuesday\nmain: 8x45s @effort 8 / equal jog, 3x1000 @cruise');
  await expect(found).toContainText('a draft, to be mended');
  await expect(found).toContainText('“cruise” is not a pace in the pace book');
  expect(await count()).toBe(before);
  await button(page, 'Take 1 session over').tap();
  await expect(page.getByText('1 session is in the library.')).toBeVisible();
  await page.getByLabel('Find', { exact: true }).fill('hills');
  await page.getByRole('link', { name: /Hills on Tuesday/ }).tap();
  await expect(page.getByRole('alert', { name: 'What cannot be read' })).toContainText('“cruise” is not a pace');
  expect(await seriousProblems(page)).toEqual([]);
});
