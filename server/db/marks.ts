/** Marks of athletes, each with an id of its own that stays for as long as the mark does. */
import { asc, eq, getTableColumns, inArray, sql } from 'drizzle-orm';
import { ulid } from 'ulid';
import type { Mark } from '@core/fitness/mark';
import { chunked } from './chunked';
import type { Db, Tx } from './open';
import { marks } from './schema';
import { withoutNulls } from './withoutNulls';

type MarkRow = typeof marks.$inferSelect;

function markOf(row: MarkRow): Mark {
  const { athleteId: _athlete, place: _place, leftOut, aloneTimeS, aloneSd, ...mark } = row;
  return {
    ...withoutNulls(mark),
    ...(leftOut ? { leftOut: true as const } : {}),
    ...(aloneTimeS === null || aloneSd === null ? {} : { alone: { timeS: aloneTimeS, sd: aloneSd } }),
  };
}

const inOrder = (db: Db) => db.select().from(marks).orderBy(asc(marks.athleteId), asc(marks.place));

/** Everyone's marks, by athlete. */
export function marksByAthlete(db: Db): Map<string, Mark[]> {
  const all = new Map<string, Mark[]>();
  for (const row of inOrder(db).all()) {
    const list = all.get(row.athleteId);
    if (list) list.push(markOf(row));
    else all.set(row.athleteId, [markOf(row)]);
  }
  return all;
}

/** One athlete's marks, in the order they were entered. */
export const marksOf = (db: Db, athleteId: string): Mark[] =>
  inOrder(db).where(eq(marks.athleteId, athleteId)).all().map(markOf);

const sameRun = ({ distanceM, timeS, date, kind }: Pick<Mark, 'distanceM' | 'timeS' | 'date' | 'kind'>): string =>
  `${distanceM} ${timeS} ${date} ${kind}`;

/** The ids of the marks that are sent for one athlete: their own, that of the same mark as it is stored, or a new one. */
function idsFor(sent: readonly Mark[], stored: readonly MarkRow[], isElsewhere: (id: string) => boolean): string[] {
  const taken = new Set<string>();
  const take = (id: string) => {
    taken.add(id);
    return id;
  };
  const keptIds = sent.map(({ id }) => (id !== undefined && !isElsewhere(id) && !taken.has(id) ? take(id) : undefined));
  return keptIds.map((id, i) => {
    if (id !== undefined) return id;
    const same = stored.find((row) => !taken.has(row.id) && sameRun(row) === sameRun(sent[i] ?? row));
    return take(same?.id ?? ulid());
  });
}

const { id: _id, ...changing } = getTableColumns(marks);
const OVERWRITTEN = Object.fromEntries(
  Object.entries(changing).map(([key, column]) => [key, sql.raw(`excluded."${column.name}"`)]),
);

/** Stores all marks of some athletes, in place of those they had. */
export function putMarks(tx: Tx, athletes: readonly { id: string; marks: readonly Mark[] }[]): void {
  const athleteIds = athletes.map(({ id }) => id);
  const stored = chunked(athleteIds).flatMap((ids) =>
    tx.select().from(marks).where(inArray(marks.athleteId, ids)).all(),
  );
  const sentIds = athletes.flatMap((athlete) => athlete.marks.flatMap(({ id }) => id ?? []));
  const ownerOf = new Map(
    chunked(sentIds).flatMap((ids) =>
      tx
        .select({ id: marks.id, athleteId: marks.athleteId })
        .from(marks)
        .where(inArray(marks.id, ids))
        .all()
        .map(({ id, athleteId }): [string, string] => [id, athleteId]),
    ),
  );
  const rows = athletes.flatMap(({ id: athleteId, marks: sent }) => {
    const theirs = stored.filter((row) => row.athleteId === athleteId);
    const ids = idsFor(sent, theirs, (id) => (ownerOf.get(id) ?? athleteId) !== athleteId);
    return sent.map(({ id: _sent, course, courseName, note, leftOut, runId, alone, ...mark }, place) => ({
      ...mark,
      id: ids[place] ?? ulid(),
      athleteId,
      place,
      course: course ?? null,
      courseName: courseName ?? null,
      note: note ?? null,
      leftOut: leftOut ?? false,
      runId: runId ?? null,
      aloneTimeS: alone?.timeS ?? null,
      aloneSd: alone?.sd ?? null,
    }));
  });
  const kept = new Set(rows.map(({ id }) => id));
  const gone = stored.flatMap(({ id }) => (kept.has(id) ? [] : [id]));
  for (const ids of chunked(gone)) tx.delete(marks).where(inArray(marks.id, ids)).run();
  for (const some of chunked(rows))
    tx.insert(marks).values(some).onConflictDoUpdate({ target: marks.id, set: OVERWRITTEN }).run();
}
