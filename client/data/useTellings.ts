import type { Calibration } from '@core/outlook/calibration';
import { useCalibrationsQuery } from '../store/api';

export type Tellings = Readonly<Record<string, Calibration>>;

const NOBODY_TOLD: Tellings = {};

/**
 * How each athlete tells effort, by their ids, from the sessions before a day (YYYY-MM-DD). Undefined until it is known; of nobody where
 * the server cannot be asked.
 */
export function useTellings(before: string): Tellings | undefined {
  const { data, isError } = useCalibrationsQuery(before);
  return data ?? (isError ? NOBODY_TOLD : undefined);
}
