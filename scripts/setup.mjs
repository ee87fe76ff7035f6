/**
 * The one set-up step: installs what is missing and does nothing when all is there. Runs on Node alone, before any package.
 *   node scripts/setup.mjs [--build] [--browser]
 * --build also builds the web app if it is stale; --browser also sees to Debian's Chromium, for the tests.
 */
import { createHash } from 'node:crypto';
import { spawnSync } from 'node:child_process';
import fs from 'node:fs';
import path from 'node:path';
import { fileURLToPath } from 'node:url';
import { findChromium } from './chromium.mjs';

const ROOT = path.join(path.dirname(fileURLToPath(import.meta.url)), '..');
const STAMP = path.join(ROOT, 'node_modules/.zest-setup');

function stop(sentence) {
  console.error(sentence);
  process.exit(1);
}

function run(command, args, why, env = {}) {
  console.error(`${why} …`);
  // Tools write to stderr: stdout is for the one line with the address.
  const { status, error } = spawnSync(command, args, {
    cwd: ROOT,
    stdio: ['ignore', 2, 2],
    env: { ...process.env, ...env },
  });
  if (error || status !== 0) stop(`${why}: this did not work. The lines above say why.`);
}

const has = (command) => spawnSync('sh', ['-c', `command -v ${command}`]).status === 0;

/** Installs Debian packages when this user may; else says what to install. */
function needDebian(packages, what) {
  if (process.getuid?.() !== 0 || !has('apt-get'))
    stop(`${what} is missing. Install it first, for example with: sudo apt-get install ${packages.join(' ')}`);
  run('apt-get', ['update', '-qq'], 'Looking up system packages');
  run('apt-get', ['install', '-y', '-qq', ...packages], `Installing ${what}`, { DEBIAN_FRONTEND: 'noninteractive' });
}

function packagesStamp() {
  const lock = fs.readFileSync(path.join(ROOT, 'package-lock.json'));
  return `${createHash('sha256').update(lock).digest('hex')} node ${process.versions.modules}`;
}

function installPackages() {
  const wanted = packagesStamp();
  if (fs.existsSync(STAMP) && fs.readFileSync(STAMP, 'utf8') === wanted) return;
  // The database library is compiled here, from its own source.
  const tools = ['python3', 'make', 'g++'].filter((tool) => !has(tool));
  if (tools.length > 0) needDebian(tools, 'a compiler (python3, make, g++)');
  run('npm', ['ci'], 'Installing packages, the first time takes a few minutes');
  fs.writeFileSync(STAMP, wanted);
}

const [major, minor] = process.versions.node.split('.').map(Number);
if (major < 20 || (major === 20 && minor < 19))
  stop(`Zest Lap needs Node 20.19 or newer; this is ${process.versions.node}.`);

installPackages();
if (process.argv.includes('--browser') && !findChromium()) needDebian(['chromium'], 'Chromium');
if (process.argv.includes('--build')) run(process.execPath, ['scripts/build.mjs'], 'Checking the web app');
