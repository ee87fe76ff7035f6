import fs from 'node:fs';
import path from 'node:path';
import { ICON_PATHS } from './paths';

const CLIENT = path.join(__dirname, '../..');

function sources(): string[] {
  return fs
    .readdirSync(CLIENT, { recursive: true, encoding: 'utf8' })
    .filter((file) => file.endsWith('.tsx') && !file.includes('.test.'))
    .map((file) => fs.readFileSync(path.join(CLIENT, file), 'utf8'));
}

test('every icon that is asked for is drawn', () => {
  const asked = sources().flatMap((text) => [...text.matchAll(/\bicon="([a-z-]+)"/g)].map((match) => match[1] ?? ''));
  expect(asked.length).toBeGreaterThan(3);
  for (const name of asked) expect(Object.keys(ICON_PATHS)).toContain(name);
});
