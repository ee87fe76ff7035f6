/** What a step on, the same again and a step back are of a session that was run: from its progression, or by a lever. */
import { readSession } from '../session/parseSession';
import { rewriteText } from '../session/rewriteText';
import type { Session } from '../session/session';
import type { BookSession, ChainLink, Lever, Progression } from './bookSession';
import { againFaster, nextInChain, nextStep, stepBack } from './progression';

/** A session to run; `bookId` where it is in the library. `lever` is what was changed to come to it. */
export type Step = { shorthand: string; bookId?: string; title?: string; lever?: Lever };

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
  ran: { shorthand: string; bookId?: string };
  progression?: Progression;
  sessions: readonly BookSession[];
  /** What the coach chose to change in place of what comes next by itself. */
  lever?: Lever;
  options?: { paceNames?: readonly string[]; lapM?: number };
};

/** Changes a text, and leaves what is not changed as the coach wrote it; undefined where it cannot be read or nothing changes. */
export function changedText(
  shorthand: string,
  change: (session: Session) => Session | undefined,
  options: About['options'] = {},
): string | undefined {
  const reading = readSession(shorthand, { ...options, asks: false });
  if (reading.problems.length > 0) return undefined;
  const next = change(reading.session);
  return next && rewriteText(shorthand, reading, next);
}

/** The step that comes after the last: by the chain of levers, or the ladder again. */
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

const stepOf = (sessions: readonly BookSession[], id: string | undefined): Step | undefined => {
  const session = sessions.find((one) => one.id === id);
  return session && { shorthand: session.shorthand, bookId: session.id, title: session.title };
};

/**
 * The three ways to go on from a session. In a progression its own steps come first; where the coach chose another lever, or there is no
 * progression, the text that was run is changed by it.
 */
export function stepsFrom(about: About): StepsFrom {
  const { ran, progression, sessions, lever, options } = about;
  const place = ran.bookId === undefined ? -1 : (progression?.stepIds.indexOf(ran.bookId) ?? -1);
  const repeat: Step = { shorthand: ran.shorthand, ...(ran.bookId === undefined ? {} : { bookId: ran.bookId }) };
  const usual = lever ?? progression?.lever ?? 'more';
  const easier = changedText(ran.shorthand, (session) => stepBack(session, usual), options);
  const before = place > 0 ? stepOf(sessions, progression?.stepIds[place - 1]) : undefined;
  const back = before ?? (easier === undefined ? undefined : { shorthand: easier });
  const common = { repeat, ...(back ? { back } : {}), ...(place < 0 ? {} : { at: place }) };
  if (lever) {
    const shorthand = changedText(ran.shorthand, (session) => nextStep(session, lever), options);
    return { ...common, ...(shorthand === undefined ? {} : { on: { shorthand, lever } }) };
  }
  if (place < 0) return common;
  const after = stepOf(sessions, progression?.stepIds[place + 1]);
  return { ...common, ...(after ? { on: after } : beyond(about, place)) };
}
