import { expect, press, test, ALL_RUNS } from './app';
import { todaysSession } from './board';

test('a session from the clipboard, typed by keyboard, pasted from a spreadsheet, and laps from a watch @wide', async ({
  page,
  demo,
  isMobile,
}) => {
  const by = isMobile ? 'touch' : 'keyboard';
  const { id } = await todaysSession(demo);
  await page.goto(`${demo.url}/track/ready/${id}`);
  await press(page, by, page.getByRole('button', { name: 'Enter times afterwards' }));
  const cell = (name: string, rep: number) => page.getByLabel(`${name}, rep ${rep}`, { exact: true });
  const save = page.getByRole('button', { name: 'Save these times' });
  await expect(save).toBeDisabled();
  // Down with Enter, each as somebody would write it.
  await cell('Bo Tarrowby', 1).focus();
  for (const text of ['1:19.4', '97', '1.25', 'x', 'fast']) {
    await page.keyboard.type(text);
    await page.keyboard.press('Enter');
  }
  await expect(cell('Bo Tarrowby', 2)).toBeFocused();
  await expect(page.getByRole('list', { name: 'What to look at' })).toContainText(
    'Ivo Castlebrae, rep 1: “fast” is not a time',
  );
  await expect(save).toBeDisabled();
  await cell('Ivo Castlebrae', 1).fill('3:10');
  await expect(page.getByRole('list', { name: 'What to look at' })).toContainText('really? Read as 3:10.0');
  await cell('Ivo Castlebrae', 1).fill('1:18,2');
  // A block of two athletes by two reps.
  await cell('Bo Tarrowby', 2).focus();
  await cell('Bo Tarrowby', 2).evaluate((input) => {
    const data = new DataTransfer();
    data.setData('text', '1:20.1\t79.8\n1:36\t1:37');
    input.dispatchEvent(new ClipboardEvent('paste', { clipboardData: data, bubbles: true, cancelable: true }));
  });
  await expect(cell('Cleo Wexmoor', 3)).toHaveValue('1:37');
  // What is typed survives a reload.
  await page.reload();
  await expect(cell('Cleo Wexmoor', 3)).toHaveValue('1:37');
  await page.getByLabel('Laps are those of').selectOption({ label: 'Ada Brindlecote' });
  const laps = 'Lap,Time,Distance (m)\n1,6:40,1600\n2,1:21.5,400\n3,1:15,190\n4,1:22.0,400\n5,1:16,200';
  await page
    .getByLabel('File to bring in')
    .setInputFiles({ name: 'ada.csv', mimeType: 'text/csv', buffer: Buffer.from(laps) });
  await expect(page.getByText('2 of 12 reps found among 5 laps.', { exact: false })).toBeVisible();
  await expect(cell('Ada Brindlecote', 2)).toHaveValue('1:22');
  await page
    .getByLabel('File to bring in')
    .setInputFiles({ name: 'what.csv', mimeType: 'text/csv', buffer: Buffer.from('name,club\nAda,Harriers') });
  await expect(page.getByText('No lap times were found', { exact: false })).toBeVisible();
  await press(page, by, save);
  await expect(page.getByText('rep to rep')).toBeVisible();
  await expect(page.getByRole('row', { name: /Bo Tarrowby/ })).toContainText('1:19.4');
  await expect(page.getByRole('row', { name: /Ada Brindlecote/ })).toContainText('1:21.5');
  await expect(page.getByRole('row', { name: /Esi Lindquay/ })).toContainText('1:25');
  const runId = page.url().split('/').at(-1);
  await expect
    .poll(
      async () =>
        (await demo.get<{ id: string; summary: { finished: number } }[]>(ALL_RUNS)).find((run) => run.id === runId)
          ?.summary.finished,
    )
    .toBe(10);
});
