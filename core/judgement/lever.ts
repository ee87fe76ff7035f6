/** The change for next time, from the efforts of a session run as asked: one lever, and a small step. */
import type { Curve } from '../fitness/curve';
import type { Telling } from '../outlook/calibration';
import type { ReviewCell } from '../review/cell';
import { nextTime, type EffortReading, type EffortVerdict } from '../review/effortReading';
import type { Intent, MeantArc } from '../session/intent';
import { smallJog, smallRest } from '../library/smallStep';
import type { LeverChange } from '../outlook/proposals';
import { isUnsound, wasAsAsked, type AthleteFacts, type SessionFacts } from './facts';

/** A rest that would change by a smaller share is left as it is. */
const WORTH = 0.08;
/** The largest step the app makes up: rests by a quarter, one rep, pace by these shares (quicker, easier). */
const MOST = { reps: 1, quicker: 0.015, easier: 0.03 };
/** The change made small; undefined if nothing of it is left. */
export function small(change: LeverChange, intent: Intent | undefined): LeverChange | undefined {
  const { lever, from, to, set } = change;
  if (lever === 'recovery' && set.kind === 'jog') {
    const distanceM = smallJog(from, to);
    return distanceM === from ? undefined : { ...change, to: distanceM, set: { ...set, distanceM } };
  }
  if (lever === 'recovery' && set.kind === 'recovery') {
    const durationS = smallRest(from, to, intent);
    return Math.abs(durationS - from) < from * WORTH
      ? undefined
      : { ...change, to: durationS, set: { ...set, durationS } };
  }
  if (lever === 'pace' && set.kind === 'pace') {
    const share = Math.min(from + MOST.quicker, Math.max(from - MOST.easier, to));
    return { ...change, to: share, set: { ...set, share } };
  }
  if (set.kind !== 'count') return change;
  const n = Math.min(from + MOST.reps, Math.max(from - MOST.reps, to));
  return { ...change, to: n, set: { ...set, n } };
}

/** They were as asked, well, and on a day like others: how it felt may be laid on rests and pace. */
export const mayBlameLever = (facts: AthleteFacts, { hot }: Pick<SessionFacts, 'hot'>): boolean =>
  wasAsAsked(facts) && !isUnsound(facts) && !hot && !facts.shown && !facts.care.some(({ grade }) => grade === 'hold');

/** Input for working out a lever, as plain data for a worker. */
export type LeverAsked = {
  cells: ReviewCell[];
  reading: EffortReading;
  arc: MeantArc;
  curve: Curve;
  telling?: Telling;
  intent?: Intent;
};

/** The question for one athlete; undefined if rests and pace have no part in it. */
export function leverAsked(facts: AthleteFacts, session: SessionFacts): LeverAsked | undefined {
  const { row, effort, curve, telling } = facts;
  const { arc, intent, isOpenEnded } = session;
  if (!row || !curve || !arc || !effort.verdict || isOpenEnded || !mayBlameLever(facts, session)) return undefined;
  return {
    cells: row.cells,
    reading: effort,
    arc,
    curve,
    ...(telling ? { telling } : {}),
    ...(intent ? { intent } : {}),
  };
}

/** The first change that one athlete's efforts ask for, which does most for its size. */
export function leverFor({ cells, reading, arc, curve, telling, intent }: LeverAsked): LeverChange | undefined {
  const [first] = nextTime(cells, reading, arc, curve, telling);
  return first && small(first, intent);
}

const VERDICTS: Readonly<Record<'easy' | 'hard', readonly EffortVerdict[]>> = {
  easy: ['easy'],
  hard: ['hard', 'early'],
};

/** The change for the median athlete, if more than half found it too easy or too hard. */
export function squadLever(facts: SessionFacts): LeverChange | undefined {
  const told = facts.athletes.filter(
    (athlete) => athlete.effort.verdict && !athlete.effort.isPredicted && mayBlameLever(athlete, facts),
  );
  const of = (way: 'easy' | 'hard') =>
    told.filter(({ effort }) => effort.verdict && VERDICTS[way].includes(effort.verdict));
  const most = [of('easy'), of('hard')].find((list) => list.length > told.length / 2);
  return middleOf(
    most?.flatMap((athlete) => {
      const asked = leverAsked(athlete, facts);
      return (asked && leverFor(asked)) ?? [];
    }) ?? [],
  );
}

/** Of the lever that is named most often the change in the middle. */
function middleOf(changes: readonly LeverChange[]): LeverChange | undefined {
  const count = (lever: LeverChange['lever']) => changes.filter((change) => change.lever === lever).length;
  const [lever] = [...changes].sort((a, b) => count(b.lever) - count(a.lever)).map((change) => change.lever);
  const same = changes.filter((change) => change.lever === lever).sort((a, b) => a.to - b.to);
  return same[Math.floor(same.length / 2)];
}
