/** A session entered afterwards, from a clipboard or a watch: typed times as the events they would have been. */
import { MILE_M } from '../units/distance';
import { formatTime, parseTime } from '../units/time';
import type { Happening } from './events';
import type { Plan, PlannedGroup, PlannedRep, PlannedTarget } from './plan';

/** What was typed for an athlete and a rep: `${athleteId} ${repIndex}` → text. */
export type Typed = Readonly<Record<string, string>>;
export const cellKey = (athleteId: string, column: string | number): string => `${athleteId} ${column}`;

/** A column of the grid: a rep of the plan, or one more turn of open work at the same distance. */
export type Column = { key: string; repIndex: number };

/** More turns than anyone runs. */
const MOST_TURNS = 40;

/** True if anybody of the group has something typed in a column. */
const isTyped = ({ athletes }: PlannedGroup, typed: Typed, { key }: Column): boolean =>
  athletes.some(({ athleteId }) => (typed[cellKey(athleteId, key)] ?? '').trim() !== '');

/**
 * The columns of a group's grid: one a rep; in open work each distance grows, with an empty column after the last one used. Keys stay when
 * columns are added.
 */
export function columnsOf(group: PlannedGroup, typed: Typed): Column[] {
  return group.reps.flatMap((rep, repIndex): Column[] => {
    const first: Column = { key: String(repIndex), repIndex };
    if (!rep.open) return [first];
    const turn = (n: number): Column => (n === 0 ? first : { key: `${repIndex}.${n}`, repIndex });
    const turns = Array.from({ length: MOST_TURNS }, (_, n) => turn(n));
    return turns.slice(0, turns.findLastIndex((column) => isTyped(group, typed, column)) + 2);
  });
}

/** The group as it was run: a rep for each column of the grid. */
function grown(group: PlannedGroup, columns: readonly Column[]): PlannedGroup {
  const of = <T>(list: readonly T[]) => columns.flatMap(({ repIndex }) => list[repIndex] ?? []);
  return {
    ...group,
    reps: of(group.reps),
    athletes: group.athletes.map((athlete) => ({ ...athlete, targets: of(athlete.targets) })),
  };
}

/** What a cell says: a time, metres covered in a rep by the clock, nothing, or that it was not run. */
export type Cell =
  | { kind: 'time'; timeS: number; doubt?: string; readAs?: string }
  | { kind: 'metres'; distanceM: number }
  | { kind: 'empty' }
  | { kind: 'problem'; message: string };

/** Ways to write that a rep was not run. */
const NOT_RUN = /^([-–—x×/]|dn[sf]|out|no)$/i;
/** A time further than this from its target is questioned. */
const DOUBT_SHARE = 0.35;

/** Metres of a rep by the clock from its pace: `4:48`, `4:48/km`, `7:43/mi`; undefined where it is none. */
function metresByPace(typed: string, durationS: number | undefined): number | undefined {
  const [, minutes, seconds, per = 'km'] = /^(\d{1,2}):(\d\d)(?:\s*\/\s*(km|mi))?$/i.exec(typed) ?? [];
  const paceS = Number(minutes) * 60 + Number(seconds);
  if (durationS === undefined || !(paceS > 0) || Number(seconds) >= 60) return undefined;
  return (durationS / paceS) * (per.toLowerCase() === 'mi' ? MILE_M : 1000);
}

/** Reads one cell as people write times. */
export function readCell(text: string, rep: PlannedRep, target: PlannedTarget | undefined): Cell {
  const typed = text.trim();
  if (typed === '' || NOT_RUN.test(typed)) return { kind: 'empty' };
  if (rep.distanceM === undefined) {
    const distanceM =
      metresByPace(typed, rep.durationS) ?? Number(typed.toLowerCase().replace(/\s*m$/, '').replace(',', '.'));
    return distanceM > 0 && distanceM <= 200_000
      ? { kind: 'metres', distanceM }
      : { kind: 'problem', message: `“${typed}” is neither metres nor a pace like 4:48/km.` };
  }
  const read = parseTime(typed, rep.distanceM, target?.targetS);
  if (!read.ok) return { kind: 'problem', message: read.message };
  const { timeS } = read;
  const { targetS } = target ?? {};
  const isDigits = /^\d{3,}$/.test(typed) && timeS !== Number(typed);
  const isFar = targetS !== undefined && Math.abs(timeS - targetS) > DOUBT_SHARE * targetS;
  return {
    kind: 'time',
    timeS,
    ...(isDigits ? { readAs: `${typed} is read as ${formatTime(timeS)}.` } : {}),
    ...(isFar ? { doubt: `Read as ${formatTime(timeS, 1)}, and the target was ${formatTime(targetS, 1)}.` } : {}),
  };
}

/** A recovery that nobody has noted. */
const USUAL_REST_S = 90;

/** The end of a session, so long after its last time. */
const AFTER_LAST_MS = 60_000;

type Happened = { happening: Happening; atMs: number };

function groupEvents(group: PlannedGroup, columns: readonly Column[], typed: Typed, startAtMs: number): Happened[] {
  // Athletes without a single entry did not take part.
  const isAway = (athleteId: string) =>
    columns.every(({ key }) => (typed[cellKey(athleteId, key)] ?? '').trim() === '');
  const happened = group.athletes.flatMap(({ athleteId }): Happened[] =>
    isAway(athleteId) ? [{ happening: { type: 'came', athleteId, presence: 'absent' }, atMs: startAtMs }] : [],
  );
  let atMs = startAtMs;
  group.reps.forEach((rep, repIndex) => {
    const cells = group.athletes.flatMap(({ athleteId, targets }) => {
      const cell = readCell(typed[cellKey(athleteId, columns[repIndex]?.key ?? '')] ?? '', rep, targets[repIndex]);
      return cell.kind === 'empty' || cell.kind === 'problem' ? [] : [{ athleteId, cell }];
    });
    if (cells.length === 0) return;
    const athleteIds = cells.map(({ athleteId }) => athleteId);
    happened.push({ happening: { type: 'started', repIndex, athleteIds }, atMs });
    let longestMs = Math.round((rep.durationS ?? 0) * 1000);
    for (const { athleteId, cell } of cells) {
      if (cell.kind === 'metres')
        happened.push({
          happening: { type: 'covered', athleteId, repIndex, distanceM: cell.distanceM },
          atMs: atMs + longestMs,
        });
      const finishM = rep.callM.at(-1);
      if (cell.kind !== 'time' || finishM === undefined) continue;
      const ranMs = Math.round(cell.timeS * 1000);
      longestMs = Math.max(longestMs, ranMs);
      happened.push({ happening: { type: 'passed', athleteId, repIndex, atM: finishM }, atMs: atMs + ranMs });
    }
    const rests = group.athletes.flatMap(({ targets }) => targets[repIndex]?.recoveryS ?? []);
    // A jog over a distance takes parts of a second; a log has whole milliseconds.
    atMs += longestMs + Math.round(Math.max(USUAL_REST_S, ...rests) * 1000);
  });
  return happened;
}

/** Reps that run on are begun by finishing the one before: entered by hand each is a rep of its own. */
const apart = (group: PlannedGroup): PlannedGroup => ({
  ...group,
  reps: group.reps.map(({ runsOn: _runsOn, open: _open, ...rep }) => rep),
});

/**
 * A plan and events for what was typed. Cells that cannot be read are left out: ask readCell() first.
 * @param startAtMs when the first rep began, ms since 1970; how long the recoveries really were is not known and taken as planned.
 * @param nowMs latest end of the session, ms since 1970: a start that leads beyond it is moved back, so that later efforts come after it.
 */
export function enteredRun(
  plan: Plan,
  typed: Typed,
  startAtMs: number,
  nowMs = Infinity,
): { plan: Plan; happened: Happened[] } {
  const laidOut = plan.groups.map((group) => {
    const all = columnsOf(group, typed);
    // The empty column at the end of each distance is only there to be typed into.
    const columns = all.filter((column) => !group.reps[column.repIndex]?.open || isTyped(group, typed, column));
    return { group: apart(grown(group, columns)), columns };
  });
  const groups = laidOut.map(({ group }) => group);
  const happened = laidOut
    .flatMap(({ group, columns }) => groupEvents(group, columns, typed, startAtMs))
    .sort((a, b) => a.atMs - b.atMs);
  const lastMs = Math.max(startAtMs, ...happened.map(({ atMs }) => atMs));
  happened.push({ happening: { type: 'ended' }, atMs: lastMs + AFTER_LAST_MS });
  const tooLateMs = Math.max(0, lastMs + AFTER_LAST_MS - nowMs);
  return {
    plan: { ...plan, groups, isEntered: true },
    happened: happened.map(({ happening, atMs }) => ({ happening, atMs: atMs - tooLateMs })),
  };
}
