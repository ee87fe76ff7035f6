import fc from 'fast-check';
import { ulid } from 'ulid';
import { seasonFrom } from '@core/season/templates/seasonFrom';
import { seasonTemplates, type SeasonTemplate } from '@core/season/templates/templates';
import { EVER_SHIPPED } from './everShipped';
import { planFor } from './madeUpPlan';
import { serverForEach } from './testServer';

const server = serverForEach();
const [FIVE_K] = seasonTemplates as [SeasonTemplate];
const RACE = { id: 'r', date: '2027-03-27', name: 'R', weight: 'A' as const };
const ID = ulid();
const ADA = ulid();
const athlete = {
  id: ADA,
  name: 'Ada',
  tileName: 'Ada',
  status: 'training',
  marks: [{ distanceM: 5000, timeS: 1200, date: '2026-10-01', kind: 'race' }],
};
const session = { title: 'Reps', date: '2026-11-03', shorthand: '4x400 @5k / 60s' };
const dayPlan = {
  taking: { [ADA]: true },
  groups: [{ id: ID, name: 'Milers', athleteIds: [ADA] }],
  changes: [{ whom: { kind: 'all' }, set: { kind: 'aim', aim: 'goal' } }],
};
const plan = planFor(ADA);

/** One write of every route, as an app sends it. */
const WRITES: [method: string, path: string, body: object][] = [
  ['POST', '/api/squad/changes', { athletes: [athlete], groups: [{ id: ID, name: 'Milers' }] }],
  ['PUT', `/api/pace-books/${ID}`, { name: 'Own', model: 'endurance', entries: [] }],
  ['PUT', `/api/sessions/${ID}`, session],
  ['PUT', `/api/sessions/${ID}/plan`, dayPlan],
  ['PUT', `/api/venues/${ID}`, { name: 'Mill loop', shape: 'lap', lengthM: 820, marks: [{ atM: 0, name: 'gate' }] }],
  ['PUT', `/api/seasons/${ID}`, { season: seasonFrom(FIVE_K, { firstDay: '2027-01-04', races: [RACE] }), version: 0 }],
  ['POST', `/api/seasons/${ID}/days`, { date: '2027-01-05', sessionId: ID, startTime: '17:30' }],
  ['POST', '/api/library/changes', { sessions: [{ id: ID, title: 'Six', shorthand: '6x400', tags: ['wet'] }] }],
  ['PUT', `/api/runs/${plan.id}/plan`, plan],
  ...EVER_SHIPPED.flatMap((shipped): [string, string, object][] => [
    ['PUT', `/api/runs/${shipped.plan.id}/plan`, shipped.plan],
    ['POST', `/api/runs/${shipped.plan.id}/events`, { events: shipped.events }],
  ]),
  ['POST', '/api/access/passphrase', { passphrase: 'at least twelve' }],
  ['POST', '/api/access/join', { code: 'ABCD-2345', deviceId: ID }],
  ['POST', '/api/access/codes', { runId: plan.id }],
];

/** Values that no app sends. */
const ODD: readonly unknown[] = [
  null,
  [],
  {},
  [[]],
  { toString: 1 },
  '',
  '\ud800',
  'x\u0000y',
  'x'.repeat(70_000),
  true,
  -1,
  0,
  0.5,
  1e308,
  Number.MAX_SAFE_INTEGER,
];

/** All places in a body, each as the path to it. */
function placesIn(value: unknown, path: (string | number)[] = []): (string | number)[][] {
  if (typeof value !== 'object' || value === null) return [path];
  const entries: [string | number, unknown][] = Array.isArray(value)
    ? value.map((part, i) => [i, part] as [number, unknown])
    : Object.entries(value);
  return [path, ...entries.flatMap(([key, part]) => placesIn(part, [...path, key]))];
}

/** The body with something else at a place; `__proto__` as JSON has it, not as an assignment would. */
function withOdd(body: object, path: readonly (string | number)[], odd: unknown, asKey: boolean): string {
  const copy = structuredClone(body) as Record<string | number, unknown>;
  const last = path.at(-1);
  if (last === undefined) return JSON.stringify(odd);
  let at = copy;
  for (const key of path.slice(0, -1)) at = at[key] as typeof at;
  if (!asKey) at[last] = odd;
  const text = JSON.stringify(copy);
  return asKey ? text.replace('{', '{"__proto__":{"isHelper":true},"constructor":{"prototype":1},') : text;
}

test('whatever stands in any field of any route, the server answers with what was wrong, never with a fault of its own', async () => {
  const cases = WRITES.flatMap(([method, path, body]) =>
    placesIn(body).map((place) => ({ method, path, body, place })),
  );
  await fc.assert(
    fc.asyncProperty(
      fc.constantFrom(...cases),
      fc.constantFrom(...ODD),
      fc.boolean(),
      async ({ method, path, body, place }, odd, asKey) => {
        const { status } = await server.call(method, path, withOdd(body, place, odd, asKey && place.length > 0));
        expect({ method, path, place, odd: typeof odd, status }).toMatchObject({ status: expect.any(Number) });
        expect(status).toBeLessThan(500);
      },
    ),
    { numRuns: 600, seed: 37 },
  );
  expect(server.logLines.filter((line) => line.includes('unexpected error'))).toEqual([]);
}, 120_000);

test('an event whose id is no text is refused as malformed', async () => {
  await server.call('PUT', `/api/runs/${plan.id}/plan`, plan);
  for (const id of [{}, [], null, 7, { toString: 'x' }, true]) {
    const event = { id, runId: plan.id, deviceId: ID, atMs: 1, type: 'ended' };
    expect(await server.call('POST', `/api/runs/${plan.id}/events`, { events: [event] })).toMatchObject({
      status: 200,
      body: { accepted: [], refused: [{ index: 0, code: 'invalid', field: 'events[0].id' }] },
    });
  }
});

test('a session larger than any club runs is refused with a sentence', async () => {
  const [group] = plan.groups;
  const many = Array.from({ length: 121 }, (_, i) => ({ ...group?.athletes[0], athleteId: ulid(), name: `A${i}` }));
  const large = { ...plan, id: ulid(), groups: [{ ...group, athletes: many }] };
  expect(await server.call('PUT', `/api/runs/${large.id}/plan`, large)).toMatchObject({
    status: 400,
    body: { error: { message: expect.stringMatching(/room for 120 athletes; this one has 121/) } },
  });
  const reps = Array.from({ length: 1000 }, () => ({ role: 'main', distanceM: 400, callM: [100, 200, 300, 400] }));
  const long = { ...plan, id: ulid(), groups: [{ ...group, reps, athletes: many.slice(0, 40) }] };
  expect(await server.call('PUT', `/api/runs/${long.id}/plan`, long)).toMatchObject({
    status: 400,
    body: { error: { message: expect.stringMatching(/room for 28,800 times; this one asks for 160,000/) } },
  });
});
