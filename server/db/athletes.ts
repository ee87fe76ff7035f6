import { and, asc, eq, isNotNull, isNull } from 'drizzle-orm';
import type { AthleteInput } from '@core/formats/schemas';
import type { Db } from './open';
import { athletes, marks } from './schema';

/** An athlete as the API answers it. */
export type StoredAthlete = AthleteInput & { id: string };

type MarkRow = typeof marks.$inferSelect;

const withoutKeys = ({ distanceM, timeS, date, kind }: MarkRow) => ({ distanceM, timeS, date, kind });

/** Everyone in the squad, by name. */
export function listAthletes(db: Db): StoredAthlete[] {
  const marksOf = new Map<string, AthleteInput['marks']>();
  for (const row of db.select().from(marks).orderBy(asc(marks.id)).all()) {
    const list = marksOf.get(row.athleteId);
    if (list) list.push(withoutKeys(row));
    else marksOf.set(row.athleteId, [withoutKeys(row)]);
  }
  return db
    .select({ id: athletes.id, name: athletes.name })
    .from(athletes)
    .where(isNull(athletes.removedAtMs))
    .all()
    .map(({ id, name }) => ({ id, name, marks: marksOf.get(id) ?? [] }))
    .sort((a, b) => a.name.localeCompare(b.name));
}

/** Stores an athlete with all their marks, in place of what was stored under this id; a removed one is back. */
export function putAthlete(db: Db, id: string, input: AthleteInput, nowMs: number): StoredAthlete {
  db.transaction((tx) => {
    const { name } = input;
    tx.insert(athletes)
      .values({ id, name, createdAtMs: nowMs, updatedAtMs: nowMs })
      .onConflictDoUpdate({ target: athletes.id, set: { name, updatedAtMs: nowMs, removedAtMs: null } })
      .run();
    tx.delete(marks).where(eq(marks.athleteId, id)).run();
    tx.insert(marks)
      .values(input.marks.map((mark) => ({ ...mark, athleteId: id })))
      .run();
  });
  return { id, ...input };
}

/** Hides an athlete from the squad. @returns false if there is none with this id. */
export function removeAthlete(db: Db, id: string, nowMs: number): boolean {
  const there = and(eq(athletes.id, id), isNull(athletes.removedAtMs));
  return db.update(athletes).set({ removedAtMs: nowMs }).where(there).run().changes > 0;
}

/** Brings a removed athlete back. @returns false if none with this id was removed. */
export function restoreAthlete(db: Db, id: string): boolean {
  const gone = and(eq(athletes.id, id), isNotNull(athletes.removedAtMs));
  return db.update(athletes).set({ removedAtMs: null }).where(gone).run().changes > 0;
}
