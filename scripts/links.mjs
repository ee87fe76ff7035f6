/**
 * Checks that every link to a file and every path in `code` in the docs exists. Addresses on the web are not fetched: nothing
 * here needs a network.
 *   node scripts/links.mjs [folder]
 */
import fs from 'node:fs';
import path from 'node:path';

const root = path.resolve(process.argv[2] ?? '.');
const SKIPPED = new Set(['node_modules', 'dist', 'test-results', '.git', '.expo', 'data']);
const LINK = /\]\(([^)\s]+)(?:\s"[^"]*")?\)|<img\s[^>]*src="([^"]+)"/g;
const CODE_PATH = /`((?:app|client|core|server|devices|demo|e2e|scripts|docs)\/[\w./[\]-]*)`/g;

function* docs(folder) {
  for (const entry of fs.readdirSync(folder, { withFileTypes: true })) {
    const at = path.join(folder, entry.name);
    if (entry.isDirectory() && !SKIPPED.has(entry.name)) yield* docs(at);
    else if (entry.name.endsWith('.md')) yield at;
  }
}

/** As GitHub and others name a heading in an address. */
const anchorOf = (heading) =>
  heading
    .trim()
    .toLowerCase()
    .replace(/[^\p{L}\p{N}\s-]/gu, '')
    .replace(/\s/g, '-');

const anchorsIn = (file) =>
  new Set([...fs.readFileSync(file, 'utf8').matchAll(/^#+\s+(.+)$/gm)].map(([, heading]) => anchorOf(heading)));

function problemOf(file, link) {
  if (/^[a-z]+:/.test(link)) return undefined;
  const [target, anchor] = link.split('#');
  const at = target === '' ? file : path.resolve(path.dirname(file), decodeURI(target));
  if (!fs.existsSync(at)) return 'leads nowhere';
  if (anchor !== undefined && at.endsWith('.md') && !anchorsIn(at).has(anchor)) return 'has no such heading';
  return undefined;
}

let dead = 0;
let seen = 0;
for (const file of docs(root)) {
  const text = fs.readFileSync(file, 'utf8');
  const say = (what) => {
    dead += 1;
    console.log(`${path.relative(root, file)}: ${what}`);
  };
  for (const [, inText, inTag] of text.matchAll(LINK)) {
    seen += 1;
    const problem = problemOf(file, inText ?? inTag);
    if (problem) say(`${inText ?? inTag} ${problem}`);
  }
  for (const [, named] of text.matchAll(CODE_PATH)) {
    seen += 1;
    if (!fs.existsSync(path.join(root, named))) say(`\`${named}\` is not there`);
  }
}
console.log(dead === 0 ? `${seen} links, none dead` : `${dead} of ${seen} links are dead`);
process.exit(dead === 0 ? 0 : 1);
