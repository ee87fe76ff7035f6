/**
 * The version of what app and server say to each other. A phone may keep an app from before the server was updated: it is told so, and can
 * always still send what was timed.
 */

/** Raised when an app of before could no longer make sense of an answer, or the server of what it sends; contract.test.ts reminds of it. */
export const WIRE_VERSION = 3;

/** Header with that version, of requests and of answers. */
export const WIRE_HEADER = 'zest-wire';

/** What an app of any version may ask: all that brings what was timed to the server, and files, which say their own version. */
const FOR_EVERY_APP: readonly RegExp[] = [
  /^GET \/health$/,
  /^GET \/clock$/,
  /^[A-Z]+ \/access(\/|$)/,
  /^GET \/runs\/[^/]+$/,
  /^GET \/runs\/[^/]+\/live$/,
  /^PUT \/runs\/[^/]+\/plan$/,
  /^POST \/runs\/[^/]+\/events$/,
  /^GET \/athletes\/[^/]+\/file$/,
  /^GET \/seasons\/[^/]+\/calendar\.ics$/,
];

/** @param call method and path under /api: `GET /runs/01J…`. */
export const isForEveryApp = (call: string): boolean => FOR_EVERY_APP.some((calls) => calls.test(call));

/** The version in a header; apps from before there were versions send none. */
export const wireVersionIn = (header: string | null | undefined): number => Number(header ?? '0') || 0;
