/** How much a session was for one athlete: minutes, hard minutes and effort, as it was and as it was to be. */
import { fitCurve, timeFor, type EnduranceCurve } from '../fitness/curve';
import { expand, type Leg } from '../session/expand';
import type { MeantArc } from '../session/intent';
import { parseStored } from '../session/parseSession';
import { amountsOf, GUESSED_MPS } from '../targets/totals';
import { isWork, type TargetLeg } from '../targets/targetsFor';
import type { Plan, PlannedAthlete, PlannedRep, PlannedTarget } from '../run/plan';
import type { AthleteState } from '../run/runState';
import { readEffort } from './effortReading';
import type { ReviewCell } from './cell';
import type { ReviewRow } from './review';

/** The source of a session's effort: told for it, told of the last rep, or predicted from the times. */
export const EFFORT_SOURCES = ['session', 'last-rep', 'predicted'] as const;
export type EffortSource = (typeof EFFORT_SOURCES)[number];

/**
 * Minutes from the first start to the last finish with warm-up and cool-down as planned; minutes quicker than marathon pace; effort 1 to 10.
 * Their product is the load of the session (session-RPE: Foster et al., J Strength Cond Res 15:109, 2001).
 */
export type SessionLoad = {
  minutes: number;
  hardMinutes: number;
  loadEffort?: number;
  effortSource?: EffortSource;
  plannedMinutes: number;
  plannedHardMinutes: number;
  plannedEffort?: number;
};

/** Effort × minutes; undefined where no effort is known. */
export const loadOf = ({ minutes, loadEffort }: Pick<SessionLoad, 'minutes' | 'loadEffort'>): number | undefined =>
  loadEffort === undefined ? undefined : loadEffort * minutes;

const MARATHON_M = 42_195;
/** Easy running, as a share of critical speed. */
const EASY_SHARE = 0.77;
/** Two efforts on the line of critical speed and D′ by which a curve is drawn again from a plan. */
const ON_THE_LINE_S = [180, 900] as const;
const ANY_DAY = '2000-01-01';

type Reserve = NonNullable<PlannedAthlete['reserve']>;

/** Size of the cache: about a squad's worth, since every rep of the session asks. */
const MOST_KEPT = 400;
const kept = new Map<string, EnduranceCurve>();

/** A curve with only critical speed and D′ known, as stored in a plan. */
export function curveOfReserve({ criticalMps, reserveM }: Reserve): EnduranceCurve {
  const key = `${criticalMps} ${reserveM}`;
  const before = kept.get(key);
  if (before) return before;
  const marks = ON_THE_LINE_S.map((timeS) => ({
    distanceM: criticalMps * timeS + reserveM,
    timeS,
    date: ANY_DAY,
    kind: 'race' as const,
  }));
  const curve = fitCurve(marks, { asOf: ANY_DAY });
  if (kept.size >= MOST_KEPT) kept.clear();
  kept.set(key, curve);
  return curve;
}

const besideLegs = new WeakMap<Plan, Leg[]>();

/** Warm-up and cool-down as they are written. */
function legsBeside(plan: Plan): Leg[] {
  const before = besideLegs.get(plan);
  if (before) return before;
  const parsed = parseStored(plan.shorthand);
  const legs = parsed.ok ? expand(parsed.session).filter((leg) => !isWork(leg)) : [];
  besideLegs.set(plan, legs);
  return legs;
}

/** Seconds of warm-up and cool-down, run easily. */
function besideS(plan: Plan, reserve: Reserve | undefined): number {
  const easyMps = reserve ? EASY_SHARE * reserve.criticalMps : GUESSED_MPS;
  return legsBeside(plan).reduce((sum, leg) => {
    const { distanceM } = leg;
    const timed: TargetLeg =
      distanceM === undefined || leg.kind === 'recovery' ? leg : { ...leg, targetS: distanceM / easyMps };
    return sum + amountsOf(timed).durationS;
  }, 0);
}

const isQuick = (metres: number | undefined, timeS: number, fromMps: number | undefined): boolean =>
  fromMps !== undefined && metres !== undefined && timeS > 0 && metres / timeS > fromMps;

function plannedOf(reps: readonly PlannedRep[], targets: readonly PlannedTarget[], fromMps: number | undefined) {
  let [totalS, hardS] = [0, 0];
  reps.forEach((rep, i) => {
    const { isLeftOut, recoveryS = 0, targetS, expectedM } = targets[i] ?? {};
    if (isLeftOut) return;
    const timeS = targetS ?? rep.durationS ?? (rep.distanceM ?? 0) / GUESSED_MPS;
    totalS += timeS + (i < reps.length - 1 ? recoveryS : 0);
    if (isQuick(rep.distanceM ?? expectedM, timeS, fromMps)) hardS += timeS;
  });
  return { totalS, hardS };
}

/** The effort that stands for the session. */
function effortOf(
  row: ReviewRow,
  cells: readonly ReviewCell[],
  arc: MeantArc | undefined,
  curve: EnduranceCurve | undefined,
): Pick<SessionLoad, 'loadEffort' | 'effortSource'> {
  const { sessionEffort, lastEffort } = row;
  if (sessionEffort !== undefined) return { loadEffort: sessionEffort, effortSource: 'session' };
  if (lastEffort !== undefined) return { loadEffort: lastEffort, effortSource: 'last-rep' };
  const predicted = readEffort(cells, arc, curve).points.at(-1)?.predicted;
  return predicted === undefined ? {} : { loadEffort: predicted, effortSource: 'predicted' };
}

/** What the session was for one athlete; undefined for who did not run. @param rows theirs, one a group they ran with. */
export function sessionLoad(plan: Plan, athlete: AthleteState, rows: readonly ReviewRow[]): SessionLoad | undefined {
  const [row] = rows;
  const [first] = athlete.runs;
  if (!row || !first) return undefined;
  const { reserve } = athlete.planned;
  const curve = reserve && curveOfReserve(reserve);
  const fromMps = curve && MARATHON_M / timeFor(curve, MARATHON_M);
  const cells = rows.flatMap((row) => row.cells);
  const lastMs = Math.max(...athlete.runs.map(({ finishedAtMs, startedAtMs }) => finishedAtMs ?? startedAtMs));
  const hardS = cells.reduce((sum, { actualS = 0, rep, coveredM }) => {
    return isQuick(rep?.distanceM ?? coveredM, actualS, fromMps) ? sum + actualS : sum;
  }, 0);
  const group = plan.groups.find(({ id }) => id === athlete.plannedFor);
  const planned = plannedOf(group?.reps ?? [], athlete.planned.targets, fromMps);
  const asideS = besideS(plan, reserve);
  return {
    minutes: ((lastMs - first.startedAtMs) / 1000 + asideS) / 60,
    hardMinutes: hardS / 60,
    ...effortOf(row, cells, plan.arc, curve),
    plannedMinutes: (planned.totalS + asideS) / 60,
    plannedHardMinutes: planned.hardS / 60,
    ...(plan.arc ? { plannedEffort: plan.arc.last } : {}),
  };
}
