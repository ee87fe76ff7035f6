/**
 * The facts of a session, gathered once: care, was it run as asked, conditions, effort, level. Findings, verdicts and the next step are
 * read from them in that order, and the first that explains the times is given.
 */
import { curveMovedBy, timeFor, type Curve } from '../fitness/curve';
import { asMostTell, type Telling } from '../outlook/calibration';
import { asRun, type SessionAsRun } from '../review/asRun';
import type { ReviewCell } from '../review/cell';
import { meantOfLast, readEffort, type EffortReading } from '../review/effortReading';
import { effortAdded, feltOn, hotDay, type HotDay } from '../review/heatCost';
import type { Review, ReviewRow } from '../review/review';
import { plainFrom, shownLevel } from '../review/shownLevel';
import type { Flag, NextDay, StopReason } from '../run/events';
import type { Plan } from '../run/plan';
import type { AthleteState, RunState } from '../run/runState';
import { isAllOut, type Intent, type MeantArc } from '../session/intent';
import type { HeatLimits } from '../squad/heat';
import { NOTHING_LEFT, type CareEntry } from './care';
import { optionalIn, readCount, type CountReading } from './countAsked';
import { oddRepOf, UNKNOWN_SPREAD, type OddRep, type UsualSpread } from './oddRep';
import { readPace, type PaceReading } from './paceAsked';

/** Facts known of an athlete on that day. */
export type KnownBefore = {
  curve?: Curve;
  telling?: Telling;
  /** Everything to know about them, this session included. */
  care?: readonly CareEntry[];
  usual?: UsualSpread;
  /** Effort above the meant one at the end of the session before. */
  aboveBefore?: number;
};

/** A stop: in or after which rep (from 1) of how many, and the reason if one was given. */
export type Stop = { rep: number; of: number; isMid: boolean; reason?: StopReason };

/** Reported against meant effort at the end; `above` is the difference, corrected for heat and for how they usually report. */
export type EndEffort = { told: number; meant: number; above: number; isWhole?: true };

/** A level that the marks call impossible: the least it may be, as ln(speed) above the curve, and in seconds over 5000 m. */
export type ShownFacts = { shift: number; atLeastS: number; curve: Curve };

export type AthleteFacts = {
  athleteId: string;
  name: string;
  /** The group they ended with. */
  groupId: string;
  /** The part with most reps, if they ran with two groups; missing for the absent. */
  row?: ReviewRow;
  ran: SessionAsRun;
  flags: { flag: Flag; rep: number }[];
  stop?: Stop;
  care: readonly CareEntry[];
  legs?: NextDay;
  pace?: PaceReading;
  odd?: OddRep;
  count: CountReading;
  /** Targets were made slower for them, rests longer, reps shorter or fewer, on the way or before it. */
  isEased: boolean;
  effort: EffortReading;
  end?: EndEffort;
  aboveBefore?: number;
  shown?: ShownFacts;
  curve?: Curve;
  telling?: Telling;
};

export type SessionFacts = {
  plan: Plan;
  intent?: Intent;
  arc?: MeantArc;
  athletes: AthleteFacts[];
  hot?: HotDay;
  felt?: number;
  /** Work that goes on until it is ended: nobody has too much of it left, and to end hard is what it is for. */
  isOpenEnded: boolean;
  isOver: boolean;
};

export type FactsSource = {
  plan: Plan;
  state: RunState;
  reviews: readonly Review[];
  heat?: HeatLimits;
  /** Undefined for who is not of the squad. */
  knownOf?: (athleteId: string) => KnownBefore | undefined;
};

/** The distance a level is given over. */
const JUDGED_M = 5000;
/** Open-ended work is meant to end this hard. */
const OPEN_ENDS_AT = 9;

/** The part with most reps of everyone who was there. */
function rowsOf(reviews: readonly Review[]): Map<string, ReviewRow> {
  const rows = new Map<string, ReviewRow>();
  for (const row of reviews.flatMap((review) => review.rows)) {
    const other = rows.get(row.athleteId);
    if (!other || row.finished > other.finished) rows.set(row.athleteId, row);
  }
  return rows;
}

function stopOf({ stoppedAtMs, stopReason }: AthleteState, cells: readonly ReviewCell[]): Stop | undefined {
  if (stoppedAtMs === undefined) return undefined;
  const begun = cells.filter(({ rep }) => rep !== undefined);
  return {
    rep: begun.length,
    of: cells.filter(({ leftOut, rep }) => !leftOut || rep).length,
    isMid: begun.at(-1)?.unfinished === true,
    ...(stopReason === undefined ? {} : { reason: stopReason }),
  };
}

/** True if decisions for them made it less than was written. */
function wasEased({ decided, careChoice, planned }: AthleteState): boolean {
  return (
    careChoice === 'part' ||
    planned.targets.some(({ isLeftOut }) => isLeftOut && careChoice !== undefined) ||
    decided.some(
      ({ decision }) =>
        decision.kind === 'distance' ||
        decision.kind === 'drop' ||
        (decision.kind === 'ease' && decision.percent > 0) ||
        (decision.kind === 'recovery' && decision.addS > 0),
    )
  );
}

/** Effort reported at the end: of the last rep, or else of the whole session against the mean of the meant middle and end. */
function endOf(
  { cells, sessionEffort }: ReviewRow,
  arc: MeantArc | undefined,
  { felt, telling, isOpenEnded }: { felt: number | undefined; telling: Telling | undefined; isOpenEnded: boolean },
): EndEffort | undefined {
  if (!arc) return undefined;
  const told = cells.findLast(({ effort, excluded }) => effort !== undefined && !excluded)?.effort;
  const meantLast = meantOfLast(arc, cells);
  const heat = effortAdded(felt);
  // A ten means nothing left, however they usually report.
  const plain = (effort: number) => (effort >= NOTHING_LEFT ? effort : asMostTell(effort, telling));
  if (told !== undefined && meantLast !== undefined) {
    const meant = isOpenEnded ? Math.max(OPEN_ENDS_AT, meantLast) : meantLast;
    return { told, meant, above: plain(told) - heat - meant };
  }
  if (sessionEffort === undefined) return undefined;
  const meant = isOpenEnded ? OPEN_ENDS_AT : (arc.middle + arc.last) / 2;
  return { told: sessionEffort, meant, above: plain(sessionEffort) - heat - meant, isWhole: true };
}

function shownOf(curve: Curve, { legs, cells }: SessionAsRun, end: EndEffort | undefined): ShownFacts | undefined {
  if (cells.some(({ rep }) => rep?.pace === 'max')) return undefined;
  const shift = shownLevel(curve, legs, (end?.told ?? 0) >= NOTHING_LEFT, plainFrom(curve));
  if (shift === undefined) return undefined;
  const moved = curveMovedBy(curve, [shift]);
  return { shift, atLeastS: timeFor(moved, JUDGED_M), curve: moved };
}

type Gathered = Pick<SessionFacts, 'plan' | 'intent' | 'arc' | 'felt' | 'isOpenEnded'> & { people: number };

function athleteFacts(
  athlete: AthleteState,
  row: ReviewRow | undefined,
  state: RunState,
  { plan, intent, arc, felt, isOpenEnded, people }: Gathered,
  { curve, telling, care = [], usual, aboveBefore }: KnownBefore,
): AthleteFacts {
  const { athleteId, name, groupId, nextDay } = athlete;
  const cells = row?.cells ?? [];
  const ran = asRun(cells);
  const stop = stopOf(athlete, cells);
  const pace = readPace(cells, felt);
  const group = state.groups.find(({ id }) => id === row?.groupId);
  const isOptional = group ? optionalIn(plan, group.plan.reps) : () => false;
  const end = row && endOf(row, arc, { felt, telling, isOpenEnded });
  const told = cells.some(({ effort }) => effort !== undefined);
  const shown = curve && ran.cells.length > 0 && !isAllOut(intent) ? shownOf(curve, ran, end) : undefined;
  const levelled = shown?.curve ?? curve;
  const odd = pace && oddRepOf(pace, usual ?? UNKNOWN_SPREAD, people);
  return {
    athleteId,
    name,
    groupId,
    ran,
    flags: cells.flatMap(({ flags }, at) => flags.map((flag) => ({ flag, rep: at + 1 }))),
    care,
    count: readCount(cells, (place) => isOptional(group?.slots[place]?.planIndex ?? -1)),
    isEased: wasEased(athlete),
    effort: told ? readEffort(cells, arc, levelled, telling) : { points: [] },
    ...(row && ran.cells.length > 0 ? { row } : {}),
    ...(stop ? { stop } : {}),
    ...(nextDay ? { legs: nextDay } : {}),
    ...(pace ? { pace } : {}),
    ...(odd ? { odd } : {}),
    ...(end ? { end } : {}),
    ...(aboveBefore === undefined ? {} : { aboveBefore }),
    ...(shown ? { shown } : {}),
    ...(levelled ? { curve: levelled } : {}),
    ...(telling ? { telling } : {}),
  };
}

/** Gathers the facts of a session that was run, athlete by athlete in the order of the plan's groups. */
export function factsOf({ plan, state, reviews, heat, knownOf }: FactsSource): SessionFacts {
  const rows = rowsOf(reviews);
  const felt = feltOn(state.conditions);
  const hot = hotDay(state.conditions, heat);
  const { intent, arc } = plan;
  const isOpenEnded = plan.groups.some(({ reps }) => reps.some(({ open }) => open));
  const shared = {
    plan,
    ...(intent ? { intent } : {}),
    ...(arc ? { arc } : {}),
    ...(felt === undefined ? {} : { felt }),
    isOpenEnded,
  };
  const places = new Map(state.groups.map(({ id }, place) => [id, place]));
  const athletes = Object.values(state.athletes)
    .map((athlete) =>
      athleteFacts(
        athlete,
        rows.get(athlete.athleteId),
        state,
        { ...shared, people: rows.size },
        knownOf?.(athlete.athleteId) ?? {},
      ),
    )
    .sort((a, b) => (places.get(a.groupId) ?? 0) - (places.get(b.groupId) ?? 0));
  return { ...shared, athletes, ...(hot ? { hot } : {}), isOver: state.endedAtMs !== undefined };
}

/** Reasons for care that this session raised, and that explain its times. */
export const isUnsound = ({ flags, stop }: AthleteFacts): boolean =>
  stop !== undefined || flags.some(({ flag }) => flag !== 'stitch');

/** It was run as asked: neither early nor late, and not cut short. */
export const wasAsAsked = ({ pace, count, isEased }: AthleteFacts): boolean =>
  (pace === undefined || pace.verdict === 'on') && count.missing === 0 && !isEased;
