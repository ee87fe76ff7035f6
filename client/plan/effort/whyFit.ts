/** The chain behind a plan's verdict on one athlete, and behind what would make it fit. */
import type { MeantArc } from '@core/session/intent';
import {
  breachesOf,
  mostOfLimit,
  TOO_EASY,
  TOO_HARD,
  TOO_HARD_AT_END,
  type Breach,
  type Outlook,
} from '@core/outlook/outlook';
import { LEVER_STEPS, changesOf, type LeverChange, type OutlookProposal } from '@core/outlook/proposals';
import type { AthletePlan } from '@core/planning/athletePlans';
import type { Planning } from '../../data/usePlanning';
import { memberOf } from '../../data/useSquad';
import type { WhyLine } from '../../parts/Why';
import { FIT_WORDS, outlookText } from '../planText';
import { levelLines } from '../whyLevel';

function breachText(breach: Breach, arc: MeantArc): string {
  switch (breach) {
    case 'limit':
      return `It asks for too much of a flat-out run: rests and all, ${Math.round(mostOfLimit(arc) * 100)} % is the most.`;
    case 'reserve':
      return 'The reserve above critical speed runs out before the end: there would be nothing left to finish with.';
    case 'at-end':
      return `At the end it is more than ${TOO_HARD_AT_END} above the effort meant.`;
    case 'on-the-way':
      return `On the way it is more than ${TOO_HARD} above the effort meant.`;
  }
}

/**
 * Reasons for the verdict on one athlete, from their marks to the rule that decides.
 * @param shown their outlook as they would rate it; the rules are held against the scale common to all.
 */
export function whyFit({ outlooks, arc, squad }: Planning, { runner }: AthletePlan, shown: Outlook): WhyLine[] {
  const athlete = memberOf(squad, runner.id);
  const breaches = breachesOf(outlooks.get(runner.id) ?? shown, arc);
  const rules =
    shown.fit === 'light'
      ? [`At the end it is more than ${TOO_EASY} below the effort meant.`]
      : breaches.length > 0
        ? breaches.map((breach) => breachText(breach, arc))
        : [
            `It stays within ${TOO_HARD} of the effort meant on the way and ${TOO_HARD_AT_END} at the end, and the reserve lasts.`,
          ];
  const meant = shown.meant.at(-1);
  return [
    ...(athlete ? levelLines(runner, athlete) : []),
    { text: `As it is: ${outlookText(shown)}${meant === undefined ? '' : `; meant ${meant.toFixed(1)} at the end`}.` },
    ...rules.map((text) => ({ text })),
  ];
}

function stepText({ lever, set }: LeverChange): string {
  switch (lever) {
    case 'recovery':
      return set.kind === 'jog'
        ? `the jog in steps of ${LEVER_STEPS.jogM} m`
        : `the recovery in steps of ${LEVER_STEPS.recoveryS} s`;
    case 'count':
      return 'one rep or set at a time';
    case 'reps-in-set':
      return 'one rep of each set at a time';
    case 'pace':
      return `the pace in steps of ${LEVER_STEPS.paceShare * 100} %`;
  }
}

/** Reasons for one proposal, after those for the verdict. */
export function whyProposal(verdict: readonly WhyLine[], proposal: OutlookProposal): WhyLine[] {
  const [first, second] = changesOf(proposal);
  const after = proposal.next?.effect ?? proposal.effect;
  const tried =
    first && second
      ? `Neither change is enough alone. Tried ${stepText(first)}, then ${stepText(second)}: this is the first pair that is ${FIT_WORDS[after.fit]}.`
      : `Tried ${first ? stepText(first) : ''}: this is the smallest change that is ${FIT_WORDS[after.fit]}.`;
  return [...verdict, { text: tried }];
}
