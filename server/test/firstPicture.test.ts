import fs from 'node:fs';
import path from 'node:path';
import { ulid } from 'ulid';
import { seasonFrom } from '@core/season/templates/seasonFrom';
import { seasonTemplates, type SeasonTemplate } from '@core/season/templates/templates';
import { daysAfter } from '@core/units/dayNumber';
import { letCoachIn, newJoinCode, openWithCode } from '../accounts/access';
import { planFor } from './madeUpPlan';
import { serverForEach, startTestServer, tempFolder } from './testServer';

const PAGE = '<!doctype html><html lang="en"><body><div id="root"><p>Zest Lap</p></div></body></html>';
const TODAY = '2027-01-20';
let now = new Date(`${TODAY}T12:00:00Z`);
let passphrase: string | undefined;
const web = tempFolder();
fs.writeFileSync(path.join(web, 'index.html'), PAGE);
afterAll(() => fs.rmSync(web, { recursive: true }));

const server = serverForEach(() =>
  startTestServer(tempFolder(), () => now.getTime(), undefined, {
    webFolder: web,
    ...(passphrase === undefined ? {} : { passphrase }),
  }),
);
beforeEach(() => {
  now = new Date(`${TODAY}T12:00:00Z`);
});

const pageAt = async (address: string, cookie = '') => {
  const answer = await fetch(server.url + address, { headers: cookie ? { cookie } : {} });
  return { html: await answer.text(), caching: answer.headers.get('cache-control') };
};
const write = (title: string, date = TODAY) =>
  server.call('PUT', `/api/sessions/${ulid()}`, {
    title,
    date,
    startTime: '17:45',
    shorthand: 'warm: 1600 @easy\nmain: 8x400 @5k / 75s jog',
  });

describe('the page of this week', () => {
  test('says what is on today, and is kept by nobody; every other page is bare', async () => {
    await write('Even 400s');
    await write('Tomorrow’s', daysAfter(TODAY, 1));
    for (const address of ['/', '/season']) {
      const { html, caching } = await pageAt(address);
      expect(html).toMatch(/^<!doctype html><html data-who="coach" lang="en">/);
      expect([...html.matchAll(/data-text="([^"]*)"/g)].map(([, text]) => text)).toEqual([
        'Today',
        'Even 400s',
        '17:45',
        '8x400 @5k / 75s jog',
      ]);
      expect(caching).toBe('no-store');
    }
    for (const address of ['/index.html', '/index.html?__WB_REVISION__=1', '/squad', '/season/x'])
      expect(await pageAt(address)).toEqual({ html: PAGE, caching: 'no-cache' });
  });

  test('says what a season has laid out, by the club’s calendar', async () => {
    const [fiveK] = seasonTemplates as [SeasonTemplate];
    const race = { id: 'harbour', date: '2027-03-28', name: 'Harbour meeting', weight: 'A' as const };
    const season = seasonFrom(fiveK, { firstDay: '2027-01-04', races: [race] });
    await server.call('PUT', `/api/seasons/${ulid()}`, { season, version: 0 });
    await server.call('POST', '/api/squad/changes', { club: { timeZone: 'Pacific/Auckland' } });
    now = new Date('2027-03-27T12:00:00Z');
    expect((await pageAt('/')).html).toContain('data-text="Harbour meeting"');
    now = new Date('2027-03-28T12:00:00Z');
    expect((await pageAt('/')).html).not.toContain('Harbour');
  });

  test('makes room for the choice between two seasons', async () => {
    const [fiveK] = seasonTemplates as [SeasonTemplate];
    const season = seasonFrom(fiveK, { firstDay: '2027-01-04', races: [] });
    await server.call('PUT', `/api/seasons/${ulid()}`, { season, version: 0 });
    expect((await pageAt('/')).html).toContain('class="today"');
    await server.call('PUT', `/api/seasons/${ulid()}`, { season, version: 0 });
    expect((await pageAt('/')).html).toContain('class="today today-below"');
  });

  test('has nothing of today where nothing is on', async () => {
    expect((await pageAt('/')).html).toBe(PAGE.replace('<html', '<html data-who="coach"'));
  });

  test('takes no title for HTML, nor for a pattern', async () => {
    await write('"><script>alert(1)</script>$& & <b>');
    const { html } = await pageAt('/');
    expect(html).toContain('data-text="&quot;&gt;&lt;script&gt;alert(1)&lt;/script&gt;$&amp; &amp; &lt;b&gt;"');
    expect(html).not.toContain('<script');
  });
});

describe('where a passphrase is asked for', () => {
  beforeAll(() => {
    passphrase = 'rain on the back straight';
  });
  afterAll(() => {
    passphrase = undefined;
  });

  test('today is for the coach only', async () => {
    const plan = planFor(ulid());
    const { token } = letCoachIn(server.db, now.getTime());
    const coach = `zest=${token}`;
    const asCoach = (method: string, url: string, body: unknown) => server.call(method, url, body, { cookie: coach });
    await asCoach('PUT', `/api/sessions/${ulid()}`, { title: 'Secret 400s', date: TODAY, shorthand: '8x400 @5k' });
    await asCoach('PUT', `/api/runs/${plan.id}/plan`, plan);
    const { code } = newJoinCode(server.db, plan.id, now.getTime());
    const joined = openWithCode(server.db, code, ulid(), now.getTime());
    const helper = typeof joined === 'string' ? '' : `zest=${joined.token}`;
    const seen = async (cookie?: string) => {
      const { html } = await pageAt('/', cookie);
      return { who: /data-who="(\w+)"/.exec(html)?.[1], isSeen: html.includes('Secret 400s') };
    };
    expect(await seen(coach)).toEqual({ who: 'coach', isSeen: true });
    expect(await seen(helper)).toEqual({ who: 'helper', isSeen: false });
    expect(await seen()).toEqual({ who: 'nobody', isSeen: false });
    expect(await seen('zest=forged')).toEqual({ who: 'nobody', isSeen: false });
  });
});
