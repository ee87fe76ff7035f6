import { fitCurve } from '../fitness/curve';
import { speedOfEntry, type PaceBook } from '../paces/paceBook';
import { PACE_NAMES } from '../session/paceNames';
import { paceSpeed } from '../paces/paceSpeed';
import { curveBook } from '../paces/shippedPaceBooks';
import { MILE_M } from '../units/distance';
import { expand, type RecoveryLeg, type RepLeg } from '../session/expand';
import type { Intent } from '../session/intent';
import { parseStored } from '../session/parseSession';
import { isFlatOut } from '../session/flatOut';
import type { Item, Pace, SessionTree } from '../session/session';

/** What kind of work a pace is. */
export type Zone = 'easy' | 'threshold' | 'critical-speed' | 'aerobic-power' | 'race-pace' | 'speed';

const ZONE_OF: Record<(typeof PACE_NAMES)[number], Zone> = {
  easy: 'easy',
  steady: 'easy',
  marathon: 'easy',
  half: 'threshold',
  tempo: 'threshold',
  threshold: 'threshold',
  cv: 'critical-speed',
  '10k': 'critical-speed',
  '8k': 'critical-speed',
  'aerobic-max': 'aerobic-power',
  '5k': 'aerobic-power',
  '3k': 'aerobic-power',
  '2mi': 'aerobic-power',
  mile: 'race-pace',
  '1500': 'race-pace',
  '800': 'race-pace',
  '400': 'speed',
  strides: 'speed',
  max: 'speed',
};

/** Any runner's curve will do to compare two paces. */
const REFERENCE = fitCurve([{ distanceM: 5000, timeS: 1110, date: '2000-01-01', kind: 'race' }], {
  asOf: '2000-01-01',
});
const knownSpeeds = () =>
  PACE_NAMES.flatMap((name) => {
    const speedMps = speedOfEntry(curveBook, name, REFERENCE);
    return speedMps === undefined ? [] : [{ name, speedMps }];
  });

const isKnown = (name: string): name is keyof typeof ZONE_OF => name in ZONE_OF;

/**
 * The kind of work a pace is: by its name; for a share, an offset or the coach's own pace, by the nearest named pace; for an effort, by
 * how hard it is. A time over a distance says nothing without an athlete.
 */
export function zoneOf(pace: Pace, paceBook: PaceBook = curveBook): Zone | undefined {
  if (pace.kind === 'effort') {
    const effort = (pace.min + pace.max) / 2;
    return effort <= 4 ? 'easy' : effort <= 6.5 ? 'threshold' : effort <= 8.5 ? 'aerobic-power' : 'race-pace';
  }
  if (pace.kind === 'absolute') return undefined;
  if (pace.kind === 'named' && !pace.offset && isKnown(pace.name)) return ZONE_OF[pace.name];
  const speedMps = paceSpeed(pace, { curve: REFERENCE, paceBook });
  if (speedMps === undefined) return undefined;
  const off = (pace: { speedMps: number }) => Math.abs(pace.speedMps - speedMps);
  const nearest = knownSpeeds().reduce((best, pace) => (off(pace) < off(best) ? pace : best));
  return ZONE_OF[nearest.name];
}

type Work = {
  leg: RepLeg;
  zone: Zone | undefined;
  distanceM: number;
  /** About how long it takes, and the rest after it; reps that run on have no rest. */
  timeS: number;
  restS?: number;
  isRestMoving?: boolean;
  runsOn: boolean;
};

/** Ways to recover that keep moving. */
const MOVING: ReadonlySet<string> = new Set(['jog', 'float', 'moving']);
/** A recovery over a distance, jogged or walked: m/s. */
const RECOVERY_MPS = { jog: 2.5, walk: 1.5 };

/** About how long a recovery takes (s). */
function restOf({ durationS, distanceM, manner }: RecoveryLeg): number {
  if (durationS !== undefined) return durationS;
  return (distanceM ?? 0) / (MOVING.has(manner ?? '') ? RECOVERY_MPS.jog : RECOVERY_MPS.walk);
}

/** The reps that make up the session's purpose, with about how long each takes. */
function workOf(session: SessionTree, paceBook: PaceBook): Work[] {
  const legs = expand(session);
  return legs.flatMap((leg, i): Work[] => {
    if (leg.kind !== 'rep' || leg.drills || (leg.role !== 'main' && leg.role !== 'finish')) return [];
    const zone = leg.paceMix && zoneOf(leg.paceMix.to, paceBook);
    const speedMps = (leg.paceMix && paceSpeed(leg.paceMix.to, { curve: REFERENCE, paceBook })) ?? 4;
    const distanceM = leg.distanceM ?? (leg.durationS ?? 0) * speedMps;
    const next = legs[i + 1];
    const rest = next?.kind === 'recovery' ? next : undefined;
    return [
      {
        leg,
        zone,
        distanceM,
        timeS: leg.durationS ?? distanceM / speedMps,
        ...(rest ? { restS: restOf(rest), isRestMoving: MOVING.has(rest.manner ?? '') } : {}),
        runsOn: next?.kind === 'rep',
      },
    ];
  });
}

const metres = (work: readonly Work[]) => work.reduce((sum, { distanceM }) => sum + distanceM, 0);
const share = (part: readonly Work[], all: readonly Work[]) => metres(part) / Math.max(1, metres(all));

/** Flat out for less of it than this, it is a fast end of something else. */
const FLAT_OUT_SHARE = 0.3;
/** The share of the work that decides what the session is. */
const MOST = 0.6;
/** Easy running of at least this length is a long run. */
const LONG = { distanceM: 9000, durationS: 3000 };
/** Reps at critical speed up to this length count as short. */
const SHORT_REP_M = 600;

/** Two paces alternating without a break. */
function isAlternation(items: readonly Item[]): boolean {
  return items.some(({ count, body }) => {
    if (body.kind !== 'set') return false;
    const runsOn = body.items.length > 1 && body.items.slice(0, -1).every(({ recovery }) => !recovery);
    const paces = new Set(body.items.map((item) => (item.body.kind === 'rep' ? JSON.stringify(item.body.pace) : '')));
    const isRepeated = count.kind !== 'fixed' || count.n > 1;
    return (isRepeated && runsOn && paces.size > 1) || isAlternation(body.items);
  });
}

/** On and off by the clock: many short turns, each with about as long off, and moving. */
const ON_OFF = { turns: 8, longestS: 90, from: 0.75, to: 1.34 };

function isOnAndOff(work: readonly Work[]): boolean {
  const isShort = ({ leg }: Work) => leg.durationS !== undefined && leg.durationS <= ON_OFF.longestS;
  if (work.length < ON_OFF.turns || !work.every(isShort)) return false;
  const isEven = (onS: number, offS: number) => offS >= ON_OFF.from * onS && offS <= ON_OFF.to * onS;
  // Written as rests, or as an easy turn that is run on to.
  if (work.every(({ runsOn }, i) => runsOn || i === work.length - 1))
    return (
      work.every(({ zone }, i) => (i % 2 === 1) === (zone === 'easy')) &&
      isEven(work[0]?.timeS ?? 0, work[1]?.timeS ?? 0)
    );
  return work.slice(0, -1).every(({ timeS, restS = 0, isRestMoving }) => isRestMoving && isEven(timeS, restS));
}

/** A first session back: little of it, short, not fast, and with long rests. */
const FIRST_BACK = { reps: 3, longestM: 300, mostM: 1600, rest: 1.5 };

function isFirstBack(work: readonly Work[]): boolean {
  const isLight = ({ distanceM, zone }: Work) =>
    distanceM <= FIRST_BACK.longestM && zone !== undefined && zone !== 'race-pace' && zone !== 'speed';
  return (
    work.length >= FIRST_BACK.reps &&
    metres(work) <= FIRST_BACK.mostM &&
    work.every((rep) => isLight(rep) && !rep.leg.hill) &&
    work.slice(0, -1).every(({ timeS, restS = 0 }) => restS >= FIRST_BACK.rest * timeS)
  );
}

/** Long reps at marathon pace, broken by rests: the peak of a marathon's work, and no easy long run. */
const MARATHON_REPS = { reps: 2, leastM: 3000 };

const isMarathonReps = (work: readonly Work[]): boolean =>
  work.filter(
    ({ leg, distanceM }) =>
      leg.paceMix?.to.kind === 'named' && leg.paceMix.to.name === 'marathon' && distanceM >= MARATHON_REPS.leastM,
  ).length >= MARATHON_REPS.reps;

const speedIn = (work: Work, paceBook: PaceBook) =>
  work.leg.paceMix ? (paceSpeed(work.leg.paceMix.from, { curve: REFERENCE, paceBook }) ?? 0) : 0;

/** Long stretches without a break, each faster than the one before, or one that gets faster. */
function isProgression(work: readonly Work[], paceBook: PaceBook): boolean {
  const [first] = work;
  if (!first || work.slice(0, -1).some(({ runsOn }) => !runsOn)) return false;
  if (work.length === 1)
    return (
      first.leg.paceMix !== undefined && first.leg.paceMix.from !== first.leg.paceMix.to && first.distanceM >= 2000
    );
  return work.every((piece, i) => i === 0 || speedIn(piece, paceBook) > speedIn(work[i - 1] as Work, paceBook));
}

/** Less of the race than this at its goal pace is other work. */
const HALF_RACE = 0.5;

const RACE_M: Record<string, number> = {
  '10k': 10_000,
  '5k': 5000,
  '2mi': 2 * MILE_M,
  '3k': 3000,
  mile: MILE_M,
  '1500': 1500,
  '800': 800,
};

/** With rests longer than this (s) goal pace is practised in reps; the race itself is not rehearsed. */
const LONGEST_REHEARSED_REST_S = 150;
const hasLongRests = (work: readonly Work[]) =>
  work.slice(0, -1).some(({ restS = 0 }) => restS > LONGEST_REHEARSED_REST_S);

/**
 * Work at the goal pace of one race: its whole distance in parts is a rehearsal, more than that an indicator. So is work that moves from
 * today's pace to the goal's over about the race distance.
 */
function goalWork(work: readonly Work[]): Intent | undefined {
  const isOf = (pace: Pace | undefined, race: string, goal: boolean) =>
    pace?.kind === 'named' && !pace.offset && pace.name === race && pace.goal === goal;
  for (const [race, raceM] of Object.entries(RACE_M)) {
    const mixes = (isFrom: (pace: Pace | undefined) => boolean) =>
      work.filter(({ leg: { paceMix } }) => isFrom(paceMix?.from) && isOf(paceMix?.to, race, true));
    const atGoal = mixes((from) => isOf(from, race, true));
    const moving = mixes((from) => isOf(from, race, false));
    const [goalShare, movingShare] = [metres(atGoal) / raceM, metres(moving) / raceM];
    if (share(atGoal, work) >= MOST && goalShare >= HALF_RACE && hasLongRests(work)) return 'race-pace';
    if (share(atGoal, work) >= MOST && goalShare > 1.1) return 'indicator';
    if (share(atGoal, work) >= MOST && goalShare >= 0.7) return 'rehearsal';
    if (share(moving, work) >= MOST && movingShare >= 0.95) return 'indicator';
  }
  return undefined;
}

/**
 * Suggests a session's intent from its text. Thresholds are common coaching practice.
 */
export function suggestIntent(session: SessionTree, paceBook: PaceBook = curveBook): Intent {
  const work = workOf(session, paceBook);
  if (work.length === 0) return 'mixed';
  const of = (...zones: (Zone | undefined)[]) => work.filter(({ zone }) => zones.includes(zone));
  const flatOut = work.filter(({ leg }) => isFlatOut(leg));
  if (share(flatOut, work) >= FLAT_OUT_SHARE) return 'test';
  if (
    share(
      work.filter(({ leg }) => leg.hill),
      work,
    ) >= MOST
  )
    return 'hills';
  const byFeel = work.filter(
    ({ leg }) => leg.free || (leg.durationS !== undefined && (!leg.paceMix || leg.paceMix.from.kind === 'effort')),
  );
  if (share(byFeel, work) >= MOST || isOnAndOff(work)) return 'fartlek';
  if (isFirstBack(work)) return 'transition';
  const easy = of('easy', undefined);
  const easyS = easy.reduce((sum, { leg }) => sum + (leg.durationS ?? 0), 0);
  if (isMarathonReps(work)) return 'mixed';
  if (share(easy, work) >= 0.5 && (metres(easy) >= LONG.distanceM || easyS >= LONG.durationS)) return 'long-run';
  const main = session.lines.filter(({ role }) => role === 'main').flatMap(({ items }) => items);
  if (isAlternation(main)) return 'alternation';
  if (isProgression(work, paceBook)) return 'progression';
  const forGoal = goalWork(work);
  if (forGoal) return forGoal;
  const hard = work.filter(({ zone }) => zone !== 'easy');
  const most = (...zones: Zone[]) => share(of(...zones), hard) >= MOST;
  if (most('threshold')) return 'threshold';
  if (most('critical-speed')) {
    const reps = of('critical-speed');
    return metres(reps) / reps.length <= SHORT_REP_M ? 'critical-speed-short' : 'critical-speed-long';
  }
  if (most('aerobic-power')) return 'aerobic-power';
  if (most('speed')) return 'speed';
  if (most('race-pace', 'speed')) return 'race-pace';
  return 'mixed';
}

/** A session's intent by its text and a pace book; `mixed` if it cannot be read. */
export function intentOfText(
  shorthand: string,
  { paceNames, paceBook }: { paceNames: readonly string[]; paceBook: PaceBook },
): Intent {
  const parsed = parseStored(shorthand, { paceNames });
  return parsed.ok ? suggestIntent(parsed.session, paceBook) : 'mixed';
}
