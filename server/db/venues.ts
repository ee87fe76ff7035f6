import { and, asc, eq, isNotNull, isNull } from 'drizzle-orm';
import type { VenueInput } from '@core/api/dayPlanSchema';
import type { OwnVenue } from '@core/venue/ownVenue';
import type { Db } from './open';
import { venues } from './schema';

/** The places the coach has measured, by name. */
export function listVenues(db: Db): OwnVenue[] {
  const { id, name, shape, lengthM, marks, slopePct } = venues;
  return db
    .select({ id, name, shape, lengthM, marks, slopePct })
    .from(venues)
    .where(isNull(venues.removedAtMs))
    .orderBy(asc(name))
    .all()
    .map(({ slopePct: slope, ...venue }) => ({ ...venue, ...(slope === null ? {} : { slopePct: slope }) }));
}

/** Stores a place in place of what was stored under this id; a removed one is back. */
export function putVenue(db: Db, id: string, input: VenueInput, nowMs: number): OwnVenue {
  const stored = { ...input, slopePct: input.slopePct ?? null };
  db.insert(venues)
    .values({ id, ...stored, createdAtMs: nowMs, updatedAtMs: nowMs })
    .onConflictDoUpdate({ target: venues.id, set: { ...stored, updatedAtMs: nowMs, removedAtMs: null } })
    .run();
  return { id, ...input };
}

/** Hides a place; sessions planned there go on the standard track until another is chosen. @returns false if there is none with this id. */
export function removeVenue(db: Db, id: string, nowMs: number): boolean {
  const there = and(eq(venues.id, id), isNull(venues.removedAtMs));
  return db.update(venues).set({ removedAtMs: nowMs }).where(there).run().changes > 0;
}

/** Brings a removed place back. @returns false if none with this id was removed. */
export function restoreVenue(db: Db, id: string): boolean {
  const gone = and(eq(venues.id, id), isNotNull(venues.removedAtMs));
  return db.update(venues).set({ removedAtMs: null }).where(gone).run().changes > 0;
}
