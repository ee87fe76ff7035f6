/** Where coaches disagree: how a squad recovers and how fast its strides are. Each setting says in one line what it holds. */
import { timeFor, type Curve } from '../fitness/curve';
import type { Mark } from '../fitness/mark';
import type { PaceBasis, PaceBook } from '../paces/paceBook';
import { curveBook } from '../paces/shippedPaceBooks';
import type { ExpandOptions } from '../session/expand';
import type { Intent } from '../session/intent';
import type { Recovery } from '../session/session';

/** How a recovery is spent where a session does not say so. */
export const USUAL_MANNERS = ['stand', 'walk', 'jog', 'moving'] as const;
/** What ends a recovery that the builder adds. */
export const REST_ENDS = ['clock', 'distance', 'ready', 'pulse'] as const;
/** What a session grows by first. */
export const PROGRESS_BY = ['more', 'faster', 'less-rest'] as const;
/** What the speed of strides hangs on. */
export const STRIDES_BY = ['400', '800', 'top-speed'] as const;

/** In beats a minute, both ends included. */
export type PulseBand = { from: number; to: number };

/**
 * `pulse` is the band that the pulse has to be back in before the next rep; `pulseByIntent` the band it should be in after a rep of
 * such a session, where the coach has set one.
 */
export type Schools = {
  /** What a next step changes first, where there is no progression; more of it if left out. */
  progressBy?: (typeof PROGRESS_BY)[number];
  manner: (typeof USUAL_MANNERS)[number];
  restEnds: (typeof REST_ENDS)[number];
  pulse: PulseBand;
  pulseByIntent?: Partial<Record<Intent, PulseBand>>;
  stridesBy: (typeof STRIDES_BY)[number];
};

export const USUAL_SCHOOLS: Schools = {
  manner: 'walk',
  restEnds: 'clock',
  pulse: { from: 110, to: 125 },
  stridesBy: '400',
};

/** What the squad has chosen, or what the app says. */
export const schoolsOf = ({ schools }: { schools?: Schools }): Schools => schools ?? USUAL_SCHOOLS;

export const MANNER_NOTES: Record<Schools['manner'], string> = {
  stand: 'Stand: for fast reps run truly fast; the legs get cold sooner.',
  walk: 'Walk: most of the reserve comes back, and everyone can do it.',
  jog: 'Jog: keeps the rhythm, and the reserve comes back a little more slowly.',
  moving: 'Keep moving: a jog, or a walk where a jog is too much.',
};

export const REST_END_NOTES: Record<Schools['restEnds'], string> = {
  clock: 'The clock: the same rest for everyone, and the group goes together.',
  distance: 'A distance: starts stay on the marks, and slower runners rest longer.',
  ready: 'Ready: a tap says when; nobody starts before they can.',
  pulse: 'The pulse: back in a band; honest on hot days and after illness.',
};

export const PROGRESS_NOTES: Record<(typeof PROGRESS_BY)[number], string> = {
  more: 'Volume: another rep at the same pace; the surest way to more stamina.',
  faster: 'Speed: from the pace of now towards the goal’s; nearer to the race.',
  'less-rest': 'Shorter rests: the same reps nearer to the race without a break.',
};

export const STRIDES_NOTES: Record<Schools['stridesBy'], string> = {
  '400': '93 % of 400 pace: quick and relaxed.',
  '800': '800 pace: gentler, for the young and the long-distance runners.',
  'top-speed': '92.5 % of a timed top speed (a mark over 30 to 150 m); without one by 400 pace.',
};

/** The recovery that the builder begins with. */
export function usualRecovery({ manner, restEnds }: Schools): Recovery {
  if (restEnds === 'distance')
    return { amount: { kind: 'distance', distanceM: 200 }, manner: manner === 'stand' ? 'walk' : manner };
  if (restEnds === 'clock') return { amount: { kind: 'time', minS: 90, maxS: 90 }, manner };
  return { amount: { kind: 'ready' }, manner };
}

/** How rests are laid out that do not say it themselves; as they are written, where the coach has chosen nothing. */
export const restsOf = (schools: Schools | undefined): Pick<ExpandOptions, 'manner' | 'pulse'> =>
  schools ? { manner: schools.manner, ...(schools.restEnds === 'pulse' ? { pulse: schools.pulse } : {}) } : {};

/** Marks over distances that are run at top speed. */
const TOP_SPEED_M = { min: 30, max: 150 };
const STRIDES_OF_TOP = 0.925;

/** The fastest an athlete was timed over a short sprint, m/s; undefined without such a mark. */
export function topSpeedMps(marks: readonly Mark[]): number | undefined {
  const speeds = marks.flatMap(({ distanceM, timeS, leftOut }) =>
    distanceM >= TOP_SPEED_M.min && distanceM <= TOP_SPEED_M.max && !leftOut ? [distanceM / timeS] : [],
  );
  return speeds.length > 0 ? Math.max(...speeds) : undefined;
}

const isShipped = ({ basis }: { basis: PaceBasis }) =>
  JSON.stringify(basis) === JSON.stringify(curveBook.entries.find(({ name }) => name === 'strides')?.basis);

/** The book with strides as the squad runs them; a book in which the coach has set them says so itself, and stays. */
export function withStrides(
  book: PaceBook,
  by: Schools['stridesBy'],
  { curve, marks }: { curve: Curve | undefined; marks: readonly Mark[] },
): PaceBook {
  const top = topSpeedMps(marks);
  const share = top === undefined || !curve ? undefined : (STRIDES_OF_TOP * top * timeFor(curve, 400)) / 400;
  const basis: PaceBasis | undefined =
    by === '800'
      ? { kind: 'share', of: '800', share: 1 }
      : by === 'top-speed' && share !== undefined
        ? { kind: 'share', of: '400', share }
        : undefined;
  if (!basis) return book;
  return {
    ...book,
    entries: book.entries.map((entry) => (entry.name === 'strides' && isShipped(entry) ? { ...entry, basis } : entry)),
  };
}
