/** Sessions cut short by the week they are in: an easier week, the first one after a transition, and coming back. */
import type { Draft, DraftDay } from './draftDay';
import { hardMinutes } from '../threads/hardMinutes';
import { sessionOfDay } from '../threads/threadSession';

/** An easier week has about a rep or a set less. */
const EASIER_SHARE = 0.8;
/** Coming back in a season that has no sessions of its own for it. */
const BACK_SHARE = 0.6;
/** The first week of full work has at most so many times the hard minutes of the transition before it. */
const MOST_RISE = 1.5;
/** It is not cut to less than this, and left whole where next to nothing would go. */
const LEAST_SHARE = 0.5;
const WHOLE_SHARE = 0.9;

const isCuttable = ({ kind, fixed, special, taper, isOutside }: DraftDay) =>
  kind === 'hard' && !fixed && special === undefined && !taper && !isOutside;

function cut(day: DraftDay, share: number, note: string): void {
  if (!isCuttable(day) || share >= (day.share ?? 1)) return;
  day.share = share;
  day.note ??= note;
}

const WORKING = ['early', 'middle', 'late'];

/** Minutes of hard work in some days, by the texts of their threads; sessions of the library are as long as they are. */
function minutesOf({ season }: Draft, days: readonly DraftDay[]): number {
  return days.reduce((sum, { kind, thread, special, share = 1 }) => {
    if (kind !== 'hard') return sum;
    const turn = { kind, ...(thread ? { thread } : {}), ...(special ? { special } : {}) };
    const session = sessionOfDay(season, turn);
    return session?.kind === 'session' ? sum + share * hardMinutes(session.shorthand) : sum;
  }, 0);
}

function firstFullWeek(draft: Draft, before: readonly DraftDay[], week: readonly DraftDay[]): void {
  const most = MOST_RISE * minutesOf(draft, before);
  const now = minutesOf(draft, week);
  if (most === 0 || now <= most) return;
  const share = Math.max(LEAST_SHARE, Math.floor((most / now) * 20) / 20);
  if (share < WHOLE_SHARE) for (const day of week) cut(day, share, 'first full week');
}

/** Cuts the hard days of easier weeks, and of the first week after a transition. */
export function layShares(draft: Draft): void {
  const { days, season } = draft;
  for (let i = 0; i < days.length; i += 7) {
    const week = days.slice(i, i + 7);
    const phase = week[0]?.week.phase;
    if (phase === 'transition' && !season.cycles.transition)
      for (const day of week) cut(day, BACK_SHARE, 'coming back');
    if (!phase || !WORKING.includes(phase)) continue;
    const before = days.slice(Math.max(0, i - 7), i);
    if (before[0]?.week.phase === 'transition') firstFullWeek(draft, before, week);
    if (week.some(({ isEasier }) => isEasier)) for (const day of week) cut(day, EASIER_SHARE, 'easier week');
  }
}
