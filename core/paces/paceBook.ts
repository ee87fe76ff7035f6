import { speedFor, timeFor, type Curve, type ModelName } from '../fitness/curve';

/** What an entry of the pace book is based on. Shares and offsets name another entry of the same book. */
export type PaceBasis =
  /** The mean speed of a race over this distance. */
  | { kind: 'race'; distanceM: number }
  /** The speed that can be held for so long. */
  | { kind: 'held'; durationS: number }
  /** A share (1 = all) of another entry's speed; never quicker than `atMost`, where that is said, of a third. */
  | { kind: 'share'; of: string; share: number; atMost?: { of: string; share: number } | undefined }
  /** Another entry's pace, `offsetS` seconds slower (below 0: faster) over every `perM` metres. */
  | { kind: 'offset'; of: string; offsetS: number; perM: number }
  /** No speed: run by feel, on 1 to 10. */
  | { kind: 'effort'; effort: number };

export type PaceEntry = {
  name: string;
  /** A few characters that identify it without colour: on cards, charts and narrow tables. */
  short: string;
  /** A time this near to its target, as a share of it, is on target: 0.01 is 1 %. */
  tolerance: number;
  basis: PaceBasis;
};

/** A named list of paces, all worked out from one athlete's curve; the curve is fitted by `model`. */
export type PaceBook = { id: string; name: string; model: ModelName; entries: PaceEntry[] };

/** The usual tolerance of a target. */
export const USUAL_TOLERANCE = 0.01;

/**
 * Speed in m/s of one entry of the book for the athlete with this curve.
 * @returns undefined for an entry run by effort, for a name the book has not, and for a definition that leads to itself.
 */
export function speedOfEntry(book: PaceBook, name: string, curve: Curve): number | undefined {
  let ofPaceBook = cache.get(curve);
  if (!ofPaceBook) cache.set(curve, (ofPaceBook = new WeakMap()));
  let ofName = ofPaceBook.get(book);
  if (!ofName) ofPaceBook.set(book, (ofName = new Map()));
  if (!ofName.has(name)) ofName.set(name, speedOf(book, name, curve, new Set()));
  return ofName.get(name);
}

/** A session asks for the same few speeds in every rep, and each needs a root search; curves and books are immutable. */
const cache = new WeakMap<Curve, WeakMap<PaceBook, Map<string, number | undefined>>>();

export const entryOf = (book: PaceBook, name: string): PaceEntry | undefined =>
  book.entries.find((candidate) => candidate.name === name);

/** A speed made slower by `offsetS` seconds over every `perM` metres; undefined when nothing would be left. */
export function speedWithOffset(speedMps: number, offsetS: number, perM: number): number | undefined {
  const timeS = perM / speedMps + offsetS;
  return timeS > 0 ? perM / timeS : undefined;
}

function speedOf(book: PaceBook, name: string, curve: Curve, seen: ReadonlySet<string>): number | undefined {
  const entry = entryOf(book, name);
  if (!entry || seen.has(name)) return undefined;
  const { basis } = entry;
  const base = (of: string) => speedOf(book, of, curve, new Set([...seen, name]));
  switch (basis.kind) {
    case 'race':
      return basis.distanceM / timeFor(curve, basis.distanceM);
    case 'held':
      return speedFor(curve, basis.durationS);
    case 'share': {
      const speedMps = base(basis.of);
      if (speedMps === undefined) return undefined;
      const most = basis.atMost && base(basis.atMost.of);
      return Math.min(speedMps * basis.share, most === undefined ? Infinity : most * (basis.atMost?.share ?? 1));
    }
    case 'offset': {
      const speedMps = base(basis.of);
      return speedMps === undefined ? undefined : speedWithOffset(speedMps, basis.offsetS, basis.perM);
    }
    case 'effort':
      return undefined;
  }
}
