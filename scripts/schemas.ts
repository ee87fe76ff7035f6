/** Writes docs/sessions.schema.json: the open format of sessions, made from what the app checks with. */
import fs from 'node:fs';
import path from 'node:path';
import { sessionsJsonSchema } from '@core/formats/sessionSchema';

fs.writeFileSync(
  path.join(__dirname, '../docs/sessions.schema.json'),
  `${JSON.stringify(sessionsJsonSchema(), null, 2)}\n`,
);
