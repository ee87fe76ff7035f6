/** A session as an athlete really ran it, laid out so that it can be predicted and adjusted like a planned one. */
import { parseStored } from '../session/parseSession';
import type { Amount, Item, Recovery, Role, SessionTree } from '../session/session';
import { repLabel, type PlannedRep } from '../run/plan';
import type { TargetLeg } from '../targets/targetsFor';
import type { ReviewCell } from './cell';
import { BY_EFFORT } from './ranLegs';

export type SessionAsRun = {
  session: SessionTree;
  legs: TargetLeg[];
  /** The rep of each work leg, in order. */
  cells: ReviewCell[];
};

/** A session has few of them, and every athlete's reps ask. */
const MOST_KEPT = 200;
const kept = new Map<string, Recovery | undefined>();

/** A recovery as the plan has it in words: `75s jog`. */
function recoveryOf(written: string | undefined): Recovery | undefined {
  if (written === undefined || written === '') return undefined;
  if (kept.has(written)) return kept.get(written);
  const parsed = parseStored(`2x400 / ${written}`);
  const recovery = parsed.ok ? parsed.session.lines[0]?.items[0]?.recovery : undefined;
  if (kept.size >= MOST_KEPT) kept.clear();
  kept.set(written, recovery);
  return recovery;
}

type Ran = ReviewCell & { rep: NonNullable<ReviewCell['rep']>; actualS: number };
const isRan = (cell: ReviewCell): cell is Ran =>
  cell.rep !== undefined && cell.actualS !== undefined && cell.actualS > 0;

/** Reps on end that are the same item: same part, amount, pace and recovery. */
function itemsOf(cells: readonly Ran[]): Ran[][] {
  const items: Ran[][] = [];
  let last = '';
  for (const cell of cells) {
    const key = `${cell.rep.role} ${repLabel(cell.rep)} ${cell.rep.recovery ?? ''}`;
    if (key === last) items.at(-1)?.push(cell);
    else items.push([cell]);
    last = key;
  }
  return items;
}

function amountOf({ rep, actualS }: Ran): Amount {
  return rep.distanceM === undefined
    ? { kind: 'duration', durationS: actualS }
    : { kind: 'distance', distanceM: rep.distanceM };
}

/** Plans of older versions say it in their note alone. */
export const isUphill = ({ hill, note }: PlannedRep): boolean => hill === true || note?.startsWith('uphill') === true;

/** Metres that tell how fast it was: none uphill. */
const metresOf = ({ rep, coveredM }: Ran) => (isUphill(rep) ? undefined : (rep.distanceM ?? coveredM));

/** An item at the pace of its first rep. */
function treeItem(cells: readonly Ran[], recovery: Recovery | undefined): Item {
  const [first] = cells as [Ran, ...Ran[]];
  const metres = metresOf(first);
  return {
    count: { kind: 'fixed', n: cells.length },
    body: {
      kind: 'rep',
      amounts: [amountOf(first)],
      sequence: 'ladder',
      free: first.rep.free ?? false,
      pace: { from: metres === undefined ? BY_EFFORT : { kind: 'absolute', timeS: first.actualS, perM: metres } },
    },
    ...(recovery ? { recovery } : {}),
  };
}

/** Legs of one item as they were run: each rep with its own time, each rest as it was taken. */
function legsOf(
  cells: readonly Ran[],
  role: Role,
  path: readonly number[],
  recovery: Recovery | undefined,
): TargetLeg[] {
  return cells.flatMap((cell, turn): TargetLeg[] => {
    const place = { role, path: [...path], turns: [turn] };
    const { rep, actualS, coveredM, restS = cell.plannedRestS } = cell;
    const run: TargetLeg = {
      ...place,
      kind: 'rep',
      targetS: actualS,
      ...(rep.distanceM === undefined ? { durationS: actualS } : { distanceM: rep.distanceM }),
      ...(rep.distanceM === undefined && coveredM !== undefined ? { expectedM: coveredM } : {}),
      ...(metresOf(cell) === undefined ? { paceMix: { from: BY_EFFORT, to: BY_EFFORT, share: 0 } } : {}),
    };
    if (restS === undefined) return [run];
    const jogM = recovery?.amount.kind === 'distance' ? recovery.amount.distanceM : undefined;
    const rest: TargetLeg = {
      ...place,
      kind: 'recovery',
      targetS: restS,
      ...(jogM === undefined ? { durationS: restS } : { distanceM: jogM }),
      ...(recovery?.manner ? { manner: recovery.manner } : {}),
    };
    return [run, rest];
  });
}

const laidOut = new WeakMap<readonly ReviewCell[], SessionAsRun>();

/** Lays out the finished reps, including those left out of the reading, since they tired the athlete too. Cached for each row. */
export function asRun(cells: readonly ReviewCell[]): SessionAsRun {
  const known = laidOut.get(cells) ?? layOut(cells);
  laidOut.set(cells, known);
  return known;
}

function layOut(cells: readonly ReviewCell[]): SessionAsRun {
  const ran = cells.filter(isRan).sort((a, b) => (a.startedAtMs ?? 0) - (b.startedAtMs ?? 0));
  const legs: TargetLeg[] = [];
  const session: SessionTree = { lines: [] };
  for (const item of itemsOf(ran)) {
    const [first] = item;
    if (!first) continue;
    const { role, recovery: written } = first.rep;
    const recovery = recoveryOf(written);
    let line = session.lines.at(-1);
    if (line?.role !== role) session.lines.push((line = { role, items: [] }));
    const path = [session.lines.length - 1, line.items.push(treeItem(item, recovery)) - 1];
    legs.push(...legsOf(item, role, path, recovery));
  }
  return { session, legs, cells: ran };
}
