/** What is called out, and when: the end of a recovery, the next start, the changes of a session by the clock. */
import { counted } from '../units/counted';
import { listed } from '../units/listed';
import { ownRep } from '../run/lineUp';
import { repLabel, type PlannedRep } from '../run/plan';
import { isRunning, membersOf, type RepRun, type RunState } from '../run/runState';
import { dueStarts, type Due } from '../run/starts';

/** `tick` counts the last seconds down, `go` is the moment itself, `say` is only spoken. */
export type Call = { atMs: number; sound: 'say' | 'tick' | 'go'; words: string };

const SECONDS_BEFORE = [30, 10, 3, 2, 1];

/** A length of time as it is called: `90 seconds`, `2 minutes`, `2 30`. */
export function spokenLength(seconds: number): string {
  const whole = Math.round(seconds);
  if (whole < 100) return `${whole} seconds`;
  const [minutes, rest] = [Math.floor(whole / 60), whole % 60];
  if (rest === 0) return counted(minutes, 'minute');
  return `${minutes} ${rest}`;
}

/** A rep as it is called: `400 at 5k`, `90 seconds hard`. */
export function spokenRep(rep: PlannedRep): string {
  if (rep.durationS !== undefined)
    return `${spokenLength(rep.durationS)} ${rep.pace === undefined ? 'hard' : `at ${rep.pace}`}`;
  return repLabel(rep).replace(' @', ' at ');
}

/** A call for one group, or for one of it who goes by themselves, before it is known who else has the same. */
type OwnCall = Call & Whose;
type Whose = { groupId: string; athleteId?: string };

/** How long it is to a moment: spoken further off, the last seconds as ticks. */
const countDown = (whose: Whose, atMs: number, secondsBefore: readonly number[]): OwnCall[] =>
  secondsBefore.map((before) => ({
    ...whose,
    atMs: atMs - before * 1000,
    ...(before > 3 ? { sound: 'say', words: `${before} seconds` } : { sound: 'tick', words: String(before) }),
  }));

function startCalls(state: RunState, { atMs, athleteIds, slot, groupId }: Due): OwnCall[] {
  if (atMs === undefined) return [];
  const [first] = athleteIds;
  const athlete = first === undefined ? undefined : state.athletes[first];
  const isAlone = athleteIds.length === 1 && membersOf(state, groupId).length > 1;
  const whose = { groupId, ...(isAlone && first !== undefined ? { athleteId: first } : {}) };
  const rep = athlete && ownRep(state, athlete, slot)?.rep;
  return [
    ...countDown(whose, atMs, SECONDS_BEFORE),
    { ...whose, atMs, sound: 'go', words: rep?.durationS === undefined ? 'go' : `go, ${spokenRep(rep)}` },
  ];
}

/** The end of a rep by the clock, and what it is followed by: a rep that it runs on to, a rest, or nothing. */
function endCalls(groupId: string, run: RepRun, after: RepRun | undefined, isLast: boolean): OwnCall[] {
  const { finishedAtMs, rep, target } = run;
  if (finishedAtMs === undefined || rep.durationS === undefined) return [];
  const rest = target.recoveryS === undefined ? 'easy' : `easy, ${spokenLength(target.recoveryS)}`;
  const then = after?.startedAtMs === finishedAtMs ? spokenRep(after.rep) : isLast ? 'and done' : rest;
  const { durationS } = rep;
  return [
    ...countDown(
      { groupId },
      finishedAtMs,
      SECONDS_BEFORE.filter((before) => before <= 10 && before < durationS),
    ),
    { groupId, atMs: finishedAtMs, sound: 'go', words: then },
  ];
}

/** Whom one call is for, as it is called; nobody is named where it is for all. */
function namesFor(state: RunState, same: readonly OwnCall[]): string {
  const groups = state.groups.flatMap(({ id, name }) => {
    const here = membersOf(state, id).filter(isRunning);
    const calls = same.filter(({ groupId }) => groupId === id);
    const isWhole = calls.some(({ athleteId }) => athleteId === undefined) || calls.length >= here.length;
    const alone = calls.flatMap(({ athleteId }) => state.athletes[athleteId ?? '']?.tileName ?? []);
    return here.length === 0 && calls.length === 0 ? [] : { isWhole, names: isWhole ? [name] : alone };
  });
  return groups.every(({ isWhole }) => isWhole) ? '' : listed(groups.flatMap(({ names }) => names));
}

/** All calls that can be foreseen, each for whom it is. */
function ownCalls(state: RunState): OwnCall[] {
  const dues = dueStarts(state);
  const calls = dues.flatMap((due) => startCalls(state, due));
  for (const { id } of state.groups) {
    const runs = membersOf(state, id).find((athlete) => athlete.runs.length > 0)?.runs ?? [];
    const isLast = !dues.some(({ groupId }) => groupId === id);
    calls.push(...runs.flatMap((run, i) => endCalls(id, run, runs[i + 1], isLast)));
  }
  return calls;
}

/**
 * What is to be called after one moment and up to another, in order of time. What is the same for several is called once, and says for
 * whom it is where that is not all.
 * @param groupIds the groups that are called; all if left out.
 */
export function callsBetween(state: RunState, fromMs: number, toMs: number, groupIds?: ReadonlySet<string>): Call[] {
  const bySame = new Map<string, [OwnCall, ...OwnCall[]]>();
  for (const call of ownCalls(state)) {
    if (call.atMs <= fromMs || call.atMs > toMs || groupIds?.has(call.groupId) === false) continue;
    const key = `${call.atMs} ${call.words}`;
    const same = bySame.get(key);
    if (same) same.push(call);
    else bySame.set(key, [call]);
  }
  return [...bySame.values()]
    .map((same): Call => {
      const [{ atMs, sound, words }] = same;
      const names = sound === 'tick' ? '' : namesFor(state, same);
      return { atMs, sound, words: names === '' ? words : `${names}, ${words}` };
    })
    .sort((a, b) => a.atMs - b.atMs);
}
