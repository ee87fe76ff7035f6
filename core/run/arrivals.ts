/** Who is expected when, and whose an unnamed time could be. */
import { runnable } from '../units/runnable';
import type { NamedEvent } from './events';
import { expectedAt, isOwnTap, marksOf, nextMark } from './tile';
import { usualTimeS } from './usual';
import type { AthleteState, RepRun, RunState, UnnamedTime } from './runState';

/** A mark that an athlete is on the way to; `dueAtMs` is undefined by effort. */
export type Arrival = { athleteId: string; repIndex: number; atM: number; dueAtMs?: number };

/** The rep an athlete was on at a moment. */
function runDuring({ runs }: AthleteState, atMs: number): RepRun | undefined {
  const run = runs.findLast(({ startedAtMs }) => startedAtMs <= atMs);
  return run && (run.finishedAtMs === undefined || run.finishedAtMs > atMs) ? run : undefined;
}

function arrivalOf(state: RunState, athlete: AthleteState, nowMs: number): Arrival | undefined {
  const run = runDuring(athlete, nowMs);
  if (!run || athlete.stoppedAtMs !== undefined) return undefined;
  const { rep, target, repIndex, startedAtMs } = run;
  const atM = nextMark(state, athlete, run, (nowMs - startedAtMs) / 1000);
  if (atM === undefined) return undefined;
  const expectedS = expectedAt(rep, target.targetS, atM);
  const { athleteId } = athlete;
  return { athleteId, repIndex, atM, ...(expectedS === undefined ? {} : { dueAtMs: startedAtMs + expectedS * 1000 }) };
}

/** The next mark of everyone who is running, soonest first; those without a time last. */
export function arrivals(state: RunState, nowMs: number): Arrival[] {
  if (state.endedAtMs !== undefined) return [];
  return Object.values(state.athletes)
    .flatMap((athlete) => arrivalOf(state, athlete, nowMs) ?? [])
    .sort((a, b) => (a.dueAtMs ?? Infinity) - (b.dueAtMs ?? Infinity));
}

/** The mark that a tap on an athlete takes; undefined if they are not running, or the thumb bounced. */
export function markTapped(state: RunState, athleteId: string, atMs: number): Arrival | undefined {
  const athlete = state.athletes[athleteId];
  if (!athlete || state.endedAtMs !== undefined) return undefined;
  const run = runDuring(athlete, atMs);
  return run && isOwnTap(run, (atMs - run.startedAtMs) / 1000) ? arrivalOf(state, athlete, atMs) : undefined;
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

/** A time, and the mark it is given. */
export type NamedMark = Pick<NamedEvent, 'eventId' | 'athleteId' | 'repIndex' | 'atM'>;

/**
 * Finds out whether the previous tap was the finish: in a rep without a target the first tap may have been taken for a mark on the way, and a
 * second one comes sooner than anybody can run the rest.
 * @returns the earlier time, to be named as the finish; undefined if it cannot be one.
 */
export function finishBefore(
  state: RunState,
  { athleteId, repIndex, atM }: Arrival,
): (NamedMark & { tookS: number }) | undefined {
  const run = state.athletes[athleteId]?.runs.findLast((other) => other.repIndex === repIndex);
  const last = run?.passes.at(-1);
  const finishM = run?.rep.callM.at(-1);
  if (!run || !last || finishM === undefined || run.target.targetS !== undefined || atM <= last.atM) return undefined;
  return runnable(finishM, last.elapsedS) === 'too-fast'
    ? undefined
    : { eventId: last.eventId, athleteId, repIndex, atM: finishM, tookS: last.elapsedS };
}

/** Every mark open at a time: not taken yet, in a rep started before it, of those who have not stopped. */
function openMarks(state: RunState, atMs: number): (Arrival & { dueAtMs: number })[] {
  return Object.values(state.athletes).flatMap((athlete) => {
    const { athleteId, runs, stoppedAtMs } = athlete;
    const run = runs.findLast(({ startedAtMs }) => startedAtMs <= atMs);
    if (!run || stoppedAtMs !== undefined) return [];
    const { rep, repIndex, startedAtMs, passes } = run;
    const usualS = usualTimeS(state, athlete, run);
    const lastM = passes.at(-1)?.atM ?? 0;
    return marksOf(state, rep).flatMap((atM) => {
      const expectedS = expectedAt(rep, usualS, atM);
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
  const waiting: Guess[] = state.unnamed.filter(({ waits, was }) => waits ?? was);
  const asked = state.unnamed.filter(({ waits, was }) => !waits && !was);
  const lastMs = asked.at(-1)?.atMs;
  if (lastMs === undefined) return waiting;
  const open = openMarks(state, lastMs).sort((a, b) => a.dueAtMs - b.dueAtMs);
  // A pressed tile names the time, if that athlete can still come in.
  const tapped: Guess[] = [];
  for (const time of asked) {
    const at = open.findIndex(({ athleteId }) => athleteId === time.tappedId);
    const [arrival] = at < 0 ? [] : open.splice(at, 1);
    if (arrival) tapped.push({ ...time, arrival });
  }
  const times = asked.filter(({ eventId }) => !tapped.some((time) => time.eventId === eventId));
  const marks = open;
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
  return [...guesses, ...tapped, ...waiting].sort((a, b) => a.atMs - b.atMs);
}
