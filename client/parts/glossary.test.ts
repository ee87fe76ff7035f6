import fs from 'node:fs';
import path from 'node:path';
import { GLOSSARY, glossaryDoc } from './glossary';

const words = (table: string) =>
  table.split('\n').flatMap(
    (line) =>
      line
        .match(/^\| (\w.*?) +\| (.*?) +\|$/)
        ?.slice(1, 3)
        .join(': ') ?? [],
  );

test('docs/glossary.md says what the app says: npm run glossary writes it', () => {
  const doc = fs.readFileSync(path.join(__dirname, '../../docs/glossary.md'), 'utf8');
  expect(words(doc)).toEqual(words(glossaryDoc()));
  expect(words(doc).length).toBeGreaterThan(Object.keys(GLOSSARY).length);
});

test('each word is there once, in order, with a meaning that is no sentence', () => {
  const terms = Object.keys(GLOSSARY);
  expect([...terms].sort((a, b) => a.toLowerCase().localeCompare(b.toLowerCase()))).toEqual(terms);
  for (const meaning of Object.values(GLOSSARY)) expect(meaning).not.toMatch(/[.!]$/);
});
