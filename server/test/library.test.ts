import { ulid } from 'ulid';
import type { LibrarySession, LibraryVersion, Progression } from '@core/library/librarySession';
import { STARTERS } from '@core/library/starters';
import { curveBook } from '@core/paces/shippedPaceBooks';
import { SHIPPED_GUIDES } from '@core/squad/volumeGuides';
import { read } from '@core/session/testing';
import { standardTrack } from '@core/venue/venue';
import { makePlan } from '@core/planning/makePlan';
import type { Page, StoredLibrary } from '@core/api/answers';
import { serverForEach } from './testServer';

const server = serverForEach();

const session = (more: Partial<LibrarySession> = {}): LibrarySession => ({
  id: ulid(),
  title: 'Six quick ones',
  shorthand: '6x400 @5k / 90s',
  tags: [],
  ...more,
});
const change = (body: object) => server.call('POST', '/api/library/changes', body);
const library = async () => (await server.call('GET', '/api/library')).body as StoredLibrary;
const versions = async (id: string) =>
  ((await server.call('GET', `/api/library/${id}/versions`)).body as Page<LibraryVersion>).rows;

/** Takes a session in the library to the track, as a phone does. */
async function runIt({ id, title, shorthand }: LibrarySession): Promise<void> {
  const sessionId = ulid();
  const put = await server.call('PUT', `/api/sessions/${sessionId}`, {
    title,
    shorthand,
    date: '2027-05-04',
    libraryId: id,
  });
  expect(put.status).toBe(200);
  const someone = { id: ulid(), name: 'Ada', tileName: 'Ada', paces: { paceBook: curveBook } };
  const header = { id: ulid(), sessionId, title, date: '2027-05-04', shorthand };
  const plan = makePlan(header, read(shorthand), [someone], standardTrack);
  const sent = await server.call('PUT', `/api/runs/${plan.id}/plan`, plan);
  expect(sent.status).toBeLessThan(300);
}

describe('the library', () => {
  test('is empty of what is the coach’s own, and keeps all of a session', async () => {
    expect(await library()).toEqual({ sessions: [], progressions: [] });
    const full = session({
      intent: 'threshold',
      purpose: 'Stamina.',
      season: 'Base.',
      easier: 'Five.',
      harder: 'Seven.',
      tags: ['wet', 'grass'],
      favourite: true,
      archived: true,
    });
    expect((await change({ sessions: [full, session({ title: 'A draft', shorthand: '6x @' })] })).status).toBe(204);
    expect((await library()).sessions).toEqual([expect.objectContaining({ title: 'A draft' }), full]);
  });

  test('a session is taken out and put back by sending it again', async () => {
    const candidate = session();
    await change({ sessions: [candidate] });
    await change({ removedSessionIds: [candidate.id] });
    expect((await library()).sessions).toEqual([]);
    await change({ sessions: [candidate] });
    expect((await library()).sessions).toEqual([candidate]);
  });

  test('a starter session is kept only once it is changed, under its own id', async () => {
    const [starter] = STARTERS as [LibrarySession];
    await change({ sessions: [{ ...starter, favourite: true }] });
    expect((await library()).sessions).toEqual([{ ...starter, favourite: true }]);
  });

  test('progressions: of sessions that are there, in their order; all or nothing', async () => {
    const [candidate, two] = [session(), session({ title: 'Seven' })];
    const up: Progression = {
      id: ulid(),
      name: 'Up',
      lever: 'more',
      stepIds: [two.id, candidate.id, STARTERS[0]?.id ?? ''],
    };
    const lost = await change({ sessions: [candidate], progressions: [{ ...up, stepIds: [ulid()] }] });
    expect(lost).toMatchObject({ status: 400, body: { error: { code: 'unknown', field: 'stepIds' } } });
    expect(await library()).toEqual({ sessions: [], progressions: [] });
    await change({ sessions: [candidate, two], progressions: [up] });
    expect((await library()).progressions).toEqual([up]);
    await change({ removedProgressionIds: [up.id] });
    expect((await library()).progressions).toEqual([]);
  });

  test.each([
    [{ sessions: [session({ title: ' ' })] }, 'sessions[0].title', /A title is needed/],
    [{ sessions: [{ ...session(), surprise: 1 }] }, 'sessions[0].surprise', /not allowed/],
    [{ sessions: [{ ...session(), intent: 'fun' }] }, 'sessions[0].intent', /must be one of/],
    [{ sessions: [session({ shorthand: 'x'.repeat(20_001) })] }, 'sessions[0].shorthand', /20 000 characters/],
    [
      { progressions: [{ id: ulid(), name: 'Up', lever: 'more', stepIds: [] }] },
      'progressions[0].stepIds',
      /needs a step/,
    ],
    [{ removedSessionIds: ['nobody'] }, 'removedSessionIds[0]', /not an id/],
  ])('refuses %.90j', async (body, field, message) => {
    expect(await change(body)).toMatchObject({
      status: 400,
      body: { error: { code: 'invalid', field, message: expect.stringMatching(message) as string } },
    });
  });
});

describe('versions', () => {
  test('a text that was run is kept when it is changed; one that was not is not', async () => {
    const candidate = session();
    await change({ sessions: [candidate] });
    await change({ sessions: [{ ...candidate, shorthand: '7x400 @5k / 90s' }] });
    expect(await versions(candidate.id)).toEqual([]);
    await runIt({ ...candidate, shorthand: '7x400 @5k / 90s' });
    await change({ sessions: [{ ...candidate, shorthand: '7x400 @5k / 90s', favourite: true }] });
    expect(await versions(candidate.id)).toEqual([]);
    await change({ sessions: [{ ...candidate, shorthand: '8x400 @5k / 90s' }] });
    await change({ sessions: [{ ...candidate, shorthand: '9x400 @5k / 90s' }] });
    expect(await versions(candidate.id)).toEqual([
      { version: 1, title: candidate.title, shorthand: '7x400 @5k / 90s', untilMs: 1_800_000_000_000 },
    ]);
  });

  test('of a starter session too', async () => {
    const [starter] = STARTERS as [LibrarySession];
    await runIt(starter);
    await change({ sessions: [{ ...starter, shorthand: '4x1000 @threshold / 60s' }] });
    expect((await versions(starter.id)).map(({ shorthand }) => shorthand)).toEqual([starter.shorthand]);
  });
});

test('a session on a day keeps when it starts, what it is meant for and where it is from, and lets go of them', async () => {
  const id = ulid();
  const input = { title: 'T', date: '2027-05-04', shorthand: '400 @5k' };
  const more = { startTime: '17:45', intent: 'test', libraryId: ulid() };
  const put = (body: object) => server.call('PUT', `/api/sessions/${id}`, body);
  await put({ ...input, ...more });
  expect((await server.call('GET', '/api/sessions/days?from=1900-01-01')).body).toEqual([{ id, ...input, ...more }]);
  await put(input);
  expect((await server.call('GET', '/api/sessions/days?from=1900-01-01')).body).toEqual([{ id, ...input }]);
  expect(await put({ ...input, startTime: '25:00' })).toMatchObject({
    status: 400,
    body: { error: { field: 'startTime' } },
  });
});

test('the volume guides are the coach’s to change, and to put back', async () => {
  const squad = () => server.call('GET', '/api/squad');
  const changeSquad = (body: object) => server.call('POST', '/api/squad/changes', body);
  const guides = { ...SHIPPED_GUIDES, most: [{ intent: 'threshold', mostS: 1800, source: 'our own' }] };
  expect((await changeSquad({ guides })).status).toBe(204);
  expect((await squad()).body).toMatchObject({ paceBookId: 'curve', guides });
  const wrong = { ...guides, most: [{ intent: 'threshold', mostS: 1800, mostM: 400, source: 'both' }] };
  expect((await changeSquad({ guides: wrong })).status).toBe(400);
  await changeSquad({ guides: null });
  expect((await squad()).body).not.toHaveProperty('guides');
});
