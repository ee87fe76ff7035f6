import { eq, isNull } from 'drizzle-orm';
import type { SquadMember } from '@core/squad/athlete';
import { marksByAthlete, marksOf } from './marks';
import type { Db } from './open';
import { athletes } from './schema';
import { withoutNulls } from './withoutNulls';

type Row = typeof athletes.$inferSelect;

function memberOf(row: Row, ownMarks: SquadMember['marks']): SquadMember {
  const { id, name, tileName, status, bornYear, leaning, runningSince, wellOn, weeklyKm, groupId, notes, ...rest } =
    row;
  const { goal, nudge, paceBookId, chip } = rest;
  const more = withoutNulls({
    bornYear,
    leaning,
    runningSince,
    wellOn,
    weeklyKm,
    groupId,
    notes,
    goal,
    nudge,
    paceBookId,
    chip,
  });
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
