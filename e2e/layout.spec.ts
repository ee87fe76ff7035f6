import type { Page } from '@playwright/test';
import type { SquadMember } from '../core/squad/athlete';
import type { SquadSettings } from '../core/squad/squadSettings';
import { expect, openWithin, test, ALL_RUNS } from './app';
import type { RunningApp } from './runningApp';
import { todaysSession } from './board';
import { layoutFaults } from './layout';

/** As long as each may be, and in one word, which is the hardest to set. */
const LONGEST = {
  name: 'Wilhelmina-Alexandrina Featherstonehaugh-Cholmondeleyworthington of Uppersandst',
  tileName: 'WWWWWWWWWWWW',
  group: 'Middledistancerunnersofthewesternborders',
  title:
    'Extraordinarilylonguninterruptedthresholdsession for the middle-distance group before the county championships at home',
};

/** Puts the longest names there are into the club. @returns whose they are, and today's session. */
async function withLongestNames(app: RunningApp): Promise<{ athleteId: string; sessionId: string }> {
  const [athlete] = await app.get<SquadMember[]>('athletes');
  if (!athlete) throw new Error('The club has nobody in it.');
  const { name, tileName, group, title } = LONGEST;
  const { groups } = await app.get<SquadSettings>('squad');
  await app.send('POST', 'squad/changes', {
    athletes: [{ ...athlete, name, tileName }],
    groups: groups.map((candidate, i) => (i === 0 ? { ...candidate, name: group } : candidate)),
  });
  const session = await todaysSession(app);
  const { date } = session;
  await app.send('PUT', `sessions/${session.id}`, {
    title,
    date,
    shorthand: 'warm: 1600 @easy\nmain: 8x400 @5k / 75s jog\nfinish: 4x200 @mile / 200m jog\ncool: 1200 @easy',
  });
  return { athleteId: athlete.id, sessionId: session.id };
}

const SIZES = [
  { width: 320, height: 640, text: 100 },
  { width: 390, height: 844, text: 100 },
  { width: 390, height: 844, text: 200 },
  { width: 844, height: 390, text: 100 },
];

/** On the narrowest phone, a usual one, one whose reader wants letters of twice the size, and one held sideways. */
async function expectWhole(page: Page, what: string): Promise<void> {
  for (const { width, height, text } of SIZES) {
    await page.setViewportSize({ width, height });
    await page.evaluate((text) => {
      document.documentElement.style.fontSize = `${text}%`;
    }, text);
    // The page follows its size a moment later.
    const message = `${what} at ${width}×${height}, letters at ${text} %`;
    await expect.poll(() => layoutFaults(page), { message }).toEqual([]);
  }
}

test('nothing is cut off, sticks out or lies over something else on any main screen, with the longest names', async ({
  page,
  demo,
}) => {
  const { athleteId, sessionId } = await withLongestNames(demo);
  await page.goto(demo.url);
  const seen = async (path: string, sign: string | RegExp) => {
    await openWithin(page, path);
    await expect(page.getByText(sign).first()).toBeVisible();
    await expectWhole(page, path);
  };
  await seen('/squad', '14 athletes');
  await seen(`/squad/${athleteId}`, LONGEST.name);
  await seen('/squad/groups', 'Drag someone by the handle');
  await seen('/squad/files', 'Bring in a list');
  await seen('/season', LONGEST.title);
  const [season] = await demo.get<{ id: string; season: { races: { id: string }[] } }[]>('seasons');
  await seen(`/season/${season?.id}`, 'To look at again');
  await seen(`/season/race/${season?.id}/${season?.season.races[1]?.id}`, 'What to think of');
  await seen('/season/new', 'How many hard days a week?');
  await seen('/sessions', LONGEST.title);
  await seen(`/sessions/${sessionId}`, 'To the track');
  await seen('/sessions/library', /sessions$/);
  await seen('/track', LONGEST.title);
  await seen(`/track/ready/${sessionId}`, 'Who is here?');
  await seen('/results', /130 of 130 reps/);
  const [run] = await demo.get<{ id: string }[]>(ALL_RUNS);
  await seen(`/results/${run?.id}/next`, 'What is run then');
  await seen(`/squad/${athleteId}?side=season`, 'How fitness has come along');
  await seen(`/sessions/plan/${sessionId}`, /of 14 take part/);
  for (const [side, sign] of [
    ['Targets', 'Changed by hand'],
    ['Effort', 'How sure is this?'],
    ['Track', /Who is where/],
    ['Paper', 'Copy as text'],
  ] as const) {
    await page.getByRole('radio', { name: side, exact: true }).tap();
    if (side === 'Paper') await expect(page.getByText(sign).first()).toBeVisible();
    await expectWhole(page, side);
  }
});

test('nor on the board: ready, running, with times without a name, in a rehearsal, and under its sheets', async ({
  page,
  demo,
}) => {
  const { sessionId } = await withLongestNames(demo);
  const button = (name: string | RegExp) => page.getByRole('button', { name });
  const tile = page.getByRole('group', { name: 'Line board' }).getByRole('button', { name: /^WWWW/ });
  await page.goto(`${demo.url}/track/rehearse/${sessionId}`);
  await expect(button(/^Start/)).toBeVisible();
  await expectWhole(page, 'rehearsal');
  await button(/^Start/).tap();
  await page.getByRole('radio', { name: '60×' }).tap();
  await expect(tile).toHaveAccessibleName(/running/);
  await expectWhole(page, 'rehearsal, running');

  await page.goto(`${demo.url}/track/ready/${sessionId}`);
  await button(/^Go with/).tap();
  await expect(button(/^Start/)).toBeVisible();
  await expectWhole(page, 'board');
  await button(/^Start/).tap();
  await expect(tile).toHaveAccessibleName(/running/);
  // Nobody can have run 200 m by now: the time is kept without a name, and asked about.
  await tile.tap();
  await expect(page.getByText(/^WWWWWWWWWWWW: really \d\.\d s for 200 m\? Kept without a name\.$/)).toBeVisible();
  await expectWhole(page, 'a tap too soon');
  await button(/^Line/).tap();
  await expect(button(/^Undo time without a name/)).toBeVisible();
  await expectWhole(page, 'times without a name');
  await button('More').tap();
  await expectWhole(page, 'More');
  await button('End the session now').tap();
  await expect(page.getByText(/are still running\.$/)).toBeVisible();
  await expectWhole(page, 'the end');
});
