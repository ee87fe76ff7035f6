import { changeSeason } from '@core/season/changes';
import { usualAmount } from '@core/season/load';
import { useKeepSeasons } from '../data/useKeepSeasons';
import type { LaidSeason } from '../data/useSeasons';
import { today } from '../ui/days';
import type { DayEntry } from './weekView';

/** Ticks a day as run in every season it is a day of, with as much as was planned; or takes that back. One Undo for all. */
export function useTick(seasons: readonly LaidSeason[]) {
  const keep = useKeepSeasons();
  return async ({ seasonIds, day, done: before, title }: DayEntry, date: string) => {
    if (!day) return;
    const done = before ? undefined : { amount: usualAmount(day) };
    await keep(
      seasons
        .filter(({ id }) => seasonIds.includes(id))
        .map((laid) => ({
          before: laid,
          next: changeSeason(laid.season, { kind: 'done', date, done }, today()),
        })),
      before ? `${title}: the tick is gone.` : `${title}: run.`,
    );
  };
}
