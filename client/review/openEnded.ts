/** Work that goes on until it is ended: how far each came, and how far the last time. */
import { useMemo } from 'react';
import { MOST_NAMES } from '@core/judgement/findings';
import type { SessionFacts } from '@core/judgement/facts';
import { cameTo } from '@core/review/cameTo';
import { listed } from '@core/units/listed';
import { useSameSessionsQuery } from '../store/api';
import type { ReadRun } from './useReview';

/** Metres of each athlete the last time the session was run, by their ids; undefined while that is not known. */
export function useLastRunMetres({ plan }: ReadRun, isAsked: boolean): ReadonlyMap<string, number> | undefined {
  const { data } = useSameSessionsQuery({ runId: plan.id }, { skip: !isAsked });
  return useMemo(() => {
    const before = data?.runs.find(({ runId, date }) => runId !== plan.id && date <= plan.date);
    if (!data || !before) return undefined;
    const metres = new Map<string, number>();
    for (const { runId, athleteId, distanceM, coveredM } of data.reps)
      if (runId === before.runId) metres.set(athleteId, (metres.get(athleteId) ?? 0) + (distanceM ?? coveredM ?? 0));
    return metres;
  }, [data, plan]);
}

const km = (metres: number) => (metres / 1000).toFixed(1);

/** `Ada 10.4 km at threshold, last time 9.8; Bo 9.6 km`: the furthest first; undefined if nothing was measured. */
export function openText(
  { athletes }: SessionFacts,
  before: ReadonlyMap<string, number> | undefined,
): string | undefined {
  const came = athletes.flatMap(({ athleteId, name, row }) => {
    const { distanceM, byPace } = cameTo(row?.cells ?? []);
    return distanceM > 0 ? [{ athleteId, name, distanceM, pace: byPace[0]?.pace ?? '' }] : [];
  });
  const [first] = came;
  if (!first) return undefined;
  const isOnePace = came.every(({ pace }) => pace === first.pace);
  came.sort((a, b) => b.distanceM - a.distanceM);
  const parts = came.slice(0, MOST_NAMES).map(({ athleteId, name, distanceM, pace }, i) => {
    const at = pace !== '' && (i === 0 || !isOnePace) ? ` at ${pace}` : '';
    const last = before?.get(athleteId);
    return `${name} ${km(distanceM)} km${at}${last ? ` (last time ${km(last)})` : ''}`;
  });
  const more = came.length - parts.length;
  return `${listed(more > 0 ? [...parts, `${more} more`] : parts)}.`;
}
