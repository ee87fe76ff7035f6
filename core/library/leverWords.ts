import type { Lever } from './librarySession';

/** What each lever is called. */
export const LEVER_WORDS: Record<Lever, string> = {
  more: 'More of it',
  sets: 'A set more',
  longer: 'Longer reps',
  'longer-same': 'Longer reps, as many',
  faster: 'Faster',
  'less-rest': 'Less rest',
  float: 'Quicker float',
  merged: 'Sets run as one',
  fewer: 'Fewer reps',
};
