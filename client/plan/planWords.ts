/** What is said about a plan, in a coach's words. */
import { FITS, type Fit, type Outlook } from '@core/outlook/outlook';
import type { Proposal } from '@core/outlook/proposals';
import { itemAt } from '@core/session/edit';
import { formatAmount, formatItem } from '@core/session/formatSession';
import type { Item, Session } from '@core/session/session';
import type { Change, DayGroup } from '@core/planning/dayPlan';
import type { SquadMember } from '@core/squad/athlete';
import type { Aim } from '@core/targets/targetsFor';
import { formatClock, formatTime } from '@core/units/time';

export const FIT_WORDS: Record<Fit, string> = {
  fine: 'as meant',
  light: 'easier than meant',
  stretched: 'harder than meant',
  cannot: 'more than they have',
  unknown: 'cannot be told',
};

/** The order in which the coach wants to see them: who needs something first. */
const URGENCY: readonly Fit[] = ['cannot', 'stretched', 'light', 'fine', 'unknown'];
export const byUrgency = (a: Fit, b: Fit) => URGENCY.indexOf(a) - URGENCY.indexOf(b);

/** `9 as meant, 2 harder than meant, 1 cannot be told`: in the order of FITS, none left out that has anybody. */
export function fitsText(fits: readonly Fit[]): string {
  return FITS.flatMap((fit) => {
    const n = fits.filter((one) => one === fit).length;
    return n === 0 ? [] : [`${n} ${FIT_WORDS[fit]}`];
  }).join(', ');
}

/** `at least 23 % of the reserve left` */
const leftText = (leastLeft: number) =>
  leastLeft < 0 ? 'the reserve runs out' : `at least ${Math.round(leastLeft * 100)} % of the reserve left`;

/** `effort 9.1 at the end, at least 23 % of the reserve left` */
export function outlookText({ lastEffort, leastLeft, shareOfLimit, fit }: Outlook): string {
  if (fit === 'unknown') return 'run by effort, or without a mark';
  const left = leftText(leastLeft);
  const limit = shareOfLimit > 0 ? `, ${Math.round(shareOfLimit * 100)} % of what could be run flat out` : '';
  return `effort ${(lastEffort ?? 0).toFixed(1)} at the end, ${left}${limit}`;
}

/** How much slower or quicker a share of the speed is: `2.0 % slower`. */
export function paceText(share: number): string {
  const percent = Math.abs(1 / share - 1) * 100;
  if (percent < 0.05) return 'as worked out';
  return `${percent.toFixed(1)} % ${share < 1 ? 'slower' : 'quicker'}`;
}

/** Seconds of rest: `75 s`, `2:30`. */
export const restText = (s: number) => (s < 100 ? `${Math.round(s)} s` : formatClock(s));

/** An item in a few characters, without its count and recovery: `400 @5k`, `set of 3`. */
export function itemName({ body }: Item): string {
  if (body.kind === 'set') return `set of ${body.items.length}`;
  if (body.kind === 'drills') return 'drills';
  const pace = body.pace ? ` ${formatItem({ count: { kind: 'fixed', n: 1 }, body }).replace(/^[^@]*/, '')}` : '';
  return `${body.amounts.map(formatAmount).join('-')}${pace}`;
}

/** What a proposal would change: `400 @5k: 75 s of recovery → 105 s`. */
export function proposalText({ lever, path, set, from, to }: Proposal, session: Session): string {
  const item = itemAt(session, path);
  const name = item ? itemName(item) : '';
  switch (lever) {
    case 'recovery':
      return set.kind === 'jog'
        ? `${name}: jog ${Math.round(to)} m instead of ${Math.round(from)} m`
        : `${name}: recovery ${restText(to)} instead of ${restText(from)}`;
    case 'count':
    case 'reps-in-set':
      return `${name}: ${to} × instead of ${from} ×${lever === 'reps-in-set' ? ' in each set' : ''}`;
    case 'pace':
      return `${name}: ${paceText(to)}`;
  }
}

/** What a proposal would come to: `then as meant: effort 8.4 at the end, at least 40 % of the reserve left`. */
export const effectText = ({ effect: { fit, lastEffort, leastLeft } }: Proposal): string =>
  `then ${FIT_WORDS[fit]}: effort ${(lastEffort ?? 0).toFixed(1)} at the end, ${leftText(leastLeft)}`;

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
    case 'recovery':
      return `${of}recovery ${restText(set.durationS)}`;
    case 'jog':
      return `${of}jog ${set.distanceM} m`;
    case 'pace':
      return `${of}${paceText(set.share)}`;
    case 'target':
      return `${of}${formatTime(set.targetS, 1)}${set.rep === undefined ? '' : ` for rep ${set.rep + 1}`}`;
  }
}
