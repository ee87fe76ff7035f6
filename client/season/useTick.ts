import { changeSeason } from '@core/season/changes';
import type { StoredSeason } from '@core/season/season';
import type { LaidSeason } from '../data/useSeasons';
import { troubleText, usePutSeasonMutation } from '../store/api';
import { today } from '../ui/days';
import { useNotice } from '../ui/Notices';
import { usualAmount } from './DayDone';
import type { DayEntry } from './weekView';

/** Ticks a day as run in every season it is a day of, with as much as was planned; or takes that back. One Undo for all. */
export function useTick(seasons: readonly LaidSeason[]) {
  const [put] = usePutSeasonMutation();
  const notice = useNotice();
  return async ({ seasonIds, day, done, title }: DayEntry, date: string) => {
    if (!day) return;
    const kept: StoredSeason[] = [];
    for (const { id, version, season } of seasons.filter((one) => seasonIds.includes(one.id))) {
      const next = changeSeason(
        season,
        { kind: 'done', date, done: done ? undefined : { amount: usualAmount(day) } },
        today(),
      );
      const sent = await put({ id, version, season: next });
      if (sent.error) return notice({ text: troubleText(sent.error) });
      kept.push({ id, version: sent.data.version, season });
    }
    const undo = async () => {
      for (const before of kept) {
        const back = await put(before);
        if (back.error) notice({ text: troubleText(back.error) });
      }
    };
    notice({ text: done ? `${title}: the tick is gone.` : `${title}: run.`, undo: () => void undo() });
  };
}
