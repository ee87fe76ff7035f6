import type { Thread } from '../season';

/** The way back after a break: one rep more each time, with full rests. */
export const BACK_THREADS: readonly Thread[] = [
  {
    id: 'back1',
    name: 'Back: 250s',
    intent: 'transition',
    spacingDays: 5,
    stages: ['main: 5x250 @5k / 250m walk'],
    chain: [{ lever: 'more', by: 1, to: 12 }],
    isLight: true,
    isFitted: true,
  },
  {
    id: 'back2',
    name: 'Back: easy 600s',
    intent: 'transition',
    spacingDays: 5,
    stages: ['main: 4x600 @threshold / 300m jog'],
    chain: [{ lever: 'more', by: 1, to: 10 }],
    isLight: true,
    isFitted: true,
  },
];
