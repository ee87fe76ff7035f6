/** Which thread each hard day gets, and at which step. */
import { dayNumber, weekdayOf } from '../../units/dayNumber';
import { comingBackOf, offDaysOf } from '../comingBack';
import { setKind, type Draft, type DraftDay } from './draftDay';
import type { CycleWeek, Phase, SeasonPlan, Thread, ThreadDecision } from '../season';
import { isCritical, isFartlek, isThreshold } from '../threads/threadKinds';

/** A phase without a cycle uses another phase's. */
const ALSO: Partial<Record<Phase, readonly Phase[]>> = {
  transition: ['transition', 'early'],
  early: ['early', 'middle', 'late'],
  middle: ['middle', 'early', 'late'],
  late: ['late', 'middle', 'early'],
  taper: ['taper', 'late', 'middle', 'early'],
  'race week': ['late', 'taper', 'middle', 'early'],
};

const cycleOf = ({ cycles }: SeasonPlan, phase: Phase): readonly CycleWeek[] =>
  (ALSO[phase] ?? []).map((alike) => cycles[alike]).find((cycle) => cycle && cycle.length > 0) ?? [];

/** Whether a thread would share the week with work that should not be beside it. */
function clashes({ schools }: SeasonPlan, thread: Thread, inWeek: readonly Thread[]): boolean {
  if (isFartlek(thread) && inWeek.some(isFartlek)) return true;
  if (schools.mixesThreshold) return false;
  return (isThreshold(thread) && inWeek.some(isCritical)) || (isCritical(thread) && inWeek.some(isThreshold));
}

/** Candidates for a hard day, best first. */
function choices(season: SeasonPlan, phase: Phase, slot: string | null | undefined): string[] {
  const cycle = cycleOf(season, phase);
  const inCycle = cycle.flat().filter((id) => id !== null);
  const earlier = (['early', 'middle'] as const)
    .flatMap((earlier) => season.cycles[earlier]?.flat() ?? [])
    .filter((id) => id !== null);
  const first = slot === null || slot === undefined ? [] : [slot];
  return [...new Set([...first, ...inCycle, ...(season.spareIds ?? []), ...(phase === 'transition' ? [] : earlier)])];
}

type TurnContext = { threads: Map<string, Thread>; fixedDays: Map<string, number[]>; lastDay: Map<string, number> };

function isSpaced({ fixedDays, lastDay }: TurnContext, { id, spacingDays }: Thread, day: number): boolean {
  const last = lastDay.get(id);
  if (last !== undefined && day - last < spacingDays) return false;
  return !(fixedDays.get(id) ?? []).some((other) => Math.abs(other - day) < spacingDays);
}

function threadFor(draft: Draft, context: TurnContext, day: DraftDay, place: number, inWeek: readonly Thread[]) {
  const { season } = draft;
  const cycle = cycleOf(season, day.week.phase);
  const week = cycle[day.week.place % Math.max(1, cycle.length)];
  const slot = week?.[place];
  // The cycle says that this day stays easy.
  if (slot === null) return undefined;
  return choices(season, day.week.phase, slot)
    .flatMap((id) => context.threads.get(id) ?? [])
    .find((thread) => isSpaced(context, thread, day.day) && !clashes(season, thread, inWeek));
}

/** The step of a thread's next turn: after a break it is the last one again. */
function stepAfter(
  thread: Thread,
  before: { step: number; day: number } | undefined,
  day: number,
  { decisions, backDays }: { decisions: readonly (ThreadDecision & { day: number })[]; backDays: readonly number[] },
): number {
  if (!before) return 0;
  const decided = decisions
    .filter((decision) => decision.threadId === thread.id && decision.day >= before.day && decision.day < day)
    .at(-1);
  const isBack = backDays.some((back) => back > before.day && back <= day);
  const step = decided?.step ?? (thread.isByReadiness || isBack ? 'repeat' : 'on');
  if (step === 'back') return Math.max(0, before.step - 1);
  return step === 'on' ? before.step + 1 : before.step;
}

/** How many hard days the rhythm of a week has up to a day of it. */
function hardUpTo({ phaseRhythms, rhythm }: SeasonPlan, { day, week }: DraftDay): number {
  const ownRhythm = phaseRhythms?.[week.phase] ?? rhythm;
  let hard = 0;
  for (let at = week.fromDay; at <= day; at++) if (ownRhythm[weekdayOf(at)] === 'hard') hard += 1;
  return hard;
}

/** Gives every hard day its thread, in order of the days; a hard day that none is ready for has strides. */
export function layTurns(draft: Draft): void {
  const { season, days } = draft;
  const threads = new Map(season.threads.map((thread) => [thread.id, thread]));
  const context: TurnContext = { threads, fixedDays: new Map(), lastDay: new Map() };
  for (const { fixed, kind, day } of days) {
    if (!fixed?.threadId || kind !== 'hard' || fixed.missed) continue;
    context.fixedDays.set(fixed.threadId, [...(context.fixedDays.get(fixed.threadId) ?? []), day]);
  }
  const decisions = season.decisions
    .map((decision) => ({ ...decision, day: dayNumber(decision.date) }))
    .sort((a, b) => a.day - b.day);
  const backDays = comingBackOf(offDaysOf(season.daysOff)).map(({ from }) => from);
  const before = new Map<string, { step: number; day: number }>();
  let fromDay = Number.NaN;
  let place = 0;
  let inWeek: Thread[] = [];
  for (const day of days) {
    if (day.week.fromDay !== fromDay) {
      fromDay = day.week.fromDay;
      place = 0;
      // What is fixed later in the week is in it as well.
      inWeek = [];
      for (let i = 0; i < 7; i++) {
        const fixed = draft.at(fromDay + i)?.fixed;
        const thread = fixed?.threadId === undefined ? undefined : threads.get(fixed.threadId);
        if (thread && fixed?.kind === 'hard') inWeek.push(thread);
      }
    }
    if (day.kind !== 'hard') continue;
    // By the week's rhythm, so that a hard day which is gone by now leaves the others their places.
    const slot = Math.max(place, hardUpTo(season, day) - 1);
    place = slot + 1;
    if (day.special !== undefined) continue;
    if (day.fixed && day.fixed.threadId === undefined) continue;
    const thread =
      day.fixed?.threadId === undefined
        ? threadFor(draft, context, day, slot, inWeek)
        : threads.get(day.fixed.threadId);
    if (!thread) {
      // A pinned thread that is gone leaves the day hard and empty: the coach is told (see checks.ts).
      if (!day.fixed) setKind(day, season.threads.length === 0 ? 'hard' : 'strides');
      continue;
    }
    const step = day.fixed?.step ?? stepAfter(thread, before.get(thread.id), day.day, { decisions, backDays });
    day.thread = { id: thread.id, step };
    if (!day.fixed) inWeek.push(thread);
    // A step that was missed and is to slide is run the next time.
    if (day.fixed?.missed === 'slide') continue;
    before.set(thread.id, { step, day: day.day });
    context.lastDay.set(thread.id, day.day);
  }
}
