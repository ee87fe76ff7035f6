import type { Intent } from '../session/intent';

/** A session of the book: written once, run on any number of days. */
export type BookSession = {
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
  /** Out of sight, but kept. */
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

/** An ordered family of sessions of the book, by their ids. */
export type Progression = { id: string; name: string; lever: Lever; stepIds: string[] };

/** Several things in the book changed at once, all or nothing. */
export type BookChange = {
  sessions?: BookSession[];
  removedSessionIds?: string[];
  progressions?: Progression[];
  removedProgressionIds?: string[];
};

/** How a session of the book read before it was changed, where that is what was run. */
export type BookVersion = { version: number; title: string; shorthand: string; untilMs: number };
