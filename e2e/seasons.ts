import { layOutSeason } from '../core/season/layout/layOut';
import type { SeasonDay, SeasonPlan, StoredSeason } from '../core/season/season';
import type { RunningApp } from './runningApp';

export const today = () => new Date().toISOString().slice(0, 10);

/** The season whose name begins so. */
export async function seasonCalled(app: RunningApp, begins: string): Promise<StoredSeason> {
  const season = (await app.get<StoredSeason[]>('seasons')).find((season) => season.season.name.startsWith(begins));
  if (!season) throw new Error(`There is no season “${begins}”.`);
  return season;
}

/** All its days as they are laid out. */
export const daysOf = (season: SeasonPlan): SeasonDay[] => layOutSeason(season).flatMap((week) => week.days);

/** As the ladder calls a day: `Tuesday 8 December`. */
export const spoken = (date: string) =>
  new Intl.DateTimeFormat('en-GB', { weekday: 'long', day: 'numeric', month: 'long', timeZone: 'UTC' })
    .format(new Date(`${date}T12:00:00Z`))
    .replace(',', '');

/** Stores a season as another device would. */
export const putSeason = (app: RunningApp, { id, ...body }: StoredSeason): Promise<void> =>
  app.send('PUT', `seasons/${id}`, body);
