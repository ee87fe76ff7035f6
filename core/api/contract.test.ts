import { createHash } from 'node:crypto';
import type Joi from 'joi';
import { ANSWER_SCHEMAS, routeOf } from './answerSchemas';
import { dayPlanSchema, venueSchema } from './dayPlanSchema';
import { libraryChangeSchema } from './librarySchemas';
import { paceBookSchema, sessionSchema, squadChangeSchema } from './schemas';
import { seasonWriteSchema, writeDaySchema } from './seasonSchemas';
import { eventSchema, planSchema } from './tracksideSchemas';
import { isForEveryApp, WIRE_VERSION } from './wire';

const BODIES: Joi.Schema[] = [
  dayPlanSchema,
  eventSchema,
  libraryChangeSchema,
  paceBookSchema,
  planSchema,
  seasonWriteSchema,
  sessionSchema,
  squadChangeSchema,
  venueSchema,
  writeDaySchema,
];

test('the contract is the one of this version', () => {
  const described = Object.entries(ANSWER_SCHEMAS).map(([route, schema]) => [route, schema.describe()]);
  const contract = JSON.stringify([described, BODIES.map((schema) => schema.describe())]);
  const fingerprint = createHash('sha256').update(contract).digest('hex').slice(0, 12);
  // It has changed. Could an app of before go on with it, and the server with what that app sends? Then put the new fingerprint here. If not,
  // raise WIRE_VERSION as well; and add what apps send from the track to server/test/everShipped.ts.
  expect([WIRE_VERSION, fingerprint]).toEqual([3, '1162a426a58f']);
});

test.each([
  ['GET', '/api/runs', 'GET /api/runs'],
  ['GET', '/api/runs/days?from=2026-10-20', 'GET /api/runs/days'],
  ['GET', '/api/runs/01M7ZKC8B0Y78609PN4H3NMY4X', 'GET /api/runs/:id'],
  ['GET', '/api/sessions/days/', 'GET /api/sessions/days'],
  ['PUT', '/api/runs/01M7ZKC8B0Y78609PN4H3NMY4X', undefined],
  ['GET', '/api/no', undefined],
])('%s %s is the route %s', (method, path, route) => {
  expect(routeOf(method, path)).toBe(route);
});

test('an app of any version may bring what it timed, and nothing that it could misread', () => {
  for (const call of [
    'PUT /runs/01M7/plan',
    'POST /runs/01M7/events',
    'GET /runs/01M7',
    'DELETE /access',
    'GET /clock',
  ])
    expect({ call, is: isForEveryApp(call) }).toEqual({ call, is: true });
  for (const call of ['GET /runs', 'DELETE /runs/01M7', 'GET /sessions', 'POST /squad/changes', 'GET /accesses'])
    expect({ call, is: isForEveryApp(call) }).toEqual({ call, is: false });
});
