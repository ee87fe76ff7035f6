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
      notice({ text: noticeText, undo: async () => ({ error: await restoreSeasons(put, done.saved) }) });
      return true;
    },
    [put, notice],
  );
}
