import { execFile } from 'node:child_process';
import path from 'node:path';
import type { Logger } from 'pino';
import type { Jobs } from '../jobs';
import { listCopies } from './copies';

/** Local hour at which a copy is due. */
const HOUR = 3;
const LOOK_EVERY_MS = 600_000;
/** Waits this long after the start, so as not to slow it down. */
const FIRST_LOOK_MS = 60_000;
const PROGRAM = path.join(__dirname, 'main.ts');

/**
 * True if no copy was made since it last was three in the morning. A machine that was off then makes up for it.
 * @param newestMs when the newest copy was made; undefined if there is none.
 */
export function isCopyDue(newestMs: number | undefined, nowMs: number): boolean {
  const due = new Date(nowMs);
  due.setHours(HOUR, 0, 0, 0);
  if (due.getTime() > nowMs) due.setDate(due.getDate() - 1);
  return newestMs === undefined || newestMs < due.getTime();
}

/** Makes a copy in a process of its own: copying and checking five seasons would block the server for a third of a second. */
export const copyBeside = (dataFolder: string): Promise<string> =>
  new Promise((resolve, reject) => {
    const env = { ...process.env, ZEST_DATA: dataFolder };
    execFile(process.execPath, ['--import', 'tsx', PROGRAM, 'nightly'], { env }, (error, stdout, stderr) =>
      error ? reject(new Error(stderr.trim().slice(0, 500) || error.message)) : resolve(stdout),
    );
  });

/** Makes a copy a night for as long as the server runs. One that fails is logged, and tried again at the next look. */
export function startNightlyCopies(
  jobs: Jobs,
  dataFolder: string,
  nowMs: () => number,
  log: Pick<Logger, 'info'>,
  copy: (dataFolder: string) => Promise<unknown> = copyBeside,
): void {
  const lookAtIt = async () => {
    if (!isCopyDue(listCopies(dataFolder)[0]?.madeAtMs, nowMs())) return;
    await copy(dataFolder);
    log.info('nightly copy made');
  };
  jobs.every('nightly copy', LOOK_EVERY_MS, lookAtIt, FIRST_LOOK_MS);
}
