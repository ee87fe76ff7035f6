/** What predicted effort is fitted to: common coaching judgement of how sessions feel, and every session in the library. */
import { STARTERS } from '../library/starters';
import { curveMovedTo, fitCurve, timeFor, type Curve } from '../fitness/curve';
import type { Mark } from '../fitness/mark';
import { curveBook } from '../paces/shippedPaceBooks';
import { INTENT_FACTS } from '../session/intent';
import { suggestIntent } from '../advice/suggestIntent';
import { read } from '../session/testing';
import { targetsFor } from '../targets/targetsFor';
import { standardTrack } from '../venue/venue';
import { MILE_M } from '../units/distance';
import { gaugeOf } from './gauge';
import { outlookFor, type SessionFit } from './outlook';
import { predict, stretchesOf } from './predict';

const AS_OF = '2026-11-01';
const race = (distanceM: number, timeS: number): Mark => ({ distanceM, timeS, date: AS_OF, kind: 'race' });
const curveOf = (...marks: Mark[]) => fitCurve(marks, { asOf: AS_OF });
const legsOf = (text: string, curve: Curve, goalCurve?: Curve) =>
  targetsFor(read(text), { curve, goalCurve, paceBook: curveBook, venue: standardTrack });

const RUNNERS = {
  '16:00': curveOf(race(5000, 960)),
  '18:30': curveOf(race(5000, 1110)),
  '24:00': curveOf(race(5000, 1440)),
  '4:30 miler': curveOf(race(MILE_M, 270)),
};

/** First and last rep, on plan; of one block its first and last third. */
test.each<[string, number, number]>([
  ['14x300 @5k / 30s', 5, 7.5],
  ['3x8min @threshold / 90s', 4, 6.5],
  ['3x(900 @10k / 2:00, 600 @3k / 3:00)', 5, 7.5],
  ['8x400 @mile / 2:00', 6.5, 9],
  ['4x400 @800 / 3:00', 7.5, 9.5],
  ['5x800 @3k / 2:00', 6, 9],
  ['4x1100 @5k / 3:00', 5.5, 8],
  ['7x400 @3k / 75s', 6, 8.5],
  ['8x200 @800 / 90s', 6.5, 8.5],
  ['5x1000 @5k / 60s', 6, 9.5],
  ['20min @tempo', 4.5, 6.5],
  ['14x400 @cv / 40s', 4.5, 7],
  ['4x4:00 @cv / equal jog', 4.5, 6],
  ['2:00-1:30-1:00-40s-20s @5k>mile / equal jog', 5, 7.5],
  ['6x(600 @10k, 600 @marathon)', 5, 7.5],
  ['10x200 @1500 / 200m jog', 5.5, 7.5],
  ['4x(700 @threshold / 60s, 500 @5k / 90s)', 4, 6.5],
  ['5x250 @5k / 2:30 walk', 4.5, 5],
  ['10x600 @10k>5k / 50s', 5, 8],
])(
  '%s feels like %d on the first rep and %d on the last, within a point, for runners of all kinds',
  (text, first, last) => {
    for (const [who, curve] of Object.entries(RUNNERS)) {
      const gauge = gaugeOf(curve);
      const points = predict(gauge, stretchesOf(gauge, legsOf(text, curve)));
      const begins = points.length === 1 ? points[0]?.earlyEffort : points[0]?.effort;
      expect([who, Math.abs((begins ?? 0) - first) <= 1, Math.abs((points.at(-1)?.effort ?? 0) - last) <= 1]).toEqual([
        who,
        true,
        true,
      ]);
    }
  },
);

/** Eight made-up runners of all kinds, from national level to a beginner. */
const SQUAD = {
  '14:40 over 5k': curveOf(race(5000, 880)),
  '16:00': RUNNERS['16:00'],
  '18:30': RUNNERS['18:30'],
  '21:30': curveOf(race(5000, 1290)),
  '24:00': RUNNERS['24:00'],
  '4:30 miler': RUNNERS['4:30 miler'],
  '2:05 over 800': curveOf(race(400, 56), race(800, 125)),
  '30:00, a beginner': curveOf(race(5000, 1800)),
};
type Who = keyof typeof SQUAD;

/** Whom the words of a session are not for, as they stand in it. */
const NOT_FOR: Readonly<Record<string, readonly Who[]>> = {
  'Short ones, short rests': ['30:00, a beginner'],
  'Even 400s at critical speed': ['30:00, a beginner'],
  'Two sets of 600': ['30:00, a beginner'],
  'Down the ladder': ['30:00, a beginner'],
  'Mile-pace 400s': ['30:00, a beginner'],
  'The mile in pieces': ['21:30', '24:00', '30:00, a beginner'],
  'A bit of everything': ['30:00, a beginner'],
};
/** By effort, or flat out: there is nothing to predict. */
const BY_FEEL = new Set([
  'Flying 60s',
  'Minute on, minute off',
  'When the leader calls',
  'Falling clock',
  'Flat-out three kilometres',
  'Half an hour, all that is in it',
  'Up the hill',
]);

test.each(STARTERS.map(({ title, shorthand, intent }) => ({ title, shorthand, intent })))(
  '“$title” comes out as meant for everyone it is for',
  ({ title, shorthand, intent }) => {
    const { arc } = INTENT_FACTS[intent ?? suggestIntent(read(shorthand))];
    const fits = (Object.entries(SQUAD) as [Who, Curve][]).map(([who, curve]): [Who, SessionFit] => {
      const goal = curveMovedTo(curve, 5000, timeFor(curve, 5000) * 0.98);
      return [who, outlookFor(curve, legsOf(shorthand, curve, goal), arc).fit];
    });
    const meant = fits.filter(([who]) => !NOT_FOR[title]?.includes(who));
    expect(meant).toEqual(meant.map(([who]) => [who, BY_FEEL.has(title) ? 'unknown' : 'fine']));
  },
);
