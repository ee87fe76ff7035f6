/** Keeps hard days apart: from each other, from races, and from the long run. */
import { ease, setKind, type Draft, type DraftDay } from './draftDay';

/** Whether a hard day may be here. Fixed days stay, so movable ones give way to them. */
function isClear({ at, season }: Draft, { day }: DraftDay): boolean {
  const before = at(day - 1);
  const after = at(day + 1);
  if (before?.kind === 'hard' || before?.kind === 'race' || before?.kind === 'long') return false;
  if (after?.kind === 'race') return false;
  if (after?.kind === 'hard' && (after.fixed || after.special !== undefined)) return false;
  return after?.kind !== 'long' || season.schools.isLongAfterHard === true;
}

/** Another day of the same week for a hard day that must move; the nearest, the later of two. */
function otherDay(draft: Draft, from: DraftDay): DraftDay | undefined {
  return Array.from({ length: 7 }, (_, i) => draft.at(from.week.fromDay + i))
    .filter((day) => day !== undefined)
    .filter(
      (day) =>
        !day.isClosed &&
        (day.kind === 'easy' || day.kind === 'strides' || day.kind === 'off') &&
        isClear(draft, day) &&
        draft.at(day.day + 1)?.kind !== 'hard',
    )
    .sort((a, b) => Math.abs(a.day - from.day) - Math.abs(b.day - from.day) || b.day - a.day)[0];
}

/** Moves a hard day beside another one, or drops it if there is no room. */
export function keepApart(draft: Draft): void {
  for (const day of draft.days) {
    if (day.kind !== 'hard' || day.fixed || day.special !== undefined || isClear(draft, day)) continue;
    setKind(day, 'easy');
    const other = otherDay(draft, day);
    if (other) other.kind = 'hard';
  }
  // A long run on the day before a hard one that may not move gives way to it.
  for (const day of draft.days)
    if (day.kind === 'long' && draft.at(day.day + 1)?.kind === 'hard' && !day.fixed) ease(day);
  // A long run on the day after a hard one that may not move gives way, unless a school holds otherwise.
  if (draft.season.schools.isLongAfterHard) return;
  for (const day of draft.days)
    if (day.kind === 'long' && draft.at(day.day - 1)?.kind === 'hard' && !day.fixed) ease(day);
}
