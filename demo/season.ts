/** The sessions of the demo, by days from today: those before it were run, today's and later ones are still to come. */
export type ClubSession = {
  inDays: number;
  title: string;
  shorthand: string;
  /** Left at home that day, by place in the club. */ absent: number[];
};

const WARM = 'warm: 1600 @easy, drills "hips and ankles", 4x100 @strides / 60s walk';
const COOL = 'cool: 1200 @easy';
const session = (...main: string[]) => [WARM, ...main, COOL].join('\n');

export const TODAY: ClubSession = {
  inDays: 0,
  title: 'Even 400s, quick finish',
  shorthand: session('main: 8x400 @5k / 75s jog', 'finish: 4x200 @mile / 200m jog'),
  absent: [],
};

export const SEASON: ClubSession[] = [
  {
    inDays: -23,
    title: 'Threshold kilometres',
    shorthand: session('main: 4x1000 @threshold / 60s jog'),
    absent: [4, 10],
  },
  { inDays: -19, title: 'First 300s', shorthand: session('main: 8x300 @3k / 100m jog'), absent: [6] },
  {
    inDays: -16,
    title: 'Two sets of 600',
    shorthand: session('main: 2x(3x600 @3k / 90s walk) / 4:00 walk', 'finish: 4x200 @mile / 200m jog'),
    absent: [9],
  },
  { inDays: -12, title: '800s at 5k pace', shorthand: session('main: 5x800 @5k / 2:00 jog'), absent: [1, 13] },
  {
    inDays: -9,
    title: 'Down the ladder',
    shorthand: session('main: 1500-900-600-300 @5k>mile / 2:30 jog'),
    absent: [],
  },
  { inDays: -5, title: 'Threshold miles', shorthand: session('main: 3x1mi @threshold / 90s jog'), absent: [4, 11] },
  { inDays: -2, title: 'Sharp 200s', shorthand: session('main: 10x200 @1500 / 200m jog'), absent: [7] },
  TODAY,
  { inDays: 3, title: 'Over and under', shorthand: session('main: 4x(600 @10k, 600 @marathon)'), absent: [] },
  { inDays: 7, title: 'Mile pace 400s', shorthand: session('main: 10x400 @mile / 90s walk'), absent: [] },
  {
    inDays: 5,
    title: 'Fartlek by the clock',
    shorthand: session('main: 2x(90s-60s-45s-30s @3k / equal jog) / 4:00 walk'),
    absent: [],
  },
];
