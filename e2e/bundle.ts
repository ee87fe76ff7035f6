import { rmSync } from 'node:fs';
import fs from 'node:fs/promises';
import path from 'node:path';
import { build, type Plugin } from 'esbuild';

const ROOT = path.join(__dirname, '..');

/** Keeps the `__dirname` of each bundled file. */
const keepDirname: Plugin = {
  name: 'keep-dirname',
  setup({ onLoad }) {
    onLoad({ filter: /\/(server|demo|devices)\/.*\.ts$/ }, async ({ path: file }) => {
      const text = await fs.readFile(file, 'utf8');
      if (!text.includes('__dirname')) return undefined;
      return { contents: text.replaceAll('__dirname', JSON.stringify(path.dirname(file))), loader: 'ts' };
    });
  },
};

const bundles = new Map<string, Promise<string>>();

/**
 * The program in one file of JavaScript, made once a test process: a server then starts in half a second where compiling it each time takes three.
 * @returns where that file is.
 */
export function bundled(program: string): Promise<string> {
  const made = bundles.get(program) ?? bundle(program);
  bundles.set(program, made);
  return made;
}

async function bundle(program: string): Promise<string> {
  // Among the packages, so that those that are not bundled are found.
  const outfile = path.join(ROOT, 'node_modules/.cache/zest-e2e', `${process.pid}-${program.replace(/\W/g, '-')}.cjs`);
  await build({
    entryPoints: [path.join(ROOT, program)],
    outfile,
    bundle: true,
    platform: 'node',
    target: 'node20',
    packages: 'external',
    plugins: [keepDirname],
    logLevel: 'error',
  });
  process.once('exit', () => rmSync(outfile, { force: true }));
  return outfile;
}
