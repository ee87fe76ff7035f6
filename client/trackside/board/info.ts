import { arrivals, type TooSoon } from '@core/run/arrivals';
import type { LiveProposal } from '@core/trackside/proposals';
import type { RunState } from '@core/run/runState';
import { formatClock } from '@core/units/time';
import { proposalText } from '../proposalText';
import { inOrder } from './order';
import type { TapRemark } from './useTimes';

/** What the one line above the line bar is about: the most pressing thing. */
export type Info =
  | { kind: 'storage'; inMemory: number }
  | { kind: 'names'; count: number; tooSoon?: TooSoon }
  | { kind: 'finish'; name: string; tookS: number }
  | { kind: 'proposal'; proposal: LiveProposal; text: string }
  | { kind: 'ask'; athleteId: string; name: string; more: number }
  | { kind: 'coming'; next: { key: string; name: string; when: string }[] };

/** With somebody coming in within this nobody is asked anything. */
const BUSY_MS = 8000;
const SHOWN = 4;

/**
 * A full disk, times without names, a proposal, how it felt, and else who comes next.
 * @param unasked who has finished and not said how it was.
 * @param remark on the last tap: nobody can have run that, or the tap before it was the finish.
 */
export function infoFor(
  state: RunState,
  now: number,
  inMemory: number,
  proposal: LiveProposal | undefined,
  unasked: readonly string[],
  remark?: TapRemark,
): Info {
  if (inMemory > 0) return { kind: 'storage', inMemory };
  if (remark?.kind === 'wasFinish') return { kind: 'finish', name: remark.name, tookS: remark.tookS };
  if (state.unnamed.length > 0)
    return { kind: 'names', count: state.unnamed.length, ...(remark ? { tooSoon: remark } : {}) };
  const nameOf = (id: string) => state.athletes[id]?.tileName ?? '';
  if (proposal) return { kind: 'proposal', proposal, text: proposalText(proposal, nameOf(proposal.athleteId)) };
  const coming = arrivals(state, now).filter(({ dueAtMs }) => dueAtMs !== undefined);
  const soon = coming[0]?.dueAtMs;
  const [athleteId] = unasked;
  if (athleteId !== undefined && (soon === undefined || soon - now > BUSY_MS))
    return { kind: 'ask', athleteId, name: nameOf(athleteId), more: unasked.length - 1 };
  return {
    kind: 'coming',
    next: coming.slice(0, SHOWN).map(({ athleteId: id, atM, dueAtMs = now }) => ({
      key: `${id} ${atM}`,
      name: nameOf(id),
      when: dueAtMs > now ? formatClock(Math.ceil((dueAtMs - now) / 1000)) : 'now',
    })),
  };
}

/** Who has come in from a rep by `now` and has not said how it was, in the order of the tiles. */
export const toAsk = (state: RunState, shown: ReadonlySet<string>, now: number): string[] =>
  inOrder(state, shown).flatMap(({ athleteId, runs, stoppedAtMs }) => {
    const last = runs.at(-1);
    const isIn = last?.finishedAtMs !== undefined && last.finishedAtMs <= now;
    return isIn && last.effort === undefined && stoppedAtMs === undefined ? [athleteId] : [];
  });
