/** What a proposal at the track is called: the question on the board, and what speaks for it. */
import type { ProposalOption } from '@core/trackside/options';
import type { LiveProposal } from '@core/trackside/proposals';
import type { EffortFacts, RuleId } from '@core/trackside/rules';
import { formatDelta, formatTime } from '@core/units/time';

/** What each rule says in general. */
export const RULE_NOTES: Record<RuleId, string> = {
  niggle: 'Pain is a reason to stop, not to slow down.',
  stitch: 'A stitch mostly goes when the next rep is begun gently.',
  'reserve-gone': 'What they have above their critical speed would be used up in the next rep.',
  'late-twice': 'Two reps running later than the tolerance: the session is slipping.',
  'hard-too-soon': 'Effort two or more above what was meant for this far.',
  'early-open': 'In open work a rep run early often means they think it is the last.',
  'early-first': 'A first rep run early is paid for in the last ones.',
  comfortable: 'Effort two or more below what was meant, and not late.',
  'one-more': 'The last reps held and one or two more were there.',
};

/** A decision in a few words, as it follows a colon. */
export function optionText({ decision, targetS, isGentleStart }: ProposalOption): string {
  switch (decision.kind) {
    case 'ease':
      if (targetS !== undefined) return `ease to ${formatTime(targetS, 1)}`;
      return decision.percent < 0 ? `${-decision.percent} % faster` : `${decision.percent} % slower`;
    case 'recovery':
      return `${Math.abs(decision.addS)} s ${decision.addS < 0 ? 'less' : 'more'} recovery`;
    case 'distance':
      return `cut to ${decision.distanceM} at the same pace`;
    case 'cutDown':
      return 'on to the next shorter distance';
    case 'endOpen':
      return 'that was the last one';
    case 'drop':
      return 'one rep fewer';
    case 'oneMore':
      return 'one more';
    case 'stop':
      return 'stop here';
    case 'talk':
      return isGentleStart ? 'ease the first third' : 'tell them';
  }
}

const firstOption = ({ options }: LiveProposal) => (options[0] ? optionText(options[0]) : '');
const lastDelta = ({ facts }: LiveProposal) => formatDelta(facts.deltasS?.at(-1) ?? 0);

/** The question on the board. @param name the athlete's, as on their tile. */
export function proposalText(proposal: LiveProposal, name: string): string {
  switch (proposal.rule) {
    case 'niggle':
      return `${name} has a niggle: stop here?`;
    case 'stitch':
      return `${name} has a stitch: ease the first third of the next rep?`;
    case 'reserve-gone':
      return `${name} would be empty next rep: ${firstOption(proposal)}?`;
    case 'late-twice':
      return `${name} late twice: ${firstOption(proposal)}?`;
    case 'hard-too-soon':
      return `${name} at ${proposal.facts.effort?.told} already: ${firstOption(proposal)}?`;
    case 'early-open':
      return `${name} ${lastDelta(proposal)} s: hold the pace?`;
    case 'early-first':
      return `${name} ${lastDelta(proposal)} s on the first: hold back?`;
    case 'comfortable':
      return `${name} far too comfortable: ${firstOption(proposal)}?`;
    case 'one-more':
      return `${name} is well: one more?`;
  }
}

const effortText = ({ told, meant, isTheirs }: EffortFacts) =>
  `Effort ${told}, meant about ${meant.toFixed(0)}${isTheirs ? ' as they rate it' : ''}.`;

/** What speaks for it, in a sentence. */
export function reasonText({ rule, facts }: LiveProposal): string {
  const { deltasS = [], leftShare = 0, effort } = facts;
  const felt = effort ? effortText(effort) : '';
  switch (rule) {
    case 'niggle':
      return 'Local rules and medical advice come first.';
    case 'stitch':
      return 'If it does not go, or is more than a stitch, stop.';
    case 'reserve-gone':
      return `Predicted reserve after the next rep: ${Math.round(leftShare * 100)} %.`;
    case 'late-twice':
      return `${deltasS.map((deltaS) => formatDelta(deltaS)).join(' and ')} s.`;
    case 'early-open':
      return 'Nobody is to know how many are left.';
    case 'early-first':
      return 'Running early is as much a fault as running late.';
    case 'hard-too-soon':
    case 'comfortable':
      return felt;
    case 'one-more':
      return `On target. ${felt}`;
  }
}
