import type { Response } from 'express';
import type { LetIn } from '../accounts/access';
import { isForHelper } from '@core/run/helper';
import type { Hub } from './hub';

/** Heartbeat interval: a dead connection is noticed by it. */
const BEAT_MS = 20_000;
/** Bytes unread by a phone before it is disconnected; it reconnects and reads everything again. */
const MOST_WAITING_BYTES = 4_000_000;

type Looking = {
  res: Response;
  nowMs: () => number;
  /** A phone is not sent its own events. */
  fromDevice: string | undefined;
  /** Who is following, where a cookie is needed. */
  letIn: LetIn | undefined;
};

/**
 * Sends a run's new events as server-sent events, each `{ events }`. Earlier ones are not repeated: a follower
 * reads the run once the connection is open. The connection ends when the cookie does.
 * @returns false if there are too many connections already.
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
