import type { StoredLibrary } from '../core/api/answers';
import type { DayPlan } from '../core/planning/dayPlan';
import type { Standing } from '../core/review/history';
import type { SquadMember } from '../core/squad/athlete';
import type { Happening, RunEvent } from '../core/run/events';
import type { Plan } from '../core/run/plan';
import { ulid } from 'ulid';
import { expect, press, seriousProblems, test, type By, ALL_RUNS, ALL_SESSIONS } from './app';
import type { RunningApp } from './runningApp';

type Stored = { id: string; title: string; date: string; shorthand: string; libraryId?: string; plan?: DayPlan };
type Run = { id: string; title: string; date: string };

const daysAfter = (date: string, days: number) =>
  new Date(Date.parse(`${date}T12:00:00Z`) + days * 86_400_000).toISOString().slice(0, 10);

async function latestRun(app: RunningApp): Promise<Run> {
  const [run] = await app.get<Run[]>(ALL_RUNS);
  if (!run) throw new Error('Nothing was run.');
  return run;
}

const sessionsOn = async (app: RunningApp, date: string) =>
  (await app.get<Stored[]>(ALL_SESSIONS)).filter((session) => session.date === date);

/** Six 300s in a minute each, for the groups of another session. */
function stageOf(like: Plan, session: Stored): { plan: Plan; events: RunEvent[] } {
  const reps = Array.from({ length: 6 }, () => ({
    role: 'main' as const,
    distanceM: 300,
    pace: 'goal 5k',
    callM: [300],
    recovery: '75s walk',
  }));
  const plan: Plan = {
    ...like,
    id: ulid(),
    sessionId: session.id,
    title: session.title,
    date: session.date,
    shorthand: session.shorthand,
    groups: like.groups.slice(0, 2).map((group) => ({
      ...group,
      startGapS: 0,
      reps,
      athletes: group.athletes.map((athlete) => ({
        ...athlete,
        targets: reps.map(() => ({ targetS: 60, recoveryS: 75 })),
      })),
    })),
  };
  const startMs = Date.parse(`${session.date}T10:00:00Z`);
  const deviceId = ulid();
  const at = (atMs: number, happening: Happening): RunEvent => ({
    ...happening,
    id: ulid(),
    runId: plan.id,
    deviceId,
    atMs,
  });
  const events = plan.groups.flatMap(({ athletes }) =>
    reps.flatMap((_, repIndex) => {
      const fromMs = startMs + repIndex * 135_000;
      const ids = athletes.map(({ athleteId }) => athleteId);
      return [
        at(fromMs, { type: 'started', repIndex, athleteIds: ids }),
        ...ids.map((athleteId) => at(fromMs + 60_000, { type: 'passed', athleteId, repIndex, atM: 300 })),
      ];
    }),
  );
  return { plan, events: [...events, at(startMs + 1_000_000, { type: 'ended' })] };
}

test('the next step for two groups, from the last session: written, taken back, and the same again', async ({
  page,
  demo,
  isMobile,
}) => {
  const by: By = isMobile ? 'touch' : 'keyboard';
  const run = await latestRun(demo);
  await page.goto(`${demo.url}/results/${run.id}`);
  await press(page, by, page.getByRole('button', { name: 'The next step' }));
  await expect(page.getByRole('region', { name: 'What changes' })).toBeVisible();
  const ready = page.getByRole('region', { name: 'A', exact: true });
  await expect(ready.getByText(/ready for a step on|repeat it/)).toBeVisible();
  await expect(ready.getByText(/On target to the end|early: run the target|late/).first()).toBeVisible();
  expect(await seriousProblems(page)).toEqual([]);

  // One group goes on, all others wait.
  for (const group of ['A', 'B', 'C', 'D'])
    await press(
      page,
      by,
      page.getByRole('button', { name: `All of ${group}: ${group === 'B' || group === 'C' ? 'repeat' : 'step on'}` }),
    );
  await press(page, by, page.getByRole('radio', { name: /^Less rest: 10x200 @1500 \/ 150m jog$/ }));
  const then = page.getByRole('region', { name: 'What is run' });
  await expect(then).toContainText('10x200 @1500 / 150m jog');
  await expect(then).toContainText('10x200 @1500 / 200m jog');
  await expect(
    page.getByText(
      /: (the next turn of its thread|the same day next week|the next \w+day|the next hard day that the season leaves free)/,
    ),
  ).toBeVisible();
  const date = await page.getByLabel('Day', { exact: true }).inputValue();
  await press(page, by, page.getByRole('button', { name: /^Write it for/ }));
  await expect(page.getByText(/is written for/)).toBeVisible();
  await expect(page).toHaveURL(/\/sessions\/plan\//);
  const [written] = await sessionsOn(demo, date);
  expect(written?.title).toBe(run.title);
  const hasVersion = new Map(
    written?.plan?.groups?.map(({ name, version }) => [name, version?.includes('m jog') === true]),
  );
  // Those that wait run one session, those that go on the other.
  expect(hasVersion.get('A')).toBe(hasVersion.get('D'));
  expect(hasVersion.get('B')).toBe(hasVersion.get('C'));
  expect(hasVersion.get('A')).toBe(!hasVersion.get('B'));

  await press(page, by, page.getByRole('button', { name: 'Undo' }));
  await expect(page.getByRole('heading', { name: 'The next step' })).toBeVisible();
  await expect.poll(() => sessionsOn(demo, date)).toEqual([]);
  await expect(page.getByText(/^Written already/)).toHaveCount(0);

  for (const group of ['A', 'B', 'C', 'D'])
    await press(page, by, page.getByRole('button', { name: `All of ${group}: repeat` }));
  await expect(then).toContainText(/All \d+: .*10x200 @1500 \/ 200m jog/);
  await press(page, by, page.getByRole('button', { name: /^Write it for/ }));
  await expect(page.getByText(/is written for/)).toBeVisible();
  expect((await sessionsOn(demo, date))[0]?.shorthand).toContain('10x200 @1500 / 200m jog');
  await page.goto(`${demo.url}/results/${run.id}/next`);
  await expect(page.getByText(/^Written already/)).toBeVisible();
});

test('a ladder of stages waits for two and moves for the rest; who stands where is seen on it @wide', async ({
  page,
  demo,
  isMobile,
}) => {
  const by: By = isMobile ? 'touch' : 'keyboard';
  const run = await latestRun(demo);
  const { plan: like } = await demo.get<{ plan: Plan }>(`runs/${run.id}`);
  const { sessions, progressions } = await demo.get<StoredLibrary>('library');
  const ladder = progressions.find(({ name }) => name === 'Stages at goal pace');
  const stage = sessions.find(({ id }) => id === ladder?.stepIds[0]);
  if (!ladder || !stage) throw new Error('There is no ladder.');
  const session: Stored = {
    id: ulid(),
    title: stage.title,
    date: daysAfter(run.date, 1),
    shorthand: stage.shorthand,
    libraryId: stage.id,
  };
  const { id, ...written } = session;
  await demo.send('PUT', `sessions/${id}`, written);
  const { plan, events } = stageOf(like, session);
  await demo.send('PUT', `runs/${plan.id}/plan`, plan);
  await demo.send('POST', `runs/${plan.id}/events`, { events });

  await page.goto(`${demo.url}/results/${plan.id}/next`);
  await expect(page.getByRole('radio', { name: /^Step 2 of “Stages at goal pace”: 5x600 @goal 5k/ })).toBeChecked();
  const [first, second] = plan.groups.map(({ athletes }) => athletes[0]?.name ?? '');
  for (const group of ['A', 'B']) await press(page, by, page.getByRole('button', { name: `All of ${group}: step on` }));
  for (const name of [first, second]) await press(page, by, page.getByRole('button', { name: `${name}: repeat` }));
  const then = page.getByRole('region', { name: 'What is run' });
  await expect(then).toContainText(`5x600 @goal 5k / 75s walk`);
  await expect(then).toContainText('(1): 6x300 @goal 5k / 75s walk');
  await expect(then).toContainText('(1): 6x300 @goal 5k / 75s walk');
  await press(page, by, page.getByRole('button', { name: /^Write it for/ }));
  await expect(page.getByText(/is written for/)).toBeVisible();
  // Two weeks on, as the ladder says.
  const [next] = await sessionsOn(demo, daysAfter(session.date, 14));
  expect(next).toMatchObject({ title: 'Stage 2 at goal pace', libraryId: ladder.stepIds[1] });
  expect(next?.plan?.groups?.filter(({ libraryId }) => libraryId === ladder.stepIds[0])).toHaveLength(2);

  await expect
    .poll(async () =>
      (await demo.get<Standing[]>(`review/progressions/${ladder.id}`)).filter((standing) => standing.nextStep),
    )
    .toHaveLength(plan.groups.flatMap(({ athletes }) => athletes).length);
  const tileOf = (name: string | undefined) =>
    plan.groups.flatMap(({ athletes }) => athletes).find((athlete) => athlete.name === name)?.tileName ?? '';
  await page.goto(`${demo.url}/sessions/progressions/${ladder.id}`);
  const steps = page.getByRole('list', { name: 'Steps' }).getByRole('listitem');
  await expect(steps.first()).toContainText(`Next for ${tileOf(first)} and ${tileOf(second)}.`);
  await expect(steps.nth(1)).toContainText(/Next for /);
  await expect(page.getByRole('checkbox', { name: 'Run all steps again, a little faster' })).toBeChecked();
});

test('heavy legs the day after hold somebody back, and move the next hard day on @phone', async ({ page, demo }) => {
  const run = await latestRun(demo);
  const soon = daysAfter(run.date, 2);
  const [hard] = await sessionsOn(demo, soon);
  await page.goto(`${demo.url}/results/${run.id}/next`);
  const ready = page.getByRole('region', { name: 'A', exact: true });
  const row = ready.getByRole('listitem').first();
  const name =
    (await row
      .getByText(/^\w+ \w+$/)
      .first()
      .textContent()) ?? '';
  await page.getByRole('button', { name: 'All: fresh' }).tap();
  await expect(row).toContainText('Fresh the day after.');
  await page.getByRole('button', { name: 'One by one' }).tap();
  const sheet = page.getByRole('dialog');
  await sheet.getByRole('button', { name: `${name}: sore` }).tap();
  await page.getByRole('button', { name: 'Close' }).tap();
  await expect(row).toContainText('Legs sore the day after.');
  await expect(
    page.getByText(`${name} has heavy or sore legs: another easy day before the next hard one.`),
  ).toBeVisible();
  await page.getByRole('button', { name: /^Move it to/ }).tap();
  await expect(page.getByText(/ now\.$/)).toBeVisible();
  expect((await demo.get<Stored[]>(ALL_SESSIONS)).find(({ id }) => id === hard?.id)?.date).toBe(daysAfter(soon, 1));
  await page.getByRole('button', { name: 'Undo' }).tap();
  await expect.poll(() => sessionsOn(demo, soon)).toHaveLength(1);
});

test('how somebody reports effort is shown on their page, and in the plan @phone', async ({ page, demo }) => {
  const athletes = await demo.get<SquadMember[]>('athletes');
  const fern = athletes.find(({ name }) => name === 'Fern Hollowick');
  await page.goto(`${demo.url}/squad/${fern?.id}?side=sessions`);
  await expect(
    page.getByText(/^Rates effort about \d(\.5)? higher than most \(give or take 0\.\d\), from \d+ reps\.$/),
  ).toBeVisible();
  const session = (await demo.get<Stored[]>(ALL_SESSIONS)).find(({ title }) => title === 'Even 400s, quick finish');
  await page.goto(`${demo.url}/sessions/plan/${session?.id}`);
  await page.getByRole('radio', { name: 'Effort' }).tap();
  await page.getByRole('button', { name: /^Fern Hollowick: / }).tap();
  await expect(
    page.getByText(/^Rates effort about \d(\.5)? higher than most: all efforts here are as Fern would rate them/),
  ).toBeVisible();
});
