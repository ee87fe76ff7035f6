/** Care from a stop at the track to the next session: asked on the board, shown in results, on the plan and at the roll call. */
import { ulid } from 'ulid';
import { daysAfter } from '../core/units/dayNumber';
import type { RunEvent } from '../core/run/events';
import type { Plan } from '../core/run/plan';
import type { DayPlan } from '../core/planning/dayPlan';
import { expect, press, seriousProblems, test, type By } from './app';
import { Board, tapped, todaysSession, writeToday } from './board';

test('a stop with pain is asked about, held, answered before the next session, and ended by a word', async ({
  page,
  demo,
  isMobile,
}) => {
  const by: By = isMobile ? 'touch' : 'keyboard';
  const board = new Board(page, by);
  const today = await todaysSession(demo);
  await writeToday(demo, '3x400 @5k / 75s walk');
  await board.open(demo, today.id);
  await board.start();
  await board.wait(40);
  await board.press(board.button('Somebody has stopped'));
  await board.press(board.button('Bo has stopped'));
  const why = page.getByRole('dialog', { name: 'Why did Bo stop?' });
  await expect(why.getByText(/take qualified advice before running again/)).toBeVisible();
  await board.press(why.getByRole('button', { name: /: pain$/ }));
  await expect(why).toBeHidden();
  await board.endNow();
  await board.letRun();
  const runId = board.runId();
  await expect
    .poll(async () => (await tapped(demo, runId)).map(({ type }) => type))
    .toEqual(expect.arrayContaining(['stopReason', 'ended']));

  await page.goto(`${demo.url}/results/${runId}`);
  const matters = page.getByRole('list', { name: 'What matters' }).getByRole('listitem');
  await expect(matters.first()).toContainText(/^Stopped in rep 1 with pain: Bo Tarrowby/);
  await press(page, by, matters.first().getByRole('button', { name: /^Why\?/ }));
  await expect(page.getByRole('dialog')).toContainText(
    'Pain holds somebody back for 10 days, or until they are well again.',
  );
  await page.keyboard.press('Escape');

  // The next session asks before anything else.
  const next = { id: ulid(), title: 'Kilometres', date: daysAfter(today.date, 2), shorthand: '5x400 @5k / 60s jog' };
  const { id, ...written } = next;
  await demo.send('PUT', `sessions/${id}`, written);
  await page.goto(`${demo.url}/sessions/plan/${id}`);
  const care = page.getByRole('region', { name: 'Take care' });
  await expect(care).toContainText('Bo Tarrowby: stopped with pain in rep 1');
  await expect(care.getByText(/take qualified advice/)).toBeVisible();
  expect(await seriousProblems(page)).toEqual([]);
  await press(page, by, care.getByRole('button', { name: 'Bo Tarrowby: 60 %' }));
  const bo = (await demo.get<{ id: string; name: string }[]>('athletes')).find(({ name }) => name === 'Bo Tarrowby');
  const careOf = async () => (await demo.get<{ plan?: DayPlan }>(`sessions/${id}`)).plan?.care?.[bo?.id ?? ''];
  await expect.poll(careOf).toBe('part');

  await page.goto(`${demo.url}/track/ready/${id}`);
  await expect(page.getByRole('button', { name: 'Bo Tarrowby: 60 %' })).toHaveAttribute('aria-pressed', 'true');
  await press(page, by, page.getByRole('button', { name: /^Go with \d+ athlete/ }));
  await expect(page.getByRole('button', { name: /^Start: / })).toBeVisible();
  const second = new URL(page.url()).pathname.split('/').at(-1) ?? '';
  const taken = () => demo.find<{ plan: Plan; events: RunEvent[] }>(`runs/${second}`);
  await expect.poll(async () => (await taken())?.plan !== undefined).toBe(true);
  const own = (await taken())?.plan.groups
    .flatMap(({ athletes }) => athletes)
    .find(({ name }) => name === 'Bo Tarrowby');
  expect(own?.takeCare).toBe(true);
  // The choice goes with the session, and can be taken back at the track.
  await expect
    .poll(async () => (await taken())?.events)
    .toEqual(
      expect.arrayContaining([expect.objectContaining({ type: 'careChosen', athleteId: bo?.id, choice: 'part' })]),
    );

  // Well again: nothing is asked any more.
  await page.goto(`${demo.url}/results/${runId}`);
  await press(page, by, page.getByRole('button', { name: 'Bo Tarrowby says it is gone' }));
  await expect(page.getByText('Bo Tarrowby is well again.')).toBeVisible();
  await page.goto(`${demo.url}/sessions/plan/${id}`);
  await expect(care).toContainText('Hana Morvane: easing back');
  await expect(care).not.toContainText('Bo Tarrowby: stopped');
});
