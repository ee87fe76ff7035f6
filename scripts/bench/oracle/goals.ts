/** The oracle of goals: of a hundred goals given a chance, how many are reached. */
import { timeErrorFor, timeFor, fitCurve } from '@core/fitness/curve';
import { markWorths, trendOf } from '@core/fitness/trend';
import { normal } from '@core/rehearsal/simulate';
import { goalReach, lagWeeksOf } from '@core/squad/goalReach';
import { daysAfter } from '@core/units/dayNumber';
import { seeded } from '@core/units/seeded';
import { movedBy, raceOf, runnerOf, type World } from './runners';

const DAY = '2026-06-01';
/** Rates of made-up athletes, as shares of speed a week, fading from the day on. */
const RATE = { mean: 0.0007, sd: 0.0011 };
const FADES_WEEKS = 17;
const RACE_WEEKS = [-15, -12, -9, -6, -3, -1];
const BINS = [0, 0.2, 0.4, 0.6, 0.8, 1];

export type Bin = { from: number; to: number; n: number; saidPct: number; happenedPct: number };

/** Goals somewhat quicker than today's time, six to sixteen weeks ahead; the bins have what was said and what happened. */
export function goalsReached(world: World, athletes: number): Bin[] {
  const random = seeded(9);
  const all: { chance: number; isReached: boolean }[] = [];
  for (let i = 0; i < athletes; i++) {
    const { truth } = runnerOf(world, random);
    const perWeek = RATE.mean + normal(random, RATE.sd);
    const marks = RACE_WEEKS.map((week) =>
      raceOf(movedBy(truth, perWeek * week), 5000, daysAfter(DAY, 7 * week), random),
    );
    const curve = fitCurve(marks, { asOf: DAY });
    const now = { timeS: timeFor(curve, 5000), errorS: timeErrorFor(curve, 5000), lagWeeks: lagWeeksOf(curve) };
    const trend = trendOf(markWorths(curve, 5000, daysAfter(DAY, -300)));
    const weeks = 6 + Math.floor(random() * 11);
    const goal = { distanceM: 5000, timeS: now.timeS * (1 - 0.03 * random()), date: daysAfter(DAY, 7 * weeks) };
    const { chance } = goalReach(now, trend, goal, DAY) ?? {};
    if (chance === undefined) continue;
    const gained = perWeek * FADES_WEEKS * (1 - Math.exp(-weeks / FADES_WEEKS));
    const ran = raceOf(movedBy(truth, gained), 5000, goal.date, random);
    all.push({ chance, isReached: ran.timeS <= goal.timeS });
  }
  return BINS.slice(1).flatMap((to, i) => {
    const from = BINS[i] ?? 0;
    const inBin = all.filter(({ chance }) => chance >= from && chance < to);
    if (inBin.length === 0) return [];
    const percent = (sum: number) => (100 * sum) / inBin.length;
    return [
      {
        from,
        to,
        n: inBin.length,
        saidPct: percent(inBin.reduce((sum, { chance }) => sum + chance, 0)),
        happenedPct: percent(inBin.filter(({ isReached }) => isReached).length),
      },
    ];
  });
}
