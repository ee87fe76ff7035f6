/** Whose work ships with the app, and under which licences: dist/licences.txt. */
import fs from 'node:fs';
import path from 'node:path';

const LICENCE_FILE = /^(licen[cs]e|copying)(\.(md|txt))?$/i;

/** The packages that the app is made of, without those that only build or test it. */
function shipped(root) {
  const { packages } = JSON.parse(fs.readFileSync(path.join(root, 'package-lock.json'), 'utf8'));
  return Object.entries(packages)
    .filter(([place, { dev, devOptional }]) => place !== '' && !dev && !devOptional)
    .filter(([place]) => fs.existsSync(path.join(root, place, 'package.json')))
    .sort(([a], [b]) => a.localeCompare(b));
}

function textOf(folder) {
  const file = fs.readdirSync(folder).find((name) => LICENCE_FILE.test(name));
  return file === undefined ? '' : fs.readFileSync(path.join(folder, file), 'utf8').trim();
}

/** Writes the list; a text that several share stands once. @param root the project's folder. */
export function writeLicences(root, file) {
  const byText = new Map();
  for (const [place, { version }] of shipped(root)) {
    const folder = path.join(root, place);
    const { license } = JSON.parse(fs.readFileSync(path.join(folder, 'package.json'), 'utf8'));
    const text = textOf(folder) || `${typeof license === 'string' ? license : (license?.type ?? 'No licence given')}.`;
    const name = `${place.replace(/^.*node_modules\//, '')} ${version}`;
    byText.set(text, [...(byText.get(text) ?? []), name]);
  }
  const own = fs.readFileSync(path.join(root, 'LICENSE'), 'utf8').trim();
  const parts = [...byText].map(([text, names]) => `${[...new Set(names)].join(', ')}\n\n${text}`);
  fs.writeFileSync(file, [`Zest Lap\n\n${own}`, ...parts].join(`\n\n${'-'.repeat(72)}\n\n`));
}
