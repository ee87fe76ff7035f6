/** How an athlete develops: what each mark was worth, and how fast that changes. */
import { timeFor, type Curve } from './curve';
import type { MarkKind } from './mark';
import { mayBeWrong } from './wrongMark';
import { daysBetween } from '../units/dayNumber';

/** What one mark alone is worth over a distance, by the shape of the athlete's curve: `timeS` ± `errorS` seconds. */
export type MarkWorth = {
  date: string;
  kind: MarkKind;
  timeS: number;
  errorS: number;
  /** It does not fit the others: a fall, a race jogged home. */
  outlier?: true;
};

/** Every mark of a curve since a day (YYYY-MM-DD) over one distance, earliest first, each with the error it had on its own day. */
export function markWorths(curve: Curve, distanceM: number, from: string): MarkWorth[] {
  const worthS = timeFor(curve, distanceM);
  return curve.marks
    .filter(({ mark }) => mark.date >= from)
    .map((weighed): MarkWorth => {
      const { mark, timeS, freshSd } = weighed;
      const ownS = worthS * (timeS / timeFor(curve, mark.distanceM));
      return {
        date: mark.date,
        kind: mark.kind,
        timeS: ownS,
        errorS: ownS * freshSd,
        ...(mayBeWrong(curve, weighed) ? { outlier: true as const } : {}),
      };
    })
    .sort((a, b) => a.date.localeCompare(b.date));
}

/** Gain per week as a share of the time, with its standard error; above 0 is faster. */
export type Trend = { perWeek: number; errorPerWeek: number; marks: number };

/** Fewer marks, or a shorter part of a season, show no trend. */
const LEAST = { marks: 3, days: 28 };
/** Values outside these are ignored: times under a second, and errors below a ten-thousandth of the time or above all of it. */
const KNOWN = { timeS: 1, least: 1e-4, most: 1 };

/**
 * The rate at which an athlete gets faster: weighted linear regression of ln(time) on the day. Where the marks lie further about the line
 * than their own errors say, the error grows by as much (the scale factor of Birge, Phys. Rev. 40:207, 1932).
 */
export function trendOf(all: readonly MarkWorth[]): Trend | undefined {
  const isKnown = ({ timeS, errorS }: MarkWorth) =>
    timeS >= KNOWN.timeS && timeS < Infinity && errorS >= KNOWN.least * timeS && errorS <= KNOWN.most * timeS;
  const worths = all.filter((worth) => !worth.outlier && isKnown(worth));
  const [first] = worths;
  if (!first || worths.length < LEAST.marks) return undefined;
  const points = worths.map(({ date, timeS, errorS }) => ({
    weeks: daysBetween(first.date, date) / 7,
    lnS: Math.log(timeS),
    weight: (timeS / errorS) ** 2,
  }));
  const spanWeeks = Math.max(...points.map(({ weeks }) => weeks)) - Math.min(...points.map(({ weeks }) => weeks));
  if (spanWeeks * 7 < LEAST.days) return undefined;
  const total = points.reduce((sum, { weight }) => sum + weight, 0);
  const middle = (of: (point: (typeof points)[number]) => number) =>
    points.reduce((sum, point) => sum + point.weight * of(point), 0) / total;
  const [weeks0, ln0] = [middle(({ weeks }) => weeks), middle(({ lnS }) => lnS)];
  const spread = points.reduce((sum, { weeks, weight }) => sum + weight * (weeks - weeks0) ** 2, 0);
  if (spread <= 0) return undefined;
  const slope =
    points.reduce((sum, { weeks, lnS, weight }) => sum + weight * (weeks - weeks0) * (lnS - ln0), 0) / spread;
  const chi2 = points.reduce(
    (sum, { weeks, lnS, weight }) => sum + weight * (lnS - ln0 - slope * (weeks - weeks0)) ** 2,
    0,
  );
  const scale = Math.max(1, Math.sqrt(chi2 / Math.max(1, points.length - 2)));
  return { perWeek: -slope, errorPerWeek: scale / Math.sqrt(spread), marks: points.length };
}
