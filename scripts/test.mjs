/**
 * Every check there is; all run even if one fails. Static checks run two at a time, each with its output kept together; then the
 * suites, one after the other. The last line says `N passed, N failed`, counting each single test of the suites, and each of the other
 * steps as one.
 *   npm test              everything
 *   npm test -- lint unit only these steps
 */
import { spawn } from 'node:child_process';
import fs from 'node:fs';
import os from 'node:os';
import path from 'node:path';

const bin = (name) => path.join('node_modules/.bin', name);
/** Where the suites keep their data folders: in memory where there is some, as a disk that is written through takes most of their time. */
function quickFolder() {
  const memory = '/dev/shm';
  if (!fs.existsSync(memory)) return os.tmpdir();
  const { bavail, bsize } = fs.statfsSync(memory);
  return bavail * bsize > 2 ** 31 ? memory : os.tmpdir();
}
const reports = fs.mkdtempSync(path.join(quickFolder(), 'zest-test-'));
const report = (name) => path.join(reports, name);

function readJson(file) {
  return fs.existsSync(file) ? JSON.parse(fs.readFileSync(file, 'utf8')) : undefined;
}

function jestCount() {
  const result = readJson(report('jest.json'));
  // A suite that fails to load has no tests to count.
  return result && { passed: result.numPassedTests, failed: result.numFailedTests + result.numRuntimeErrorTestSuites };
}

function playwrightCount() {
  const result = readJson(report('e2e.json'));
  return (
    result && {
      passed: result.stats.expected + result.stats.flaky,
      failed: result.stats.unexpected + result.errors.length,
    }
  );
}

// The slowest first, so that running two at a time ends soonest.
const LOOKS = [
  { name: 'build', command: [process.execPath, 'scripts/build.mjs'] },
  // Rules and types in one program.
  { name: 'lint', command: [bin('oxlint')] },
  { name: 'format', command: [bin('oxfmt'), '--check'] },
  { name: 'unused', command: [bin('knip')] },
  { name: 'links', command: [process.execPath, 'scripts/links.mjs'] },
  {
    name: 'arrows',
    command: [bin('depcruise'), '--output-type', 'err', 'app', 'client', 'core', 'server', 'devices', 'demo'],
  },
];
/** Of the suites only: what the other steps keep for the next time lies where it stays. */
const QUICK = { TMPDIR: reports };
const SUITES = [
  {
    name: 'unit',
    env: QUICK,
    command: [bin('jest'), '--maxWorkers=2', '--json', `--outputFile=${report('jest.json')}`],
    count: jestCount,
  },
  { name: 'e2e', env: QUICK, command: [bin('playwright'), 'test'], count: playwrightCount },
];

const chosen = process.argv.slice(2);
const isChosen = ({ name }) => chosen.length === 0 || chosen.includes(name);
const total = { passed: 0, failed: 0 };

const ENV = {
  CI: '1',
  EXPO_OFFLINE: '1',
  EXPO_NO_TELEMETRY: '1',
  ZEST_E2E_REPORT: report('e2e.json'),
};

/** Runs a program. @returns its exit code, null if it was killed or could not be started, and what it said where that is kept. */
function run([program, ...args], isKept, env) {
  const output = isKept ? 'pipe' : 'inherit';
  return new Promise((resolve) => {
    const child = spawn(program, args, { stdio: ['ignore', output, output], env: { ...process.env, ...ENV, ...env } });
    const said = [];
    child.stdout?.on('data', (chunk) => said.push(chunk));
    child.stderr?.on('data', (chunk) => said.push(chunk));
    child.on('error', (error) => resolve({ status: null, said: Buffer.from(`${error}\n`) }));
    child.on('close', (status) => resolve({ status, said: Buffer.concat(said) }));
  });
}

async function runStep({ name, command, count, env }, isKept) {
  const startedMs = Date.now();
  if (!isKept) console.log(`\n— ${name}`);
  const { status, said } = await run(command, isKept, env);
  if (isKept) console.log(`\n— ${name}\n${said}`);
  const { passed, failed } = count?.() ?? { passed: status === 0 ? 1 : 0, failed: status === 0 ? 0 : 1 };
  total.passed += passed;
  // A runner that fails without a failing test (a crash, nothing found) still counts.
  total.failed += status !== 0 && failed === 0 ? 1 : failed;
  console.log(`— ${name}: ${status === 0 ? 'ok' : 'FAILED'} in ${Math.round((Date.now() - startedMs) / 1000)} s`);
}

async function runInTurn(steps, isKept) {
  for (let step = steps.shift(); step; step = steps.shift()) await runStep(step, isKept);
}

const looks = LOOKS.filter(isChosen);
await Promise.all([runInTurn(looks, true), runInTurn(looks, true)]);
await runInTurn(SUITES.filter(isChosen), false);
fs.rmSync(reports, { recursive: true, force: true });
console.log(`\n${total.passed} passed, ${total.failed} failed`);
process.exit(total.failed === 0 ? 0 : 1);
