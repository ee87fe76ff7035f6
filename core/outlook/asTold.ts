/**
 * Predicted and meant efforts as one athlete would tell them; the two move together. Whether a session fits is judged before that, on the
 * common scale: somebody who tells everything one lower is not given a harder session for it.
 */
import type { MeantArc } from '../session/intent';
import { calibrated, type Telling } from './calibration';
import type { Chances } from './chances';
import type { Outlook } from './outlook';
import type { OutlookProposal } from './proposals';

const move = (telling: Telling | undefined) => (effort: number) => (telling ? calibrated(effort, telling) : effort);

export function outlookAsTold<O extends Outlook>(outlook: O, telling: Telling | undefined): O {
  const theirs = move(telling);
  return {
    ...outlook,
    meant: outlook.meant.map(theirs),
    points: outlook.points.map((point) => ({
      ...point,
      // What a session asks for by effort is shown as it was asked for.
      ...(point.effort === undefined || point.isAsked ? {} : { effort: theirs(point.effort) }),
      ...(point.earlyEffort === undefined ? {} : { earlyEffort: theirs(point.earlyEffort) }),
    })),
    ...(outlook.lastEffort === undefined || outlook.points.at(-1)?.isAsked
      ? {}
      : { lastEffort: theirs(outlook.lastEffort) }),
  };
}

export function arcAsTold({ first, middle, last }: MeantArc, telling: Telling | undefined): MeantArc {
  const theirs = move(telling);
  return { first: theirs(first), middle: theirs(middle), last: theirs(last) };
}

export function chancesAsTold(chances: Chances, telling: Telling | undefined): Chances {
  const { lastEffort } = chances;
  const theirs = move(telling);
  return lastEffort
    ? { ...chances, lastEffort: { low: theirs(lastEffort.low), high: theirs(lastEffort.high) } }
    : chances;
}

const effectAsTold = <T extends { effect: OutlookProposal['effect'] }>(part: T, telling: Telling | undefined): T => {
  const { lastEffort } = part.effect;
  return lastEffort === undefined
    ? part
    : { ...part, effect: { ...part.effect, lastEffort: move(telling)(lastEffort) } };
};

export const proposalAsTold = ({ next, ...first }: OutlookProposal, telling: Telling | undefined): OutlookProposal => ({
  ...effectAsTold(first, telling),
  ...(next ? { next: effectAsTold(next, telling) } : {}),
});
