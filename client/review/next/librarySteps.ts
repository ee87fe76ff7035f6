/** What a next step adds to the library: it goes into its progression, or begins one. */
import type { LibraryChange, LibrarySession, Lever, Progression } from '@core/library/librarySession';
import type { Intent } from '@core/session/intent';
import type { PlacedStep } from './nextChoices';

type About = {
  placed: readonly PlacedStep[];
  progression?: Progression;
  sessions: readonly LibrarySession[];
  /** The session that was run: for a progression that begins with it. */
  ran: { title: string; shorthand: string; libraryId?: string; intent?: Intent };
  /** By which lever a progression is begun, where there is none yet; nothing is put into the library if left out. */
  begins?: { lever: Lever; name: string };
  newId: () => string;
};

export type LibrarySteps = {
  change: LibraryChange;
  /** The session in the library that a text has become. */
  idOf: (shorthand: string) => string | undefined;
  /** The session that was run has been put there too, under this id. */
  ranId?: string;
};

/** Steps on that are not in the library yet, each once. */
function newSteps(placed: readonly PlacedStep[]): PlacedStep[] {
  const texts = new Map<string, PlacedStep>();
  for (const step of placed)
    if (step.step === 'on' && step.libraryId === undefined && !texts.has(step.shorthand))
      texts.set(step.shorthand, step);
  return [...texts.values()];
}

/** Puts a step behind the one it comes from; at the end, where that is not of the progression. */
function withStep(stepIds: readonly string[], stepId: string, fromId: string | undefined): string[] {
  const at = fromId === undefined ? -1 : stepIds.indexOf(fromId);
  return at < 0 ? [...stepIds, stepId] : [...stepIds.slice(0, at + 1), stepId, ...stepIds.slice(at + 1)];
}

/** What is to be changed in the library; undefined where nothing is. */
export function librarySteps({ placed, progression, sessions, ran, begins, newId }: About): LibrarySteps | undefined {
  const steps = newSteps(placed);
  if (steps.length === 0 || (!progression && !begins)) return undefined;
  const stored = sessions.find(({ id }) => id === ran.libraryId);
  const first: LibrarySession = stored ?? {
    id: newId(),
    title: ran.title,
    shorthand: ran.shorthand,
    tags: [],
    ...(ran.intent ? { intent: ran.intent } : {}),
  };
  const grows: Progression = progression ?? {
    id: newId(),
    name: begins?.name ?? ran.title,
    lever: begins?.lever ?? 'more',
    stepIds: [first.id],
  };
  const base = sessions.find(({ id }) => id === grows.stepIds[0]) ?? first;
  const { favourite: _favourite, archived: _archived, ...like } = base;
  const added = steps.map((step, i) => ({
    step,
    session: {
      ...like,
      id: newId(),
      title: `${base.title}, ${grows.stepIds.length + i + 1}`.slice(0, 120),
      shorthand: step.shorthand,
    },
  }));
  return {
    change: {
      sessions: [...(stored || progression ? [] : [first]), ...added.map(({ session }) => session)],
      progressions: [
        {
          ...grows,
          stepIds: added.reduce<string[]>(
            (ids, { step, session }) => withStep(ids, session.id, step.fromId ?? first.id),
            grows.stepIds,
          ),
        },
      ],
    },
    idOf: (shorthand) => added.find(({ session }) => session.shorthand === shorthand)?.session.id,
    ...(progression || stored ? {} : { ranId: first.id }),
  };
}
