import type { Neighbour } from '../advice/dayCautions';
import { suggestIntent } from '../advice/suggestIntent';
import type { PaceBook } from '../paces/paceBook';
import type { Intent } from '../session/intent';
import { parseStored } from '../session/parseSession';
import type { SquadMember } from '../squad/athlete';
import { daysAfter } from '../units/dayNumber';
import { takesPart, type DayPlan } from './dayPlan';

type Dated = { title: string; date: string; shorthand: string; intent?: Intent; plan?: DayPlan };

/** What it takes to read the neighbouring sessions. */
type Source = { athletes: readonly SquadMember[]; paceNames: readonly string[]; paceBook: PaceBook };

/**
 * Sessions of the day before and after, with who runs them. Their intent is judged by the same pace book as the session itself: one of the
 * coach's own paces may be fast.
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
