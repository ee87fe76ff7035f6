import fs from 'node:fs';
import { glossaryDoc } from '@client/parts/glossary';

/** Writes docs/glossary.md from the words that the app explains itself with. */
fs.writeFileSync('docs/glossary.md', glossaryDoc());
