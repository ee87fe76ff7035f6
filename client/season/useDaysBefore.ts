import { skipToken } from '@reduxjs/toolkit/query';
import { useMemo } from 'react';
import { daysAfter } from '@core/units/dayNumber';
import { useRunsOnQuery, useSessionsOnQuery } from '../store/api';
import type { SeasonData } from './useSeasonData';

/** Sessions and runs of a week that lies before all that is looked at otherwise: only those of it. */
export function useDaysBefore({ days }: SeasonData, weekFrom: string): Partial<Pick<SeasonData, 'sessions' | 'runs'>> {
  const asked = weekFrom < days.from ? { from: weekFrom, to: daysAfter(weekFrom, 6) } : skipToken;
  const { currentData: sessions } = useSessionsOnQuery(asked);
  const { currentData: runs } = useRunsOnQuery(asked);
  return useMemo(() => ({ ...(sessions ? { sessions } : {}), ...(runs ? { runs } : {}) }), [sessions, runs]);
}
