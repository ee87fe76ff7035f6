import { cutDownsLeft, freshRepIndex, ownRep } from '../run/lineUp';
import type { TrackDecision } from '../run/events';
import { groupOf, type AthleteState, type RunState } from '../run/runState';
import { isInOpen, slotsAhead } from './ahead';

/** A decision the coach can take now. `targetS`: the next target it leads to; `isGentleStart`: they are told to begin gently. */
export type ProposalOption = { decision: TrackDecision; targetS?: number; isGentleStart?: true };

/** One step at a time: never eased by more than this share, nor rested longer than this, nor cut to less. */
const LIMITS = { easeMostPercent: 5, restStepS: 15, shortestM: 200 };

export type OptionKind = Exclude<TrackDecision['kind'], 'talk'>;

/** The decisions that make sense for an athlete now, by kind. @param easeByPercent how much slower the next target would be. */
export function optionsFor(
  state: RunState,
  athlete: AthleteState,
  easeByPercent = 2,
): Partial<Record<OptionKind, ProposalOption>> {
  const group = groupOf(state, athlete.groupId);
  if (!group) return {};
  const ahead = slotsAhead(state, group, athlete);
  const next = ahead[0] && ownRep(state, athlete, ahead[0]);
  const { distanceM } = next?.rep ?? {};
  const { targetS } = next?.target ?? {};
  const lastRun = athlete.runs.at(-1);
  const { recoveryS, mostRecoveryS } = lastRun?.target ?? {};
  const moreS = recoveryS === undefined || mostRecoveryS === undefined ? 0 : mostRecoveryS - recoveryS;
  const addS = Math.min(LIMITS.restStepS, moreS);
  const shorterM = distanceM === undefined ? 0 : Math.floor((distanceM * 0.75) / 100) * 100;
  const lastMain = ahead.findLast((slot) => ownRep(state, athlete, slot)?.rep.role === 'main');
  const ran = group.slots.find(({ repIndex }) => repIndex === lastRun?.repIndex);
  const inOpen = isInOpen(athlete, group);
  const isLastMain = lastRun?.rep.role === 'main' && lastMain === undefined && !inOpen;
  const percent = Math.min(LIMITS.easeMostPercent, Math.max(0.5, Math.round(easeByPercent * 2) / 2));
  const options: Partial<Record<OptionKind, ProposalOption>> = {};
  // Open work is at one pace for as long as it is held: it gets shorter or ends, never slower.
  if (targetS !== undefined && distanceM !== undefined && !inOpen)
    options.ease = { decision: { kind: 'ease', percent }, targetS: targetS * (1 + percent / 100) };
  if (addS > 0) options.recovery = { decision: { kind: 'recovery', addS } };
  if (shorterM >= LIMITS.shortestM && next?.rep.role === 'main' && !inOpen)
    options.distance = { decision: { kind: 'distance', distanceM: shorterM } };
  if (inOpen && cutDownsLeft(group, athlete) > 0) options.cutDown = { decision: { kind: 'cutDown' } };
  if (inOpen) options.endOpen = { decision: { kind: 'endOpen' } };
  if (lastMain && !inOpen) options.drop = { decision: { kind: 'drop', repIndex: lastMain.repIndex } };
  if (isLastMain && ran)
    options.oneMore = {
      decision: { kind: 'oneMore', repIndex: freshRepIndex(group), planIndex: ran.planIndex },
    };
  options.stop = { decision: { kind: 'stop' } };
  return options;
}
