import { ulid } from 'ulid';
import { check } from '@core/api/check';
import { loopLineSchema, type LoopLine, type LoopPassing, type LoopPulse } from '@core/api/loopSchema';
import { chipPassing, LOOP_DEVICE, repOfPulse } from '@core/run/chips';
import type { Happening, RunEvent } from '@core/run/events';
import { GrowingReplay } from '@core/run/growingReplay';
import type { RunState } from '@core/run/runState';
import type { Plan } from '@core/run/plan';
import type { Db } from '../db/open';
import { addEvents, countEvents, eventsAfter, recentRunIds } from '../db/runs';
import { readRun, UnreadableRun } from '../db/storedRun';
import type { Hub } from '../live/hub';

/** What became of a line. */
export type IntakeAnswer =
  | { took: 'mark' | 'pulse' | 'unnamed' | 'start' | 'again' | 'resting' | 'nobody'; seq?: number }
  | { error: { code: string; message: string; field?: string }; seq?: number };

type OpenRun = { plan: Plan; events: readonly RunEvent[]; lastRow: number; replay: GrowingReplay; state: RunState };

/** True if a line is an object of the protocol in docs/timing-loop.md, right or wrong in its fields: no other protocol begins like that. */
export function isLoopLine(line: string): boolean {
  try {
    const sent: unknown = JSON.parse(line);
    return typeof sent === 'object' && sent !== null && 'type' in sent;
  } catch {
    return false;
  }
}

/** How long after it was taken to the track a session may go on. */
const OPEN_MS = 12 * 3_600_000;
const AGAIN_MS = 2000;
/** A device's time further than this from the server's clock is not believed. */
const CLOCK_MS = { behind: 86_400_000, ahead: 3_600_000 };
/** Used where the plan does not say. */
const USUAL_LAP_M = 400;

/** A passing that is sent again, or heard by both shoes, is one time. */
const heardBefore = ({ athletes }: RunState, athleteId: string, atMs: number): boolean =>
  athletes[athleteId]?.runs.some(({ passes }) =>
    passes.some((pass) =>
      [
        pass,
        ...(pass.also ?? []).map((other) => ({ ...other, atMs: pass.atMs + (other.elapsedS - pass.elapsedS) * 1000 })),
      ].some((taken) => taken.deviceId === LOOP_DEVICE && Math.abs(taken.atMs - atMs) < AGAIN_MS),
    ),
  ) ?? false;

/** Takes the lines of timing loops and straps into the log of the session that is being run. */
export class Intake {
  private readonly cache = new Map<string, OpenRun>();

  constructor(
    private readonly db: Db,
    private readonly hub: Hub,
    private readonly nowMs: () => number,
  ) {}

  take(line: string): IntakeAnswer {
    let sent: unknown;
    try {
      sent = JSON.parse(line);
    } catch {
      return { error: { code: 'bad_json', message: 'This line is not JSON. It was passed over.' } };
    }
    const checked = check<LoopLine>(loopLineSchema, sent);
    const seq = typeof sent === 'object' && sent !== null && 'seq' in sent && Number.isInteger(sent.seq) ? sent.seq : 0;
    const numbered = seq ? { seq: Number(seq) } : {};
    if (!checked.ok) return { error: { code: 'invalid', message: checked.message, field: checked.field }, ...numbered };
    const { value } = checked;
    if (!this.isPossible(value.atMs)) {
      const message = 'This time is more than a day back, or ahead of the server’s clock. It was passed over.';
      return { error: { code: 'impossible_time', message, field: 'atMs' }, ...numbered };
    }
    return { took: value.type === 'pulse' ? this.pulse(value) : this.passing(value), ...numbered };
  }

  private isPossible(atMs: number): boolean {
    const now = this.nowMs();
    return atMs >= now - CLOCK_MS.behind && atMs <= now + CLOCK_MS.ahead;
  }

  /** Sessions under way, the latest first. */
  private openRuns(): [string, OpenRun][] {
    const ids = recentRunIds(this.db, this.nowMs() - OPEN_MS);
    for (const id of this.cache.keys()) if (!ids.includes(id)) this.cache.delete(id);
    return ids.flatMap((id): [string, OpenRun][] => {
      const run = this.runNow(id);
      return run && run.state.startedAtMs !== undefined && run.state.endedAtMs === undefined ? [[id, run]] : [];
    });
  }

  /** Only what has come in since is read and replayed, unless something was taken out. */
  private runNow(id: string): OpenRun | undefined {
    const count = countEvents(this.db, id);
    const before = this.cache.get(id);
    if (before?.events.length === count) return before;
    try {
      const grown = before && this.grown(id, before);
      const now = grown?.events.length === count ? grown : this.readAnew(id);
      if (now) this.cache.set(id, now);
      return now;
    } catch (error) {
      // A damaged run takes no times, and stops no other from taking them.
      if (error instanceof UnreadableRun) return undefined;
      throw error;
    }
  }

  private grown(id: string, before: OpenRun): OpenRun {
    const { events: fresh, lastRow } = eventsAfter(this.db, id, before.lastRow);
    const events = [...before.events, ...fresh];
    return { ...before, events, lastRow, state: before.replay.after(events) };
  }

  private readAnew(id: string): OpenRun | undefined {
    const plan = readRun(this.db, id)?.plan;
    if (!plan) return undefined;
    const { events, lastRow } = eventsAfter(this.db, id, 0);
    const growing = new GrowingReplay(plan);
    return { plan, events, lastRow, replay: growing, state: growing.after(events) };
  }

  private record(runId: string, happening: Happening, atMs: number): void {
    const event: RunEvent = { ...happening, id: ulid(), runId, deviceId: LOOP_DEVICE, atMs };
    this.hub.publish(runId, addEvents(this.db, runId, [event], this.nowMs())?.added ?? []);
  }

  /** Whose chip it is; undefined if nobody's, or of more than one. */
  private ownerOf({ state }: OpenRun, chip: string): string | undefined {
    const owners = Object.values(state.athletes).filter(({ planned }) => planned.chip === chip);
    return owners.length === 1 ? owners[0]?.athleteId : undefined;
  }

  private passing({ chip, atMs, loopM = 0 }: LoopPassing) {
    const runs = this.openRuns();
    for (const [id, run] of runs) {
      const athleteId = this.ownerOf(run, chip);
      if (athleteId === undefined) continue;
      const lapM = run.plan.lapM ?? USUAL_LAP_M;
      const passing = chipPassing(run.state, athleteId, atMs, { loopM, lapM });
      if (passing.kind !== 'mark') return passing.kind;
      const { kind: _kind, ...mark } = passing;
      if (heardBefore(run.state, athleteId, atMs)) return 'again';
      this.record(id, { type: 'passed', ...mark }, atMs);
      return 'mark';
    }
    // A chip that nobody wears: the time is kept, and can be given a name at the track.
    const [latest] = runs;
    if (!latest) return 'nobody';
    const [id, { state }] = latest;
    const isKnown = state.unnamed.some((time) => time.chip === chip && Math.abs(time.atMs - atMs) < AGAIN_MS);
    if (isKnown) return 'again';
    this.record(id, { type: 'crossed', chip }, atMs);
    return 'unnamed';
  }

  private pulse({ chip, atMs, beatsPerMin }: LoopPulse) {
    for (const [id, run] of this.openRuns()) {
      const athleteId = this.ownerOf(run, chip);
      if (athleteId === undefined) continue;
      const repIndex = repOfPulse(run.state, athleteId, atMs);
      if (repIndex === undefined) return 'resting';
      this.record(id, { type: 'pulse', athleteId, repIndex, beatsPerMin }, atMs);
      return 'pulse';
    }
    return 'nobody';
  }
}
