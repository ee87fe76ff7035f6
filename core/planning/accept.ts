/** From a proposal to a change of the plan. */
import { gaugeOf } from '../outlook/gauge';
import {
  changesOf,
  outlookProposals,
  sharedSetting,
  type LeverChange,
  type OutlookProposal,
} from '../outlook/proposals';
import type { MeantArc } from '../session/intent';
import { samePath } from '../session/edit';
import { changeOf, isOfItem } from './changes';
import type { ItemChange, Whom } from './dayPlan';
import type { AthletePlan } from './athletePlans';

/** The proposals for one athlete's plan as it is. A target set by hand is not changed by proposals of pace. */
function ownProposals({ runner, session, legs, changes }: AthletePlan, arc: MeantArc): OutlookProposal[] {
  const { curve } = runner.paces;
  if (!curve) return [];
  const isSet = (path: readonly number[]) =>
    changes.some((change) => isOfItem(change) && change.set.kind === 'target' && samePath(change.path, path));
  const isAllowed = ({ lever, path }: LeverChange) => lever !== 'pace' || !isSet(path);
  return outlookProposals(gaugeOf(curve), session, legs, arc).filter((proposal) =>
    changesOf(proposal).every(isAllowed),
  );
}

/** The same for everyone, cached. */
export function proposer(arc: MeantArc): (athletePlan: AthletePlan) => readonly OutlookProposal[] {
  const cache = new WeakMap<AthletePlan, readonly OutlookProposal[]>();
  return (athletePlan) => {
    const proposals = cache.get(athletePlan) ?? ownProposals(athletePlan, arc);
    cache.set(athletePlan, proposals);
    return proposals;
  };
}

/** A proposal for several athletes: its change, and how many of them it helps. */
export type SharedProposal = { proposal: OutlookProposal; athletePlan: AthletePlan; does: number };

const isSameLever = (a: Pick<LeverChange, 'lever' | 'path'>, b: Pick<LeverChange, 'lever' | 'path'>) =>
  a.lever === b.lever && samePath(a.path, b.path);

/**
 * One proposal's levers for several athletes: the setting that helps each as much as their own proposal would. Undefined if none has a
 * proposal of that kind for that item.
 */
export function sharedProposal(
  like: Pick<LeverChange, 'lever' | 'path'> & { next?: Pick<LeverChange, 'lever' | 'path'> },
  members: readonly AthletePlan[],
  proposalsOf: (athletePlan: AthletePlan) => readonly OutlookProposal[],
): SharedProposal | undefined {
  const found = members.flatMap((athletePlan) => {
    const proposal = proposalsOf(athletePlan).find(
      (proposal) =>
        isSameLever(proposal, like) &&
        (like.next ? proposal.next !== undefined && isSameLever(proposal.next, like.next) : !proposal.next),
    );
    return proposal ? [{ own: athletePlan, proposal }] : [];
  });
  const proposal = sharedSetting(found.map((candidate) => candidate.proposal));
  const whose = found.find((candidate) => candidate.proposal === proposal);
  if (!proposal || !whose) return undefined;
  const next = sharedSetting(found.flatMap((candidate) => (candidate.proposal.next ? [candidate.proposal.next] : [])));
  return { proposal: next ? { ...proposal, next } : proposal, athletePlan: whose.own, does: found.length };
}

/** The changes, one or two, that accept a proposal made for an athlete's plan. A pace change adds to what was already changed. */
export function acceptedChanges(
  { proposal, athletePlan }: Pick<SharedProposal, 'proposal' | 'athletePlan'>,
  whom: Whom,
): ItemChange[] {
  return changesOf(proposal).map(({ path, set }) => {
    if (set.kind !== 'pace') return changeOf(athletePlan.written, path, whom, set);
    const before = athletePlan.changes.findLast(
      (change) => isOfItem(change) && change.set.kind === 'pace' && samePath(change.path, path),
    )?.set;
    const share = set.share * (before?.kind === 'pace' ? before.share : 1);
    return changeOf(athletePlan.written, path, whom, { kind: 'pace', share: Math.round(share * 1000) / 1000 });
  });
}
