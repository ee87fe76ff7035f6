import { HALF_MARATHON_M, MARATHON_M, MILE_M } from '../units/distance';
import { speedFor, timeFor, type Curve } from '../fitness/curve';

/** What an entry of the book stands on. Shares and bases name another entry of the same book. */
export type PaceBasis =
  /** The mean speed of a race over this distance. */
  | { kind: 'race'; distanceM: number }
  /** The speed that can be held for so long. */
  | { kind: 'held'; durationS: number }
  /** A share (1 = all) of another entry's speed. */
  | { kind: 'share'; of: string; share: number }
  /** No speed: run by feel, on 1 to 10. */
  | { kind: 'effort'; effort: number };

export type PaceEntry = { name: string; basis: PaceBasis };

/** A named list of paces, all worked out from one athlete's curve. */
export type PaceBook = { id: string; name: string; entries: PaceEntry[] };

/**
 * The default book: race paces straight from the curve, threshold as the speed held for an hour, the easier paces as
 * shares of the 8-minute speed. Shares are common coaching practice.
 */
export const curveBook: PaceBook = {
  id: 'curve',
  name: 'From the curve',
  entries: [
    { name: 'easy', basis: { kind: 'share', of: 'aerobic-max', share: 0.7 } },
    { name: 'steady', basis: { kind: 'share', of: 'aerobic-max', share: 0.8 } },
    { name: 'marathon', basis: { kind: 'race', distanceM: MARATHON_M } },
    { name: 'half', basis: { kind: 'race', distanceM: HALF_MARATHON_M } },
    { name: 'tempo', basis: { kind: 'share', of: 'threshold', share: 1 } },
    { name: 'threshold', basis: { kind: 'held', durationS: 3600 } },
    { name: 'cv', basis: { kind: 'share', of: 'aerobic-max', share: 0.92 } },
    { name: '10k', basis: { kind: 'race', distanceM: 10_000 } },
    { name: '8k', basis: { kind: 'race', distanceM: 8000 } },
    { name: 'aerobic-max', basis: { kind: 'held', durationS: 480 } },
    { name: '5k', basis: { kind: 'race', distanceM: 5000 } },
    { name: '3k', basis: { kind: 'race', distanceM: 3000 } },
    { name: '2mi', basis: { kind: 'race', distanceM: 2 * MILE_M } },
    { name: 'mile', basis: { kind: 'race', distanceM: MILE_M } },
    { name: '1500', basis: { kind: 'race', distanceM: 1500 } },
    { name: '800', basis: { kind: 'race', distanceM: 800 } },
    { name: '400', basis: { kind: 'race', distanceM: 400 } },
    { name: 'strides', basis: { kind: 'share', of: '400', share: 0.93 } },
    { name: 'max', basis: { kind: 'effort', effort: 10 } },
  ],
};

/**
 * Speed in m/s of one entry of the book for the athlete with this curve.
 * @returns undefined for an entry run by effort, for a name the book has not, and for a definition that leads to itself.
 */
export function speedOfEntry(book: PaceBook, name: string, curve: Curve): number | undefined {
  return speedOf(book, name, curve, new Set());
}

function speedOf(book: PaceBook, name: string, curve: Curve, seen: Set<string>): number | undefined {
  const entry = book.entries.find((candidate) => candidate.name === name);
  if (!entry || seen.has(name)) return undefined;
  const { basis } = entry;
  switch (basis.kind) {
    case 'race':
      return basis.distanceM / timeFor(curve, basis.distanceM);
    case 'held':
      return speedFor(curve, basis.durationS);
    case 'share': {
      const base = speedOf(book, basis.of, curve, new Set([...seen, name]));
      return base === undefined ? undefined : base * basis.share;
    }
    case 'effort':
      return undefined;
  }
}
