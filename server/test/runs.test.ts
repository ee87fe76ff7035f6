import { eq } from 'drizzle-orm';
import { ulid } from 'ulid';
import type { RunEvent } from '@core/run/events';
import { addEvents, MOST_EVENTS } from '../db/runs';
import { rebuild } from '../db/results';
import { readRun } from '../db/storedRun';
import { runEvents, runs } from '../db/schema';
import { putAthlete } from './athletes';
import { planFor } from './madeUpPlan';
import { serverForEach } from './testServer';

const server = serverForEach();
const athleteId = ulid();
const [candidate, other] = [planFor(athleteId), planFor(athleteId)];
const crossed = (runId = candidate.id): RunEvent => ({ id: ulid(), runId, deviceId: ulid(), atMs: 1, type: 'crossed' });
const post = async (runId: string, ...events: RunEvent[]) =>
  server.call('POST', `/api/runs/${runId}/events`, { events });
type Listed = { id: string; summary?: object; isUnreadable?: true; isSetAside?: true };
const list = async () => (await server.call('GET', '/api/runs/days?from=1900-01-01')).body as Listed[];
const listed = async (id: string) => (await list()).find((run) => run.id === id);
const damage = (id: string) => {
  server.db.update(runs).set({ planJson: '{"groups":' }).where(eq(runs.id, id)).run();
  rebuild(server.db, id);
};

beforeEach(async () => {
  for (const plan of [candidate, other]) await server.call('PUT', `/api/runs/${plan.id}/plan`, plan);
});

test('an id that is there with other content is a conflict, also one of another session; the same content is not', async () => {
  const [first, elsewhere, fresh] = [crossed(), crossed(other.id), crossed()];
  await post(candidate.id, first);
  await post(other.id, elsewhere);
  const changed = { ...first, atMs: 2 };
  const moved = { ...elsewhere, runId: candidate.id };
  expect((await post(candidate.id, changed, moved, first, fresh)).body).toEqual({
    accepted: [fresh.id],
    refused: [first.id, elsewhere.id, first.id].map((id) => expect.objectContaining({ id, code: 'conflict' })),
  });
  expect((await post(candidate.id, first)).body).toEqual({ accepted: [first.id], refused: [] });
  expect(readRun(server.db, candidate.id)?.events).toEqual([first, fresh]);
});

test('a session takes so many events and no more; what it has can still be sent again', async () => {
  const first = crossed();
  await post(candidate.id, first);
  server.db
    .update(runs)
    .set({ eventCount: MOST_EVENTS - 1 })
    .where(eq(runs.id, candidate.id))
    .run();
  expect(await post(candidate.id, crossed(), crossed())).toMatchObject({
    status: 409,
    body: { error: { code: 'too_many' } },
  });
  expect((await post(candidate.id, crossed())).status).toBe(200);
  expect((await post(candidate.id, crossed())).status).toBe(409);
  expect((await post(candidate.id, first)).body).toEqual({ accepted: [first.id], refused: [] });
  expect(readRun(server.db, candidate.id)?.events).toHaveLength(2);
});

test('a log with the longest chain of undos there can be is listed like any other', async () => {
  const chain: RunEvent[] = [crossed()];
  while (chain.length < MOST_EVENTS) chain.push({ ...crossed(), type: 'undone', eventId: chain.at(-1)?.id ?? '' });
  const last = chain.splice(-1);
  addEvents(server.db, candidate.id, chain, 1);
  await post(candidate.id, ...last);
  expect(await listed(candidate.id)).toMatchObject({ summary: { athletes: 1 } });
});

describe('a session that cannot be read', () => {
  test('hides no other, says so when it is asked for, and can be set aside and taken back', async () => {
    damage(candidate.id);
    expect(await listed(other.id)).toHaveProperty('summary');
    expect(await listed(candidate.id)).toMatchObject({ isUnreadable: true });
    expect(await server.call('GET', `/api/runs/${candidate.id}`)).toMatchObject({
      status: 500,
      body: { error: { code: 'unreadable', message: expect.stringMatching(/set aside/) } },
    });
    expect((await server.call('DELETE', `/api/runs/${candidate.id}`)).status).toBe(204);
    expect((await server.call('DELETE', `/api/runs/${candidate.id}`)).status).toBe(404);
    expect(await listed(candidate.id)).toEqual(expect.objectContaining({ isSetAside: true }));
    expect(await listed(candidate.id)).not.toHaveProperty('isUnreadable');
    expect((await server.call('POST', `/api/runs/${candidate.id}/restore`)).status).toBe(204);
    expect(await listed(candidate.id)).toMatchObject({ isUnreadable: true });
  });
  test('does not prevent changing a session in the library that was run', async () => {
    const session = { id: ulid(), title: 'Reps', shorthand: '400', tags: [] };
    await server.call('POST', '/api/library/changes', { sessions: [session] });
    await server.call('PUT', `/api/sessions/${candidate.sessionId}`, {
      title: 'Reps',
      date: '2026-10-20',
      shorthand: '400',
      libraryId: session.id,
    });
    damage(candidate.id);
    expect(
      (await server.call('POST', '/api/library/changes', { sessions: [{ ...session, shorthand: '2x400' }] })).status,
    ).toBe(204);
  });
  test('does not prevent erasing an athlete in it: what names them there is removed', async () => {
    await putAthlete(server, athleteId, { name: 'Ada', marks: [] });
    const noted: RunEvent = { ...crossed(other.id), type: 'felt', athleteId, repIndex: 0, effort: 7 };
    await post(other.id, noted);
    damage(candidate.id);
    const half = JSON.stringify(noted).slice(0, -1);
    server.db.update(runEvents).set({ eventJson: half }).where(eq(runEvents.id, noted.id)).run();
    expect((await server.call('GET', `/api/athletes/${athleteId}/file`)).status).toBe(200);
    // The plan of the first names them too, in what is left of it.
    server.db
      .update(runs)
      .set({ planJson: `{"athleteId":"${athleteId}` })
      .where(eq(runs.id, candidate.id))
      .run();
    expect((await server.call('POST', `/api/athletes/${athleteId}/erase`)).status).toBe(204);
    expect(await list()).toEqual([]);
    expect(
      JSON.stringify([server.db.select().from(runs).all(), server.db.select().from(runEvents).all()]),
    ).not.toContain(athleteId);
  });
});
