import { and, eq, isNotNull, isNull } from 'drizzle-orm';
import type { AthleteInput } from '@core/api/schemas';
import type { SquadMember } from '@core/squad/athlete';
import { suggestTileName, tileKey } from '@core/squad/tileName';
import { marksByAthlete, marksOf } from './marks';
import type { Db } from './open';
import { athletes } from './schema';
import { changeSquad } from './squad';

type Row = typeof athletes.$inferSelect;

/** Without what is not set: an answer has only what there is. */
function said<T extends object>(fields: T): { [K in keyof T]?: NonNullable<T[K]> } {
  const kept = Object.entries(fields).filter(([, value]) => value !== null && value !== false);
  return Object.fromEntries(kept) as { [K in keyof T]?: NonNullable<T[K]> };
}

function memberOf(row: Row, ownMarks: SquadMember['marks']): SquadMember {
  const { id, name, tileName, status, bornYear, leaning, runningSince, weeklyKm, groupId, notes, ...rest } = row;
  const { goal, nudge, paceBookId, chip } = rest;
  const more = said({ bornYear, leaning, runningSince, weeklyKm, groupId, notes, goal, nudge, paceBookId, chip });
  return { id, name, tileName, status, marks: ownMarks, ...more, ...(row.archived ? { archived: true } : {}) };
}

/** Everyone in the squad and in its archive, by name. */
export function listAthletes(db: Db): SquadMember[] {
  const marks = marksByAthlete(db);
  const { compare } = new Intl.Collator();
  return db
    .select()
    .from(athletes)
    .where(isNull(athletes.removedAtMs))
    .all()
    .map((row) => memberOf(row, marks.get(row.id) ?? []))
    .sort((a, b) => compare(a.name, b.name));
}

/** One athlete, removed or not; undefined if there is none with this id. */
export function readAthlete(db: Db, id: string): SquadMember | undefined {
  const row = db.select().from(athletes).where(eq(athletes.id, id)).get();
  return row && memberOf(row, marksOf(db, id));
}

/** Stores an athlete with all their marks, in place of what was stored under this id; a removed one is back. */
export function putAthlete(db: Db, id: string, input: AthleteInput, nowMs: number): SquadMember {
  changeSquad(db, { athletes: [{ id, ...input }] }, nowMs);
  const stored = readAthlete(db, id);
  if (!stored) throw new Error('An athlete just stored is not there.');
  return stored;
}

/** Hides an athlete from the squad. @returns false if there is none with this id. */
export function removeAthlete(db: Db, id: string, nowMs: number): boolean {
  const there = and(eq(athletes.id, id), isNull(athletes.removedAtMs));
  return db.update(athletes).set({ removedAtMs: nowMs }).where(there).run().changes > 0;
}

/**
 * Brings a removed athlete back; if their tile name was given to someone else meanwhile, they get another.
 * @returns false if none with this id was removed.
 */
export function restoreAthlete(db: Db, id: string): boolean {
  return db.transaction((tx) => {
    const gone = tx
      .select()
      .from(athletes)
      .where(and(eq(athletes.id, id), isNotNull(athletes.removedAtMs)))
      .get();
    if (!gone) return false;
    const taken = tx
      .select({ tileName: athletes.tileName, chip: athletes.chip })
      .from(athletes)
      .where(isNull(athletes.removedAtMs))
      .all();
    const keys = new Set(taken.map(({ tileName }) => tileKey(tileName)));
    const tileName = keys.has(tileKey(gone.tileName)) ? suggestTileName(gone.name, keys) : gone.tileName;
    // Somebody else may have got their chip meanwhile.
    const chip = taken.some((other) => other.chip === gone.chip) ? null : gone.chip;
    tx.update(athletes).set({ removedAtMs: null, tileName, chip }).where(eq(athletes.id, id)).run();
    return true;
  });
}
