/** A session of the demo as it was run: by the simulated squad, with efforts, notes and decisions on the way. */
import type { Curve } from '@core/fitness/curve';
import { readEffort } from '@core/review/effortReading';
import { reviewRun } from '@core/review/review';
import { suggestGroups } from '@core/squad/groups';
import type { Conditions, Happening, RunEvent } from '@core/run/events';
import type { Plan, PlannedGroup } from '@core/run/plan';
import { replay } from '@core/run/replay';
import { normal, simulateRun, type Random, type SimulatedAthlete } from '@core/rehearsal/simulate';

/** An athlete on one day: how they run, and how far above what the times suggest they report effort, or not at all. */
export type OnTheDay = SimulatedAthlete & { tellsAbove?: number; isSpent?: boolean };

type Day = {
  plan: Plan;
  startAtMs: number;
  deviceId: string;
  idAt: (atMs: number) => string;
  random: Random;
  athletes: Readonly<Record<string, OnTheDay>>;
  conditions?: Conditions;
  /** How much harder than the times suggest everybody found it. */
  harder?: number;
  /** Of open work: how often each ran it. */
  turns?: number;
};

/** Largest gap to the middle of the group, in seconds over 400 m. */
const GROUPS = { gapS: 4, maxSize: 5 };
const NAMES = ['A', 'B', 'C', 'D', 'E', 'F'];
/** Without a mark somebody runs with the middle of the squad. */
const USUAL_MPS = 4.2;

/** The squad in groups that can run together, each started when its own slowest has recovered. */
export function inGroupsByPace(plan: Plan, idAt: (atMs: number) => string, atMs: number): Plan {
  const [all] = plan.groups;
  if (!all) return plan;
  const paced = all.athletes.map((athlete) => ({
    id: athlete.athleteId,
    athlete,
    paceS: 400 / (athlete.reserve?.criticalMps ?? USUAL_MPS),
  }));
  const groups = suggestGroups(paced, GROUPS).map(({ members }, i): PlannedGroup => {
    const name = NAMES[i] ?? String(i + 1);
    return { ...all, id: idAt(atMs), name, startGapS: i * 20, athletes: members.map(({ athlete }) => athlete) };
  });
  return { ...plan, groups };
}

const within = (effort: number) => Math.min(10, Math.max(1, Math.round(effort)));

/** The effort reported after every third rep, and after the last. */
const isAsked = (at: number, of: number) => at === of - 1 || at % 3 === 2;

/** Open work laid out as `turns` reps, for those who run it by themselves. */
const withTurns = (plan: Plan, turns: number): Plan => ({
  ...plan,
  groups: plan.groups.map((group) => {
    const [rep] = group.reps;
    if (!rep) return group;
    const { open: _open, ...once } = rep;
    return {
      ...group,
      reps: Array.from({ length: turns }, () => once),
      athletes: group.athletes.map((athlete) => ({
        ...athlete,
        targets: Array.from({ length: turns }, () => athlete.targets[0] ?? {}),
      })),
    };
  }),
});

/** Each start as one more turn of the open rep. */
const asTurn = (event: RunEvent): RunEvent => (event.type === 'started' ? { ...event, planIndex: 0 } : event);

/** Runs it. @returns what a coach's phone would have recorded, in order of time. */
export function ranSession(day: Day): RunEvent[] {
  const { plan, deviceId, idAt, random, startAtMs, conditions, harder = 0 } = day;
  const at = (atMs: number, happening: Happening): RunEvent => ({
    ...happening,
    id: idAt(atMs),
    runId: plan.id,
    deviceId,
    atMs: Math.round(atMs),
  });
  const { turns } = day;
  const simulated = simulateRun({
    plan: turns === undefined ? plan : withTurns(plan, turns),
    startAtMs,
    deviceId,
    idAt,
    random,
    athletes: { ...day.athletes },
  });
  const ran = turns === undefined ? simulated : simulated.map(asTurn);
  const reported: RunEvent[] = conditions ? [at(startAtMs - 600_000, { type: 'conditions', conditions })] : [];
  const state = replay(plan, ran);
  const endMs = Math.max(...ran.map(({ atMs }) => atMs));
  for (const row of reviewRun(state).flatMap(({ rows }) => rows)) {
    const athlete = day.athletes[row.athleteId];
    if (athlete?.tellsAbove === undefined) continue;
    const { points } = readEffort(row.cells, plan.arc, athlete.curve as Curve);
    const cells = row.cells.filter(({ actualS }) => actualS !== undefined);
    let last: number | undefined;
    points.forEach(({ predicted, repIndex }, i) => {
      const finishMs = (cells[i]?.startedAtMs ?? 0) + (cells[i]?.actualS ?? 0) * 1000;
      if (predicted === undefined || !isAsked(i, points.length)) return;
      last = within(predicted + (athlete.tellsAbove ?? 0) + harder + normal(random, 0.5));
      reported.push(at(finishMs + 12_000, { type: 'felt', athleteId: row.athleteId, repIndex, effort: last }));
    });
    const { athleteId } = row;
    if (last !== undefined)
      reported.push(
        at(endMs + 120_000, { type: 'sessionFelt', athleteId, effort: within(last - 0.6 + normal(random, 0.4)) }),
      );
    if (athlete.isSpent) reported.push(...spent(athleteId, cells, at));
  }
  return [...ran, ...reported].sort((a, b) => a.atMs - b.atMs);
}

/** An athlete who has done too much: the coach accepted easing their targets; they had a stitch as well. */
function spent(
  athleteId: string,
  cells: readonly { repIndex: number; startedAtMs?: number; actualS?: number }[],
  at: (atMs: number, happening: Happening) => RunEvent,
): RunEvent[] {
  const cell = cells[Math.floor(cells.length * 0.75)];
  if (!cell) return [];
  const finishMs = (cell.startedAtMs ?? 0) + (cell.actualS ?? 0) * 1000;
  const { repIndex } = cell;
  return [
    at(finishMs + 15_000, { type: 'flagged', athleteId, repIndex, flag: 'stitch' }),
    at(finishMs + 20_000, { type: 'noted', athleteId, repIndex, text: 'legs like lead' }),
    at(finishMs + 25_000, {
      type: 'decided',
      athleteIds: [athleteId],
      decision: { kind: 'ease', percent: 2 },
      rule: 'slipping',
      repIndex,
    }),
  ];
}
