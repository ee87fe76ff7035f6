/** The sessions of the demo, by days from today: those before it were run, today's and later ones are still to come. */
import type { Conditions, Flag } from '@core/run/events';
import type { Intent } from '@core/session/intent';

export type ClubSession = {
  inDays: number;
  title: string;
  shorthand: string;
  /** Absent that day, by place in the club. */ absent: number[];
  intent?: Intent;
  /** What was noted of the day. */
  conditions?: Conditions;
  /** What the coach decided next: a step on, and the same again for these. */
  again?: number[];
  /** Of open work: how often each ran it. */
  turns?: number;
  /** Flags by place in the club and rep (from 0). */
  flags?: { who: number; repIndex: number; flag: Flag }[];
  /** Beside the season: it is no day of it. */
  isExtra?: true;
  /** Where it is not the standard effort of the squad: this much harder than the times suggest (heat). */
  harder?: number;
};

const WARM = 'warm: 1600 @easy, drills "hips and ankles", 4x100 @strides / 60s walk';
const COOL = 'cool: 1200 @easy';
const session = (...main: string[]) => [WARM, ...main, COOL].join('\n');

const HOT: Pick<ClubSession, 'conditions' | 'harder'> = {
  conditions: { temperatureC: 31, humidityPct: 58, wind: 'calm', surface: 'dry' },
  harder: 1.2,
};
const MILD: Pick<ClubSession, 'conditions'> = {
  conditions: { temperatureC: 13, humidityPct: 70, wind: 'breezy', surface: 'dry' },
};

const EVEN_400S = session('main: 8x400 @5k / 75s jog', 'finish: 4x200 @mile / 200m jog');
const KILOMETRES = (n: number) => session(`main: ${n}x1000 @threshold / 60s jog`);
const FIRST_300S = session('main: 8x300 @3k / 100m jog');
const SHARP_200S = session('main: 10x200 @1500 / 200m jog');
const EIGHT_HUNDREDS = session('main: 5x800 @5k / 2:00 jog');
const MILES = session('main: 3x1mi @threshold / 90s jog');
const LADDER = session('main: 1500-900-600-300 @5k>mile / 2:30 jog');
const SETS_OF_600 = session('main: 2x(3x600 @3k / 90s walk) / 4:00 walk', 'finish: 4x200 @mile / 200m jog');

const OPEN = session('main: open x 1000 @threshold / 60s jog');

/** Their places in the club. */
const GUS = 6;

export const TODAY: ClubSession = { inDays: 0, title: 'Even 400s, quick finish', shorthand: EVEN_400S, absent: [] };

/** Fourteen weeks: a base, a progression of three steps, an indicator a week before the 5000 of 24 days ago, then quicker work. */
export const SEASON: ClubSession[] = [
  { inDays: -96, title: 'Threshold miles', shorthand: MILES, absent: [7, 9] },
  { inDays: -93, title: 'First 300s', shorthand: FIRST_300S, absent: [7] },
  { inDays: -89, title: 'Minute on, minute off', shorthand: session('main: 12x60s @5k / 60s jog'), absent: [7, 4] },
  { inDays: -86, title: '800s at 5k pace', shorthand: EIGHT_HUNDREDS, absent: [7, 2] },
  { inDays: -82, title: 'Threshold miles', shorthand: MILES, absent: [7] },
  { inDays: -79, title: 'Sharp 200s', shorthand: SHARP_200S, absent: [7, 11] },
  { inDays: -75, title: 'Even 400s, quick finish', shorthand: EVEN_400S, absent: [7, 5], ...MILD },
  { inDays: -72, title: 'First 300s', shorthand: FIRST_300S, absent: [7, 13] },
  { inDays: -68, title: 'Down the ladder', shorthand: LADDER, absent: [7] },
  { inDays: -65, title: 'Threshold kilometres', shorthand: KILOMETRES(4), absent: [4, 10], again: [], ...MILD },
  { inDays: -61, title: 'Sharp 200s', shorthand: SHARP_200S, absent: [] },
  { inDays: -58, title: '800s at 5k pace', shorthand: EIGHT_HUNDREDS, absent: [3], ...HOT },
  { inDays: -54, title: 'Threshold miles', shorthand: MILES, absent: [1, 8], ...HOT },
  { inDays: -51, title: 'Even 400s, quick finish', shorthand: EVEN_400S, absent: [6] },
  { inDays: -47, title: 'Two sets of 600', shorthand: SETS_OF_600, absent: [9, 12] },
  { inDays: -44, title: 'Threshold kilometres, 2', shorthand: KILOMETRES(5), absent: [10], again: [8, 12] },
  { inDays: -40, title: 'First 300s', shorthand: FIRST_300S, absent: [2] },
  { inDays: -37, title: '800s at 5k pace', shorthand: EIGHT_HUNDREDS, absent: [13], ...MILD },
  {
    inDays: -31,
    title: 'Is it there yet?',
    shorthand: session('main: 5x1000 @goal 5k / 60s walk'),
    intent: 'indicator',
    absent: [1, 4, 5, 9, 10, 13],
  },
  { inDays: -27, title: 'Sharp 200s', shorthand: SHARP_200S, absent: [12] },
  { inDays: -23, title: 'Threshold kilometres, 3', shorthand: KILOMETRES(6), absent: [4, 10] },
  { inDays: -19, title: 'First 300s', shorthand: FIRST_300S, absent: [6] },
  { inDays: -16, title: 'Two sets of 600', shorthand: SETS_OF_600, absent: [9], ...MILD },
  { inDays: -12, title: '800s at 5k pace', shorthand: EIGHT_HUNDREDS, absent: [1, 13] },
  { inDays: -9, title: 'Down the ladder', shorthand: LADDER, absent: [] },
  { inDays: -5, title: 'Threshold miles', shorthand: MILES, absent: [4, 11] },
  {
    inDays: -2,
    title: 'Sharp 200s',
    shorthand: SHARP_200S,
    absent: [7],
    flags: [{ who: GUS, repIndex: 5, flag: 'niggle' }],
    ...MILD,
  },
  TODAY,
  { inDays: 3, title: 'Over and under', shorthand: session('main: 4x(600 @10k, 600 @marathon)'), absent: [] },
  { inDays: 7, title: 'Mile pace 400s', shorthand: session('main: 10x400 @mile / 90s walk'), absent: [] },
  {
    inDays: 5,
    title: 'Fartlek by the clock',
    shorthand: session('main: 2x(90s-60s-45s-30s @3k / equal jog) / 4:00 walk'),
    absent: [],
  },
  // Last in the list, so that earlier results stay the same.
  { inDays: -70, title: 'As many as hold', shorthand: OPEN, absent: [7, 8, 9, 10, 11], turns: 6, isExtra: true },
  {
    inDays: -34,
    title: '3000 trial',
    shorthand: session('main: 3000 @max'),
    intent: 'test',
    absent: [4, 9],
    isExtra: true,
  },
  { inDays: -21, title: 'As many as hold', shorthand: OPEN, absent: [7, 8, 9, 10, 12], turns: 7, isExtra: true },
];
