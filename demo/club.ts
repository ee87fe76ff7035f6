/** The made-up club of the demo: nobody here exists. */
import type { Mark } from '@core/fitness/mark';
import type { Leaning } from '@core/fitness/shapePrior';
import type { Status } from '@core/squad/athlete';

/** What an athlete can really run, from which their marks are made: `off` is how far a day was from that (0.01 = 1 % slower). */
export type ClubAthlete = {
  name: string;
  truth: { distanceM: number; timeS: number };
  /** Ratio E/MAP and A/MAP (s) of the truth; the usual ones if left out. */
  shape?: { e: number; a: number };
  marks: { distanceM: number; daysAgo: number; kind: Mark['kind']; off: number; note?: string; leftOut?: true }[];
  age: number;
  leaning: Leaning;
  /** Which of the GROUPS. */
  group: number;
  /** Omitted for those who have run for years. */
  weeksOfRunning?: number;
  status?: Status;
  goal?: { distanceM: number; timeS: number; inDays: number; race: string };
  /** The coach's own word on the level. */
  nudge?: { distanceM: number; timeS: number; daysAgo: number };
  notes?: string;
  archived?: true;
  /** By what share the first rep is too fast, and how uneven the rest are. */
  habits: { rush: number; unevenness: number };
  /**
   * How the season has gone: fitter by this share a week, spent from so many weeks ago on; and how much above what the times say they tell an
   * effort (somebody without tells none).
   */
  story?: { gainsAWeek?: number; spentFromWeeks?: number; tellsAbove?: number };
};

type ClubMark = ClubAthlete['marks'][number];
const mark = (
  distanceM: number,
  daysAgo: number,
  off: number,
  kind: Mark['kind'] = 'race',
  more: Pick<ClubMark, 'note' | 'leftOut'> = {},
): ClubMark => ({ distanceM, daysAgo, kind, off, ...more });

export const GROUPS = ['Milers', 'Five and ten', 'Young ones'];

export const CLUB: ClubAthlete[] = [
  {
    name: 'Ada Brindlecote',
    age: 19,
    leaning: '5k-10k',
    group: 1,
    goal: { distanceM: 5000, timeS: 985, inDays: 47, race: 'Harbour meeting' },
    truth: { distanceM: 5000, timeS: 1004 },
    marks: [
      mark(5000, 24, 0.002),
      mark(1500, 52, -0.003),
      mark(3000, 122, 0.017),
      mark(5000, 206, 0.034, 'race', { note: 'first race after the winter' }),
    ],
    habits: { rush: 0.004, unevenness: 0.005 },
    story: { gainsAWeek: 0.0025, tellsAbove: 0 },
  },
  {
    name: 'Bo Tarrowby',
    age: 17,
    leaning: '800-1500',
    group: 0,
    goal: { distanceM: 1500, timeS: 256, inDays: 40, race: 'County final' },
    truth: { distanceM: 1500, timeS: 262 },
    shape: { e: -0.056, a: 62 },
    marks: [mark(800, 17, 0.002), mark(1500, 31, 0.006), mark(5000, 80, 0.01)],
    habits: { rush: 0.025, unevenness: 0.009 },
    story: { gainsAWeek: 0.002, tellsAbove: -0.6 },
  },
  {
    name: 'Cleo Wexmoor',
    age: 16,
    leaning: '1500-3k',
    group: 0,
    truth: { distanceM: 3000, timeS: 672 },
    marks: [
      mark(3000, 38, 0.003),
      mark(1500, 66, 0.008),
      mark(1500, 17, 0.12, 'race', { note: 'boxed in, then jogged home' }),
    ],
    habits: { rush: 0.012, unevenness: 0.008 },
    story: { gainsAWeek: 0.001, tellsAbove: 0.3 },
  },
  {
    name: 'Dov Ashgrave',
    age: 22,
    leaning: '5k-10k',
    group: 1,
    goal: { distanceM: 5000, timeS: 1080, inDays: 47, race: 'Harbour meeting' },
    truth: { distanceM: 5000, timeS: 1110 },
    marks: [mark(5000, 24, 0)],
    habits: { rush: 0.008, unevenness: 0.01 },
    story: { gainsAWeek: 0.003, tellsAbove: 0.2 },
  },
  {
    name: 'Esi Lindquay',
    age: 18,
    leaning: '400-800',
    group: 0,
    goal: { distanceM: 800, timeS: 134, inDays: 40, race: 'County final' },
    truth: { distanceM: 800, timeS: 137 },
    shape: { e: -0.06, a: 64 },
    marks: [mark(800, 17, 0.001), mark(400, 45, -0.004)],
    habits: { rush: 0.02, unevenness: 0.007 },
    story: { gainsAWeek: 0.0015, tellsAbove: -0.2 },
  },
  {
    name: 'Fern Hollowick',
    age: 15,
    leaning: '800-1500',
    group: 0,
    nudge: { distanceM: 1500, timeS: 313, daysAgo: 6 },
    truth: { distanceM: 1500, timeS: 318 },
    marks: [mark(1500, 31, 0.008), mark(800, 59, -0.005)],
    habits: { rush: 0.015, unevenness: 0.012 },
    story: { gainsAWeek: 0.002, tellsAbove: 0.8 },
  },
  {
    name: 'Gus Petherlow',
    age: 41,
    leaning: '5k-10k',
    group: 1,
    notes: 'Prefers grass for easy running.',
    truth: { distanceM: 10000, timeS: 2235 },
    shape: { e: -0.043, a: 48 },
    marks: [mark(10000, 66, 0.005), mark(5000, 24, 0.006)],
    habits: { rush: 0, unevenness: 0.006 },
    story: { tellsAbove: 0 },
  },
  {
    name: 'Hana Morvane',
    age: 24,
    leaning: '5k-10k',
    group: 1,
    status: 'easing',
    weeksOfRunning: 9,
    truth: { distanceM: 5000, timeS: 1248 },
    marks: [mark(5000, 24, 0.01)],
    habits: { rush: 0.01, unevenness: 0.01 },
    story: { gainsAWeek: 0.006, tellsAbove: 0.4 },
  },
  {
    name: 'Ivo Castlebrae',
    age: 17,
    leaning: '1500-3k',
    group: 0,
    truth: { distanceM: 1609.344, timeS: 284 },
    marks: [mark(1609.344, 45, 0.004), mark(3000, 10, 0.012, 'trial')],
    habits: { rush: 0.018, unevenness: 0.008 },
    story: { gainsAWeek: 0.002 },
  },
  {
    name: 'Juno Sellwick',
    age: 14,
    leaning: '1500-3k',
    group: 2,
    weeksOfRunning: 6,
    truth: { distanceM: 1609.344, timeS: 372 },
    marks: [mark(1609.344, 21, 0.01, 'trial')],
    habits: { rush: 0.035, unevenness: 0.015 },
    story: { gainsAWeek: 0.003, tellsAbove: 0.5 },
  },
  {
    name: 'Kit Rennagh',
    age: 13,
    leaning: '800-1500',
    group: 2,
    weeksOfRunning: 20,
    truth: { distanceM: 800, timeS: 162 },
    marks: [mark(800, 17, 0.006)],
    habits: { rush: 0.03, unevenness: 0.024 },
    story: { gainsAWeek: 0.001, tellsAbove: 1 },
  },
  {
    name: 'Lark Ostervane',
    age: 35,
    leaning: '5k-10k',
    group: 1,
    truth: { distanceM: 5000, timeS: 1395 },
    marks: [
      mark(5000, 24, 0.002),
      mark(1609.344, 73, 0.05, 'trial', { note: 'gale on the back straight', leftOut: true }),
    ],
    habits: { rush: 0.01, unevenness: 0.012 },
    story: { gainsAWeek: 0.001, tellsAbove: -0.3 },
  },
  {
    name: 'Milo Thurskell',
    age: 20,
    leaning: '1500-3k',
    group: 1,
    goal: { distanceM: 3000, timeS: 572, inDays: 40, race: 'County final' },
    truth: { distanceM: 3000, timeS: 588 },
    marks: [
      mark(3000, 38, 0.002),
      mark(1500, 31, 0.004),
      mark(5000, 94, 0.008),
      mark(3000, 150, 0.024),
      mark(1500, 230, 0.031),
    ],
    habits: { rush: 0.006, unevenness: 0.005 },
    story: { gainsAWeek: 0.002, spentFromWeeks: 4, tellsAbove: 0.4 },
  },
  {
    name: 'Nia Quelland',
    age: 14,
    leaning: '800-1500',
    group: 2,
    weeksOfRunning: 11,
    truth: { distanceM: 1500, timeS: 345 },
    marks: [mark(1500, 31, 0.01, 'estimate')],
    habits: { rush: 0.02, unevenness: 0.014 },
    story: { gainsAWeek: 0.002, tellsAbove: 0 },
  },
  {
    name: 'Pip Wendlebury',
    age: 23,
    leaning: '1500-3k',
    group: 0,
    archived: true,
    truth: { distanceM: 1500, timeS: 251 },
    marks: [mark(1500, 240, 0.002)],
    habits: { rush: 0, unevenness: 0.006 },
  },
];
