/** What is called out, and when: the end of a recovery, the next start, the changes of a session by the clock. */
import { formatClock } from '../units/time';
import { ownRep } from './lineUp';
import { repLabel, type PlannedGroup, type PlannedRep } from './plan';
import { groupOf, membersOf, type RepRun, type RunState } from './runState';
import { dueStarts, recoveredAtMs, type Due } from './starts';

/** `tick` counts the last seconds down, `go` is the moment itself, `say` is only spoken. */
export type Call = { atMs: number; sound: 'say' | 'tick' | 'go'; words: string };

const SECONDS_BEFORE = [30, 10, 3, 2, 1];

/** A length of time as it is called: `90 seconds`, `2 minutes`, `2 30`. */
export function spokenLength(seconds: number): string {
  const whole = Math.round(seconds);
  if (whole < 100) return `${whole} seconds`;
  const [minutes, rest] = [Math.floor(whole / 60), whole % 60];
  if (rest === 0) return minutes === 1 ? '1 minute' : `${minutes} minutes`;
  return `${minutes} ${rest}`;
}

/** A rep as it is called: `400 at 5k`, `90 seconds hard`. */
export function spokenRep(rep: PlannedRep): string {
  if (rep.durationS !== undefined)
    return `${spokenLength(rep.durationS)} ${rep.pace === undefined ? 'hard' : `at ${rep.pace}`}`;
  return repLabel(rep).replace(' @', ' at ');
}

/** Whom a call is for; nobody needs to be named where all go together. */
function whoFor(state: RunState, { groupId, athleteIds }: Due): string {
  const group = groupOf(state, groupId);
  const inIt = membersOf(state, groupId).length;
  const [only] = athleteIds;
  if (athleteIds.length === 1 && only !== undefined && inIt > 1) return `${state.athletes[only]?.tileName ?? ''}, `;
  return state.groups.length > 1 && group ? `${group.name}, ` : '';
}

function startCalls(state: RunState, due: Due): Call[] {
  const { atMs, athleteIds, slot } = due;
  if (atMs === undefined) return [];
  const who = whoFor(state, due);
  const [first] = athleteIds;
  const athlete = first === undefined ? undefined : state.athletes[first];
  const rep = athlete && ownRep(state, athlete, slot)?.rep;
  return [
    ...SECONDS_BEFORE.map((before): Call => {
      return before > 3
        ? { atMs: atMs - before * 1000, sound: 'say', words: `${who}${before} seconds` }
        : { atMs: atMs - before * 1000, sound: 'tick', words: String(before) };
    }),
    { atMs, sound: 'go', words: rep?.durationS === undefined ? `${who}go` : `${who}go, ${spokenRep(rep)}` },
  ];
}

/** The end of a rep by the clock, and what it is followed by: a rep that it runs on to, a rest, or nothing. */
function endCalls(run: RepRun, after: RepRun | undefined, isLast: boolean): Call[] {
  const { finishedAtMs, rep, target } = run;
  if (finishedAtMs === undefined || rep.durationS === undefined) return [];
  const rest = target.recoveryS === undefined ? 'easy' : `easy, ${spokenLength(target.recoveryS)}`;
  const then = after?.startedAtMs === finishedAtMs ? spokenRep(after.rep) : isLast ? 'and done' : rest;
  return [
    ...SECONDS_BEFORE.filter((before) => before <= 10 && before < (rep.durationS ?? 0)).map((before): Call => {
      return before > 3
        ? { atMs: finishedAtMs - before * 1000, sound: 'say', words: `${before} seconds` }
        : { atMs: finishedAtMs - before * 1000, sound: 'tick', words: String(before) };
    }),
    { atMs: finishedAtMs, sound: 'go', words: then },
  ];
}

/** All calls that can be foreseen, in order of time. One that is the same for several people is given once. */
export function callsAhead(state: RunState): Call[] {
  const dues = dueStarts(state);
  const calls = dues.flatMap((due) => startCalls(state, due));
  for (const { id } of state.groups) {
    const runs = membersOf(state, id).find((athlete) => athlete.runs.length > 0)?.runs ?? [];
    const isLast = !dues.some(({ groupId }) => groupId === id);
    calls.push(...runs.flatMap((run, i) => endCalls(run, runs[i + 1], isLast)));
  }
  const known = new Set<string>();
  return calls
    .sort((a, b) => a.atMs - b.atMs)
    .filter(({ atMs, words }) => {
      const key = `${atMs} ${words}`;
      if (known.has(key)) return false;
      known.add(key);
      return true;
    });
}

/** What is to be called after one moment and up to another. */
export const callsBetween = (state: RunState, fromMs: number, toMs: number): Call[] =>
  callsAhead(state).filter(({ atMs }) => atMs > fromMs && atMs <= toMs);

/** A stretch of a session by the clock, as it is shown to the whole group. */
export type Stretch = { words: string; isHard: boolean; lengthS?: number };
/** What a group does now, for how long yet, and what comes next. */
export type Now = Stretch & { leftS?: number; share: number; next?: Stretch };

const easy = (lengthS: number | undefined): Stretch => ({
  words: 'easy',
  isHard: false,
  ...(lengthS === undefined ? {} : { lengthS }),
});

const hard = (rep: PlannedRep): Stretch => {
  const { pace, durationS } = rep;
  const words = durationS === undefined ? repLabel(rep) : pace === undefined ? 'hard' : `@${pace}`;
  return { words, isHard: true, ...(durationS === undefined ? {} : { lengthS: durationS }) };
};

/** What a group is doing at a moment; undefined before its first start and after its last rep. */
export function groupNow(state: RunState, groupId: string, nowMs: number): Now | undefined {
  const members = membersOf(state, groupId);
  const runs = members.flatMap((athlete) => {
    const run = athlete.runs.findLast(({ startedAtMs }) => startedAtMs <= nowMs);
    return run ? [{ athlete, run }] : [];
  });
  const latest = runs.reduce<(typeof runs)[number] | undefined>(
    (best, one) => (!best || one.run.startedAtMs > best.run.startedAtMs ? one : best),
    undefined,
  );
  const due = dueStarts(state).find((one) => one.groupId === groupId);
  const nextAthlete = due?.athleteIds[0] === undefined ? undefined : state.athletes[due.athleteIds[0]];
  const nextRep = due && nextAthlete && ownRep(state, nextAthlete, due.slot)?.rep;
  const nextHard = nextRep && hard(nextRep);
  if (!latest) return undefined;
  const { run } = latest;
  const { finishedAtMs, rep, startedAtMs } = run;
  const runOnTo = latest.athlete.runs.find((other) => other !== run && other.startedAtMs === finishedAtMs);
  if (finishedAtMs === undefined || finishedAtMs > nowMs) {
    const lengthS = rep.durationS;
    const leftS = lengthS === undefined ? undefined : lengthS - (nowMs - startedAtMs) / 1000;
    const after = runOnTo ? hard(runOnTo.rep) : due ? easy(run.target.recoveryS) : undefined;
    return {
      ...hard(rep),
      share: lengthS === undefined || leftS === undefined ? 0 : 1 - leftS / lengthS,
      ...(leftS === undefined ? {} : { leftS }),
      ...(after ? { next: after } : {}),
    };
  }
  const backAtMs = due?.atMs ?? recoveredAtMs(run);
  if (!due) return undefined;
  const wholeS = backAtMs === undefined ? undefined : (backAtMs - finishedAtMs) / 1000;
  const leftS = backAtMs === undefined ? undefined : (backAtMs - nowMs) / 1000;
  return {
    ...easy(wholeS),
    share: wholeS && leftS !== undefined ? Math.min(1, Math.max(0, 1 - leftS / wholeS)) : 0,
    ...(leftS === undefined ? {} : { leftS }),
    ...(nextHard ? { next: nextHard } : {}),
  };
}

/** True if every rep and every rest of a group goes by the clock: then the phone can call all of it. */
export function isByTheClock(plan: PlannedGroup): boolean {
  if (plan.reps.length === 0) return false;
  return plan.reps.every(
    ({ durationS, runsOn, open }, i) =>
      durationS !== undefined &&
      !open &&
      (runsOn === true ||
        i === plan.reps.length - 1 ||
        plan.athletes.every(({ targets }) => targets[i]?.isLeftOut === true || targets[i]?.recoveryS !== undefined)),
  );
}

/** `2:30 left`: for a stretch whose end is known. */
export const leftText = (leftS: number): string => formatClock(Math.max(0, Math.ceil(leftS)));
