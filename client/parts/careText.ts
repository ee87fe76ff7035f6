/** Words of care that several places show. */
import type { CareChoice, Flag, StopReason } from '@core/run/events';

export const STOP_REASON_WORDS: Record<StopReason, string> = {
  spent: 'Spent',
  stitch: 'Stitch',
  pain: 'Pain',
  'had-to-go': 'Had to go',
  coach: 'Coach’s call',
};

export const FLAG_WORDS: Record<Flag, string> = {
  stitch: 'Stitch',
  niggle: 'Niggle',
  pain: 'Pain',
  unwell: 'Not well',
};

/** The three answers: leaves out today, about 60 % of it, runs as planned. */
export const CARE_CHOICE_WORDS: Record<CareChoice, string> = { out: 'Out today', part: '60 %', planned: 'As planned' };
