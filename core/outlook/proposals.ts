/** What would make a session fit: one thing at a time, each with its effect. */
import type { ItemSetting } from '../session/itemSetting';
import { isWithin, itemAt, samePath, type ItemPath } from '../session/edit';
import type { MeantArc } from '../session/intent';
import type { Item, SessionTree } from '../session/session';
import { isTimedRep, type TargetLeg } from '../targets/targetsFor';
import type { Gauge } from './gauge';
import { withCount, withPace, withRecovery } from './levers';
import { judgePoints, type SessionFit } from './outlook';
import { predict, stretchesOf, type Stretch } from './predict';

/** What is changed: rest, how often, how fast, or how often within each set. */
export const LEVERS_OF_THE_DAY = ['recovery', 'count', 'pace', 'reps-in-set'] as const;

/** One thing changed. */
export type LeverChange = {
  lever: (typeof LEVERS_OF_THE_DAY)[number];
  path: ItemPath;
  set: ItemSetting;
  /** Its current value: seconds of recovery (metres for a jog), times, or the share of the speed. */
  from: number;
  to: number;
};

/** The session's prediction with it. */
export type Effect = { fit: SessionFit; lastEffort?: number; leastLeft: number; limitShare: number };

/** A change and its effect; where it is not enough alone, the next one that is enough with it, and what both come to. */
export type OutlookProposal = LeverChange & { effect: Effect; next?: LeverChange & { effect: Effect } };

/** What is changed, one thing or two. */
export const changesOf = (proposal: OutlookProposal): LeverChange[] => [
  proposal,
  ...(proposal.next ? [proposal.next] : []),
];

/** Steps in which recoveries, jogs and paces are tried. */
export const LEVER_STEPS = { recoveryS: 5, jogM: 50, paceShare: 0.005 };
const { recoveryS: STEP_S, jogM: JOG_STEP_M, paceShare: PACE_STEP } = LEVER_STEPS;
/** A recovery is lengthened by this factor at most, and never beyond this length. */
const LONGEST = { times: 5, s: 600 };
const SHORTEST_S = 15;
/** Slower than this would be another session. */
const SLOWEST = 0.93;
/** A smaller share of the reps would be another session. */
const FEWEST = 0.4;
/** At most this many times as often. */
const MOST_MORE = 1.5;

type Trial = {
  stretches: Stretch[];
  legs: readonly TargetLeg[];
  gauge: Gauge;
  arc: MeantArc;
  way: 'easier' | 'harder';
};

const judged = ({ gauge, arc }: Trial, stretches: readonly Stretch[]) => judgePoints(predict(gauge, stretches), arc);
const isTooMuch = (fit: SessionFit) => fit === 'stretched' || fit === 'cannot';
/** An easier session must no longer be too hard, a harder one no longer too easy. */
const isThere = ({ way }: Trial, fit: SessionFit) => (way === 'easier' ? !isTooMuch(fit) : fit !== 'light');

/** The first of `n` steps that is enough, by bisection: a further step never undoes an earlier one. */
function firstEnough(n: number, isEnough: (step: number) => boolean): number | undefined {
  if (n < 1 || !isEnough(n)) return undefined;
  let [low, high] = [0, n];
  while (high - low > 1) {
    const middle = (low + high) >> 1;
    if (isEnough(middle)) high = middle;
    else low = middle;
  }
  return high;
}

type Lever = {
  lever: LeverChange['lever'];
  from: number;
  steps: number;
  valueAt: (step: number) => number;
  setAt: (value: number) => ItemSetting;
  stretchesAt: (value: number) => Stretch[];
};

function recoveryLever({ stretches, legs, way }: Trial, path: ItemPath): Lever | undefined {
  const leg = legs.find((leg) => leg.kind === 'recovery' && samePath(leg.path, path));
  const now = stretches.find((stretch) => !stretch.isRep && samePath(stretch.path, path));
  if (!leg || !now || now.durationS <= 0) return undefined;
  if (leg.distanceM !== undefined) {
    const { distanceM } = leg;
    const mostM = distanceM * LONGEST.times;
    const sign = way === 'easier' ? 1 : -1;
    const steps = Math.floor((way === 'easier' ? mostM - distanceM : distanceM - JOG_STEP_M) / JOG_STEP_M);
    return {
      lever: 'recovery',
      from: distanceM,
      steps,
      valueAt: (step) => distanceM + sign * step * JOG_STEP_M,
      setAt: (value) => ({ kind: 'jog', distanceM: value }),
      stretchesAt: (value) => withRecovery(stretches, path, value / now.speedMps),
    };
  }
  const fromS = now.durationS;
  const base = way === 'easier' ? Math.floor(fromS / STEP_S) * STEP_S : Math.ceil(fromS / STEP_S) * STEP_S;
  const most = Math.min(LONGEST.s, Math.max(fromS * LONGEST.times, 120));
  const sign = way === 'easier' ? 1 : -1;
  return {
    lever: 'recovery',
    from: fromS,
    steps: Math.floor((way === 'easier' ? most - base : base - SHORTEST_S) / STEP_S),
    valueAt: (step) => base + sign * step * STEP_S,
    setAt: (value) => ({ kind: 'recovery', durationS: value }),
    stretchesAt: (value) => withRecovery(stretches, path, value),
  };
}

function countLever({ stretches, way }: Trial, path: ItemPath, item: Item): Lever | undefined {
  const turns = stretches
    .filter((stretch) => stretch.isRep && isWithin(stretch.path, path))
    .map(({ turns: all }) => all[path.length - 2] ?? 0);
  const n = Math.max(...turns, 0) + 1;
  const most = item.count.kind === 'range' ? item.count.max : Math.ceil(n * MOST_MORE);
  const steps = way === 'easier' ? n - Math.max(1, Math.ceil(n * FEWEST)) : most - n;
  if (item.count.kind === 'open' || n < 2) return undefined;
  return {
    lever: path.length > 2 ? 'reps-in-set' : 'count',
    from: n,
    steps,
    valueAt: (step) => (way === 'easier' ? n - step : n + step),
    setAt: (value) => ({ kind: 'count', n: value }),
    stretchesAt: (value) => withCount(stretches, path, value),
  };
}

function paceLever({ stretches, legs, way }: Trial, path: ItemPath, item: Item): Lever | undefined {
  if (way === 'harder' || item.body.kind !== 'rep' || !item.body.pace || item.body.pace.from.kind === 'effort')
    return undefined;
  const byClock = legs.some((leg) => leg.kind === 'rep' && samePath(leg.path, path) && leg.distanceM === undefined);
  return {
    lever: 'pace',
    from: 1,
    steps: Math.round((1 - SLOWEST) / PACE_STEP),
    valueAt: (step) => Math.round((1 - step * PACE_STEP) * 1000) / 1000,
    setAt: (value) => ({ kind: 'pace', share: value }),
    stretchesAt: (value) => withPace(stretches, path, value, byClock),
  };
}

/** Every item of main part and fast finish, and every set on the way to it. */
function itemPaths(legs: readonly TargetLeg[]): ItemPath[] {
  const paths = new Map<string, ItemPath>();
  for (const leg of legs) {
    if (!isTimedRep(leg)) continue;
    for (let length = 2; length <= leg.path.length; length++) {
      const path = leg.path.slice(0, length);
      paths.set(path.join('.'), path);
    }
  }
  return [...paths.values()];
}

type Found = { change: LeverChange; effect: Effect; over: number; stretches: Stretch[]; size: number };

/** One lever of one item, moved so many steps. */
function moved(trial: Trial, { lever, from, ...its }: Lever, path: ItemPath, step: number): Found {
  const to = its.valueAt(step);
  const stretches = its.stretchesAt(to);
  const { fit, lastEffort, leastLeft, limitShare, over } = judged(trial, stretches);
  return {
    change: { lever, path, set: its.setAt(to), from, to },
    effect: { fit, leastLeft, limitShare, ...(lastEffort === undefined ? {} : { lastEffort }) },
    over,
    stretches,
    size: Math.abs(to / from - 1),
  };
}

/** Every lever of every item, as it stands in the session. */
const leversOf = (trial: Trial, session: SessionTree): { lever: Lever; path: ItemPath }[] =>
  itemPaths(trial.legs).flatMap((path) => {
    const item = itemAt(session, path);
    if (!item) return [];
    const all = [recoveryLever(trial, path), countLever(trial, path, item), paceLever(trial, path, item)];
    return all.flatMap((lever) => (lever ? [{ lever, path }] : []));
  });

/** Each lever with the least sufficient change. */
function enoughAlone(trial: Trial, session: SessionTree, butNot?: LeverChange['lever']): Found[] {
  return leversOf(trial, session).flatMap(({ lever, path }): Found[] => {
    if (lever.lever === butNot) return [];
    const step = firstEnough(lever.steps, (at) =>
      isThere(trial, judged(trial, lever.stretchesAt(lever.valueAt(at))).fit),
    );
    if (step === undefined) return [];
    const found = moved(trial, lever, path, step);
    // Past the point: from too little it may become too much in one step.
    return isTooMuch(found.effect.fit) ? [] : [found];
  });
}

/** For each lever the item with the least change, in the order of the levers. */
const leastOfEach = (found: readonly Found[]): Found[] =>
  LEVERS_OF_THE_DAY.flatMap((lever) => {
    const [least] = found.filter(({ change }) => change.lever === lever).sort((a, b) => a.size - b.size);
    return least ? [least] : [];
  });

/** The first half of a pair: recoveries twice as long, paces 3 % slower, two thirds of the reps. More of one thing would be another session. */
const HALF = { recovery: 2, pace: 0.97, count: 2 / 3, 'reps-in-set': 2 / 3 };

/** With this many single changes to choose from, no pairs are offered. */
const ENOUGH_WAYS = 3;

/** Of each lever that is not enough alone, half of the way on the item where that helps most. */
function halfWays(trial: Trial, session: SessionTree, alone: readonly Found[]): Found[] {
  const best = new Map<LeverChange['lever'], { found: Found; over: number }>();
  for (const { lever, path } of leversOf(trial, session)) {
    if (alone.some(({ change }) => change.lever === lever.lever)) continue;
    const half = lever.from * HALF[lever.lever];
    const isHalf = (step: number) => (half > lever.from ? lever.valueAt(step) >= half : lever.valueAt(step) <= half);
    const step = firstEnough(lever.steps, isHalf) ?? lever.steps;
    if (step < 1) continue;
    const found = moved(trial, lever, path, step);
    const left = found.over + found.effect.limitShare - found.effect.leastLeft;
    if (left < (best.get(lever.lever)?.over ?? Infinity)) best.set(lever.lever, { found, over: left });
  }
  return LEVERS_OF_THE_DAY.flatMap((lever) => best.get(lever)?.found ?? []);
}

/** For levers that are not enough alone: half of the way, what is then left over, and the next lever that is enough with it. */
function enoughTogether(trial: Trial, session: SessionTree, alone: readonly Found[]): OutlookProposal[] {
  return halfWays(trial, session, alone).flatMap((first): OutlookProposal[] => {
    const { lever } = first.change;
    // Worth its while only where less of the next is needed than of that alone.
    const isLess = ({ change, size }: Found) =>
      alone.every((other) => other.change.lever !== change.lever || other.size > size * (1 + 1e-9));
    const [next] = leastOfEach(enoughAlone({ ...trial, stretches: first.stretches }, session, lever))
      .filter(isLess)
      .sort((a, b) => a.size - b.size);
    return next ? [{ ...first.change, effect: first.effect, next: { ...next.change, effect: next.effect } }] : [];
  });
}

/**
 * The changes that make a session fit one athlete: for each lever the least change that is enough, found by halving (recoveries to
 * 5 s, jogs to 50 m, paces to half a percent). Where a lever works on several items, the one with the least change. Where recovery or
 * pace is not enough alone, with a second one. Empty where it fits already, or nothing can be told.
 */
export function outlookProposals(
  gauge: Gauge,
  session: SessionTree,
  legs: readonly TargetLeg[],
  arc: MeantArc,
): OutlookProposal[] {
  const stretches = stretchesOf(gauge, legs);
  const { fit } = judgePoints(predict(gauge, stretches), arc);
  if (fit === 'fine' || fit === 'unknown') return [];
  const trial: Trial = { stretches, legs, gauge, arc, way: fit === 'light' ? 'harder' : 'easier' };
  const alone = leastOfEach(enoughAlone(trial, session));
  return [
    ...alone.map(({ change, effect }): OutlookProposal => ({ ...change, effect })),
    ...(trial.way === 'easier' && alone.length < ENOUGH_WAYS ? enoughTogether(trial, session, alone) : []),
  ];
}

/** One setting that does for several athletes what each of theirs does for them: the longest rest, the fewest reps, the slowest pace. */
export function sharedSetting<C extends LeverChange>(changes: readonly C[]): C | undefined {
  const [first] = changes;
  if (!first) return undefined;
  const isUp = first.to > first.from;
  return changes.reduce((most, change) => ((isUp ? change.to > most.to : change.to < most.to) ? change : most));
}
