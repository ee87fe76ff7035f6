import net from 'node:net';
import type { Logger } from 'pino';
import { isLoopLine, type Intake } from './intake';
import { Lines } from './lines';
import { Turns, type Worker } from './turns';

export const LIMITS = {
  /** Characters in a line. */
  line: 4000,
  /** Devices at a time. */
  devices: 8,
  /** Lines waiting their turn; the device is not read further until they are done. */
  waitingLines: 200,
  /** Bytes of unread answers before a device is disconnected. */
  unreadBytes: 1_000_000,
  /** A device has to say something within this time, and then at least so often; an empty line will do. */
  firstLineMs: 30_000,
  silentMs: 900_000,
};

/** One device on the line: its lines are answered one by one, when it is their turn. */
class Device implements Worker {
  private readonly waiting: (string | Error)[] = [];
  /** Its first line was one of ours; what speaks another protocol is not read beyond that. */
  private isKnown = false;
  private isClosing = false;
  private readonly lines: Lines;
  private heardAtMs: number | undefined;
  private readonly connectedAtMs: number;

  constructor(
    private readonly socket: net.Socket,
    private readonly intake: Intake,
    private readonly log: Logger,
    private readonly turns: Turns,
    private readonly limits: typeof LIMITS,
    private readonly clockMs: () => number,
  ) {
    this.connectedAtMs = clockMs();
    const tooLong = new Error(`A line has ${limits.line} characters at most. It was passed over.`);
    this.lines = new Lines(
      limits.line,
      (line) => this.hear(line),
      () => this.hear(tooLong),
    );
    socket.setEncoding('utf8');
    socket.setKeepAlive(true, 30_000);
    socket.on('data', (chunk: string) => {
      if (socket.destroyed) return;
      this.lines.push(chunk);
      if (this.waiting.length > limits.waitingLines) socket.pause();
    });
    // An unfinished line of a device that has gone is ignored.
    socket.once('close', () => turns.drop(this));
  }

  /** Frees the places of silent and half-open connections. */
  letGoIfSilent(): void {
    const { firstLineMs, silentMs } = this.limits;
    const now = this.clockMs();
    const isSilent =
      this.heardAtMs === undefined ? now - this.connectedAtMs > firstLineMs : now - this.heardAtMs > silentMs;
    if (isSilent) this.socket.destroy();
  }

  hasWork(): boolean {
    return this.waiting.length > 0;
  }

  next(): void {
    const line = this.waiting.shift();
    if (line instanceof Error) this.answer({ error: { code: 'too_long', message: line.message } });
    else if (line !== undefined) this.take(line);
    if (this.waiting.length === 0) this.socket.resume();
  }

  private hear(line: string | Error): void {
    if (this.isClosing) return;
    this.heardAtMs = this.clockMs();
    if (line === '') return;
    if (!this.isKnown && (line instanceof Error || !isLoopLine(line))) return this.refuse();
    this.isKnown = true;
    this.waiting.push(line);
    this.turns.ask(this);
  }

  /** Closes a connection that speaks another protocol: a web page can open this port and send our lines behind its own. */
  private refuse(): void {
    this.isClosing = true;
    const message =
      'This port is for timing loops, and the first line was not one of theirs. The connection is closed.';
    this.socket.end(`${JSON.stringify({ error: { code: 'not_a_loop', message } })}\n`, () => this.socket.destroy());
  }

  private take(line: string): void {
    try {
      this.answer(this.intake.take(line));
    } catch (error) {
      this.log.error({ err: error as Error }, 'timing loop');
      this.answer({ error: { code: 'internal', message: 'This could not be kept just now. Send it again.' } });
    }
  }

  private answer(what: object): void {
    const { socket } = this;
    if (socket.writableLength > this.limits.unreadBytes) socket.destroy();
    else if (socket.writable) socket.write(`${JSON.stringify(what)}\n`);
  }
}

/**
 * Listens for timing loops and pulse straps, on this machine only: real gear is brought in by a program that speaks
 * docs/timing-loop.md. @returns where it listens, and how to stop it.
 */
export async function serveLoop(
  intake: Intake,
  port: number,
  log: Logger,
  changed: Partial<typeof LIMITS> = {},
  clockMs: () => number = () => performance.now(),
): Promise<{ port: number; stop: () => Promise<void> }> {
  const limits = { ...LIMITS, ...changed };
  const devices = new Map<net.Socket, Device>();
  const turns = new Turns();
  const server = net.createServer((socket) => {
    // A connection that is reset, even one that was refused, must not end anything else.
    socket.on('error', () => socket.destroy());
    if (devices.size >= limits.devices) {
      const busy = { error: { code: 'busy', message: 'Too many devices are connected.' } };
      socket.end(`${JSON.stringify(busy)}\n`, () => socket.destroy());
      return;
    }
    devices.set(socket, new Device(socket, intake, log, turns, limits, clockMs));
    socket.once('close', () => devices.delete(socket));
  });
  await new Promise<void>((resolve, reject) => {
    server.once('error', reject);
    server.listen(port, '127.0.0.1', resolve);
  });
  server.on('error', (error) => log.error({ err: error }, 'timing loop'));
  const lookMs = Math.min(limits.firstLineMs, limits.silentMs) / 3;
  const silence = setInterval(() => {
    for (const device of devices.values()) device.letGoIfSilent();
  }, lookMs).unref();
  return {
    port: (server.address() as net.AddressInfo).port,
    stop: () =>
      new Promise((resolve) => {
        clearInterval(silence);
        turns.stop();
        for (const socket of devices.keys()) socket.destroy();
        server.close(() => resolve());
      }),
  };
}
