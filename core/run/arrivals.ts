/** Who is expected when, and whose an unnamed time could be. */
import { runnable } from '../units/runnable';
import { expectedAt, isOwnTap, nextMark } from './tile';
import type { AthleteState, RepRun, RunState, UnnamedTime } from './runState';

/** A mark that an athlete is on the way to; `dueAtMs` is undefined by effort. */
export type Arrival = { athleteId: string; repIndex: number; atM: number; dueAtMs?: number };

/** The rep an athlete was on at a moment. */
function runDuring({ runs }: AthleteState, atMs: number): RepRun | undefined {
  const run = runs.findLast(({ startedAtMs }) => startedAtMs <= atMs);
  return run && (run.finishedAtMs === undefined || run.finishedAtMs > atMs) ? run : undefined;
}

function arrivalOf(athlete: AthleteState, nowMs: number): Arrival | undefined {
  const run = runDuring(athlete, nowMs);
  if (!run || athlete.stoppedAtMs !== undefined) return undefined;
  const { rep, target, repIndex, startedAtMs } = run;
  const atM = nextMark(rep, run, target.targetS, (nowMs - startedAtMs) / 1000);
  if (atM === undefined) return undefined;
  const expectedS = expectedAt(rep, target.targetS, atM);
  const { athleteId } = athlete;
  return { athleteId, repIndex, atM, ...(expectedS === undefined ? {} : { dueAtMs: startedAtMs + expectedS * 1000 }) };
}

/** The next mark of everyone who is running, soonest first; those without a time last. */
export function arrivals(state: RunState, nowMs: number): Arrival[] {
  if (state.endedAtMs !== undefined) return [];
  return Object.values(state.athletes)
    .flatMap((athlete) => arrivalOf(athlete, nowMs) ?? [])
    .sort((a, b) => (a.dueAtMs ?? Infinity) - (b.dueAtMs ?? Infinity));
}

/** The mark that a tap on an athlete takes; undefined if they are not running, or the thumb bounced. */
export function markTapped(state: RunState, athleteId: string, atMs: number): Arrival | undefined {
  const athlete = state.athletes[athleteId];
  if (!athlete || state.endedAtMs !== undefined) return undefined;
  const run = runDuring(athlete, atMs);
  return run && isOwnTap(run, (atMs - run.startedAtMs) / 1000) ? arrivalOf(athlete, atMs) : undefined;
}

/** Seconds since the athlete passed the mark before (or set off), and the metres between, where nobody can have run that. */
export type TooSoon = { name: string; tookS: number; overM: number };

/** Why a tap cannot be a time at that mark: `2.9 s` over 200 m. Undefined if it can. */
export function tooSoon(state: RunState, { athleteId, repIndex, atM }: Arrival, atMs: number): TooSoon | undefined {
  const athlete = state.athletes[athleteId];
  const run = athlete?.runs.findLast((run) => run.repIndex === repIndex);
  if (!run) return undefined;
  const before = run.passes.findLast((pass) => pass.atM < atM);
  const tookS = (atMs - run.startedAtMs) / 1000 - (before?.elapsedS ?? 0);
  const overM = atM - (before?.atM ?? 0);
  return runnable(overM, Math.max(tookS, 0.01)) === 'too-fast'
    ? { name: athlete?.tileName ?? '', tookS, overM }
    : undefined;
}

/** Every mark open at a time: not taken yet, in a rep started before it. */
function openMarks(state: RunState, atMs: number): (Arrival & { dueAtMs: number })[] {
  const running = Object.values(state.athletes).flatMap((athlete) => {
    const run = athlete.runs.findLast(({ startedAtMs }) => startedAtMs <= atMs);
    return run ? [{ athleteId: athlete.athleteId, run }] : [];
  });
  const targets = running.flatMap(({ run }) => run.target.targetS ?? []);
  const usualS = targets.length > 0 ? targets.reduce((sum, s) => sum + s, 0) / targets.length : undefined;
  return running.flatMap(({ athleteId, run }) => {
    const { rep, target, repIndex, startedAtMs, passes } = run;
    const lastM = passes.at(-1)?.atM ?? 0;
    return rep.callM.flatMap((atM) => {
      const expectedS = expectedAt(rep, target.targetS ?? usualS, atM);
      return atM <= lastM || expectedS === undefined
        ? []
        : [{ athleteId, repIndex, atM, dueAtMs: startedAtMs + expectedS * 1000 }];
    });
  });
}

/** An unnamed time, and whose it most likely is. */
export type Guess = UnnamedTime & { arrival?: Arrival };

/**
 * Suggests names for unnamed times, minimising the total difference between expected and taken times in the expected order. Surplus times
 * stay unnamed.
 */
export function guessNames(state: RunState): Guess[] {
  // What waits to be explained was somebody's already: it is not offered to the next best.
  const times = state.unnamed.filter(({ waits }) => !waits);
  const waiting: Guess[] = state.unnamed.filter(({ waits }) => waits);
  const lastMs = times.at(-1)?.atMs;
  if (lastMs === undefined) return waiting;
  const marks = openMarks(state, lastMs).sort((a, b) => a.dueAtMs - b.dueAtMs);
  // cost[i][j]: the least for the first i times and the first j marks; a time is either the j-th mark, or has no name yet.
  const nameless = 120_000;
  const cost = [new Array<number>(marks.length + 1).fill(0)];
  for (const [i, { atMs }] of times.entries()) {
    const before = cost[i] ?? [];
    const row = [(before[0] ?? 0) + nameless];
    for (const [j, { dueAtMs }] of marks.entries())
      row.push(Math.min(row[j] ?? 0, (before[j + 1] ?? 0) + nameless, (before[j] ?? 0) + Math.abs(atMs - dueAtMs)));
    cost.push(row);
  }
  const guesses: Guess[] = [];
  let j = marks.length;
  for (let i = times.length; i > 0; i--) {
    const time = times[i - 1];
    while (j > 0 && cost[i]?.[j] === cost[i]?.[j - 1]) j--;
    const mark = marks[j - 1];
    const isThis = mark && time && cost[i]?.[j] === (cost[i - 1]?.[j - 1] ?? 0) + Math.abs(time.atMs - mark.dueAtMs);
    if (time) guesses.unshift(isThis ? { ...time, arrival: mark } : { ...time });
    if (isThis) j--;
  }
  return [...guesses, ...waiting].sort((a, b) => a.atMs - b.atMs);
}
