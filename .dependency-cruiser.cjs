/** The arrows between the rooms: app → client → core, server → core, demo → core, server and devices. Nothing else. */
const only = (from, allowed) => ({
  name: `${from}-imports-only-${allowed.join('-and-') || 'itself'}`,
  severity: 'error',
  from: { path: `^${from}/` },
  to: { path: '^(app|client|core|server|devices|demo|e2e|scripts)/', pathNot: `^(${[from, ...allowed].join('|')})/` },
});

module.exports = {
  forbidden: [
    {
      name: 'no-circles',
      severity: 'error',
      from: {},
      to: { circular: true, viaOnly: { dependencyTypesNot: ['type-only'] } },
    },
    only('core', []),
    only('client', ['core']),
    only('app', ['client']),
    only('server', ['core']),
    only('devices', ['core']),
    only('demo', ['core', 'server', 'devices']),
    {
      name: 'core-has-no-interface',
      severity: 'error',
      from: { path: '^core/' },
      to: { path: 'node_modules/(react|expo|express|drizzle|better-sqlite3)' },
    },
    {
      name: 'joi-only-at-the-edge',
      severity: 'error',
      from: { path: '^core/', pathNot: '^core/formats/' },
      to: { path: 'node_modules/joi' },
    },
  ],
  options: {
    tsConfig: { fileName: 'tsconfig.json' },
    tsPreCompilationDeps: true,
    doNotFollow: { path: 'node_modules' },
    exclude: { path: '(\\.test\\.tsx?$|^e2e/)' },
  },
};
