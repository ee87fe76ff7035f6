/** The reps of one athlete by kind: those of one item, that can be compared with each other. */
import { repLabel, type PlannedRep } from '../run/plan';
import { grouped } from '../units/grouped';
import { timedRep, type ReviewCell } from './cell';
import { evennessOf, type Evenness, type TimedRep } from './evenness';

/** Reps of the same part, amount and pace, those that count, in the order they were run. */
export type RepKind = {
  rep: PlannedRep;
  cells: ReviewCell[];
  evenness: Evenness;
};

/** Fewer than this are no kind to judge evenness by: steps of a ladder are read together. */
const ENOUGH = 3;

/** What reps of one kind share: their part, amount and pace. */
export const kindKey = (rep: Pick<PlannedRep, 'role' | 'distanceM' | 'durationS' | 'pace'>): string =>
  `${rep.role} ${repLabel(rep)}`;

const evennessOfCells = (cells: readonly ReviewCell[]): Evenness =>
  evennessOf(cells.map(timedRep).filter((rep): rep is TimedRep => rep !== undefined));

/** Gathers the reps that count by kind, in the order each kind first comes. */
export function kindsOf(cells: readonly ReviewCell[]): RepKind[] {
  const timed = cells.flatMap((cell) => (cell.rep && timedRep(cell) ? [{ rep: cell.rep, cell }] : []));
  return [...grouped(timed, ({ rep }) => kindKey(rep)).values()].flatMap((kind) => {
    const [first] = kind;
    const ownCells = kind.map(({ cell }) => cell);
    return first ? [{ rep: first.rep, cells: ownCells, evenness: evennessOfCells(ownCells) }] : [];
  });
}

/**
 * The kind that stands for the session: the one with the most reps in the main part. Where every kind is short, as in a ladder, all of
 * the main part together, each rep against its own target.
 */
export function headline(cells: readonly ReviewCell[]): Evenness {
  const main = cells.filter(({ rep }) => rep?.role === 'main');
  const of = main.some((cell) => timedRep(cell)) ? main : cells;
  const largest = kindsOf(of).reduce<RepKind | undefined>(
    (most, kind) => (most && most.cells.length >= kind.cells.length ? most : kind),
    undefined,
  );
  if (!largest) return {};
  if (largest.cells.length >= ENOUGH) return largest.evenness;
  const together = evennessOfCells(of);
  // Without targets unlike reps say nothing about each other.
  return together.meanPercent === undefined ? largest.evenness : together;
}
