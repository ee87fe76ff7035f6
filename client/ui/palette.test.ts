import fs from 'node:fs';
import path from 'node:path';
import { DARK, LIGHT } from './palette';

test('what stands before the app is drawn has the colours of the app', () => {
  const css = fs.readFileSync(path.join(__dirname, '../../public/page.css'), 'utf8').toLowerCase();
  const blocks = [
    ...css.matchAll(/--ground: (\S+);\s+--ink: (\S+);\s+--quiet: (\S+);\s+--line: (\S+);\s+--raised: (\S+);/g),
  ];
  const written = blocks.map(([, ...colours]) => colours);
  const colours = ({ ground, ink, quiet, line, raised }: typeof LIGHT) =>
    [ground, ink, quiet, line, raised].map((c) => c.toLowerCase());
  expect(written).toEqual([colours(LIGHT), colours(DARK), colours(DARK)]);
});
