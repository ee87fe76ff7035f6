import type { Passphrase } from '../accounts/passphrase';
import type { Db } from '../db/open';
import type { Jobs } from '../jobs';
import type { Hub } from '../live/hub';

/** What the routes work with; the clock is passed in so that tests can set it. */
export type Context = {
  db: Db;
  nowMs: () => number;
  /** Passes new events on to phones that follow the run. */
  hub: Hub;
  /** Work beside the requests. */
  jobs: Jobs;
  /** What opens the server to a phone; without one, all of this machine may use it. */
  passphrase?: Passphrase;
  /** Where other phones reach the server; empty if they cannot. */
  addresses: () => string[];
};
