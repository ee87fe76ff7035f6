import type { ThreadDecision } from '@core/season/season';

/** What becomes of a thread after a turn. */
export const THREAD_STEPS = ['on', 'repeat', 'back'] as const satisfies readonly ThreadDecision['step'][];
export const THREAD_STEP_WORDS: Record<ThreadDecision['step'], string> = {
  on: 'A step on',
  repeat: 'The same again',
  back: 'A step back',
};
