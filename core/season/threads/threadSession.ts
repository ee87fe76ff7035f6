/** The written session of a hard day. */
import type { LibrarySession, ChainLink, Progression } from '../../library/librarySession';
import { againFaster, nextInChain } from '../../library/progression';
import { formatSession } from '../../session/formatSession';
import type { Intent } from '../../session/intent';
import { isOnce } from '../../session/lengths';
import { parseStored } from '../../session/parseSession';
import type { Amount, Count, Item, SessionTree } from '../../session/session';
import type { SeasonDay, SeasonPlan, Thread } from '../season';

/** What threads may go through: see Thread. */
export type Library = { sessions: readonly LibrarySession[]; progressions: readonly Progression[] };
export const NO_LIBRARY: Library = { sessions: [], progressions: [] };

/** What is run on a day; or which thread is there no longer, or cannot be read. */
export type DaySession =
  | { kind: 'session'; title: string; shorthand: string; intent?: Intent; libraryId?: string }
  | { kind: 'gone'; text: string };

const WARM = 'warm: 1600 @easy, drills, 4x100 @strides / 60s walk';
const COOL = 'cool: 1200 @easy';
const whole = (main: string) => [WARM, main, COOL].join('\n');

function read(text: string): SessionTree | undefined {
  const parsed = parseStored(text);
  return parsed.ok ? parsed.session : undefined;
}

/** This many steps on from the last stage; it stays when the chain has ended. */
function grown(session: SessionTree, chain: readonly ChainLink[], steps: number): SessionTree {
  let now = session;
  for (let i = 0; i < steps; i++) {
    const next = nextInChain(now, chain);
    if (!next) break;
    now = next.session;
  }
  return now;
}

function again(session: SessionTree, rounds: number): SessionTree {
  let now = session;
  for (let i = 0; i < rounds; i++) now = againFaster(now) ?? now;
  return now;
}

type Written = { shorthand: string; libraryId?: string; intent?: Intent };

/** The texts a thread goes through, the chain it then grows by, and where they are from. */
function stagesOf(
  thread: Thread,
  { sessions, progressions }: Library,
): { stages: Written[]; chain: readonly ChainLink[]; round?: number } | undefined {
  const written = (id: string): Written[] => {
    const session = sessions.find((session) => session.id === id);
    return session
      ? [{ shorthand: session.shorthand, libraryId: id, ...(session.intent ? { intent: session.intent } : {}) }]
      : [];
  };
  if (thread.progressionId !== undefined) {
    const progression = progressions.find(({ id }) => id === thread.progressionId);
    const stages = progression?.stepIds.flatMap(written) ?? [];
    if (!progression || stages.length === 0) return undefined;
    const { chain, lever, round } = progression;
    return {
      stages,
      chain: chain && chain.length > 0 ? chain : [{ lever }],
      ...(round === undefined ? {} : { round }),
    };
  }
  if (thread.libraryId !== undefined) {
    const stages = written(thread.libraryId);
    return stages.length > 0 ? { stages, chain: thread.chain } : undefined;
  }
  return {
    stages: thread.stages.map((main) => ({ shorthand: whole(main) })),
    chain: thread.chain,
    ...(thread.isLadder ? { round: thread.stages.length } : {}),
  };
}

/** The text of a thread at a step; undefined where its session is gone or cannot be read. */
function textAt(thread: Thread, step: number, library: Library): Written | undefined {
  const found = stagesOf(thread, library);
  if (!found || found.stages.length === 0) return undefined;
  const { stages, chain, round } = found;
  const ownWritten = stages[step];
  if (ownWritten) return ownWritten;
  if (round !== undefined) {
    const stage = stages[step % round];
    const session = stage && read(stage.shorthand);
    return session && { shorthand: formatSession(again(session, Math.floor(step / round))) };
  }
  const last = stages.at(-1);
  const session = last && read(last.shorthand);
  return session && { shorthand: formatSession(grown(session, chain, step - stages.length + 1)) };
}

const scaledCount = (count: Count, share: number): Count => {
  if (count.kind === 'open') return count;
  const scale = (n: number) => Math.max(1, Math.round(n * share));
  if (count.kind === 'fixed') return { kind: 'fixed', n: scale(count.n) };
  const [min, max] = [scale(count.min), scale(count.max)];
  return min === max ? { kind: 'fixed', n: min } : { kind: 'range', min, max };
};

/** Rounds lengths to what a coach would write. */
const ROUND = { distanceM: 100, durationS: 30 };
const scaledAmount = (amount: Amount, share: number): Amount => {
  const scale = (value: number, to: number) => Math.max(to, Math.round((value * share) / to) * to);
  return amount.kind === 'distance'
    ? { kind: 'distance', distanceM: scale(amount.distanceM, ROUND.distanceM) }
    : { kind: 'duration', durationS: scale(amount.durationS, ROUND.durationS) };
};

function scaledItem(item: Item, share: number): Item {
  const { body, count } = item;
  if (!isOnce(count)) return { ...item, count: scaledCount(count, share) };
  if (body.kind === 'rep')
    return { ...item, body: { ...body, amounts: body.amounts.map((amount) => scaledAmount(amount, share)) } };
  if (body.kind === 'set')
    return { ...item, body: { ...body, items: body.items.map((item) => scaledItem(item, share)) } };
  return item;
}

/** The main part cut to about a share: fewer reps at the same pace; a stretch on its own gets shorter. */
export const cutTo = (session: SessionTree, share: number): SessionTree => ({
  lines: session.lines.map((line) =>
    line.role === 'main' ? { ...line, items: line.items.map((item) => scaledItem(item, share)) } : line,
  ),
});

function cutText(shorthand: string, share: number | undefined): string {
  const session = share === undefined ? undefined : read(shorthand);
  return session && share !== undefined ? formatSession(cutTo(session, share)) : shorthand;
}

/** What is to be run on a day, as it would be written; undefined on a day without a session. */
export function sessionOfDay(
  { threads, specials }: Pick<SeasonPlan, 'threads' | 'specials'>,
  { special, thread: turn, share, kind }: Pick<SeasonDay, 'special' | 'thread' | 'share' | 'kind'>,
  library: Library = NO_LIBRARY,
): DaySession | undefined {
  if (kind !== 'hard') return undefined;
  if (special !== undefined) {
    const session = specials[special];
    if (!session) return { kind: 'gone', text: 'The session that was to be run here is no longer in the season.' };
    return {
      kind: 'session',
      title: session.title,
      shorthand: cutText(whole(session.main), share),
      intent: session.intent,
    };
  }
  if (!turn) return undefined;
  const thread = threads.find(({ id }) => id === turn.id);
  if (!thread) return { kind: 'gone', text: 'The thread that this day was for is no longer in the season.' };
  const text = textAt(thread, turn.step, library);
  if (!text) return { kind: 'gone', text: `“${thread.name}” names a session that is no longer in the library.` };
  return {
    kind: 'session',
    title: turn.step === 0 ? thread.name : `${thread.name}, ${turn.step + 1}`,
    shorthand: cutText(text.shorthand, share),
    intent: text.intent ?? thread.intent,
    ...(text.libraryId === undefined || share !== undefined ? {} : { libraryId: text.libraryId }),
  };
}
