import type { ItemPath } from './edit';
import { formatPace, formatRepPace } from './formatSession';
import { lengthOfAmount, recoveryLength, shareOfRep, timesOf } from './lengths';
import type { Count, Item, Manner, Pace, Recovery, Rep, Role, SessionTree } from './session';

type LegBase = {
  role: Role;
  /** The item it is of. */
  path: ItemPath;
  /** How often each set on the way there, and at last the item itself, has been run before: one number less than the path has. */
  turns: readonly number[];
  distanceM?: number;
  durationS?: number;
  /** The pace as written: `5k`, `5k>goal 5k`. */
  pace?: string;
};

/** One rep, as run. */
export type RepLeg = LegBase & {
  kind: 'rep';
  /** Where between `from` and `to` this rep is run, evenly in speed: 0 on the first rep of the item, 1 on the last. */
  paceMix?: { from: Pace; to: Pace; share: number };
  /** The other end of a band: anywhere between it and `paceMix.from` is on target. */
  band?: Pace;
  note?: string;
  /** Mobility and running drills: no distance, no time. */
  drills?: true;
  /** Unstructured running inside the leg. */
  free?: true;
  /** Uphill. */
  hill?: true;
  /** Repeated until it is ended at the track. */
  open?: true;
};

/** The rest after a rep. A share of the rep's time is settled per athlete, once the rep has a target. */
export type RecoveryLeg = LegBase & {
  kind: 'recovery';
  /** The shorter end of a range; `durationS` is the longer. */
  minDurationS?: number;
  shareOfRep?: number;
  /** It lasts until a tap says that the athlete is ready. */
  untilReady?: true;
  /** Ready is with the pulse back in this band, in beats a minute. */
  pulse?: { from: number; to: number };
  manner?: Manner;
  recoveryPace?: Pace;
};

/** One stretch of the session in running order. Exactly one of distanceM and durationS is set, unless it is drills or a share. */
export type Leg = RepLeg | RecoveryLeg;

/** Which end of ranges to lay out: of counts (`6-8x`) and of amounts (`5-6min`). */
export type ExpandOptions = {
  counts?: 'min' | 'max';
  amounts?: 'min' | 'max';
  /** How a rest by the clock is spent where the session does not say so. */
  manner?: Manner | undefined;
  /** The band, in beats a minute, that ends a rest until ready; until a tap alone, if left out. */
  pulse?: { from: number; to: number } | undefined;
};

type Place = Pick<LegBase, 'path' | 'turns'>;

function repLegs(
  rep: Rep,
  count: Count,
  role: Role,
  n: number,
  { path, turns }: Place,
  end: 'min' | 'max' = 'max',
): RepLeg[] {
  const amounts = Array.from({ length: n }, () => rep.amounts).flat();
  return amounts.map((amount, i) => {
    const turn = Math.floor(i / rep.amounts.length);
    const leg: RepLeg = { kind: 'rep', role, path, turns: [...turns, turn], ...lengthOfAmount(amount, end) };
    if (rep.pace) {
      const { from, to } = rep.pace;
      leg.pace = formatRepPace(rep.pace);
      leg.paceMix = { from, to: to ?? from, share: to && amounts.length > 1 ? i / (amounts.length - 1) : 0 };
    }
    if (rep.note !== undefined) leg.note = rep.note;
    if (rep.pace?.band) leg.band = rep.pace.band;
    if (rep.free) leg.free = true;
    if (rep.hill) leg.hill = true;
    if (count.kind === 'open') leg.open = true;
    return leg;
  });
}

/** The recovery after one rep, or after a set that ended with it. */
function recoveryLeg(recovery: Recovery, after: RepLeg | undefined, role: Role, place: Place): RecoveryLeg {
  const leg: RecoveryLeg = { kind: 'recovery', role, ...place };
  const { amount, manner, pace } = recovery;
  if (manner) leg.manner = manner;
  if (pace) {
    leg.pace = formatPace(pace);
    leg.recoveryPace = pace;
  }
  if (amount.kind === 'ready') leg.untilReady = true;
  if (amount.kind === 'time' && amount.minS !== amount.maxS) leg.minDurationS = amount.minS;
  const length = recoveryLength(recovery, after);
  const share = shareOfRep(recovery);
  const isSettled = length.distanceM !== undefined || length.durationS !== undefined;
  return { ...leg, ...length, ...(share === undefined || isSettled ? {} : { shareOfRep: share }) };
}

/** Puts a recovery after the legs, in place of one that already follows the last rep there. */
function withRecovery(legs: Leg[], recovery: Recovery | undefined, role: Role, place: Place): Leg[] {
  if (!recovery) return legs;
  const kept = legs.at(-1)?.kind === 'recovery' ? legs.slice(0, -1) : legs;
  const last = kept.at(-1);
  return [...kept, recoveryLeg(recovery, last?.kind === 'rep' ? last : undefined, role, place)];
}

function itemLegs(item: Item, role: Role, choice: ExpandOptions, { path, turns }: Place): Leg[] {
  const n = timesOf(item.count, choice.counts ?? 'max');
  const { body, recovery } = item;
  if (body.kind === 'rep')
    return repLegs(body, item.count, role, n, { path, turns }, choice.amounts).flatMap((leg) =>
      withRecovery([leg], recovery, role, { path, turns: leg.turns }),
    );
  const once = (turn: number): Leg[] => {
    const here = { path, turns: [...turns, turn] };
    const legs: Leg[] =
      body.kind === 'set'
        ? body.items.flatMap((inner, i) => itemLegs(inner, role, choice, { path: [...path, i], turns: here.turns }))
        : [{ kind: 'rep', role, ...here, drills: true, ...(body.note === undefined ? {} : { note: body.note }) }];
    return withRecovery(legs, recovery, role, here);
  };
  return Array.from({ length: n }, (_, turn) => once(turn)).flat();
}

/** A rest of so many seconds, or until ready, that does not say how it is spent; of a distance it is settled by that. */
const isUnsaid = (leg: Leg): boolean =>
  leg.kind === 'recovery' && leg.manner === undefined && leg.distanceM === undefined && leg.shareOfRep === undefined;

/**
 * Lays a session out flat, in running order. A recovery follows each repetition of its item; where an inner and an outer
 * one would follow the same rep the outer is taken; after the last rep of the session there is none.
 * @param choice which end of ranges to use, of counts (`6-8x`) and of amounts (`5-6min`); the larger if left out.
 */
export function expand(session: SessionTree, choice: ExpandOptions = {}): Leg[] {
  const { manner, pulse } = choice;
  const legs = session.lines
    .flatMap((line, at) =>
      line.items.flatMap((item, i) => itemLegs(item, line.role, choice, { path: [at, i], turns: [] })),
    )
    .map((leg) => (manner && isUnsaid(leg) ? { ...leg, manner } : leg))
    .map((leg) => (pulse && leg.kind === 'recovery' && leg.untilReady ? { ...leg, pulse } : leg));
  return legs.at(-1)?.kind === 'recovery' ? legs.slice(0, -1) : legs;
}
