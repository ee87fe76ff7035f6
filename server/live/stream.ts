import type { Response } from 'express';
import type { Hub } from './hub';

/** So often a sign of life goes out: a line that is dead is found out by it. */
const BEAT_MS = 20_000;
/** A phone that has not taken so much off the line is let go; it comes back and reads the whole anew. */
const MOST_WAITING_BYTES = 4_000_000;

/**
 * Sends what comes in for a session as server-sent events, each `{ events }`. What came in before is not repeated: who looks on
 * reads the session once the line is open.
 * @param fromDevice a phone that has sent events itself is not told of them.
 * @returns false if there are too many lines already.
 */
export function streamEvents(hub: Hub, runId: string, fromDevice: string | undefined, res: Response): boolean {
  const send = (text: string) => {
    if (res.writableLength > MOST_WAITING_BYTES) res.destroy();
    else res.write(text);
  };
  const stop = hub.subscribe(runId, (all) => {
    const events = all.filter(({ deviceId }) => deviceId !== fromDevice);
    if (events.length > 0) send(`data: ${JSON.stringify({ events })}\n\n`);
  });
  if (!stop) return false;
  res.writeHead(200, { 'content-type': 'text/event-stream', 'cache-control': 'no-store' });
  send(': open\n\n');
  const beat = setInterval(() => send(': beat\n\n'), BEAT_MS);
  res.once('close', () => {
    clearInterval(beat);
    stop();
  });
  return true;
}
