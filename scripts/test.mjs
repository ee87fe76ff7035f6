/**
 * Every check there is, one after the other; all run even if one fails. The last line says `N passed, N failed`, counting each
 * single test of the suites, and each of the other steps as one.
 *   npm test              everything
 *   npm test -- lint unit only these steps
 */
import { spawnSync } from 'node:child_process';
import fs from 'node:fs';
import os from 'node:os';
import path from 'node:path';

const bin = (name) => path.join('node_modules/.bin', name);
const reports = fs.mkdtempSync(path.join(os.tmpdir(), 'zest-test-'));
const report = (name) => path.join(reports, name);

function readJson(file) {
  return fs.existsSync(file) ? JSON.parse(fs.readFileSync(file, 'utf8')) : undefined;
}

function jestCount() {
  const result = readJson(report('jest.json'));
  // A suite that does not even load has no tests to count.
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

const STEPS = [
  { name: 'format', command: [bin('prettier'), '--check', '--log-level', 'warn', '.'] },
  { name: 'lint', command: [bin('eslint'), '--max-warnings', '0', '.'] },
  {
    name: 'arrows',
    command: [bin('depcruise'), '--output-type', 'err', 'app', 'client', 'core', 'server', 'devices', 'demo'],
  },
  { name: 'unused', command: [bin('knip')] },
  { name: 'types', command: [bin('tsc'), '--noEmit'] },
  { name: 'unit', command: [bin('jest'), '--json', `--outputFile=${report('jest.json')}`], count: jestCount },
  { name: 'build', command: [process.execPath, 'scripts/build.mjs'] },
  { name: 'e2e', command: [bin('playwright'), 'test'], count: playwrightCount },
];

const chosen = process.argv.slice(2);
const total = { passed: 0, failed: 0 };
for (const { name, command, count } of STEPS.filter((step) => chosen.length === 0 || chosen.includes(step.name))) {
  const startedMs = Date.now();
  console.log(`\n— ${name}`);
  const [program, ...args] = command;
  const { status } = spawnSync(program, args, {
    stdio: ['ignore', 'inherit', 'inherit'],
    env: { ...process.env, CI: '1', EXPO_OFFLINE: '1', EXPO_NO_TELEMETRY: '1', ZEST_E2E_REPORT: report('e2e.json') },
  });
  const { passed, failed } = count?.() ?? { passed: status === 0 ? 1 : 0, failed: status === 0 ? 0 : 1 };
  total.passed += passed;
  // A runner that fails without a failing test (a crash, nothing found) still counts.
  total.failed += status !== 0 && failed === 0 ? 1 : failed;
  console.log(`— ${name}: ${status === 0 ? 'ok' : 'FAILED'} in ${Math.round((Date.now() - startedMs) / 1000)} s`);
}
fs.rmSync(reports, { recursive: true, force: true });
console.log(`\n${total.passed} passed, ${total.failed} failed`);
process.exit(total.failed === 0 ? 0 : 1);
