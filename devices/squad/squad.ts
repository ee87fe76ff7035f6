/** A made-up squad with chips and straps, for one session. */
import net from 'node:net';
import type { LoopLine } from '@core/api/loopSchema';
import type { RunEvent } from '@core/run/events';
import type { Plan } from '@core/run/plan';
import { MadeUpSquad, type Truth } from '@core/rehearsal/rehearsal';
import { replay } from '@core/run/replay';
import type { Random, SimulatedAthlete } from '@core/rehearsal/simulate';

/** Sends lines of JSON to a timing loop's port, and reads the answers. */
export type LoopLink = {
  send: (line: LoopLine) => void;
  /** Answers that have come so far, in order. */
  answers: () => readonly object[];
  close: () => void;
};

/** Connects to where a server hears timing loops. Rejects if nobody is there. */
export function connectLoop(port: number): Promise<LoopLink> {
  const socket = net.connect(port, '127.0.0.1').setEncoding('utf8');
  const answers: object[] = [];
  let waiting = '';
  socket.on('data', (chunk: string) => {
    const lines = (waiting + chunk).split('\n');
    waiting = lines.pop() ?? '';
    for (const line of lines) answers.push(JSON.parse(line) as object);
  });
  return new Promise((resolve, reject) => {
    socket.once('error', reject);
    socket.once('connect', () =>
      resolve({
        send: (line) => void socket.write(`${JSON.stringify(line)}\n`),
        answers: () => answers,
        close: () => socket.end(),
      }),
    );
  });
}

/** A strap shows the beat of the rep some seconds after its end. */
const PULSE_AFTER_MS = 8000;

type Options = {
  plan: Plan;
  habits: Record<string, SimulatedAthlete>;
  random: Random;
  /** How many times faster than real time. */
  speed: number;
  link: Pick<LoopLink, 'send'>;
  /** Calls back after so many milliseconds of the real clock. */
  later: (run: () => void, afterMs: number) => void;
};

/** Runs what is started, and reports each lap at the line with its real time, when that moment has come. */
export class ChippedSquad {
  private readonly squad: MadeUpSquad;
  private readonly events: RunEvent[] = [];
  private readonly said = new Set<Truth>();
  private seq = 0;

  constructor(private readonly options: Options) {
    this.squad = new MadeUpSquad(options.habits, options.random);
  }

  /** Everything that was really run. */
  truths: readonly Truth[] = [];

  /** What has happened at the track, as it comes. */
  hear(events: readonly RunEvent[]): void {
    this.events.push(...events);
    const { plan } = this.options;
    const state = replay(plan, this.events);
    this.truths = this.squad.follow(state);
    for (const truth of this.truths) {
      if (this.said.has(truth)) continue;
      this.said.add(truth);
      const { chip } = state.athletes[truth.athleteId]?.planned ?? {};
      if (chip !== undefined) this.report(truth, chip, plan.lapM ?? 400);
    }
  }

  private report({ startedAtMs, finishedAtMs, startM, marks }: Truth, chip: string, lapM: number): void {
    const { later, speed, link } = this.options;
    const at = (atMs: number, line: LoopLine) =>
      later(() => link.send({ ...line, seq: ++this.seq }), (atMs - startedAtMs) / speed);
    // The loop lies at the finish line: only passings over it are detected.
    for (const { atM, atMs } of marks)
      if (Math.abs((startM + atM) % lapM) < 0.01 || atM === marks.at(-1)?.atM)
        at(atMs, { type: 'passing', chip, atMs, loopM: (startM + atM) % lapM });
    if (marks.length > 0) {
      const atMs = Math.round(finishedAtMs + PULSE_AFTER_MS);
      at(atMs, { type: 'pulse', chip, atMs, beatsPerMin: 165 + (this.seq % 20) });
    }
  }
}
