import { useMemo } from 'react';
import { markWorths, trendOf, type MarkWorth, type Trend } from '@core/fitness/trend';
import type { AthletePaces } from '@core/squad/athletePaces';
import { daysAfter } from '@core/units/dayNumber';
import { today } from '../ui/days';

/** As far back as a season is looked at. */
export const SEASON_DAYS = 300;

export const seasonFrom = (): string => daysAfter(today(), -SEASON_DAYS);

/** What somebody's marks of the season are worth over a distance, and how fast they come along. */
export function trendFor(
  { curve }: Pick<AthletePaces, 'curve'>,
  distanceM: number,
  from = seasonFrom(),
): { worths: MarkWorth[]; trend?: Trend } {
  if (!curve) return { worths: [] };
  const worths = markWorths(curve, distanceM, from);
  const trend = trendOf(worths);
  return { worths, ...(trend ? { trend } : {}) };
}

export const useTrend = (paces: AthletePaces, distanceM: number) =>
  useMemo(() => trendFor(paces, distanceM), [paces, distanceM]);
