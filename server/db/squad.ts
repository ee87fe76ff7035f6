import { and, asc, eq, getTableColumns, inArray, isNotNull, isNull, notInArray, sql } from 'drizzle-orm';
import type { SquadSettings } from '@core/squad/squadSettings';
import type { SquadChange } from '@core/squad/change';
import { suggestTileName, tileKey } from '@core/squad/tileName';
import { curveBook, SHIPPED_PACE_BOOKS } from '@core/paces/shippedPaceBooks';
import { chunked } from './chunked';
import { putMarks } from './marks';
import type { Db, Tx } from './open';
import { Refused } from './refused';
import { athletes, erasedAthletes, groups, paceBooks, squad } from './schema';

const SQUAD_ID = 1;
const idsOf = (rows: readonly { id: string }[]) => rows.map(({ id }) => id);

/** The squad's pace book and its groups, in order. */
export function readSquad(db: Db): SquadSettings {
  const stored = db.select().from(squad).where(eq(squad.id, SQUAD_ID)).get();
  const list = db.select({ id: groups.id, name: groups.name }).from(groups).orderBy(asc(groups.place)).all();
  return {
    paceBookId: stored?.paceBookId ?? curveBook.id,
    groups: list,
    ...(stored?.guides ? { guides: stored.guides } : {}),
    ...(stored?.heat ? { heat: stored.heat } : {}),
    ...(stored?.schools ? { schools: stored.schools } : {}),
    ...(stored?.club ? { club: stored.club } : {}),
  };
}

function putGroups(tx: Tx, list: NonNullable<SquadChange['groups']>): void {
  const ids = list.map(({ id }) => id);
  tx.update(athletes).set({ groupId: null }).where(notInArray(athletes.groupId, ids)).run();
  tx.delete(groups).where(notInArray(groups.id, ids)).run();
  list.forEach(({ id, name }, place) =>
    tx.insert(groups).values({ id, name, place }).onConflictDoUpdate({ target: groups.id, set: { name, place } }).run(),
  );
}

function checkPaceBookExists(tx: Tx, paceBookId: string | undefined, field: string): void {
  if (paceBookId === undefined || SHIPPED_PACE_BOOKS.some(({ id }) => id === paceBookId)) return;
  const book = tx
    .select({ removedAtMs: paceBooks.removedAtMs })
    .from(paceBooks)
    .where(eq(paceBooks.id, paceBookId))
    .get();
  if (!book || book.removedAtMs !== null)
    throw new Refused('unknown', 'There is no such pace book. It may have been removed.', field);
}

type Sent = NonNullable<SquadChange['athletes']>;
/** The name of a field of one of the athletes sent, for an answer. */
type FieldOf = (index: number, field: string) => string;

/** Removed athletes by id: one who comes back to find their tile name or chip given away gets another, or none. */
function removedOf(tx: Tx): Map<string, { tileName: string; chip: string | null }> {
  const { id, tileName, chip } = athletes;
  const rows = tx.select({ id, tileName, chip }).from(athletes).where(isNotNull(athletes.removedAtMs)).all();
  return new Map(rows.map((row) => [row.id, row]));
}
type Removed = ReturnType<typeof removedOf>;

/**
 * The tile name of each athlete that is sent: their own, the one they have, or a new one; all at once, so that two can swap.
 * @throws Refused when one is someone else's.
 */
function tileNamesFor(tx: Tx, list: Sent, removed: Removed, fieldOf: FieldOf): string[] {
  const { id: idColumn, name: nameColumn, tileName: tileColumn } = athletes;
  const stored = tx
    .select({ id: idColumn, name: nameColumn, tileName: tileColumn })
    .from(athletes)
    .where(isNull(athletes.removedAtMs))
    .all();
  const before = new Map(stored.map((athlete) => [athlete.id, athlete.tileName]));
  const sent = new Set(list.map(({ id }) => id));
  const owners = new Map(stored.flatMap(({ id, name, tileName }) => (sent.has(id) ? [] : [[tileKey(tileName), name]])));
  const wanted = list.map(({ id, tileName = before.get(id) }) => {
    const isGivenAway =
      tileName !== undefined && owners.has(tileKey(tileName)) && removed.get(id)?.tileName === tileName;
    return isGivenAway ? undefined : tileName;
  });
  wanted.forEach((tileName, index) => {
    const name = list[index]?.name ?? '';
    if (tileName === undefined) return;
    const owner = owners.get(tileKey(tileName));
    if (owner !== undefined)
      throw new Refused(
        'taken',
        `“${tileName}” is the tile name of ${owner}. Each needs one of their own: “${suggestTileName(name, owners)}” is free.`,
        fieldOf(index, 'tileName'),
      );
    owners.set(tileKey(tileName), name);
  });
  return wanted.map((tileName, index) => {
    const name = list[index]?.name ?? '';
    const wanted = tileName ?? suggestTileName(name, owners);
    owners.set(tileKey(wanted), name);
    return wanted;
  });
}

/**
 * The chip of each athlete that is sent, if any.
 * @throws Refused when one is someone else's: its passings could be given to neither.
 */
function chipsFor(tx: Tx, list: Sent, removed: Removed, fieldOf: FieldOf): (string | null)[] {
  if (list.every(({ chip }) => chip === undefined)) return list.map(() => null);
  const { id: idColumn, name: nameColumn, chip: chipColumn } = athletes;
  const worn = tx
    .select({ id: idColumn, name: nameColumn, chip: chipColumn })
    .from(athletes)
    .where(and(isNull(athletes.removedAtMs), isNotNull(chipColumn)))
    .all();
  const sent = new Set(list.map(({ id }) => id));
  const wearers = new Map(worn.flatMap(({ id, name, chip }) => (sent.has(id) ? [] : [[chip, name]])));
  return list.map(({ id, chip, name }, index) => {
    if (chip === undefined) return null;
    const wearer = wearers.get(chip);
    if (wearer !== undefined && removed.get(id)?.chip === chip) return null;
    if (wearer !== undefined)
      throw new Refused(
        'taken',
        `${wearer} wears chip “${chip}”. Each needs one of their own.`,
        fieldOf(index, 'chip'),
      );
    wearers.set(chip, name);
    return chip;
  });
}

/** A phone may already be in the server's tomorrow: this far ahead still counts as today. */
const AHEAD_MS = 14 * 3_600_000;

/** @throws Refused for a mark of a day to come: nobody has run it yet. */
function checkMarkDays(list: Sent, nowMs: number, fieldOf: FieldOf): void {
  const latest = new Date(nowMs + AHEAD_MS).toISOString().slice(0, 10);
  list.forEach(({ name, marks: ownMarks }, index) => {
    const at = ownMarks.findIndex(({ date }) => date > latest);
    if (at >= 0)
      throw new Refused(
        'invalid',
        `A mark of ${name} is dated ${ownMarks[at]?.date}, which is still to come. A race to be ready for is a goal. Nothing was changed.`,
        fieldOf(index, `marks[${at}].date`),
      );
  });
}

/** Stores athletes with all their marks. */
function putAthletes(tx: Tx, list: Sent, nowMs: number): void {
  const fieldOf: FieldOf = (index, field) => (list.length === 1 ? field : `athletes[${index}].${field}`);
  const groupIds = new Set(idsOf(tx.select({ id: groups.id }).from(groups).all()));
  const erased = new Set(idsOf(tx.select({ id: erasedAthletes.id }).from(erasedAthletes).all()));
  list.forEach(({ id, groupId, paceBookId }, index) => {
    if (erased.has(id)) throw new Refused('unknown', 'This athlete was erased for good.', fieldOf(index, 'id'));
    if (groupId !== undefined && !groupIds.has(groupId))
      throw new Refused('unknown', 'There is no such group. It may have been removed.', fieldOf(index, 'groupId'));
    checkPaceBookExists(tx, paceBookId, fieldOf(index, 'paceBookId'));
  });
  const removed = removedOf(tx);
  const tileNames = tileNamesFor(tx, list, removed, fieldOf);
  const chips = chipsFor(tx, list, removed, fieldOf);
  checkMarkDays(list, nowMs, fieldOf);
  const rows = list.map(({ id, marks: _marks, ...input }, index) => ({
    id,
    name: input.name,
    tileName: tileNames[index] ?? input.name,
    status: input.status ?? ('training' as const),
    bornYear: input.bornYear ?? null,
    leaning: input.leaning ?? null,
    runningSince: input.runningSince ?? null,
    wellOn: input.wellOn ?? null,
    weeklyKm: input.weeklyKm ?? null,
    groupId: input.groupId ?? null,
    notes: input.notes ?? null,
    chip: chips[index] ?? null,
    goal: input.goal ?? null,
    nudge: input.nudge ?? null,
    paceBookId: input.paceBookId ?? null,
    archived: input.archived ?? false,
    createdAtMs: nowMs,
    updatedAtMs: nowMs,
    removedAtMs: null,
  }));
  const { id: _id, createdAtMs: _createdAtMs, ...changing } = getTableColumns(athletes);
  const set = Object.fromEntries(
    Object.entries(changing).map(([key, column]) => [key, sql.raw(`excluded."${column.name}"`)]),
  );
  for (const some of chunked(rows))
    tx.insert(athletes).values(some).onConflictDoUpdate({ target: athletes.id, set }).run();
  putMarks(tx, list);
}

function putSettings(tx: Tx, { paceBookId, guides, heat, schools, club }: SquadChange): void {
  if ([paceBookId, guides, heat, schools, club].every((setting) => setting === undefined)) return;
  const set = {
    ...(paceBookId === undefined ? {} : { paceBookId }),
    ...(guides === undefined ? {} : { guides }),
    ...(heat === undefined ? {} : { heat }),
    ...(schools === undefined ? {} : { schools }),
    ...(club === undefined ? {} : { club }),
  };
  tx.insert(squad)
    .values({ id: SQUAD_ID, paceBookId: curveBook.id, ...set })
    .onConflictDoUpdate({ target: squad.id, set })
    .run();
}

/**
 * Changes several things about the squad at once.
 * @throws Refused when a tile name is taken or a group or pace book is not there; nothing is stored then.
 */
export function changeSquad(db: Db, change: SquadChange, nowMs: number): void {
  db.transaction((tx) => {
    checkPaceBookExists(tx, change.paceBookId, 'paceBookId');
    putSettings(tx, change);
    if (change.removedIds && change.removedIds.length > 0)
      tx.update(athletes).set({ removedAtMs: nowMs }).where(inArray(athletes.id, change.removedIds)).run();
    if (change.groups) putGroups(tx, change.groups);
    if (change.athletes && change.athletes.length > 0) putAthletes(tx, change.athletes, nowMs);
  });
}
