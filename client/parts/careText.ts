/** Words of care that several places show. */
import type { StopReason } from '@core/run/events';

export const STOP_REASON_WORDS: Record<StopReason, string> = {
  spent: 'Spent',
  stitch: 'Stitch',
  pain: 'Pain',
  'had-to-go': 'Had to go',
  coach: 'Coach’s call',
};
