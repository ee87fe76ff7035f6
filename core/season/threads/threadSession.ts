/** The written session of a hard day. */
import type { LibrarySession, ChainLink, Progression } from '../../library/librarySession';
import { againFaster, nextInChain } from '../../library/progression';
import { formatSession } from '../../session/formatSession';
import type { Intent, MeantArc } from '../../session/intent';
import { parseStored } from '../../session/parseSession';
import type { SessionTree } from '../../session/session';
import { cutTo, fittedTo } from './cut';
import { REFERENCE_5K_S } from './hardMinutes';
import type { SeasonDay, SeasonPlan, SpecialKind, Thread } from '../season';

/** What threads may go through: see Thread. */
export type Library = { sessions: readonly LibrarySession[]; progressions: readonly Progression[] };
export const NO_LIBRARY: Library = { sessions: [], progressions: [] };

/** What is run on a day; or which thread is there no longer, or cannot be read. */
export type DaySession =
  | { kind: 'session'; title: string; shorthand: string; intent?: Intent; arc?: MeantArc; libraryId?: string }
  | { kind: 'gone'; text: string };

/** By the clock, so that it is as long for the slow as for the quick. */
const WARM = 'warm: 10min @easy, drills, 4x100 @strides / 60s walk';
const COOL = 'cool: 7min @easy';
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

function cutText(shorthand: string, share: number | undefined): string {
  const session = share === undefined ? undefined : read(shorthand);
  return session && share !== undefined ? formatSession(cutTo(session, share)) : shorthand;
}

/** A group this much slower than the reference runs fewer reps. */
const SLOWER = 1.05;

/** A text as it is for a season's group: as long by the clock for the slow as for the quick. */
function fittedText(shorthand: string, { median5kS }: Pick<SeasonPlan, 'median5kS'>): string {
  const ratio = (median5kS ?? REFERENCE_5K_S) / REFERENCE_5K_S;
  const session = ratio > SLOWER ? read(shorthand) : undefined;
  return session ? formatSession(fittedTo(session, ratio)) : shorthand;
}

/** Sessions at a place of their own that grow with nobody: the race in pieces is as long for all. */
const FITTED_SPECIALS: readonly SpecialKind[] = ['indicator'];

/** What is to be run on a day, as it would be written; undefined on a day without a session. */
export function sessionOfDay(
  season: Pick<SeasonPlan, 'threads' | 'specials' | 'median5kS'>,
  { special, thread: turn, share, kind }: Pick<SeasonDay, 'special' | 'thread' | 'share' | 'kind'>,
  library: Library = NO_LIBRARY,
): DaySession | undefined {
  const { threads, specials } = season;
  if (kind !== 'hard') return undefined;
  if (special !== undefined) {
    const session = specials[special];
    if (!session) return { kind: 'gone', text: 'The session that was to be run here is no longer in the season.' };
    const text = whole(session.main);
    return {
      kind: 'session',
      title: session.title,
      shorthand: cutText(FITTED_SPECIALS.includes(special) ? fittedText(text, season) : text, share),
      intent: session.intent,
      ...(session.arc ? { arc: session.arc } : {}),
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
    shorthand: cutText(thread.isFitted ? fittedText(text.shorthand, season) : text.shorthand, share),
    intent: text.intent ?? thread.intent,
    ...(thread.arc && text.intent === undefined ? { arc: thread.arc } : {}),
    ...(text.libraryId === undefined || share !== undefined ? {} : { libraryId: text.libraryId }),
  };
}
