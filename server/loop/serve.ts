import net from 'node:net';
import type { Logger } from 'pino';
import type { Intake } from './intake';
import { Lines } from './lines';

const LIMITS = {
  /** Characters in a line. */
  line: 4000,
  /** Devices at a time. */
  devices: 8,
  /** Lines a second from one device; one that sends more waits. */
  linesPerS: 500,
  /** Bytes of answers that a device has not read: then it is let go. */
  unreadBytes: 1_000_000,
};

/** One device on the line: its lines are answered one by one, and one that floods is slowed down. */
function serveDevice(socket: net.Socket, intake: Intake, log: Logger): void {
  let inThisSecond = 0;
  let timer: NodeJS.Timeout | undefined;
  const answer = (what: object) => {
    if (socket.writableLength > LIMITS.unreadBytes) socket.destroy();
    else if (!socket.destroyed) socket.write(`${JSON.stringify(what)}\n`);
  };
  const lines = new Lines(
    LIMITS.line,
    (line) => {
      try {
        answer(intake.take(line));
      } catch (error) {
        log.error({ err: error as Error }, 'timing loop');
        answer({ error: { code: 'internal', message: 'This could not be kept just now. Send it again.' } });
      }
    },
    () =>
      answer({
        error: { code: 'too_long', message: `A line has ${LIMITS.line} characters at most. It was passed over.` },
      }),
  );
  socket.setEncoding('utf8');
  socket.setKeepAlive(true, 30_000);
  socket.on('data', (chunk: string) => {
    lines.push(chunk);
    inThisSecond += chunk.split('\n').length - 1;
    timer ??= setTimeout(() => {
      timer = undefined;
      inThisSecond = 0;
      socket.resume();
    }, 1000);
    if (inThisSecond > LIMITS.linesPerS) socket.pause();
  });
  // A device that goes away in the middle of a line has said nothing with it.
  socket.on('error', () => undefined);
  socket.on('close', () => clearTimeout(timer));
}

/**
 * Listens for timing loops and pulse straps, on this machine only: real gear is brought in by a program that speaks
 * docs/timing-loop.md. @returns where it listens, and how to stop it.
 */
export async function serveLoop(
  intake: Intake,
  port: number,
  log: Logger,
): Promise<{ port: number; stop: () => Promise<void> }> {
  const sockets = new Set<net.Socket>();
  const server = net.createServer((socket) => {
    if (sockets.size >= LIMITS.devices) {
      socket.end(`${JSON.stringify({ error: { code: 'busy', message: 'Too many devices are connected.' } })}\n`);
      return;
    }
    sockets.add(socket);
    socket.once('close', () => sockets.delete(socket));
    serveDevice(socket, intake, log);
  });
  await new Promise<void>((resolve, reject) => {
    server.once('error', reject);
    server.listen(port, '127.0.0.1', resolve);
  });
  return {
    port: (server.address() as net.AddressInfo).port,
    stop: () =>
      new Promise((resolve) => {
        for (const socket of sockets) socket.destroy();
        server.close(() => resolve());
      }),
  };
}
