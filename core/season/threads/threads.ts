/** The threads the templates are made of: sessions of our own, each with how it grows. */
import type { ChainLink, Lever } from '../../library/librarySession';
import type { Intent, MeantArc } from '../../session/intent';
import type { Thread } from '../season';
import { BACK_THREADS } from './backThreads';

const link = (lever: Lever, by?: number, to?: number): ChainLink => ({
  lever,
  ...(by === undefined ? {} : { by }),
  ...(to === undefined ? {} : { to }),
});

type More = Partial<Pick<Thread, 'isLight' | 'isByReadiness' | 'isLadder' | 'arc'>>;
const arc = (first: number, middle: number, last: number): MeantArc => ({ first, middle, last });

const thread = (
  id: string,
  name: string,
  intent: Intent,
  spacingDays: number,
  stages: readonly string[],
  chain: readonly ChainLink[] = [],
  more: More = {},
): Thread => ({ id, name, intent, stages, chain, spacingDays, isFitted: true, ...more });

const GEARS = 'x(900 @10k / 2:00 jog, 600 @3k / 3:00 jog)';
const TWO_PACE = 'x(700 @threshold / 60s jog, 500 @5k / 90s jog)';
const CLOCK = 'main: 2x2:00 @5k / 2:00 jog, 3x75s @5k / 75s jog, 4x40s @3k / 40s jog, 5x20s @mile / 20s jog';
/** Floats rest less than jogs: there are fewer of the short ones, and the last floats are longer. */
const FLOATED = (pace: string) =>
  `main: 2x2:00 @5k / 2:00 float @${pace}, 2x75s @5k / 75s float @${pace}, 3x40s @3k / 40s float @${pace}, 4x20s @mile / 40s float @${pace}`;

const ALL: readonly Thread[] = [
  thread(
    'even300',
    'Even 300s',
    'aerobic-power',
    18,
    ['main: 12x300 @5k / 30s jog'],
    [link('more', 3, 18), link('faster')],
  ),
  thread(
    'even600-10k',
    'Even 600s',
    'critical-speed-short',
    14,
    ['main: 8x600 @10k / 50s jog'],
    [link('more', 1, 11), link('faster')],
    { arc: arc(4.5, 6, 7.5) },
  ),
  thread(
    'thr',
    'Threshold, longer reps',
    'threshold',
    12,
    ['main: 3x8min @threshold / 90s jog'],
    [link('longer-same', 120, 600), link('more', 1, 4)],
  ),
  thread(
    'thr-short',
    'Short threshold',
    'threshold',
    12,
    ['main: 2x8min @threshold / 90s jog'],
    [link('longer-same', 60, 720)],
  ),
  thread(
    'tempo',
    'Tempo, longer',
    'threshold',
    14,
    ['main: 20min @tempo / 2:00 walk\nfinish: 5x100 @mile / 100m walk'],
    [link('longer-same', 240, 1920)],
  ),
  thread(
    'cv-short',
    '400s at critical speed',
    'critical-speed-short',
    14,
    ['main: 14x400 @cv / 40s jog'],
    [link('more', 1, 17)],
  ),
  thread(
    'cv-long',
    'Four-minute reps at critical speed',
    'critical-speed-long',
    14,
    ['main: 4x4:00 @cv / equal jog'],
    [link('more', 1, 7)],
  ),
  thread(
    'k5',
    '5k pace',
    'aerobic-power',
    14,
    ['main: 4x1100 @5k / 3:00 jog'],
    [link('more', 1, 5), link('longer-same', 100, 1300)],
  ),
  thread(
    'k3',
    '3k pace',
    'aerobic-power',
    14,
    ['main: 7x400 @3k / 75s jog'],
    [link('more', 1, 9), link('longer-same', 100, 500)],
  ),
  thread(
    'mile',
    'Mile pace',
    'race-pace',
    14,
    ['main: 2x(4x300 @mile / 100s walk) / 4:30 walk'],
    [link('merged'), link('more', 1, 10)],
  ),
  thread(
    'p800',
    '800 pace',
    'race-pace',
    14,
    ['main: 2x(4x150 @800 / 250m walk) / 400m walk'],
    [link('merged'), link('more', 1, 10)],
  ),
  thread('gears', 'Two gears', 'aerobic-power', 14, [
    `main: 3${GEARS}`,
    `main: 4${GEARS}`,
    `main: 3${GEARS.replace('@10k', '@5k')}`,
  ]),
  thread(
    'mixed-10k',
    '10k and 5k in turn',
    'critical-speed-long',
    14,
    ['main: 5x(1200 @10k / 90s jog, 500 @5k / 2:00 jog)'],
    [link('sets', 1, 6)],
    { arc: arc(5, 6.5, 8) },
  ),
  thread('two-pace', 'Threshold and 5k in turn', 'mixed', 12, [
    `main: 4${TWO_PACE}`,
    `main: 5${TWO_PACE}`,
    `main: 5${TWO_PACE.replace('@5k', '@goal 5k')}`,
  ]),
  thread('sharp', 'Sharp and at goal pace', 'race-pace', 10, [
    'main: 4x300 @mile / 2:00 walk, 1500 @goal 5k / 4:00 jog, 3x500 @3k / 2:30 jog',
    'main: 3x300 @mile-1s/400 / 2:00 walk, 1500 @goal 5k / 4:00 jog, 2x500 @3k-1s/400 / 2:30 jog',
    'main: 2x300 @mile-2s/400 / 2:00 walk, 1200 @goal 5k / 4:00 jog, 1x500 @3k-2s/400',
  ]),
  thread(
    'goal-10k',
    'Goal 10k towards 5k',
    'race-pace',
    10,
    ['main: 6x1100 @goal 10k>5k / 2:00 jog'],
    [link('fewer', 1, 4)],
  ),
  thread(
    'goal-mile',
    'Fewer, at goal pace',
    'race-pace',
    10,
    ['main: 5x300 @goal 1500 / 3:00 walk, 2x150 @800 / 250m walk'],
    [link('fewer', 1, 3)],
  ),
  thread(
    'half-pace',
    'Half marathon pace',
    'threshold',
    14,
    ['main: 3x3000 @half / 3:00 jog'],
    [link('longer-same', 500, 5000)],
    { arc: arc(5, 6, 7.5) },
  ),
  thread(
    'stages',
    'Stages at goal pace',
    'race-pace',
    6,
    ['main: 6x300 @goal 5k / 75s walk', 'main: 5x600 @goal 5k / 75s walk', 'main: 5x900 @goal 5k / 75s walk'],
    [],
    { isByReadiness: true, isLadder: true },
  ),
  thread(
    'first200',
    'First 200s',
    'transition',
    6,
    ['main: 6x200 @5k / 60s walk'],
    [link('more', 2, 14), link('less-rest', 10, 30)],
    { arc: arc(4, 5, 6.5) },
  ),
  thread('first1200', 'First long reps', 'aerobic-power', 7, ['main: 3x1200 @10k / 2:30 jog'], [link('more', 1, 5)], {
    arc: arc(5, 5.5, 6.5),
  }),
  thread(
    'fours',
    'Four minutes at 5k pace',
    'aerobic-power',
    8,
    ['main: 4x4:00 @5k / 2:00 jog'],
    [link('longer-same', 30, 270)],
  ),
  thread(
    'over-under',
    'Over and under',
    'alternation',
    14,
    ['main: 4x(1500 @half, 1500 @marathon+10s/km)'],
    [link('sets', 1, 6)],
    { arc: arc(4, 5.5, 7) },
  ),
  thread(
    'falling',
    'Falling strides',
    'fartlek',
    10,
    ['main: 2x(70s-50s-35s-20s @mile / 80s jog) / 3:00 jog'],
    [link('sets', 1, 3)],
    { isLight: true, arc: arc(6, 7, 7.5) },
  ),
  thread('clock', 'Fartlek by the clock', 'fartlek', 10, [CLOCK, FLOATED('easy'), FLOATED('steady')], [], {
    arc: arc(5, 7, 8),
  }),
  thread('open-thr', 'Until the legs say so', 'threshold', 14, ['main: open x 1300|900|500 @threshold / 45s jog']),
  ...BACK_THREADS,
];

const BY_ID = new Map(ALL.map((thread) => [thread.id, thread]));

/** The threads that come with the app, by their ids. */
export const shippedThreads = (ids: readonly string[]): Thread[] => ids.flatMap((id) => BY_ID.get(id) ?? []);

export const ALL_THREADS = ALL;
