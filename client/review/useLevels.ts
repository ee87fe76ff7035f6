import type { LevelRead } from '@core/review/changeShown';
import { useLevelsQuery } from '../store/api';

export type Levels = Readonly<Record<string, readonly LevelRead[]>>;

const NONE: Levels = {};

/**
 * The levels that each athlete's last sessions before a day (YYYY-MM-DD) showed, by their ids. Undefined until it is known; of nobody where
 * the server cannot be asked.
 */
export function useLevels(before: string): Levels | undefined {
  const { data, isError } = useLevelsQuery(before);
  return data ?? (isError ? NONE : undefined);
}
