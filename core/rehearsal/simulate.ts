/** The squad simulator: how made-up athletes run their reps. */
import { reserveAfter, reserveModel } from '../targets/reserve';
import { timeFor, type Curve } from '../fitness/curve';
import type { RunEvent } from '../run/events';
import { restMps, type Plan, type PlannedGroup, type PlannedRep, type PlannedTarget } from '../run/plan';

/** How a made-up athlete runs: their true curve, and their habits. */
export type SimulatedAthlete = {
  curve: Curve;
  /** How much faster than asked the first rep is run: 0.015 is 1.5 %. */
  rush: number;
  /** Standard deviation of a rep's time about what was meant. */
  unevenness: number;
};

/** A random source: each call gives a number from 0 up to, but not including, 1. */
export type Random = () => number;

export type Simulation = {
  plan: Plan;
  /** By athleteId. */
  athletes: Record<string, SimulatedAthlete>;
  /** When the first rep starts, milliseconds since 1970. */
  startAtMs: number;
  deviceId: string;
  /** Makes an event id for a moment. */
  idAt: (atMs: number) => string;
  random: Random;
};

/** Spread of a thumb's reaction, in seconds. */
const THUMB_SD_S = 0.15;

/** A normal draw (Box & Muller, Ann. Math. Stat. 29:610, 1958). */
export function normal(random: Random, sd: number): number {
  return sd * Math.sqrt(-2 * Math.log(1 - random())) * Math.cos(2 * Math.PI * random());
}

/**
 * Runs a plan with made-up athletes: each rep about its target, the first too fast, fading as the reserve runs low, and
 * times taken by a thumb. A group starts a rep together, when the last of them has recovered.
 * @returns the events a coach's phone would have recorded, in order of time.
 */
export function simulateRun(simulation: Simulation): RunEvent[] {
  const { plan, startAtMs, deviceId, idAt } = simulation;
  const stamp: Stamping = (seenMs) => {
    const atMs = Math.round(seenMs);
    return { id: idAt(atMs), runId: plan.id, deviceId, atMs };
  };
  const events = plan.groups.flatMap((group) => simulateGroup(simulation, group, stamp));
  const lastMs = Math.max(startAtMs, ...events.map((event) => event.atMs));
  events.push({ ...stamp(lastMs + 60_000), type: 'ended' });
  return events.sort((a, b) => a.atMs - b.atMs);
}

type Stamping = (seenMs: number) => { id: string; runId: string; deviceId: string; atMs: number };

function simulateGroup({ athletes, startAtMs, random }: Simulation, group: PlannedGroup, stamp: Stamping): RunEvent[] {
  const events: RunEvent[] = [];
  const runners = group.athletes.map((athlete) => ({
    athlete,
    legs: new SimulatedRunner(athletes[athlete.athleteId], random),
    finishedAtMs: 0,
  }));
  const athleteIds = group.athletes.map(({ athleteId }) => athleteId);
  let atMs = startAtMs + (group.startGapS ?? 0) * 1000;

  group.reps.forEach((rep, repIndex) => {
    const runsOn = group.reps[repIndex - 1]?.runsOn === true;
    if (!runsOn) events.push({ ...stamp(atMs), type: 'started', repIndex, athleteIds });
    for (const runner of runners) {
      const { athleteId, targets } = runner.athlete;
      const fromMs = runsOn ? runner.finishedAtMs : atMs;
      const { timeS, passes } = runner.legs.run(rep, targets[repIndex] ?? {});
      runner.finishedAtMs = fromMs + timeS * 1000;
      for (const { atM, timeS: ranS } of passes) {
        const seenMs = fromMs + (ranS + normal(random, THUMB_SD_S)) * 1000;
        events.push({ ...stamp(seenMs), type: 'passed', athleteId, repIndex, atM });
      }
    }
    const recoveries = runners.map(
      ({ athlete, finishedAtMs }) => finishedAtMs + (athlete.targets[repIndex]?.recoveryS ?? 60) * 1000,
    );
    const nextMs = Math.max(...recoveries);
    for (const { legs, finishedAtMs } of runners) legs.rest((nextMs - finishedAtMs) / 1000, rep.recovery);
    atMs = nextMs;
  });
  return events;
}

/** A rep as it was run in truth: seconds for all of it, and to each mark. */
export type RanRep = { timeS: number; passes: { atM: number; timeS: number }[] };

/** Speed in m/s of somebody with no target, other than flat out. */
const BY_EFFORT_MPS = 3.6;

/** A made-up athlete in the middle of a session, with the reserve they have left. */
export class SimulatedRunner {
  private readonly form: number;
  private readonly model;
  private leftM: number;
  private hasRun = false;

  constructor(
    private readonly habits: SimulatedAthlete | undefined,
    private readonly random: Random,
  ) {
    this.form = normal(random, 0.006);
    this.model = habits && reserveModel(habits.curve);
    this.leftM = this.model?.reserveM ?? 0;
  }

  /** Runs a rep; what it costs is taken from the reserve. */
  run(rep: Pick<PlannedRep, 'distanceM' | 'durationS' | 'callM' | 'pace'>, target: PlannedTarget): RanRep {
    const { distanceM } = rep;
    if (distanceM === undefined) return { timeS: rep.durationS ?? 0, passes: [] };
    const { habits, model } = this;
    const isFlatOut = habits !== undefined && rep.pace === 'max';
    const byEffortS = isFlatOut ? timeFor(habits.curve, distanceM) : distanceM / BY_EFFORT_MPS;
    const meantS = target.targetS ?? byEffortS;
    const rush = this.hasRun ? 0 : (habits?.rush ?? 0);
    this.hasRun = true;
    let timeS = meantS * (1 + this.form - rush + normal(this.random, habits?.unevenness ?? 0.01));
    if (model) {
      const left = reserveAfter(model, this.leftM, distanceM / timeS, timeS) / model.reserveM;
      // Below a third of the reserve the legs go, faster the less there is; flat out, all of it is there to be used.
      if (left < 0.33 && !isFlatOut) timeS *= 1 + 0.07 * (0.33 - Math.max(left, -0.5));
      this.leftM = reserveAfter(model, this.leftM, distanceM / timeS, timeS);
    }
    const passes = rep.callM.map((atM) => {
      const share = atM / distanceM;
      // Most go out a little fast and come back a little slow.
      return { atM, timeS: timeS * share - 0.012 * timeS * share * (1 - share) };
    });
    return { timeS, passes };
  }

  rest(durationS: number, recovery: string | undefined): void {
    if (!this.model || durationS <= 0) return;
    this.leftM = reserveAfter(this.model, this.leftM, restMps(recovery, this.model), durationS);
  }
}
