/** Cautions about an athlete, each a sentence with its reason. Nothing is ever locked. Thresholds are common coaching practice. */
import { counted } from '../units/counted';
import { doubtsAboutMarks } from '../fitness/howSure';
import { isUsable } from '../fitness/weighing';
import { hasFlatOutTrial } from '../session/flatOut';
import type { SessionTree } from '../session/session';
import { formatDistance } from '../units/distance';
import { ageInYear, FEW_WEEKS, hasFewWeeks, weeksRunning, type Athlete } from '../squad/athlete';

const weeksText = (weeks: number) => counted(weeks, 'week');

/** About a flat-out trial for someone who has run for only a few weeks. */
function earlyTrials(athlete: Athlete): string[] {
  return athlete.marks.flatMap((mark) => {
    if (mark.kind !== 'trial' || !hasFewWeeks(athlete, mark.date)) return [];
    const weeks = weeksText(weeksRunning(athlete, mark.date) ?? 0);
    return [
      `The ${formatDistance(mark.distanceM)} trial came after ${weeks} of regular running. A flat-out trial is for athletes with some weeks behind them: about ${FEW_WEEKS}.`,
    ];
  });
}

/** About a level set by the coach that newer marks may have overtaken. */
function overtakenNudge({ nudge, marks }: Athlete): string[] {
  if (!nudge) return [];
  const newer = marks.some((mark) => isUsable(mark) && mark.date > nudge.date);
  return newer ? ['There is a newer mark than the level you set: take the level off to see what the marks say.'] : [];
}

/** All cautions about an athlete's paces on a day (YYYY-MM-DD). */
export function cautionsFor(athlete: Athlete, asOf: string): string[] {
  return [
    ...doubtsAboutMarks(athlete.marks, asOf, {
      canTrial: !hasFewWeeks(athlete, asOf),
      ageYears: ageInYear(athlete, asOf),
      leaning: athlete.leaning,
    }),
    ...overtakenNudge(athlete),
    ...earlyTrials(athlete),
  ];
}

/** Cautions for a session with a flat-out trial when some of its athletes have run for only a few weeks. */
export function trialCaution(session: SessionTree, athletes: readonly Athlete[], date: string): string | undefined {
  const few = athletes.filter((athlete) => hasFewWeeks(athlete, date));
  if (few.length === 0 || !hasFlatOutTrial(session)) return undefined;
  const who = few.map((athlete) => `${athlete.name} has ${weeksText(weeksRunning(athlete, date) ?? 0)}`).join(', ');
  return `A flat-out trial is for athletes with some weeks of regular running behind them, about ${FEW_WEEKS}: ${who}.`;
}
