import type { RunEvent } from '@core/run/events';
import type { Plan } from '@core/run/plan';
import { APP_VERSION, noteVersion } from '../store/serverVersion';
import type { OutboxState } from '../store/trackside';
import type { TrackLog } from './trackLog';

/** The outbox's port to the network. Answers are `undefined` when the server could not be reached. */
export type OutboxPort = {
  send(method: 'PUT' | 'POST', path: string, body: unknown): Promise<{ status: number; body: unknown } | undefined>;
};

type Timer = { set(run: () => void, afterMs: number): unknown; clear(handle: unknown): void };

const BATCH = 200;
const RETRY_MS = { first: 1000, most: 30_000 };

/** Calls the server under /api. */
export const fetchPort: OutboxPort = {
  async send(method, path, body) {
    try {
      const answer = await fetch(`/api/${path}`, {
        method,
        headers: { 'content-type': 'application/json', ...APP_VERSION },
        body: JSON.stringify(body),
      });
      noteVersion(answer.headers);
      return { status: answer.status, body: await answer.json().catch(() => undefined) };
    } catch {
      return undefined;
    }
  },
};

const realTimer: Timer = {
  set: (run, afterMs) => setTimeout(run, afterMs),
  clear: (handle) => clearTimeout(handle as ReturnType<typeof setTimeout>),
};

/** Trouble of the server, or missing rights: neither says anything against what is sent. */
const isForLater = (status: number) => status >= 500 || [401, 403, 408, 429].includes(status);

function groupByRun(events: readonly RunEvent[]): Map<string, RunEvent[]> {
  const byRun = new Map<string, RunEvent[]>();
  for (const event of events) byRun.set(event.runId, [...(byRun.get(event.runId) ?? []), event]);
  return byRun;
}

/**
 * Sends the phone's log to the server when it can be reached: plans first, then events in batches. Sending is idempotent, so anything not
 * confirmed is retried, with backoff.
 */
export class Outbox {
  private sending: Promise<void> | undefined;
  private again = false;
  private retryMs = RETRY_MS.first;
  private timer: unknown;
  private refused: OutboxState['refused'] = [];

  constructor(
    private readonly log: TrackLog,
    private readonly port: OutboxPort,
    private readonly onChange: (state: OutboxState) => void,
    private readonly timers: Timer = realTimer,
  ) {}

  /** Something new may be waiting, or the network is back. @returns when the queue has been sent, or could not be. */
  poke(): Promise<void> {
    this.again = true;
    this.sending ??= this.sendWhatWaits().finally(() => {
      this.sending = undefined;
    });
    return this.sending;
  }

  private async sendWhatWaits(): Promise<void> {
    this.timers.clear(this.timer);
    try {
      while (this.again) {
        this.again = false;
        const all = await this.sendAll();
        await this.report();
        if (!all) this.retryLater();
        else this.retryMs = RETRY_MS.first;
      }
    } catch {
      // The phone's own storage did not answer: what it holds is still there, and is sent later.
      this.retryLater();
    }
  }

  /** Says how much is waiting just now. */
  async report(): Promise<void> {
    this.onChange({ waiting: await this.log.waiting(), refused: this.refused });
  }

  private retryLater(): void {
    this.timer = this.timers.set(() => void this.poke(), this.retryMs);
    this.retryMs = Math.min(this.retryMs * 2, RETRY_MS.most);
  }

  /** @returns false if something has to be retried. */
  private async sendAll(): Promise<boolean> {
    const { plans, events } = await this.log.unsent();
    for (const plan of plans) if (!(await this.sendPlan(plan))) return false;
    for (const [runId, ofRun] of groupByRun(events))
      for (let at = 0; at < ofRun.length; at += BATCH)
        if (!(await this.sendEvents(runId, ofRun.slice(at, at + BATCH)))) return false;
    return true;
  }

  private async sendPlan(plan: Plan): Promise<boolean> {
    const answer = await this.port.send('PUT', `runs/${plan.id}/plan`, plan);
    if (!answer || isForLater(answer.status)) return false;
    if (answer.status >= 400 && answer.status !== 409) {
      this.refuse(plan.id, answer.body);
      return true;
    }
    await this.log.markSent({ planIds: [plan.id] });
    return true;
  }

  private async sendEvents(runId: string, events: RunEvent[]): Promise<boolean> {
    const answer = await this.port.send('POST', `runs/${runId}/events`, { events });
    if (!answer || isForLater(answer.status)) return false;
    if (answer.status >= 400) {
      // They stay on this phone; the rest of the log is still sent.
      for (const event of events) this.refuse(event.id, answer.body);
      return true;
    }
    const { accepted = [], refused = [] } = answer.body as { accepted?: string[]; refused?: OutboxState['refused'] };
    for (const { id, message } of refused) this.note(id, message);
    const taken = new Set(accepted);
    this.refused = this.refused.filter(({ id }) => !taken.has(id));
    await this.log.markSent({ eventIds: accepted });
    return true;
  }

  /** Adds a refusal that this phone found itself, before storing the event. */
  async refuseHere(id: string, message: string): Promise<void> {
    this.note(id, message);
    await this.report();
  }

  /** Clears the list of refusals: the events were removed, or are about to be retried. */
  async forgetRefused(): Promise<void> {
    this.refused = [];
    await this.report();
  }

  private refuse(id: string, body: unknown): void {
    const message = (body as { error?: { message?: string } } | undefined)?.error?.message;
    this.note(id, message ?? 'The server did not take it.');
  }

  private note(id: string, message: string): void {
    if (!this.refused.some((event) => event.id === id)) this.refused = [...this.refused, { id, message }];
  }
}
