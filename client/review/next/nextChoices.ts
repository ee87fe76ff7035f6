/** From what everyone is ready for to what everyone runs: the choices of the page, as pure functions. */
import { advised } from '@core/library/advised';
import { LEVERS, type LibrarySession, type Lever, type Progression } from '@core/library/librarySession';
import { changedText, stepsFrom, type Step, type StepsFrom } from '@core/library/stepsFrom';
import type { LeverChange } from '@core/outlook/proposals';
import type { Placed } from '@core/planning/nextPlan';
import type { SameSessions } from '@core/review/history';
import type { ReadyAnswer } from '@core/judgement/nextReady';
import { readinessOfGroup } from '@core/judgement/readiness';
import type { NextStep } from '@core/run/events';
import type { Intent } from '@core/session/intent';
import { parseStored } from '@core/session/parseSession';
import type { SessionTree } from '@core/session/session';

/** What changes from this session to the next: what the progression has next, one lever, or what the efforts ask for. */
export type What = 'progression' | 'efforts' | Lever;

/** What was run, by all or by a group with a version of its own. */
export type Ran = { shorthand: string; libraryId?: string };

export type Source = {
  ran: Ran;
  what: What;
  progression?: Progression;
  sessions: readonly LibrarySession[];
  /** What the efforts of the squad ask for, where they do. */
  advice?: LeverChange;
  options?: { paceNames?: readonly string[]; lapM?: number };
  intent?: Intent;
};

/** On, again and back, as the coach has it. What the efforts ask for is run by all: it makes of the session what was meant. */
export function stepsBy({ what, advice, ...rest }: Source): StepsFrom {
  if (what === 'progression') return stepsFrom(rest);
  if (what !== 'efforts') return stepsFrom({ ...rest, lever: what });
  const steps = stepsFrom(rest);
  const shorthand = advice && changedText(rest.ran.shorthand, (session) => advised(session, advice), rest.options);
  const asked: Step | undefined = shorthand === undefined ? undefined : { shorthand };
  return { ...steps, ...(asked ? { on: asked, repeat: asked } : {}) };
}

/** Returns the text's tree; undefined if the text cannot be read. */
export function treeOf(shorthand: string, options: Source['options']): SessionTree | undefined {
  const parsed = parseStored(shorthand, options ?? {});
  return parsed.ok ? parsed.session : undefined;
}

/** Levers that move something in a session, each with the text it makes. */
export const leversFor = (source: Omit<Source, 'what' | 'advice'>): { lever: Lever; shorthand: string }[] =>
  LEVERS.flatMap((lever) => {
    const { on } = stepsFrom({ ...source, lever });
    return on ? [{ lever, shorthand: on.shorthand }] : [];
  });

/** Somebody's place, by which step they come to it, and from which session in the library. */
export type PlacedStep = Placed & { step: NextStep; fromId?: string };

/** Everyone's place in the next session; a step that there is none of is the same again. */
export function placedFor(
  answers: readonly ReadyAnswer[],
  choiceOf: (athleteId: string) => NextStep,
  stepsOf: (groupId: string) => StepsFrom,
  nameOf: (athleteId: string) => string,
): PlacedStep[] {
  return answers.map(({ athleteId, groupId }) => {
    const steps = stepsOf(groupId);
    const chosen = choiceOf(athleteId);
    const step = steps[chosen] ? chosen : 'repeat';
    const { shorthand, libraryId } = steps[step] ?? steps.repeat;
    return {
      athleteId,
      groupId,
      shorthand,
      step,
      label: nameOf(athleteId),
      ...(steps.repeat.libraryId === undefined ? {} : { fromId: steps.repeat.libraryId }),
      ...(libraryId === undefined ? {} : { libraryId }),
    };
  });
}

/** The step a group is ready for; absent athletes and those with an open question do not count. */
export const groupVerdict = (answers: readonly ReadyAnswer[]): NextStep | undefined => {
  const there = answers.filter(({ isAbsent, waits }) => !isAbsent && !waits);
  return there.length === 0 ? undefined : readinessOfGroup(there.map(({ verdict }) => verdict));
};

/** This many equal decisions in a row on one lever are enough. */
const IN_A_ROW = 3;

/**
 * Who runs the very same for the third time now, going by what the coach decided the times before: another lever may move them.
 * @param same the runs of this session before, the latest first.
 */
export function stuckOn(
  answers: readonly ReadyAnswer[],
  same: Pick<SameSessions, 'runs' | 'athletes'> | undefined,
  { runId, date }: { runId: string; date: string },
): string[] {
  const runs = same?.runs ?? [];
  const kinds = JSON.stringify(runs.find((run) => run.runId === runId)?.kinds);
  // An earlier step, or one with other counts, was another session: moving on from it is no standing still.
  const before = runs.filter(
    (run) =>
      run.runId !== runId && run.date <= date && (run.relation === 'same' || JSON.stringify(run.kinds) === kinds),
  );
  return answers.flatMap(({ athleteId, verdict, isAbsent }) => {
    if (verdict !== 'repeat' || isAbsent) return [];
    const results = before.flatMap((run) => {
      const part = same?.athletes.find(
        (athlete) => athlete.runId === run.runId && athlete.athleteId === athleteId && athlete.isThere,
      );
      return part ? [part.nextStep] : [];
    });
    const last = results.slice(0, IN_A_ROW - 1);
    return last.length === IN_A_ROW - 1 && last.every((step) => step === 'repeat') ? [athleteId] : [];
  });
}

/** Another lever than the one that does not get on: the first of those that coaches turn to that moves anything. */
export function otherLever(lever: Lever, moving: readonly Lever[]): Lever | undefined {
  const order: Lever[] = ['more', 'less-rest', 'longer-same', 'sets', 'float', 'faster', 'longer', 'fewer'];
  return order.find((candidate) => candidate !== lever && moving.includes(candidate));
}
