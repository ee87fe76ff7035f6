import type { Intent } from '../session/intent';

/** A session in the library: written once, run on any number of days. */
export type LibrarySession = {
  id: string;
  title: string;
  /** May still be a draft that cannot be read. */
  shorthand: string;
  /** What it is meant to do, where the coach has said so; else it is suggested from what is written. */
  intent?: Intent;
  /** A sentence each: what it is for, when in a season, how to make it easier or harder. */
  purpose?: string;
  season?: string;
  easier?: string;
  harder?: string;
  tags: string[];
  favourite?: true;
  /** Hidden, but kept. */
  archived?: true;
};

/**
 * What changes from one step of a progression to the next; one at a time. `longer` keeps about the metres, `longer-same` the count; `sets`
 * is a set more; `fewer` is the way back, or towards a race.
 */
export const LEVERS = [
  'more',
  'sets',
  'longer',
  'longer-same',
  'faster',
  'less-rest',
  'float',
  'merged',
  'fewer',
] as const;
export type Lever = (typeof LEVERS)[number];

/**
 * One lever of a chain, such as "up to 9 reps" or "10 s off the rest, down to 50". `by` is how far a step goes and `to` where it ends: reps
 * or sets, metres or seconds of a rep, seconds, metres or percent of a rest; percent of a float's speed.
 */
export type ChainLink = { lever: Lever; by?: number; to?: number };

/** An ordered family of library sessions, by their ids. */
export type Progression = {
  id: string;
  name: string;
  /** What changes from step to step, unless a chain says more. */
  lever: Lever;
  stepIds: string[];
  /** Levers applied one after another, each to its end: how it goes on after the last step. */
  chain?: ChainLink[];
  /** Days from one step to the next; three weeks if left out. */
  everyDays?: number;
  /** A ladder of stages: this many steps make a round, and each further round is a little faster. */
  round?: number;
};

/** Three weeks, with other work between. */
export const USUAL_EVERY_DAYS = 21;

/** Several changes to the library at once, all or nothing. */
export type LibraryChange = {
  sessions?: LibrarySession[];
  removedSessionIds?: string[];
  progressions?: Progression[];
  removedProgressionIds?: string[];
};

/** An earlier text of a library session that was run. */
export type LibraryVersion = { version: number; title: string; shorthand: string; untilMs: number };
