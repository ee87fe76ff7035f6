/** What is said about a plan, in a coach's words. */
import { FITS, type SessionFit, type Outlook } from '@core/outlook/outlook';
import { changesOf, type Effect, type LeverChange, type OutlookProposal } from '@core/outlook/proposals';
import { itemAt } from '@core/session/edit';
import { formatAmount, formatItem } from '@core/session/formatSession';
import type { Item, SessionTree } from '@core/session/session';
import type { Change, DayGroup } from '@core/planning/dayPlan';
import type { SquadMember } from '@core/squad/athlete';
import type { Aim } from '@core/targets/targetsFor';
import { formatRest, formatTime } from '@core/units/time';

export const FIT_WORDS: Record<SessionFit, string> = {
  fine: 'on plan',
  light: 'too easy',
  stretched: 'stretched',
  cannot: 'too much',
  unknown: 'no pace',
};

/** The order in which the coach wants to see them: who needs something first. */
const URGENCY: readonly SessionFit[] = ['cannot', 'stretched', 'light', 'fine', 'unknown'];
export const byUrgency = (a: SessionFit, b: SessionFit) => URGENCY.indexOf(a) - URGENCY.indexOf(b);

const FOR_SOME: Record<SessionFit, string> = {
  fine: 'on plan for',
  light: 'too easy for',
  stretched: 'harder than meant for',
  cannot: 'too much for',
  unknown: 'without a pace to judge by:',
};

/** `on plan for 9 of 12, harder than meant for 2, without a pace to judge by: 1`: in the order of FITS, those that nobody is in left out. */
export function fitsText(fits: readonly SessionFit[]): string {
  let isFirst = true;
  return FITS.flatMap((fit) => {
    const n = fits.filter((judged) => judged === fit).length;
    if (n === 0) return [];
    const of = isFirst && fits.length > 1 ? (n === fits.length ? `all ${n}` : `${n} of ${fits.length}`) : String(n);
    isFirst = false;
    return [`${FOR_SOME[fit]} ${of}`];
  }).join(', ');
}

/** `at least 23 % of the reserve left` */
const leftText = (leastLeft: number) =>
  leastLeft < 0 ? 'the reserve runs out' : `at least ${Math.round(leastLeft * 100)} % of the reserve left`;

/** `effort 9.1 at the end, at least 23 % of the reserve left, 80 % of a flat-out run` */
function effectWords({ lastEffort, leastLeft, limitShare }: Omit<Effect, 'fit'>): string {
  const limit = limitShare > 0.005 ? `, ${Math.round(limitShare * 100)} % of a flat-out run` : '';
  return `effort ${(lastEffort ?? 0).toFixed(1)} at the end, ${leftText(leastLeft)}${limit}`;
}

/** `effort 9.1 at the end, at least 23 % of the reserve left, 80 % of a flat-out run` */
export const outlookText = (outlook: Outlook): string =>
  outlook.fit === 'unknown' ? 'run by effort, or without a mark' : effectWords(outlook);

/** How much slower or quicker a share of the speed is: `2.0 % slower`. */
export function paceText(share: number): string {
  const percent = Math.abs(1 / share - 1) * 100;
  if (percent < 0.05) return 'as worked out';
  return `${percent.toFixed(1)} % ${share < 1 ? 'slower' : 'quicker'}`;
}

/** An item in a few characters, without its count and recovery: `400 @5k`, `set of 3`. */
export function itemName({ body }: Item): string {
  if (body.kind === 'set') return `set of ${body.items.length}`;
  if (body.kind === 'drills') return 'drills';
  const pace = body.pace ? ` ${formatItem({ count: { kind: 'fixed', n: 1 }, body }).replace(/^[^@]*/, '')}` : '';
  return `${body.amounts.map(formatAmount).join('-')}${pace}`;
}

/** What one change is: `400 @5k: recovery 105 s instead of 75 s`. */
function leverText({ lever, path, set, from, to }: LeverChange, session: SessionTree): string {
  const item = itemAt(session, path);
  const name = item ? itemName(item) : '';
  switch (lever) {
    case 'recovery':
      return set.kind === 'jog'
        ? `${name}: jog ${Math.round(to)} m instead of ${Math.round(from)} m`
        : `${name}: recovery ${formatRest(to)} instead of ${formatRest(from)}`;
    case 'count':
    case 'reps-in-set':
      return `${name}: ${to} × instead of ${from} ×${lever === 'reps-in-set' ? ' in each set' : ''}`;
    case 'pace':
      return `${name}: ${paceText(to)}`;
  }
}

/** What a proposal would change: one thing, or two of which neither is enough alone. */
export const outlookProposalText = (proposal: OutlookProposal, session: SessionTree): string =>
  changesOf(proposal)
    .map((change) => leverText(change, session))
    .join(', and ');

/** What a proposal would come to: `then on plan: effort 8.4 …`, or what is left over after the first of two changes. */
export function effectText({ effect, next }: OutlookProposal): string {
  if (!next) return `then ${FIT_WORDS[effect.fit]}: ${effectWords(effect)}`;
  return `the first alone is still ${FIT_WORDS[effect.fit]} (effort ${(effect.lastEffort ?? 0).toFixed(1)} at the end, ${leftText(effect.leastLeft)}); with both ${FIT_WORDS[next.effect.fit]}: ${effectWords(next.effect)}`;
}

export const AIM_WORDS: Record<Aim, string> = {
  written: 'As written',
  now: 'Now',
  moving: 'Now to goal',
  goal: 'Goal',
};

/** Whom a change is for: `Juno`, `Milers`, `everyone`. */
export function whomText({ whom }: Change, groups: readonly DayGroup[], athletes: readonly SquadMember[]): string {
  if (whom.kind === 'all') return 'Everyone';
  if (whom.kind === 'group') return groups.find(({ id }) => id === whom.groupId)?.name ?? 'A group that is gone';
  return athletes.find(({ id }) => id === whom.athleteId)?.tileName ?? 'Somebody who has left';
}

/** What a change says: `400 @5k: 6 ×`. */
export function changeText(change: Change): string {
  const { set } = change;
  const of = 'wrote' in change ? `${change.wrote}: ` : '';
  switch (set.kind) {
    case 'aim':
      return `paces ${set.aim === 'written' ? 'as written' : set.aim === 'moving' ? 'from now to goal' : `of ${set.aim === 'goal' ? 'the goal' : 'now'}`}`;
    case 'count':
      return `${of}${set.n} ×`;
    case 'length':
      // Of time or of distance, as the item was written.
      return `${of}${/\d(?:s|min)\b/.test(of) ? formatRest(set.length) : `${Math.round(set.length)} m`}`;
    case 'recovery':
      return `${of}recovery ${formatRest(set.durationS)}`;
    case 'jog':
      return `${of}jog ${set.distanceM} m`;
    case 'pace':
      return `${of}${paceText(set.share)}`;
    case 'target':
      return `${of}${formatTime(set.targetS, 1)}${set.rep === undefined ? '' : ` for rep ${set.rep + 1}`}`;
  }
}
