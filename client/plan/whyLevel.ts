/** An athlete's marks, and the curve through them: what their targets and predictions rest on. */
import { timeErrorFor, timeFor } from '@core/fitness/curve';
import { formatMark } from '@core/fitness/mark';
import type { AthletePlan } from '@core/planning/athletePlans';
import type { SquadMember } from '@core/squad/athlete';
import { formatTime } from '@core/units/time';
import type { WhyLine } from '../parts/Why';
import { dayInText } from '../ui/days';

const FIVE_K_M = 5000;
/** The marks that count most: the latest few. */
const MARKS = 3;

export function levelLines({ paces: { curve } }: AthletePlan['runner'], athlete: SquadMember): WhyLine[] {
  const marks = [...athlete.marks].filter(({ leftOut }) => !leftOut).sort((a, b) => b.date.localeCompare(a.date));
  const named = marks.slice(0, MARKS).map((mark) => `${formatMark(mark)} (${dayInText(mark.date)})`);
  return [
    athlete.nudge
      ? {
          text: `The coach has set the level: ${formatTime(athlete.nudge.timeS, 0)} over ${athlete.nudge.distanceM} m, ${dayInText(athlete.nudge.date)}.`,
          href: `/squad/${athlete.id}?side=marks`,
          open: 'The level',
        }
      : {
          text:
            named.length > 0
              ? `Marks: ${named.join(', ')}${marks.length > MARKS ? ` and ${marks.length - MARKS} earlier` : ''}.`
              : 'There is no mark yet.',
          href: `/squad/${athlete.id}?side=marks`,
          open: 'All marks',
        },
    ...(curve
      ? [
          {
            text: `Curve through them: a 5k of ${formatTime(timeFor(curve, FIVE_K_M), 0)} ± ${Math.max(1, Math.round(timeErrorFor(curve, FIVE_K_M)))} s today.`,
            href: `/squad/${athlete.id}` as const,
            open: 'All paces',
          },
        ]
      : []),
  ];
}
