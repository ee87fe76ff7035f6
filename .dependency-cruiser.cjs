/**
 * The arrows of the house: app → client → core, server → core, demo → core, server and devices; and inside core and client from higher rooms
 * to lower ones only. scripts/arrows.test.ts proves that each rule can fail.
 */

/** The rooms of core, the lowest first: each may import those before it. */
const CORE = [
  'units',
  'fitness',
  'session',
  'paces',
  'venue',
  'targets',
  'squad',
  'outlook',
  'advice',
  'library',
  'track',
  'run',
  'planning',
  'trackside',
  'rehearsal',
  'review',
  'judgement',
  'season',
  'api',
  'formats',
];

/** The floors of the client, the lowest first. The places of the work are one floor: none imports another. */
const PLACES = ['squad', 'season', 'session', 'library', 'plan', 'venues', 'trackside', 'review', 'settings'];
const CLIENT = [['ui'], ['store'], ['log'], ['data'], ['parts'], PLACES, ['frame']];

const only = (from, allowed) => ({
  name: `${from}-imports-only-${allowed.join('-and-') || 'itself'}`,
  severity: 'error',
  from: { path: `^${from}/` },
  to: { path: '^(app|client|core|server|devices|demo|e2e|scripts)/', pathNot: `^(${[from, ...allowed].join('|')})/` },
});

/** Rules by which a room imports none that is above it. */
const upwards = (root, floors) =>
  floors.slice(0, -1).map((rooms, i) => ({
    name: `${root}-${rooms.length > 1 ? 'places' : rooms[0]}-imports-nothing-above`,
    severity: 'error',
    from: { path: `^${root}/(${rooms.join('|')})/` },
    to: {
      path: `^${root}/(${floors
        .slice(i + 1)
        .flat()
        .join('|')})/`,
    },
  }));

const placesApart = PLACES.map((place) => ({
  name: `${place}-imports-no-other-place`,
  severity: 'error',
  from: { path: `^client/${place}/` },
  to: { path: `^client/(${PLACES.filter((other) => other !== place).join('|')})/` },
}));

/** A folder that is in no list would be bound by no rule. */
const known = (root, rooms) => ({
  name: `${root}-has-known-rooms`,
  severity: 'error',
  from: { path: `^${root}/[^/]+/`, pathNot: `^${root}/(${rooms.join('|')})/` },
  to: { path: '.*' },
});

module.exports = {
  forbidden: [
    { name: 'no-circles', severity: 'error', from: {}, to: { circular: true } },
    only('core', []),
    only('client', ['core']),
    only('app', ['client']),
    only('server', ['core']),
    only('devices', ['core']),
    only('demo', ['core', 'server', 'devices']),
    known('core', CORE),
    known('client', CLIENT.flat()),
    ...upwards(
      'core',
      CORE.map((room) => [room]),
    ),
    ...upwards('client', CLIENT),
    ...placesApart,
    {
      name: 'core-has-no-interface',
      severity: 'error',
      from: { path: '^core/' },
      to: { path: 'node_modules/(react|expo|express|drizzle|better-sqlite3)' },
    },
    {
      name: 'joi-only-at-the-edge',
      severity: 'error',
      from: { path: '^core/', pathNot: '^core/(api|formats)/' },
      to: { path: 'node_modules/joi' },
    },
  ],
  options: {
    tsConfig: { fileName: 'tsconfig.json' },
    tsPreCompilationDeps: true,
    doNotFollow: { path: 'node_modules' },
    // Tests and their helpers may look anywhere.
    exclude: { path: '(\\.test\\.tsx?$|/testing\\.ts$|/testCorpus\\.ts$|^e2e/)' },
  },
};
