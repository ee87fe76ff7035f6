import { useCallback } from 'react';
import { troubleText, usePutSeasonMutation } from '../store/api';
import { useNotice } from '../ui/Notices';
import { keepSeasons, restoreSeasons, type SeasonChanged } from './keepSeasons';

/** Saves changed seasons, all or none, with one notice and Undo; or says why not. @returns whether they were saved. */
export function useKeepSeasons() {
  const [put] = usePutSeasonMutation();
  const notice = useNotice();
  return useCallback(
    async (changed: readonly SeasonChanged[], noticeText: string): Promise<boolean> => {
      const done = await keepSeasons(put, changed);
      if (!done.ok) {
        notice({ text: troubleText(done.error) });
        return false;
      }
      const undo = async () => {
        const error = await restoreSeasons(put, done.saved);
        if (error !== undefined) notice({ text: troubleText(error) });
      };
      notice({ text: noticeText, undo: () => void undo() });
      return true;
    },
    [put, notice],
  );
}
