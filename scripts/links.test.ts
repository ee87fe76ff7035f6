import { spawnSync } from 'node:child_process';
import fs from 'node:fs';
import os from 'node:os';
import path from 'node:path';

let folder: string;
beforeEach(() => {
  folder = fs.mkdtempSync(path.join(os.tmpdir(), 'zest-links-'));
});
afterEach(() => fs.rmSync(folder, { recursive: true, force: true }));

function check(text: string) {
  fs.mkdirSync(path.join(folder, 'docs'));
  fs.mkdirSync(path.join(folder, 'core'));
  fs.writeFileSync(path.join(folder, 'docs/other page.md'), '# What it is, in short\n');
  fs.writeFileSync(path.join(folder, 'README.md'), text);
  const { status, stdout } = spawnSync(process.execPath, [path.join(__dirname, 'links.mjs'), folder], {
    encoding: 'utf8',
  });
  return { isGood: status === 0, said: stdout.trim().split('\n') };
}

test('links to files, headings and pictures that are there are good; a page on the web is not asked for', () =>
  expect(
    check(
      '[a](docs/other%20page.md) [b](docs/other%20page.md#what-it-is-in-short) [c](https://example.org/x) `core/` <img src="docs" />',
    ),
  ).toEqual({ isGood: true, said: ['5 links, none dead'] }));

test.each([
  ['[a](docs/gone.md)', 'README.md: docs/gone.md leads nowhere'],
  ['[a](docs/other%20page.md#gone)', 'README.md: docs/other%20page.md#gone has no such heading'],
  ['[a](#gone)', 'README.md: #gone has no such heading'],
  ['see `core/gone.ts`', 'README.md: `core/gone.ts` is not there'],
  ['<img width="2" src="gone.png" />', 'README.md: gone.png leads nowhere'],
])('%s is dead', (text, message) =>
  expect(check(text)).toEqual({ isGood: false, said: [message, '1 of 1 links are dead'] }),
);
