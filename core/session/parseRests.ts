/** The recoveries behind an item: that of its reps, and that between its sets. */
import { countBehind, once, type Counts } from './parseCount';
import { readRepPace } from './parsePace';
import { seesRest, takeRecovery, type ReadRecovery } from './parseRecovery';
import { readNote } from './parseRep';
import type { ReadItem, Reader } from './reader';
import type { Amount, Item, Recovery, Rep } from './session';

type Body = Item['body'];

const amountsOf = (body: Body): readonly Amount[] => (body.kind === 'rep' ? body.amounts : []);

/** An item wrapped in a set of its own, so that another recovery can follow it. */
export const wrapped = (item: Item, recovery: Recovery): Item => ({
  count: once,
  body: { kind: 'set', items: [item] },
  recovery,
});

/** A note that stands behind the recovery is that of the rep. */
function takeLateNote(r: Reader, body: Body): void {
  if (body.kind === 'set' || body.note !== undefined || !r.sees(/["“„]/y)) return;
  const note = readNote(r);
  if (note === undefined) return;
  r.generous();
  body.note = note;
}

/** A pace that stands only behind the rest of its rep, or behind a set for all its reps. */
export function takeLatePace(r: Reader, body: Body): void {
  if (body.kind === 'drills' || r.isAtStop()) return;
  const reps = body.kind === 'rep' ? [body] : body.items.map((item) => item.body);
  const without = reps.filter((rep): rep is Rep => rep.kind === 'rep' && !rep.pace);
  if (without.length < reps.length) return;
  const pace = readRepPace(r, amountsOf(body));
  if (!pace) return;
  r.generous();
  for (const rep of without) rep.pace = pace;
}

/** Two recoveries behind a set in brackets: the first is that of its reps, which have none. */
function restInside(r: Reader, item: Item, first: Recovery): Recovery | undefined {
  if (item.body.kind !== 'set' || !r.sees(/\//y)) return undefined;
  const inner = item.body.items;
  if (inner.some(({ recovery, body }) => recovery || body.kind !== 'rep')) return undefined;
  const outer = takeRecovery(r, [])?.recovery;
  if (!outer) return undefined;
  r.generous();
  for (const innerItem of inner) innerItem.recovery = first;
  return outer;
}

/** A second recovery behind the first, which says that it is between sets or stands behind a stroke of its own. */
function takeOuter(r: Reader, { count, body }: Item): Recovery | undefined {
  r.skipSpace();
  const start = r.at;
  const read = takeRecovery(r, amountsOf(body));
  if (!read) return undefined;
  const written = r.text.slice(start, r.at);
  if (body.kind === 'rep' && count === once && written.startsWith('/'))
    r.fail('There are two recoveries behind one rep.', start, r.at, [
      { label: `Then ${written.slice(1).trim()}`, by: `,${written.slice(1).trimEnd()}` },
    ]);
  if (read.isBetweenSets || written.startsWith('/')) {
    r.generous();
    return read.recovery;
  }
  return r.fail(
    'There are two recoveries here. Put the reps in brackets: the one behind them is between the sets.',
    start,
    r.at,
  );
}

/** The recoveries behind an item: that of its reps and that between its sets. */
export function readRests(r: Reader, item: Item, counts: Counts): { between?: Recovery } {
  const { body } = item;
  const first = takeRecovery(r, amountsOf(body));
  if (!first) return {};
  if (body.kind === 'rep') takeLatePace(r, body);
  takeLateNote(r, body);
  if (counts.sets && first.isBetweenSets) return { between: first.recovery };
  item.recovery = (counts.sets ? undefined : restInside(r, item, first.recovery)) ?? first.recovery;
  const times = counts.sets ? undefined : countBehind(r);
  // `3min on, 2min off x 5`: of reps; behind those that are counted already, of sets.
  if (times && counts.reps === once) item.count = times;
  else if (times) counts.sets = times;
  const between = counts.sets || !first.isBetweenSets ? takeOuter(r, item) : undefined;
  return between ? { between } : {};
}

/** A rest or a walk as an item of its own is the recovery behind what comes before it. */
export function takeRest(r: Reader, before: ReadItem | undefined, isFirst: boolean): ReadRecovery | undefined {
  if (!seesRest(r)) return undefined;
  const start = r.at;
  if (isFirst) r.fail('A rest or a walk comes behind something that is run.', start, r.end);
  // Behind an item that could not be read there is nothing it could be put to.
  return takeRecovery(r, before ? amountsOf(before.item.body) : []);
}

/** The rest between sets, where what comes before it is a set whose reps have the rest that was said first. */
function betweenSets(item: Item, recovery: Recovery): Item | undefined {
  const { body, recovery: first } = item;
  if (!first || item.count === once) return undefined;
  if (body.kind === 'rep' && body.amounts.length > 1 && body.sequence === 'ladder')
    return { count: item.count, body: { kind: 'set', items: [{ count: once, body, recovery: first }] }, recovery };
  if (body.kind !== 'set' || body.items.some((inner) => inner.recovery || inner.body.kind !== 'rep')) return undefined;
  return { ...item, body: { ...body, items: body.items.map((inner) => ({ ...inner, recovery: first })) }, recovery };
}

/** Puts a rest behind an item that is read already: after each of its reps where it has none yet, else behind all of it. */
export function restBehind(
  r: Reader,
  { item, from, hasCount }: ReadItem,
  { recovery, isBetweenSets }: ReadRecovery,
): ReadItem {
  const between = isBetweenSets ? betweenSets(item, recovery) : undefined;
  if (between) return { from, to: r.at, hasCount, item: between };
  const rested = !item.recovery ? { ...item, recovery } : wrapped(item, recovery);
  // `1 min on, 1 min off x 10`
  const times = item.count === once && !item.recovery ? countBehind(r) : undefined;
  return {
    from,
    to: r.at,
    hasCount: hasCount || times !== undefined,
    item: times ? { ...rested, count: times } : rested,
  };
}
