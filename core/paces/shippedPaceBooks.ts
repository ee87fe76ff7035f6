/** The pace books that come with the app, one for each school. Shares, offsets and efforts are common coaching practice. */
import { HALF_MARATHON_M, MARATHON_M, MILE_M } from '../units/distance';
import { USUAL_TOLERANCE, type PaceBasis, type PaceBook, type PaceEntry } from './paceBook';
import { PACE_NAMES } from '../session/paceNames';

type PaceName = (typeof PACE_NAMES)[number];
type Bases = Record<PaceName, PaceBasis>;

const SHORT: Record<PaceName, string> = {
  easy: 'E',
  steady: 'S',
  marathon: 'M',
  half: 'HM',
  tempo: 'Tp',
  threshold: 'T',
  cv: 'CV',
  '10k': '10k',
  '8k': '8k',
  'aerobic-max': 'AM',
  '5k': '5k',
  '3k': '3k',
  '2mi': '2mi',
  mile: 'Mi',
  '1500': '15',
  '800': '8',
  '400': '4',
  strides: 'St',
  max: 'Mx',
};

/** Easy running needs no stopwatch; strides are too short for one. */
const TOLERANCE: Partial<Record<PaceName, number>> = { easy: 0.05, steady: 0.03, marathon: 0.02, strides: 0.04 };

const entriesOf = (bases: Bases): PaceEntry[] =>
  PACE_NAMES.map((name) => ({
    name,
    short: SHORT[name],
    tolerance: TOLERANCE[name] ?? USUAL_TOLERANCE,
    basis: bases[name],
  }));

const race = (distanceM: number): PaceBasis => ({ kind: 'race', distanceM });
const heldFor = (durationS: number): PaceBasis => ({ kind: 'held', durationS });
const share = (of: PaceName, of1: number): PaceBasis => ({ kind: 'share', of, share: of1 });
const perKm = (of: PaceName, offsetS: number): PaceBasis => ({ kind: 'offset', of, offsetS, perM: 1000 });
const effort = (level: number): PaceBasis => ({ kind: 'effort', effort: level });

const CURVE: Bases = {
  easy: { kind: 'share', of: 'aerobic-max', share: 0.7, atMost: { of: 'steady', share: 0.92 } },
  steady: share('marathon', 0.96),
  marathon: race(MARATHON_M),
  half: race(HALF_MARATHON_M),
  tempo: share('threshold', 1),
  threshold: heldFor(3600),
  cv: heldFor(2100),
  '10k': race(10_000),
  '8k': race(8000),
  'aerobic-max': heldFor(480),
  '5k': race(5000),
  '3k': race(3000),
  '2mi': race(2 * MILE_M),
  mile: race(MILE_M),
  '1500': race(1500),
  '800': race(800),
  '400': race(400),
  strides: share('400', 0.93),
  max: effort(10),
};

/**
 * The default book: race paces straight from the curve, threshold and cv as what is held for 60 and 35 minutes. The easier paces hang
 * on the marathon and the 8-minute speed so that they keep their order for runners of every level.
 */
export const curveBook: PaceBook = {
  id: 'curve',
  name: 'Fitness curve',
  model: 'endurance',
  entries: entriesOf(CURVE),
};

/** The other school of tempo: a little slower than threshold, and longer. */
const slowTempoBook: PaceBook = {
  id: 'slow-tempo',
  name: 'Fitness curve, slower tempo',
  model: 'endurance',
  entries: entriesOf({ ...CURVE, tempo: share('threshold', 0.97) }),
};

/** Paces by critical speed, from two or more flat-out trials. */
const trialsBook: PaceBook = {
  id: 'trials',
  name: 'Two or more trials',
  model: 'critical-speed',
  entries: entriesOf(CURVE),
};

/** Everything so many seconds per km from 5k pace: the rule of thumb of a runner of about 18 to 20 minutes. */
const offsetBook: PaceBook = {
  id: 'offset',
  name: 'Seconds from 5k pace',
  model: 'endurance',
  entries: entriesOf({
    easy: perKm('5k', 75),
    steady: perKm('5k', 46),
    marathon: perKm('5k', 35),
    half: perKm('5k', 22),
    tempo: perKm('5k', 20),
    threshold: perKm('5k', 17),
    cv: perKm('5k', 9),
    '10k': perKm('5k', 11),
    '8k': perKm('5k', 7),
    'aerobic-max': perKm('5k', -14),
    '5k': race(5000),
    '3k': perKm('5k', -10),
    '2mi': perKm('5k', -8),
    mile: perKm('5k', -22),
    '1500': perKm('5k', -23),
    '800': perKm('5k', -36),
    '400': perKm('5k', -55),
    strides: perKm('5k', -45),
    max: effort(10),
  }),
};

/** No times at all: everything by feel. */
const effortBook: PaceBook = {
  id: 'effort',
  name: 'Effort only',
  model: 'endurance',
  entries: entriesOf({
    easy: effort(3),
    steady: effort(4),
    marathon: effort(5),
    half: effort(6),
    tempo: effort(6),
    threshold: effort(6),
    cv: effort(7),
    '10k': effort(7),
    '8k': effort(7),
    'aerobic-max': effort(8),
    '5k': effort(8),
    '3k': effort(8),
    '2mi': effort(8),
    mile: effort(9),
    '1500': effort(9),
    '800': effort(9),
    '400': effort(9),
    strides: effort(7),
    max: effort(10),
  }),
};

/** The default first. They cannot be changed, only copied. */
export const SHIPPED_PACE_BOOKS: readonly PaceBook[] = [curveBook, slowTempoBook, trialsBook, offsetBook, effortBook];

/** What each school holds, in one line. */
export const PACE_BOOK_NOTES: Readonly<Record<string, string>> = {
  curve:
    'Every pace from races by one curve; tempo is threshold. For slower runners half, threshold, cv and 10k change places: each goes by how long it takes them.',
  'slow-tempo': 'The same, with tempo a little slower than threshold and longer.',
  trials:
    'Critical speed from two flat-out efforts of 2 to 20 minutes; shorter and longer paces from the fitness curve, moved to meet it.',
  offset: 'Reps and long runs so many seconds per km from 5k pace.',
  effort: 'No times: everything by feel, from 1 to 10.',
};
