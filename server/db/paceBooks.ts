import { and, asc, eq, isNotNull, isNull } from 'drizzle-orm';
import type { PaceBookInput } from '@core/api/schemas';
import type { PaceBook } from '@core/paces/paceBook';
import type { Db } from './open';
import { Refused } from './refused';
import { athletes, paceBooks } from './schema';
import { readSquad } from './squad';

/** The pace books the coach has made, by name. */
export function listPaceBooks(db: Db): PaceBook[] {
  const { id, name, model, entries } = paceBooks;
  return db
    .select({ id, name, model, entries })
    .from(paceBooks)
    .where(isNull(paceBooks.removedAtMs))
    .orderBy(asc(name))
    .all();
}

/** Stores a pace book in place of what was stored under this id; a removed one is back. */
export function putPaceBook(db: Db, id: string, input: PaceBookInput, nowMs: number): PaceBook {
  db.insert(paceBooks)
    .values({ id, ...input, createdAtMs: nowMs, updatedAtMs: nowMs })
    .onConflictDoUpdate({ target: paceBooks.id, set: { ...input, updatedAtMs: nowMs, removedAtMs: null } })
    .run();
  return { id, ...input };
}

/**
 * Hides a pace book. @returns false if there is none with this id.
 * @throws Refused while the squad or an athlete uses it.
 */
export function removePaceBook(db: Db, id: string, nowMs: number): boolean {
  const users = db
    .select({ name: athletes.name })
    .from(athletes)
    .where(and(eq(athletes.paceBookId, id), isNull(athletes.removedAtMs)))
    .all();
  const who = [...(readSquad(db).paceBookId === id ? ['the squad'] : []), ...users.map(({ name }) => name)];
  if (who.length > 0)
    throw new Refused('in_use', `This pace book is used by ${who.join(', ')}. Choose another there first.`, 'id');
  const there = and(eq(paceBooks.id, id), isNull(paceBooks.removedAtMs));
  return db.update(paceBooks).set({ removedAtMs: nowMs }).where(there).run().changes > 0;
}

/** Brings a removed pace book back. @returns false if none with this id was removed. */
export function restorePaceBook(db: Db, id: string): boolean {
  const gone = and(eq(paceBooks.id, id), isNotNull(paceBooks.removedAtMs));
  return db.update(paceBooks).set({ removedAtMs: null }).where(gone).run().changes > 0;
}
