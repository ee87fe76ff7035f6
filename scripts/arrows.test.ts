import { spawnSync } from 'node:child_process';
import fs from 'node:fs';
import os from 'node:os';
import path from 'node:path';

const ROOT = path.join(__dirname, '..');
type Rule = { name: string; from: { path?: string }; to: { path?: string } };
const { forbidden } = jest.requireActual<{ forbidden: Rule[] }>('../.dependency-cruiser.cjs');

let folder: string;
beforeAll(() => {
  folder = fs.mkdtempSync(path.join(os.tmpdir(), 'zest-arrows-'));
  fs.writeFileSync(path.join(folder, 'tsconfig.json'), '{ "compilerOptions": {} }');
});
afterAll(() => fs.rmSync(folder, { recursive: true, force: true }));

const roots = ['app', 'client', 'core', 'server', 'devices', 'demo'];
let count = 0;

/** Writes a file in one room that imports one of another. */
function arrow(from: string, to: string): void {
  count += 1;
  const [importing, imported] = [`${from}/from${count}`, `${to}/to${count}`];
  for (const file of [importing, imported]) fs.mkdirSync(path.dirname(path.join(folder, file)), { recursive: true });
  fs.writeFileSync(path.join(folder, `${imported}.ts`), 'export const x = 1;\n');
  const relative = path.relative(path.dirname(importing), imported);
  fs.writeFileSync(
    path.join(folder, `${importing}.ts`),
    `import { x } from '${relative.startsWith('.') ? relative : `./${relative}`}';\nexport const y = x;\n`,
  );
}

function importPackage(from: string, name: string): void {
  const home = path.join(folder, 'node_modules', name);
  fs.mkdirSync(home, { recursive: true });
  fs.writeFileSync(path.join(home, 'package.json'), JSON.stringify({ name, main: 'index.js' }));
  fs.writeFileSync(path.join(home, 'index.js'), 'module.exports = {};\n');
  fs.mkdirSync(path.join(folder, from), { recursive: true });
  fs.writeFileSync(path.join(folder, from, `uses-${name}.ts`), `import x from '${name}';\nexport const y = x;\n`);
}

/** Names of the rules that are broken in the folder. */
function broken(): Set<string> {
  for (const root of roots) fs.mkdirSync(path.join(folder, root), { recursive: true });
  const run = spawnSync(
    path.join(ROOT, 'node_modules/.bin/depcruise'),
    ['--config', path.join(ROOT, '.dependency-cruiser.cjs'), '--output-type', 'json', ...roots],
    { cwd: folder, encoding: 'utf8', maxBuffer: 1e8 },
  );
  const { summary } = JSON.parse(run.stdout) as { summary: { violations: { rule: { name: string } }[] } };
  return new Set(summary.violations.map(({ rule }) => rule.name));
}

/** The rooms in a rule's path: `^core/(units|fitness)/`. */
const roomsIn = (pattern = '') => /\(([^()]+)\)/.exec(pattern)?.[1]?.split('|') ?? [];

test('every rule about the arrows can fail, and does not where it is kept', () => {
  arrow('core/fitness', 'core/units');
  arrow('client/season', 'client/data');
  arrow('client/frame', 'client/season');
  expect([...broken()]).toEqual([]);
  for (const { name, from, to } of forbidden) {
    const inside = /^(core|client)-.*-imports-nothing-above$/.exec(name)?.[1];
    const isPlace = name.endsWith('-imports-no-other-place');
    if (inside !== undefined) arrow(`${inside}/${roomsIn(from.path)[0]}`, `${inside}/${roomsIn(to.path)[0]}`);
    if (isPlace) arrow(`client/${name.split('-')[0]}`, `client/${roomsIn(to.path)[0]}`);
  }
  arrow('core/units', 'client/ui');
  arrow('client/ui', 'server/db');
  arrow('app/season', 'core/season');
  arrow('server/db', 'client/ui');
  arrow('devices/squad', 'server/db');
  arrow('demo', 'client/ui');
  arrow('core/attic', 'core/units');
  arrow('client/attic', 'client/ui');
  importPackage('core/units', 'react');
  importPackage('core/season', 'joi');
  fs.writeFileSync(path.join(folder, 'core/units/a.ts'), "import type { B } from './b';\nexport type A = B[];\n");
  fs.writeFileSync(path.join(folder, 'core/units/b.ts'), "import type { A } from './a';\nexport type B = A | 1;\n");
  const names = forbidden.map(({ name }) => name);
  const found = broken();
  expect(names.filter((name) => !found.has(name))).toEqual([]);
  expect(new Set(names).size).toBe(names.length);
});
