import type { Response } from 'express';
import type { LetIn } from '../accounts/access';
import { isForHelper } from '@core/run/helper';
import type { Hub } from './hub';

/** So often a sign of life goes out: a line that is dead is found out by it. */
const BEAT_MS = 20_000;
/** A phone that has not taken so much off the line is let go; it comes back and reads the whole anew. */
const MOST_WAITING_BYTES = 4_000_000;

type Looking = {
  res: Response;
  nowMs: () => number;
  /** A phone that has sent events itself is not told of them. */
  fromDevice: string | undefined;
  /** Who is looking, where a cookie is needed for it. */
  letIn: LetIn | undefined;
};

/**
 * Sends what comes in for a session as server-sent events, each `{ events }`. What came in before is not repeated: who looks on
 * reads the session once the line is open. The line ends when the cookie does.
 * @returns false if there are too many lines already.
 */
export function streamEvents(hub: Hub, runId: string, { res, nowMs, fromDevice, letIn }: Looking): boolean {
  const deviceId = letIn?.who === 'helper' ? letIn.deviceId : undefined;
  const send = (text: string) => {
    if (res.writableLength > MOST_WAITING_BYTES) res.destroy();
    else res.write(text);
  };
  const stop = hub.subscribe(
    runId,
    {
      onEvents: (all) => {
        const events = all.filter(
          (event) =>
            event.deviceId !== (deviceId ?? fromDevice) && (deviceId === undefined || isForHelper(event, deviceId)),
        );
        if (events.length > 0) send(`data: ${JSON.stringify({ events })}\n\n`);
      },
      onEnd: () => res.end(),
    },
    letIn?.id,
  );
  if (!stop) return false;
  res.writeHead(200, { 'content-type': 'text/event-stream', 'cache-control': 'no-store' });
  send(': open\n\n');
  const beat = setInterval(() => {
    if (letIn && nowMs() >= letIn.untilMs) res.end();
    else send(': beat\n\n');
  }, BEAT_MS);
  res.once('close', () => {
    clearInterval(beat);
    stop();
  });
  return true;
}
