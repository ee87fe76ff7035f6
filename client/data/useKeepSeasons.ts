import { useCallback } from 'react';
import type { SeasonPlan, StoredSeason } from '@core/season/season';
import { troubleText, usePutSeasonMutation } from '../store/api';
import { useNotice } from '../ui/Notices';

/** A season as it is stored, and what is to take its place. */
export type SeasonChanged = { before: StoredSeason; next: SeasonPlan };

/** Stores changed seasons and says so, with one Undo for all; or says why not. @returns whether they were stored. */
export function useKeepSeasons() {
  const [put] = usePutSeasonMutation();
  const notice = useNotice();
  return useCallback(
    async (changed: readonly SeasonChanged[], says: string): Promise<boolean> => {
      const kept: StoredSeason[] = [];
      for (const { before, next } of changed) {
        const { id, version, season } = before;
        const sent = await put({ id, version, season: next });
        if (sent.error) {
          notice({ text: troubleText(sent.error) });
          return false;
        }
        kept.push({ id, version: sent.data.version, season });
      }
      const undo = async () => {
        for (const before of kept) {
          const back = await put(before);
          if (back.error) notice({ text: troubleText(back.error) });
        }
      };
      notice({ text: says, undo: () => void undo() });
      return true;
    },
    [put, notice],
  );
}
