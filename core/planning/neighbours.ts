import type { Neighbour } from '../advice/dayCautions';
import { suggestIntent } from '../advice/suggestIntent';
import type { PaceBook } from '../paces/paceBook';
import type { Intent } from '../session/intent';
import { parseStored } from '../session/parseSession';
import type { SquadMember } from '../squad/athlete';
import { daysAfter } from '../units/dayNumber';
import { takesPart, type DayPlan } from './dayPlan';

type Dated = { title: string; date: string; shorthand: string; intent?: Intent; plan?: DayPlan };

/** Whom and what it takes to read the sessions beside. */
type Source = { athletes: readonly SquadMember[]; paceNames: readonly string[]; paceBook: PaceBook };

/**
 * The sessions of the day before and the day after, with who is to run them. What they are for is told by the same pace book as for the
 * session itself: a pace of the coach's own may be a fast one.
 */
export function neighboursOf(
  { date }: { date: string },
  all: readonly Dated[],
  { athletes, paceNames, paceBook }: Source,
): Neighbour[] {
  const [before, after] = [daysAfter(date, -1), daysAfter(date, 1)];
  return all.flatMap((other): Neighbour[] => {
    if (other.date !== before && other.date !== after) return [];
    const parsed = parseStored(other.shorthand, { paceNames });
    if (!parsed.ok) return [];
    const taking = athletes.filter((athlete) => takesPart(other.plan ?? {}, athlete));
    return [
      {
        title: other.title,
        isBefore: other.date === before,
        intent: other.intent ?? suggestIntent(parsed.session, paceBook),
        athleteIds: new Set(taking.map(({ id }) => id)),
      },
    ];
  });
}
