/** The ways on from a session that was run (step on, repeat, step back): from its progression, or by a lever. */
import { readSession } from '../session/parseSession';
import { rewriteText } from '../session/rewriteText';
import type { SessionTree } from '../session/session';
import type { LibrarySession, ChainLink, Lever, Progression } from './librarySession';
import type { Intent } from '../session/intent';
import { againFaster, nextInChain } from './progression';
import { smallEase, smallStep } from './smallStep';

/** A session to run; `libraryId` if it is in the library. `lever` is the change that led to it. */
export type Step = { shorthand: string; libraryId?: string; title?: string; lever?: Lever };

export type StepsFrom = {
  on?: Step;
  repeat: Step;
  back?: Step;
  /** Which step of the progression it is, from 0. */
  at?: number;
  /** It is a new round of the ladder, faster than the one before. */
  isNewRound?: true;
};

type About = {
  /** What was run. */
  ran: { shorthand: string; libraryId?: string };
  progression?: Progression;
  sessions: readonly LibrarySession[];
  /** The change the coach chose in place of the usual one. */
  lever?: Lever;
  /** The session's intent, which limits rests and pace. */
  intent?: Intent;
  options?: { paceNames?: readonly string[]; lapM?: number };
};

/** Changes a text, keeping the coach's own wording of everything else; undefined if it cannot be read or nothing changes. */
export function changedText(
  shorthand: string,
  change: (session: SessionTree) => SessionTree | undefined,
  options: About['options'] = {},
): string | undefined {
  const reading = readSession(shorthand, { ...options, asks: false });
  if (reading.problems.length > 0) return undefined;
  const next = change(reading.session);
  return next && rewriteText(shorthand, reading, next);
}

/** The step after the last: by the chain of levers, or the ladder again. */
function beyond({ ran, progression, sessions, options }: About, at: number): Omit<StepsFrom, 'repeat'> {
  const { chain, round, lever, stepIds } = progression ?? { stepIds: [] };
  if (round !== undefined && at + 1 >= round) {
    const first = sessions.find(({ id }) => id === stepIds[at + 1 - round]);
    const shorthand = first && changedText(first.shorthand, againFaster, options);
    if (shorthand === undefined) return {};
    return {
      on: { shorthand, ...(first ? { title: first.title } : {}) },
      ...((at + 1) % round === 0 ? { isNewRound: true } : {}),
    };
  }
  const links: readonly ChainLink[] = chain && chain.length > 0 ? chain : lever ? [{ lever }] : [];
  let moved: Lever | undefined;
  const shorthand = changedText(
    ran.shorthand,
    (session) => {
      const step = nextInChain(session, links);
      moved = step?.lever;
      return step?.session;
    },
    options,
  );
  return shorthand === undefined ? {} : { on: { shorthand, ...(moved ? { lever: moved } : {}) } };
}

const stepOf = (sessions: readonly LibrarySession[], id: string | undefined): Step | undefined => {
  const session = sessions.find((session) => session.id === id);
  return session && { shorthand: session.shorthand, libraryId: session.id, title: session.title };
};

/**
 * The three ways on from a session. A progression's own steps come first; with another lever chosen, or without a progression, the text
 * that was run is changed by it, in a small step.
 */
export function stepsFrom(source: About): StepsFrom {
  const { ran, progression, sessions, lever, intent, options } = source;
  const place = ran.libraryId === undefined ? -1 : (progression?.stepIds.indexOf(ran.libraryId) ?? -1);
  const repeat: Step = {
    shorthand: ran.shorthand,
    ...(ran.libraryId === undefined ? {} : { libraryId: ran.libraryId }),
  };
  const easier = changedText(ran.shorthand, smallEase, options);
  const before = place > 0 ? stepOf(sessions, progression?.stepIds[place - 1]) : undefined;
  const back = before ?? (easier === undefined ? undefined : { shorthand: easier });
  const common = { repeat, ...(back ? { back } : {}), ...(place < 0 ? {} : { at: place }) };
  if (lever) {
    const shorthand = changedText(ran.shorthand, (session) => smallStep(session, lever, intent), options);
    return { ...common, ...(shorthand === undefined ? {} : { on: { shorthand, lever } }) };
  }
  if (place < 0) return common;
  const after = stepOf(sessions, progression?.stepIds[place + 1]);
  return { ...common, ...(after ? { on: after } : beyond(source, place)) };
}
