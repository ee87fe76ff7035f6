/** Imported results as runs: a plan and its events, as if the times had been typed in. */
import { INTENT_FACTS } from '../session/intent';
import { parseStored } from '../session/parseSession';
import { suggestIntent } from '../advice/suggestIntent';
import { cellKey, enteredRun } from '../run/entered';
import type { Happening } from '../run/events';
import { repLabel, type Plan, type PlannedGroup, type PlannedRep, type PlannedTarget } from '../run/plan';
import { grouped } from '../units/grouped';
import { formatExactTime } from '../units/time';
import type { ResultRow } from '../review/resultRow';

export type BroughtIn = {
  plan: Plan;
  happened: { happening: Happening; atMs: number }[];
  /** How many reps have a time or metres. */
  reps: number;
};

type Whom = { athleteId: string; name: string; tileName: string };

type Options = {
  /** The athlete of that name; undefined if not in the squad. */
  athleteCalled: (name: string) => Whom | undefined;
  newId: () => string;
  /** When a session of that day started, ms since 1970. */
  startAtMs: (date: string) => number;
  /** Latest time an event may have, ms since 1970: imported sessions are over. */
  nowMs?: number;
};

const asRep = ({ part, distanceM, durationS, pace }: ResultRow): PlannedRep => ({
  role: part,
  callM: distanceM === undefined ? [] : [distanceM],
  ...(distanceM === undefined ? {} : { distanceM }),
  ...(distanceM !== undefined || durationS === undefined ? {} : { durationS }),
  ...(pace === undefined ? {} : { pace }),
});

const asTarget = ({ targetS, durationS, plannedRestS }: ResultRow): PlannedTarget => {
  const wholeS = targetS ?? durationS;
  return {
    ...(wholeS === undefined ? {} : { targetS: wholeS }),
    ...(plannedRestS === undefined ? {} : { recoveryS: plannedRestS }),
  };
};

/** The session in shorthand, as far as its reps show it. */
function shorthandOf(reps: readonly PlannedRep[]): string {
  const lines = [...grouped(reps, ({ role }) => role)].map(([role, list]) => {
    const items: { label: string; n: number }[] = [];
    for (const rep of list) {
      const label = repLabel(rep);
      const last = items.at(-1);
      if (last?.label === label) last.n++;
      else items.push({ label, n: 1 });
    }
    return `${role}: ${items.map(({ label, n }) => (n === 1 ? label : `${n}x${label}`)).join(', ')}`;
  });
  return lines.join('\n');
}

/** The numbers of the reps in the file, in order: they need not start at 1 and may have gaps. */
const repNumbers = (rows: readonly ResultRow[]): number[] =>
  [...new Set(rows.map(({ rep }) => rep))].sort((a, b) => a - b);

function groupOf(
  id: string,
  name: string,
  rows: readonly ResultRow[],
  { athleteCalled: whom }: Options,
): PlannedGroup | undefined {
  const numbers = repNumbers(rows);
  const reps = numbers.flatMap((number) => {
    const row = rows.find((row) => row.rep === number);
    return row ? [asRep(row)] : [];
  });
  const athletes = [...grouped(rows, ({ athlete }) => athlete)].flatMap(([athlete, ownRows]) => {
    const who = whom(athlete);
    if (!who) return [];
    const targets = numbers.map((number): PlannedTarget => {
      const row = ownRows.find((row) => row.rep === number);
      return row ? asTarget(row) : { isLeftOut: true };
    });
    return [{ ...who, targets }];
  });
  return athletes.length === 0 ? undefined : { id, name, reps, athletes };
}

/** What was reported of a group's reps beside their times. */
function toldOf(group: PlannedGroup, rows: readonly ResultRow[], { athleteCalled: whom }: Options): Happening[] {
  const numbers = repNumbers(rows);
  return rows.flatMap((row): Happening[] => {
    const athleteId = whom(row.athlete)?.athleteId;
    const repIndex = numbers.indexOf(row.rep);
    if (athleteId === undefined || !group.athletes.some((athlete) => athlete.athleteId === athleteId)) return [];
    const { effort, sessionEffort, beatsPerMin, notes, leftOut } = row;
    return [
      ...(effort === undefined ? [] : [{ type: 'felt' as const, athleteId, repIndex, effort }]),
      ...(beatsPerMin === undefined ? [] : [{ type: 'pulse' as const, athleteId, repIndex, beatsPerMin }]),
      ...(notes === undefined ? [] : [{ type: 'noted' as const, athleteId, repIndex, text: notes }]),
      ...(leftOut === undefined ? [] : [{ type: 'excluded' as const, athleteId, repIndex, reason: leftOut }]),
      ...(sessionEffort === undefined ? [] : [{ type: 'sessionFelt' as const, athleteId, effort: sessionEffort }]),
    ];
  });
}

function broughtInSession(rows: readonly ResultRow[], options: Options): BroughtIn | undefined {
  const [first] = rows;
  if (!first) return undefined;
  const { newId, athleteCalled: whom, startAtMs, nowMs } = options;
  const byGroup = [...grouped(rows, ({ group }) => group)];
  const parts = byGroup.flatMap(([name, ownRows]) => {
    const group = groupOf(
      byGroup.length === 1 ? 'all' : newId(),
      name === '' ? 'Everyone' : name.slice(0, 40),
      ownRows,
      options,
    );
    return group ? [{ group, rows: ownRows }] : [];
  });
  if (parts.length === 0) return undefined;
  const typed: Record<string, string> = {};
  let reps = 0;
  for (const { rows: ownRows } of parts) {
    const numbers = repNumbers(ownRows);
    for (const { athlete, rep, distanceM, timeS, coveredM } of ownRows) {
      const athleteId = whom(athlete)?.athleteId;
      const text = distanceM === undefined ? coveredM && `${coveredM} m` : timeS && formatExactTime(timeS);
      if (athleteId === undefined || !text) continue;
      typed[cellKey(athleteId, numbers.indexOf(rep))] = text;
      reps++;
    }
  }
  const shorthand = shorthandOf(parts[0]?.group.reps ?? []);
  const parsed = parseStored(shorthand);
  const intent = parsed.ok ? suggestIntent(parsed.session) : undefined;
  const plan: Plan = {
    id: newId(),
    sessionId: newId(),
    title: first.session.slice(0, 120),
    date: first.date,
    shorthand,
    ...(intent ? { intent, arc: INTENT_FACTS[intent].arc } : {}),
    groups: parts.map(({ group }) => group),
  };
  const entered = enteredRun(plan, typed, startAtMs(first.date), nowMs);
  const endMs = Math.max(...entered.happened.map(({ atMs }) => atMs));
  const told = parts.flatMap(({ group, rows: ownRows }) => toldOf(group, ownRows, options));
  return {
    plan: entered.plan,
    happened: [...entered.happened, ...told.map((happening) => ({ happening, atMs: endMs }))],
    reps,
  };
}

/** One session for each day and title; athletes who are not in the squad are left out. */
export const broughtIn = (rows: readonly ResultRow[], options: Options): BroughtIn[] =>
  [...grouped(rows, ({ date, session }) => `${date} ${session}`).values()].flatMap(
    (ownRows) => broughtInSession(ownRows, options) ?? [],
  );
