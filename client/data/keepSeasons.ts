import type { SeasonPlan, StoredSeason } from '@core/season/season';
import { takeBackAll } from './takeBackAll';

/** A stored season and its replacement. */
export type SeasonChanged = { before: StoredSeason; next: SeasonPlan };

/** Stores a season that was changed from `version`. */
export type PutSeason = (season: StoredSeason) => Promise<{ data?: StoredSeason; error?: unknown }>;

/** Puts seasons back as they were, the last one first. @returns the first error, if any. */
export const restoreSeasons = async (put: PutSeason, saved: readonly StoredSeason[]): Promise<unknown> =>
  (await takeBackAll(saved.map((season) => () => put(season)))).error;

/**
 * Saves changed seasons, all or none: when one is refused, those saved before it are put back.
 * @returns what restores them all, or the error.
 */
export async function keepSeasons(
  put: PutSeason,
  changed: readonly SeasonChanged[],
): Promise<{ ok: true; saved: StoredSeason[] } | { ok: false; error: unknown }> {
  const saved: StoredSeason[] = [];
  for (const { before, next } of changed) {
    const { id, version, season } = before;
    const sent = await put({ id, version, season: next });
    if (!sent.data) {
      await restoreSeasons(put, saved);
      return { ok: false, error: sent.error };
    }
    saved.push({ id, version: sent.data.version, season });
  }
  return { ok: true, saved };
}
