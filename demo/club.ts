/** The made-up club of the demo: nobody here exists. */
import type { Mark } from '@core/fitness/mark';

/** What an athlete can truly run, from which their marks are made: `off` is how far a day was from that (0.01 = 1 % slower). */
export type ClubAthlete = {
  name: string;
  truth: { distanceM: number; timeS: number };
  /** Ratio E/MAP and A/MAP (s) of the truth; the usual ones if left out. */
  shape?: { e: number; a: number };
  marks: { distanceM: number; daysAgo: number; kind: Mark['kind']; off: number }[];
  /** First rep too fast by this share, and unevenness from rep to rep. */
  habits: { rush: number; unevenness: number };
};

const mark = (distanceM: number, daysAgo: number, off: number, kind: Mark['kind'] = 'race') => ({
  distanceM,
  daysAgo,
  kind,
  off,
});

export const CLUB: ClubAthlete[] = [
  {
    name: 'Ada Brindlecote',
    truth: { distanceM: 5000, timeS: 1004 },
    marks: [mark(5000, 24, 0.004), mark(1500, 52, -0.003)],
    habits: { rush: 0.004, unevenness: 0.005 },
  },
  {
    name: 'Bo Tarrowby',
    truth: { distanceM: 1500, timeS: 262 },
    shape: { e: -0.056, a: 62 },
    marks: [mark(800, 17, 0.002), mark(1500, 31, 0.006), mark(5000, 80, 0.01)],
    habits: { rush: 0.025, unevenness: 0.009 },
  },
  {
    name: 'Cleo Wexmoor',
    truth: { distanceM: 3000, timeS: 672 },
    marks: [mark(3000, 38, 0.003)],
    habits: { rush: 0.012, unevenness: 0.008 },
  },
  {
    name: 'Dov Ashgrave',
    truth: { distanceM: 5000, timeS: 1110 },
    marks: [mark(5000, 24, 0)],
    habits: { rush: 0.008, unevenness: 0.01 },
  },
  {
    name: 'Esi Lindquay',
    truth: { distanceM: 800, timeS: 137 },
    shape: { e: -0.06, a: 64 },
    marks: [mark(800, 17, 0.001), mark(400, 45, -0.004)],
    habits: { rush: 0.02, unevenness: 0.007 },
  },
  {
    name: 'Fern Hollowick',
    truth: { distanceM: 1500, timeS: 318 },
    marks: [mark(1500, 31, 0.008), mark(800, 59, -0.005)],
    habits: { rush: 0.015, unevenness: 0.012 },
  },
  {
    name: 'Gus Petherlow',
    truth: { distanceM: 10000, timeS: 2235 },
    shape: { e: -0.043, a: 48 },
    marks: [mark(10000, 66, 0.005), mark(5000, 24, 0.006)],
    habits: { rush: 0, unevenness: 0.006 },
  },
  {
    name: 'Hana Morvane',
    truth: { distanceM: 5000, timeS: 1248 },
    marks: [mark(5000, 24, 0.01)],
    habits: { rush: 0.01, unevenness: 0.01 },
  },
  {
    name: 'Ivo Castlebrae',
    truth: { distanceM: 1609.344, timeS: 284 },
    marks: [mark(1609.344, 45, 0.004), mark(3000, 10, 0.012, 'trial')],
    habits: { rush: 0.018, unevenness: 0.008 },
  },
  {
    name: 'Juno Sellwick',
    truth: { distanceM: 1609.344, timeS: 372 },
    marks: [mark(1609.344, 21, 0.01, 'trial')],
    habits: { rush: 0.035, unevenness: 0.015 },
  },
  {
    name: 'Kit Rennagh',
    truth: { distanceM: 800, timeS: 162 },
    marks: [mark(800, 17, 0.006)],
    habits: { rush: 0.03, unevenness: 0.016 },
  },
  {
    name: 'Lark Ostervane',
    truth: { distanceM: 5000, timeS: 1395 },
    marks: [mark(5000, 24, 0.004), mark(1609.344, 73, 0.02, 'trial')],
    habits: { rush: 0.01, unevenness: 0.012 },
  },
  {
    name: 'Milo Thurskell',
    truth: { distanceM: 3000, timeS: 588 },
    marks: [mark(3000, 38, 0.002), mark(1500, 31, 0.004), mark(5000, 94, 0.008)],
    habits: { rush: 0.006, unevenness: 0.005 },
  },
  {
    name: 'Nia Quelland',
    truth: { distanceM: 1500, timeS: 345 },
    marks: [mark(1500, 31, 0.01, 'estimate')],
    habits: { rush: 0.02, unevenness: 0.014 },
  },
];
