/** By how much to start groups apart so that one person can time them all. */
import { clashCount, repsInBusyTime, type BusySpan, type GroupTraffic, type StartGaps } from './traffic';

/** What a set of start gaps costs, the more important first: reps in busy time and pairs of finishes that clash; athletes' seconds of waiting. */
export type GapCost = { clashes: number; waitingS: number };
export type SolvedGaps = { gaps: StartGaps; cost: GapCost; isExact: boolean };

export type GapOptions = { windowS: number; stepS?: number; mostS?: number; busy?: readonly BusySpan[] };

/** Up to so many groups the best start gaps are found for certain. */
export const EXACT_UP_TO = 6;
const STEP_S = 5;
/** Nobody waits longer than this for their first start. */
const MOST_S = 120;

const isLess = (a: GapCost, b: GapCost) =>
  a.clashes < b.clashes || (a.clashes === b.clashes && a.waitingS < b.waitingS);

/** What every gap costs, looked up instead of counted: alone (busy time), and for two groups by how much later one starts. */
class Costs {
  readonly steps: number;
  private readonly pair: number[][][];
  private readonly alone: number[][];

  constructor(
    readonly groups: readonly GroupTraffic[],
    { windowS, stepS = STEP_S, mostS = MOST_S, busy = [] }: GapOptions,
  ) {
    this.steps = Math.floor(mostS / stepS);
    const all = Array.from({ length: this.steps + 1 }, (_, step) => step);
    this.alone = groups.map((group) => all.map((step) => repsInBusyTime(group, step * stepS, busy)));
    this.pair = groups.map((a, i) =>
      groups.map((b, j) =>
        j <= i
          ? []
          : Array.from({ length: 2 * this.steps + 1 }, (_, k) => clashCount(a, b, (k - this.steps) * stepS, windowS)),
      ),
    );
    this.waitS = groups.map(({ athletes }) => athletes * stepS);
  }

  /** Athletes' seconds of waiting for one step later. */
  readonly waitS: number[];

  of(i: number, step: number): number {
    return this.alone[i]?.[step] ?? 0;
  }

  between(i: number, stepI: number, j: number, stepJ: number): number {
    return i < j
      ? (this.pair[i]?.[j]?.[stepJ - stepI + this.steps] ?? 0)
      : (this.pair[j]?.[i]?.[stepI - stepJ + this.steps] ?? 0);
  }

  /** What two groups cost however far apart they start. */
  leastBetween(i: number, j: number): number {
    return Math.min(...(this.pair[Math.min(i, j)]?.[Math.max(i, j)] ?? [0]));
  }

  /** What it adds to give group `i` this step when those before it in `order` have theirs. */
  added(i: number, step: number, order: readonly number[], steps: readonly number[]): number {
    return order.reduce((sum, j) => sum + this.between(i, step, j, steps[j] ?? 0), this.of(i, step));
  }
}

/**
 * Every way there is, given up as soon as it cannot be better than the best so far (branch and bound, Land & Doig, Econometrica
 * 28:497, 1960). What a way still costs is at least what each group to come adds at its best, and each two of them between them.
 */
function exact(costs: Costs): { steps: number[]; cost: GapCost } {
  const n = costs.groups.length;
  const all = Array.from({ length: costs.steps + 1 }, (_, step) => step);
  // Large groups first: their waiting costs most, so that the bound bites early.
  const order = Array.from({ length: n }, (_, i) => i).sort((a, b) => (costs.waitS[b] ?? 0) - (costs.waitS[a] ?? 0));
  // By depth: what the pairs among the groups from there on cost at least.
  const pairsFrom = order.map((_, depth) => {
    let sum = 0;
    for (let a = depth; a < n; a++)
      for (let b = a + 1; b < n; b++) sum += costs.leastBetween(order[a] ?? 0, order[b] ?? 0);
    return sum;
  });
  let best = improved(costs);
  const steps: number[] = Array.from({ length: n }, () => 0);

  /** `added[k][step]`: what the group at `depth + k` adds at each step against those placed. */
  const go = (depth: number, cost: GapCost, added: readonly Int32Array[]): void => {
    if (depth === n) {
      if (isLess(cost, best.cost)) best = { steps: [...steps], cost };
      return;
    }
    const i = order[depth] ?? 0;
    const [ownCosts, ...others] = added;
    if (!ownCosts) return;
    const rest = others.reduce((sum, costs) => sum + Math.min(...costs), 0) + (pairsFrom[depth] ?? 0);
    for (const step of [...all].sort((a, b) => (ownCosts[a] ?? 0) - (ownCosts[b] ?? 0) || a - b)) {
      const next = {
        clashes: cost.clashes + (ownCosts[step] ?? 0),
        waitingS: cost.waitingS + step * (costs.waitS[i] ?? 0),
      };
      if (!isLess({ clashes: next.clashes + rest, waitingS: next.waitingS }, best.cost)) continue;
      const then = others.map((rowCosts, k) => {
        const j = order[depth + 1 + k] ?? 0;
        return rowCosts.map((value, at) => value + costs.between(i, step, j, at));
      });
      const atLeast = then.reduce((sum, costs) => sum + Math.min(...costs), 0) + (pairsFrom[depth + 1] ?? 0);
      if (!isLess({ clashes: next.clashes + atLeast, waitingS: next.waitingS }, best.cost)) continue;
      steps[i] = step;
      go(depth + 1, next, then);
    }
  };
  go(
    0,
    { clashes: 0, waitingS: 0 },
    order.map((i) => Int32Array.from(all, (step) => costs.of(i, step))),
  );
  return best;
}

function costOf(costs: Costs, steps: readonly number[]): GapCost {
  const placed: number[] = [];
  let [clashes, waitingS] = [0, 0];
  steps.forEach((step, i) => {
    clashes += costs.added(i, step, placed, steps);
    waitingS += step * (costs.waitS[i] ?? 0);
    placed.push(i);
  });
  return { clashes, waitingS };
}

/** The best of what comes of starting from all at once, and from one after the other in either order. */
function improved(costs: Costs): { steps: number[]; cost: GapCost } {
  const places = costs.groups.map((_, i) => i);
  const starts = [0, 1, 2, 3].flatMap((apart) => [
    places.map((i) => Math.min(costs.steps, i * apart)),
    places.map((i) => Math.min(costs.steps, (places.length - 1 - i) * apart)),
  ]);
  const ends = starts.map((steps) => improvedFrom(costs, steps));
  return ends.reduce((best, candidate) => (isLess(candidate.cost, best.cost) ? candidate : best));
}

/** One group after the other to where it is best for it, until nothing gets better. */
function improvedFrom(costs: Costs, from: readonly number[]): { steps: number[]; cost: GapCost } {
  const n = costs.groups.length;
  let steps = [...from];
  let cost = costOf(costs, steps);
  for (let isBetter = true; isBetter;) {
    isBetter = false;
    for (let i = 0; i < n; i++)
      for (let step = 0; step <= costs.steps; step++) {
        const moved = steps.map((other, j) => (j === i ? step : other));
        const first = Math.min(...moved);
        // The same apart from each other, but earlier: busy time may forbid it.
        for (const tried of [moved, moved.map((step) => step - first)]) {
          const then = costOf(costs, tried);
          if (!isLess(then, cost)) continue;
          steps = tried;
          cost = then;
          isBetter = true;
        }
      }
  }
  return { steps, cost };
}

/**
 * Start gaps with the fewest clashes and, among those, the least waiting (athletes times seconds). Up to six groups they are
 * certainly the best in steps of 5 s up to 2 minutes; with more, each group is moved to where it is best until none gets better.
 */
export function solveStartGaps(groups: readonly GroupTraffic[], options: GapOptions): SolvedGaps {
  const { stepS = STEP_S } = options;
  const costs = new Costs(groups, options);
  const isExact = groups.length <= EXACT_UP_TO;
  const { steps, cost } = isExact ? exact(costs) : improved(costs);
  return { gaps: Object.fromEntries(groups.map(({ id }, i) => [id, (steps[i] ?? 0) * stepS])), cost, isExact };
}
