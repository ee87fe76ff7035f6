import fs from 'node:fs/promises';
import path from 'node:path';
import { build, type Plugin } from 'esbuild';

const ROOT = path.join(__dirname, '../..');

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

const named = (program: string) => program.replace(/\W/g, '_');

/**
 * The program in one file of JavaScript, made once: a server then starts in half a second where compiling it each time takes three. Processes
 * that are started later find it by their environment.
 * @returns where that file is.
 */
export function bundled(program: string): Promise<string> {
  const variable = `ZEST_BUNDLE_${named(program)}`;
  const before = process.env[variable];
  if (before !== undefined) return Promise.resolve(before);
  const made = bundles.get(program) ?? bundle(program);
  bundles.set(program, made);
  return made.then((file) => (process.env[variable] = file));
}

async function bundle(program: string): Promise<string> {
  // Among the packages, so that those that are not bundled are found; whoever starts it meanwhile has the whole of one or the other.
  const outfile = path.join(ROOT, 'node_modules/.cache/zest', `${named(program)}.cjs`);
  const part = `${outfile}.${process.pid}`;
  await build({
    entryPoints: [path.join(ROOT, program)],
    outfile: part,
    bundle: true,
    platform: 'node',
    target: 'node20',
    packages: 'external',
    plugins: [keepDirname],
    logLevel: 'error',
  });
  await fs.rename(part, outfile);
  return outfile;
}
