/** Where a session differed from its plan: reps not run, added, cut or run with another group, and decisions on the way. */
import type { DecidedEvent, TrackDecision } from '../run/events';
import type { RunState } from '../run/runState';
import type { Review, ReviewRow } from './review';

type Whose = { athleteId: string; name: string };

/** Reps by their number in the session, from 1. */
export type Difference =
  | (Whose & { kind: 'not-run' | 'unfinished' | 'added' | 'excluded'; reps: number[] })
  | (Whose & { kind: 'cut'; reps: number[]; fromM: number; toM: number })
  | (Whose & { kind: 'moved'; from: string; to: string });

/** Something that was decided on the way, or refused; `rule` is the proposal it answers. */
export type DecisionTaken = {
  eventId: string;
  decision: TrackDecision;
  athleteIds: string[];
  names: string[];
  isForAll: boolean;
  isRefused: boolean;
  rule?: string;
  /** After so many reps. */
  afterReps: number;
  atMs: number;
};

const KINDS = ['not-run', 'unfinished', 'added', 'excluded'] as const;

function ofRow(row: ReviewRow, groupName: string): Difference[] {
  const { athleteId, name, cells, movedFrom } = row;
  const whose = { athleteId, name };
  const found: Difference[] =
    movedFrom === undefined ? [] : [{ ...whose, kind: 'moved', from: movedFrom, to: groupName }];
  const isKind = {
    'not-run': (at: number) => !cells[at]?.rep && !cells[at]?.leftOut,
    unfinished: (at: number) => cells[at]?.unfinished === true,
    added: (at: number) => cells[at]?.isAdded === true,
    excluded: (at: number) => cells[at]?.excluded !== undefined,
  };
  const places = cells.map((_, at) => at);
  for (const kind of KINDS) {
    const reps = places.filter(isKind[kind]).map((at) => at + 1);
    if (reps.length > 0) found.push({ ...whose, kind, reps });
  }
  const cuts = new Map<string, { reps: number[]; fromM: number; toM: number }>();
  cells.forEach(({ cutFromM, rep }, at) => {
    if (cutFromM === undefined || rep?.distanceM === undefined) return;
    const key = `${cutFromM} ${rep.distanceM}`;
    const cut = cuts.get(key) ?? { reps: [], fromM: cutFromM, toM: rep.distanceM };
    cut.reps.push(at + 1);
    cuts.set(key, cut);
  });
  return [...found, ...[...cuts.values()].map((cut): Difference => ({ ...whose, kind: 'cut', ...cut }))];
}

/** Everyone's differences in a review, athlete by athlete. Reps not yet reached in a running session are none. */
export const differencesOf = (review: Review, isOver: boolean): Difference[] =>
  review.rows.flatMap((row) => ofRow(row, review.name)).filter(({ kind }) => isOver || kind !== 'not-run');

/** Decisions that still count, in order of time. @param athleteId only those for them. */
export function decisionsOf(state: RunState, athleteId?: string): DecisionTaken[] {
  const everyone = Object.keys(state.athletes).length;
  return state.log.flatMap(({ event, atMs, counts }): DecisionTaken[] => {
    if (event.type !== 'decided' || !counts) return [];
    if (athleteId !== undefined && !event.athleteIds.includes(athleteId)) return [];
    return [taken(state, event, atMs, everyone)];
  });
}

function taken(state: RunState, event: DecidedEvent, atMs: number, everyone: number): DecisionTaken {
  const { id, decision, athleteIds, rule, refused } = event;
  const athletes = athleteIds.flatMap((id) => state.athletes[id] ?? []);
  const begun = athletes.map(({ runs }) => runs.filter(({ startedAtMs }) => startedAtMs <= atMs).length);
  return {
    eventId: id,
    decision,
    athleteIds,
    names: athletes.map(({ name }) => name),
    isForAll: athleteIds.length > 1 && athleteIds.length === everyone,
    isRefused: refused === true,
    ...(rule === undefined ? {} : { rule }),
    afterReps: Math.max(0, ...begun),
    atMs,
  };
}
