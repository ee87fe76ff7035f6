import fs from 'node:fs';
import path from 'node:path';
import pino, { type Logger } from 'pino';

const KEEP_BYTES = 5 * 1024 * 1024;

/** The request log: one JSON object a line in `server.log` of the data folder; an older one is kept once as `server.1.log`. */
export function openLog(dataFolder: string): Logger {
  const file = path.join(dataFolder, 'server.log');
  if (fs.existsSync(file) && fs.statSync(file).size > KEEP_BYTES)
    fs.renameSync(file, path.join(dataFolder, 'server.1.log'));
  return pino({ base: null, timestamp: pino.stdTimeFunctions.isoTime }, pino.destination({ dest: file, sync: true }));
}
