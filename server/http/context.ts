import type { Db } from '../db/open';

/** What the routes work with; the clock is passed in so that tests can set it. */
export type Context = { db: Db; nowMs: () => number };
