/** From what would make it fit to a change of the plan. */
import { gaugeOf } from '../outlook/gauge';
import { changesOf, proposalsFor, sharedSetting, type LeverChange, type Proposal } from '../outlook/proposals';
import type { MeantArc } from '../session/intent';
import { samePath } from '../session/edit';
import { changeOf, isOfItem } from './changes';
import type { ItemChange, Whom } from './dayPlan';
import type { OwnPlan } from './ownPlans';

/** What would make it fit one athlete, for their plan as it is; a time set by hand is left alone by proposals of pace. */
function ownProposals({ runner, session, legs, changes }: OwnPlan, arc: MeantArc): Proposal[] {
  const { curve } = runner.paces;
  if (!curve) return [];
  const isSet = (path: readonly number[]) =>
    changes.some((change) => isOfItem(change) && change.set.kind === 'target' && samePath(change.path, path));
  const isAllowed = ({ lever, path }: LeverChange) => lever !== 'pace' || !isSet(path);
  return proposalsFor(gaugeOf(curve), session, legs, arc).filter((one) => changesOf(one).every(isAllowed));
}

/** The same for everyone, each worked out when first asked for. */
export function proposer(arc: MeantArc): (own: OwnPlan) => readonly Proposal[] {
  const known = new WeakMap<OwnPlan, readonly Proposal[]>();
  return (own) => {
    const proposals = known.get(own) ?? ownProposals(own, arc);
    known.set(own, proposals);
    return proposals;
  };
}

/** A proposal that does for several: its change, and how many of them it is for. */
export type SharedProposal = { proposal: Proposal; own: OwnPlan; does: number };

const isSameLever = (a: Pick<LeverChange, 'lever' | 'path'>, b: Pick<LeverChange, 'lever' | 'path'>) =>
  a.lever === b.lever && samePath(a.path, b.path);

/**
 * One proposal's levers for several athletes: the setting that does for each what their own proposal does. Undefined where none of
 * them has a proposal of that kind for that item.
 */
export function sharedProposal(
  like: Pick<LeverChange, 'lever' | 'path'> & { next?: Pick<LeverChange, 'lever' | 'path'> },
  members: readonly OwnPlan[],
  proposalsOf: (own: OwnPlan) => readonly Proposal[],
): SharedProposal | undefined {
  const found = members.flatMap((own) => {
    const proposal = proposalsOf(own).find(
      (one) =>
        isSameLever(one, like) && (like.next ? one.next !== undefined && isSameLever(one.next, like.next) : !one.next),
    );
    return proposal ? [{ own, proposal }] : [];
  });
  const proposal = sharedSetting(found.map((one) => one.proposal));
  const whose = found.find((one) => one.proposal === proposal);
  if (!proposal || !whose) return undefined;
  const next = sharedSetting(found.flatMap((one) => (one.proposal.next ? [one.proposal.next] : [])));
  return { proposal: next ? { ...proposal, next } : proposal, own: whose.own, does: found.length };
}

/** The changes that accept a proposal made for `own`, one or two. A pace goes on from what was already changed of it. */
export function acceptedChanges({ proposal, own }: Pick<SharedProposal, 'proposal' | 'own'>, whom: Whom): ItemChange[] {
  return changesOf(proposal).map(({ path, set }) => {
    if (set.kind !== 'pace') return changeOf(own.written, path, whom, set);
    const before = own.changes.findLast(
      (change) => isOfItem(change) && change.set.kind === 'pace' && samePath(change.path, path),
    )?.set;
    const share = set.share * (before?.kind === 'pace' ? before.share : 1);
    return changeOf(own.written, path, whom, { kind: 'pace', share: Math.round(share * 1000) / 1000 });
  });
}
