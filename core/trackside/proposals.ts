/** What the rules propose now; the coach says yes or no, and nothing happens unasked. */
import type { Plan } from '../run/plan';
import { isRunning, type RunState } from '../run/runState';
import type { ProposalOption } from './options';
import { RULE_IDS, RULES, situationOf, type Found, type ProposalFacts, type RuleId } from './rules';

/** One question to say yes or no to; yes takes the first of the options. */
export type LiveProposal = {
  rule: RuleId;
  athleteId: string;
  /** The rep after which it came up. */
  repIndex: number;
  options: ProposalOption[];
  facts: ProposalFacts;
};

/** At most one proposal for each athlete, the most pressing, and none that was answered before. */
export function liveProposals(plan: Plan, state: RunState): LiveProposal[] {
  if (state.endedAtMs !== undefined) return [];
  const answered = new Set(state.answers.map(({ rule, athleteId, repIndex }) => `${rule} ${athleteId} ${repIndex}`));
  // One step at a time: after a yes they run a rep first.
  const accepted = new Set(
    state.answers.flatMap(({ refused, athleteId, repIndex }) => (refused ? [] : [`${athleteId} ${repIndex}`])),
  );
  return Object.values(state.athletes).flatMap((athlete): LiveProposal[] => {
    const situation = isRunning(athlete) ? situationOf(plan, state, athlete) : undefined;
    if (!situation) return [];
    const { athleteId } = athlete;
    const { repIndex } = situation.run;
    if (accepted.has(`${athleteId} ${repIndex}`)) return [];
    for (const rule of RULE_IDS) {
      if (answered.has(`${rule} ${athleteId} ${repIndex}`)) continue;
      const found: Found | undefined = RULES[rule].look(situation);
      if (found && found.options.length > 0)
        return [{ rule, athleteId, repIndex, options: found.options, facts: found.facts ?? {} }];
    }
    return [];
  });
}
