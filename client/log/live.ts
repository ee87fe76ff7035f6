import type { RunEvent } from '@core/run/events';
import { askServerTime, isNews, measureClock } from './clockOffset';
import { nowMs } from './trackClock';

/** What following a run needs from the rest. */
export type LivePort = {
  /** Reads the whole session from the server, and adds what is new. */
  catchUp: () => Promise<unknown>;
  /** What others have timed has come in. */
  came: (events: RunEvent[]) => void;
  /** What this phone's clock is known to be behind by, in ms. */
  knownOffsetMs: () => number;
  clockIsOff: (offsetMs: number) => void;
};

const AGAIN_MS = 5000;

/**
 * Follows a run on the server while it is open here. On every reconnect, refetch the whole run, then append streamed events; and compare
 * the clocks.
 * @returns what stops it.
 */
export function followRun(runId: string, device: string, port: LivePort): () => void {
  let source: EventSource | undefined;
  let timer: ReturnType<typeof setTimeout> | undefined;
  let isOver = false;
  const compareClocks = async () => {
    const measured = await measureClock(askServerTime, nowMs);
    if (measured && !isOver && isNews(measured, port.knownOffsetMs())) port.clockIsOff(Math.round(measured.offsetMs));
  };
  const open = () => {
    source = new EventSource(`/api/runs/${runId}/live?device=${device}`);
    source.onopen = () => void port.catchUp().then(compareClocks);
    source.onmessage = (message: MessageEvent<string>) => {
      try {
        port.came((JSON.parse(message.data) as { events: RunEvent[] }).events);
      } catch {
        // The stream broke: what it missed is refetched on reconnect.
      }
    };
    // The browser reconnects by itself after a break, not after a refusal, as before the run exists.
    source.onerror = () => {
      if (source?.readyState !== EventSource.CLOSED || isOver) return;
      timer = setTimeout(open, AGAIN_MS);
    };
  };
  open();
  return () => {
    isOver = true;
    clearTimeout(timer);
    source?.close();
  };
}
