/** Proposals from readiness: a step that exists and fits, in at most two versions a group. */
import type { NextStep } from '../run/events';
import { grouped } from '../units/grouped';
import type { ReadyAnswer } from './nextReady';

export type StepLimits = {
  /** True if their group has such a step. */
  has: (groupId: string, step: NextStep) => boolean;
  /** The plan's own reckoning calls the step on on plan for them. */
  isOnPlan: (answer: ReadyAnswer) => boolean;
  /** The step on is one rep more and nothing else, or is of a way back that goes on by itself. */
  isOneRep: (answer: ReadyAnswer) => boolean;
};

const instead = (answer: ReadyAnswer, reason: string): ReadyAnswer => ({
  ...answer,
  verdict: 'repeat',
  reasons: [reason, ...answer.reasons],
});

function limited(answer: ReadyAnswer, { has, isOnPlan, isOneRep }: StepLimits): ReadyAnswer {
  const { groupId, verdict, most, isAbsent, waits } = answer;
  if (isAbsent || waits) return answer;
  if (verdict === 'back' && !has(groupId, 'back')) return instead(answer, 'There is no easier step of it.');
  if (verdict !== 'on') return answer;
  if (!has(groupId, 'on')) return instead(answer, 'There is no step on of it.');
  if (most === 'rep' && !isOneRep(answer)) return instead(answer, 'The step on is more than one rep.');
  return isOnPlan(answer) ? answer : instead(answer, 'The plan’s own reckoning calls the step on too much for them.');
}

/** The easier of two. */
const EASIER: Record<NextStep, NextStep> = { on: 'repeat', repeat: 'back', back: 'back' };

/** Two versions at most: of three, whichever way moves fewer people, and only ever to an easier one. */
function inTwoVersions(answers: readonly ReadyAnswer[]): ReadyAnswer[] {
  const count = (step: NextStep) => answers.filter(({ verdict, isAbsent }) => !isAbsent && verdict === step).length;
  const [on, repeat, back] = [count('on'), count('repeat'), count('back')];
  if (on === 0 || repeat === 0 || back === 0) return [...answers];
  const moved: NextStep = on <= repeat ? 'on' : 'repeat';
  return answers.map((answer) =>
    answer.verdict === moved && !answer.isAbsent && !answer.waits
      ? {
          ...answer,
          verdict: EASIER[moved],
          reasons: ['With the others of the group: two versions at most.', ...answer.reasons],
        }
      : answer,
  );
}

/** Proposals for everyone, group by group. */
export const givenSteps = (answers: readonly ReadyAnswer[], limits: StepLimits): ReadyAnswer[] =>
  [...grouped(answers, ({ groupId }) => groupId).values()].flatMap((group) =>
    inTwoVersions(group.map((answer) => limited(answer, limits))),
  );
