/** Threads: too soon again, or gone. */
import { counted } from '../../units/counted';
import { dayNumber } from '../../units/dayNumber';
import { isSettled, makeEasy, type SeasonCheck, type CheckRule } from './checkRule';
import type { SeasonDay } from '../season';

const tooSoon: CheckRule = ({ days, threads }) => {
  const last = new Map<string, SeasonDay>();
  return days.flatMap((day) => {
    const thread = day.kind === 'hard' && day.thread && !day.missed ? threads.get(day.thread.id) : undefined;
    if (!thread) return [];
    const before = last.get(thread.id);
    last.set(thread.id, day);
    const days0 = before ? dayNumber(day.date) - dayNumber(before.date) : Infinity;
    if (days0 >= thread.spacingDays) return [];
    const mend = isSettled(day)
      ? undefined
      : day.pinned
        ? { text: 'Let go of the pin', change: { kind: 'unpin' as const, date: day.date } }
        : makeEasy(day.date);
    const text = `“${thread.name}” again after ${counted(days0, 'day')}: it wants ${thread.spacingDays} to do its work.`;
    return [{ code: 'thread-too-soon', date: day.date, text, ...(mend ? { mend } : {}) }];
  });
};

const goneThreads: CheckRule = ({ days, threads, context }) => {
  const gone = new Set(context.goneThreadIds ?? []);
  const told = new Set<string>();
  return days.flatMap((day): SeasonCheck[] => {
    const id = day.thread?.id;
    if (day.kind !== 'hard' || id === undefined || !gone.has(id) || told.has(id)) return [];
    told.add(id);
    const name = threads.get(id)?.name ?? 'A thread';
    return [
      {
        code: 'thread-gone',
        date: day.date,
        text: `“${name}” names a session that is no longer in the library: choose another for it.`,
      },
    ];
  });
};

const danglingPins: CheckRule = ({ season, threads }) =>
  season.fixed.flatMap((fixed): SeasonCheck[] =>
    fixed.threadId !== undefined && !threads.has(fixed.threadId) && fixed.because === 'pinned'
      ? [
          {
            code: 'thread-gone',
            date: fixed.date,
            text: 'This day was pinned for a thread that is no longer in the season.',
            mend: { text: 'Let go of the pin', change: { kind: 'unpin', date: fixed.date } },
          },
        ]
      : [],
  );

export const THREAD_CHECKS: readonly CheckRule[] = [tooSoon, goneThreads, danglingPins];
