/** Builds the web app into dist/ if anything it is made of has changed since the last time. */
import { createHash } from 'node:crypto';
import { spawnSync } from 'node:child_process';
import fs from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { fileURLToPath } from 'node:url';
import { copyFonts } from './fonts.cjs';
import { writeLicences } from './licences.mjs';
import { packFolder } from './pack.mjs';

const ROOT = path.join(path.dirname(fileURLToPath(import.meta.url)), '..');
const MADE_OF = [
  'app',
  'client',
  'core',
  'public',
  'app.json',
  'babel.config.js',
  'metro.config.js',
  'package-lock.json',
  'replacedModules.cjs',
  'scripts/build.mjs',
  'scripts/fonts.cjs',
  'scripts/licences.mjs',
  'scripts/pack.mjs',
  'tsconfig.json',
];
const CORES = String(os.availableParallelism());
const STAMP = path.join(ROOT, 'dist/.built-from');

function filesIn(place) {
  const full = path.join(ROOT, place);
  if (!fs.statSync(full).isDirectory()) return [place];
  return fs.readdirSync(full, { recursive: true, withFileTypes: true }).flatMap((entry) => {
    const file = path.relative(ROOT, path.join(entry.parentPath, entry.name));
    return entry.isFile() && !file.includes('.test.') && !file.startsWith('public/fonts') ? [file] : [];
  });
}

function fingerprint() {
  const hash = createHash('sha256');
  for (const file of MADE_OF.flatMap(filesIn).sort()) hash.update(file).update(fs.readFileSync(path.join(ROOT, file)));
  return hash.digest('hex');
}

/** The app itself is kept by browsers, so that it opens with no network. What the API says never is: see client/store/offlineCopy.ts. */
async function writeServiceWorker() {
  const { generateSW } = await import('workbox-build');
  const { warnings } = await generateSW({
    globDirectory: path.join(ROOT, 'dist'),
    globPatterns: ['**/*.{html,js,css,woff2,svg,png,webmanifest}'],
    swDest: path.join(ROOT, 'dist/sw.js'),
    // Their names change with what is in them: the browser need not fetch them once more.
    dontCacheBustURLsMatching: /\/_expo\/static\//,
    navigateFallback: '/index.html',
    navigateFallbackDenylist: [/^\/api\//],
    maximumFileSizeToCacheInBytes: 8_000_000,
    clientsClaim: true,
    cleanupOutdatedCaches: true,
    inlineWorkboxRuntime: true,
    sourcemap: false,
    mode: 'production',
  });
  for (const warning of warnings) console.error(warning);
}

/**
 * Tells the browser that nearly all of the first file is run at once. It then compiles that beside the page while it comes over the network
 * (Chromium; others pass over the comment), and not function by function when the app starts, which keeps a tap waiting.
 */
function compileWhileFetched() {
  const code = path.join(ROOT, 'dist/_expo/static/js/web');
  const [file] = fs.readdirSync(code).filter((name) => /^start-.*\.js$/.test(name));
  const first = path.join(code, file);
  fs.writeFileSync(first, `//# allFunctionsCalledOnLoad\n${fs.readFileSync(first, 'utf8')}`);
}

const wanted = fingerprint();
if (fs.existsSync(STAMP) && fs.readFileSync(STAMP, 'utf8') === wanted) process.exit(0);

console.error('Building the web app, about a minute …');
copyFonts(path.join(ROOT, 'public/fonts'));
// A half-written build must never look finished: the stamp is removed first and written last.
fs.rmSync(STAMP, { force: true });
const { status } = spawnSync(
  process.execPath,
  // On few cores it would take one of them only.
  ['node_modules/expo/bin/cli', 'export', '-p', 'web', '--max-workers', CORES, '--output-dir', 'dist'],
  {
    cwd: ROOT,
    stdio: ['ignore', 2, 2],
    env: { ...process.env, EXPO_OFFLINE: '1', EXPO_NO_TELEMETRY: '1', CI: '1', NODE_ENV: 'production' },
  },
);
if (status !== 0) process.exit(status ?? 1);
compileWhileFetched();
writeLicences(ROOT, path.join(ROOT, 'dist/licences.txt'));
await writeServiceWorker();
await packFolder(path.join(ROOT, 'dist'));
fs.writeFileSync(STAMP, wanted);
