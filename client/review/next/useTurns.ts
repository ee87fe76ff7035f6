import { useMemo } from 'react';
import { turnsOfSession, type TurnOfSession } from '@core/season/due';
import { useSeasons, type LaidSeason } from '../../data/useSeasons';
import { today } from '../../ui/days';

/** A turn of a season's thread, with the season. */
export type Turn = TurnOfSession & { laid: LaidSeason };

/** The turns of threads that a session was; most often one, or none. */
export function useTurns(sessionId: string): Turn[] {
  const { seasons } = useSeasons();
  const now = today();
  return useMemo(
    () =>
      (seasons ?? []).flatMap((laid) => {
        // The weeks of a season are laid out when they are asked for.
        if (!laid.season.fixed.some((day) => day.sessionId === sessionId)) return [];
        return turnsOfSession(laid.season, laid.weeks, sessionId, now).map((turn) => ({ ...turn, laid }));
      }),
    [seasons, sessionId, now],
  );
}
