/** A rehearsal: a made-up squad runs what is started, and afterwards the times taken are compared with the truth. */
import type { RepRun, RunState } from '../run/runState';
import { SimulatedRunner, type Random, type SimulatedAthlete } from './simulate';

/** A rep as it was really run. Times in ms since 1970. */
export type Truth = {
  athleteId: string;
  repIndex: number;
  startedAtMs: number;
  finishedAtMs: number;
  distanceM: number;
  startM: number;
  marks: { atM: number; atMs: number }[];
};

const keyOf = (athleteId: string, { startId, repIndex }: Pick<RepRun, 'startId' | 'repIndex'>) =>
  `${startId} ${athleteId} ${repIndex}`;

/** A made-up squad that runs whatever is started. */
export class MadeUpSquad {
  private readonly runners = new Map<string, SimulatedRunner>();
  private readonly latest = new Map<string, { finishedAtMs: number; recovery: string | undefined }>();
  private readonly truths = new Map<string, Truth>();

  constructor(
    private readonly habits: Readonly<Record<string, SimulatedAthlete>>,
    private readonly random: Random,
  ) {}

  /** Runs the starts that are new. @returns everything run so far, in truth. */
  follow(state: RunState): readonly Truth[] {
    for (const { athleteId, runs } of Object.values(state.athletes))
      runs.forEach((run, i) => {
        const key = keyOf(athleteId, run);
        if (this.truths.has(key)) return;
        const before = runs[i - 1];
        // A rep that is run on to starts where they really are, not where a thumb put them.
        const runOnFrom =
          before?.rep.runsOn && before.startId === run.startId ? this.truths.get(keyOf(athleteId, before)) : undefined;
        this.truths.set(key, this.send(athleteId, run, runOnFrom?.finishedAtMs ?? run.startedAtMs));
      });
    return [...this.truths.values()];
  }

  private send(athleteId: string, { rep, target, repIndex }: RepRun, startedAtMs: number): Truth {
    const runner = this.runners.get(athleteId) ?? new SimulatedRunner(this.habits[athleteId], this.random);
    this.runners.set(athleteId, runner);
    const last = this.latest.get(athleteId);
    if (last) runner.rest((startedAtMs - last.finishedAtMs) / 1000, last.recovery);
    const { timeS, passes } = runner.run(rep, target);
    const finishedAtMs = startedAtMs + timeS * 1000;
    this.latest.set(athleteId, { finishedAtMs, recovery: rep.recovery });
    return {
      athleteId,
      repIndex,
      startedAtMs,
      finishedAtMs,
      distanceM: rep.distanceM ?? target.expectedM ?? 0,
      startM: rep.startM ?? 0,
      marks: passes.map(({ atM, timeS: ranS }) => ({ atM, atMs: Math.round(startedAtMs + ranS * 1000) })),
    };
  }
}

/** How far into a rep somebody is, in metres; undefined before and after. */
export function metresInto({ startedAtMs, finishedAtMs, distanceM, marks }: Truth, atMs: number): number | undefined {
  if (atMs < startedAtMs || atMs > finishedAtMs || finishedAtMs <= startedAtMs) return undefined;
  const points = [{ atM: 0, atMs: startedAtMs }, ...marks];
  if (marks.at(-1)?.atM !== distanceM) points.push({ atM: distanceM, atMs: finishedAtMs });
  const i = points.findIndex((point) => point.atMs >= atMs);
  const [from, to] = [points[Math.max(0, i - 1)], points[i]];
  if (!from || !to) return undefined;
  const share = to.atMs === from.atMs ? 1 : (atMs - from.atMs) / (to.atMs - from.atMs);
  return from.atM + share * (to.atM - from.atM);
}

/** An error larger than this belongs to another time: resting and missed athletes are no question of timing. */
const OTHERS_S = 5;

/** How well a rehearsal was timed. Errors in seconds; above 0 is late. */
export type TimingScore = {
  /** Times that could be taken, and how many this device took. */
  marks: number;
  taken: number;
  /** Taken by nobody, and so lost. */
  missed: number;
  /** Taken for somebody who was not there. */
  wrong: number;
  meanS: number;
  /** Standard deviation about the mean. */
  spreadS: number;
  worst: { athleteId: string; repIndex: number; atM: number; errorS: number }[];
};

/** Compares the times in the log with the truth. @param byDevice the device that is judged. */
export function scoreTiming(state: RunState, truths: readonly Truth[], byDevice: string, untilMs: number): TimingScore {
  const errors: TimingScore['worst'] = [];
  let [marks, missed, wrong] = [0, 0, 0];
  for (const { athleteId, repIndex, startedAtMs, marks: there } of truths) {
    const run = state.athletes[athleteId]?.runs.find((run) => run.repIndex === repIndex);
    if (!run) continue;
    for (const { atM, atMs } of there) {
      if (atMs > untilMs) continue;
      marks++;
      const pass = run.passes.find((passing) => passing.atM === atM);
      const mine = [pass, ...(pass?.also ?? [])].find((taken) => taken?.deviceId === byDevice);
      if (!pass) missed++;
      if (!mine) continue;
      const errorS = mine.elapsedS - (atMs - startedAtMs) / 1000 + (run.startedAtMs - startedAtMs) / 1000;
      if (Math.abs(errorS) > OTHERS_S) wrong++;
      else errors.push({ athleteId, repIndex, atM, errorS });
    }
  }
  const meanS = errors.length === 0 ? 0 : errors.reduce((sum, { errorS }) => sum + errorS, 0) / errors.length;
  const squares = errors.reduce((sum, { errorS }) => sum + (errorS - meanS) ** 2, 0);
  return {
    marks,
    taken: errors.length + wrong,
    missed,
    wrong,
    meanS,
    spreadS: errors.length > 1 ? Math.sqrt(squares / (errors.length - 1)) : 0,
    worst: [...errors].sort((a, b) => Math.abs(b.errorS) - Math.abs(a.errorS)).slice(0, 5),
  };
}
