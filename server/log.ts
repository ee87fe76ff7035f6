import fs from 'node:fs';
import pino, { type Logger } from 'pino';
import { logFile, olderLogFile } from './db/dataFolder';

/** Bytes at which the log is rotated. */
const MOST_BYTES = 5 * 1024 * 1024;
/** Lines buffered while the disk cannot write; further ones are dropped. */
const MOST_WAITING_BYTES = 1024 * 1024;

/** A rotating log file. A line that cannot be written is dropped: the log never stops the app. */
class LogFile {
  private readonly destination: ReturnType<typeof pino.destination>;
  private bytes: number;
  private hasFailed = false;

  /** @throws when the file cannot be opened. */
  constructor(
    private readonly file: string,
    private readonly olderFile: string,
    private readonly mostBytes: number,
  ) {
    this.bytes = fs.existsSync(file) ? fs.statSync(file).size : 0;
    this.destination = pino.destination({ dest: file, sync: true, mode: 0o600, maxLength: MOST_WAITING_BYTES });
    this.destination.on('error', this.failed);
  }

  write(line: string): void {
    try {
      this.destination.write(line);
      this.bytes += Buffer.byteLength(line);
      if (this.bytes > this.mostBytes) this.turnOver();
    } catch (error) {
      this.failed(error as Error);
    }
  }

  private turnOver(): void {
    this.bytes = 0;
    fs.renameSync(this.file, this.olderFile);
    this.destination.reopen();
  }

  /** Warns once, on the console, since the log cannot be written. */
  private readonly failed = (error: Error) => {
    if (!this.hasFailed) console.error(`The log ${this.file} cannot be written (${error.message}). All else goes on.`);
    this.hasFailed = true;
  };
}

/** The request log: one JSON object a line in `server.log` of the data folder; an older one is kept once as `server.1.log`. */
export function openLog(dataFolder: string, mostBytes = MOST_BYTES): Logger {
  const options = { base: null, timestamp: pino.stdTimeFunctions.isoTime };
  try {
    return pino(options, new LogFile(logFile(dataFolder), olderLogFile(dataFolder), mostBytes));
  } catch (error) {
    console.error(`There is no log: ${(error as Error).message}. All else goes on.`);
    return pino({ enabled: false });
  }
}
