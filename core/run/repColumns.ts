import { repLabel, type PlannedGroup, type PlannedRep } from './plan';

/** Reps of a group that are the same for all of it, as one column of a table of targets. */
export type RepColumn = { rep: PlannedRep; label: string; repIndexes: number[] };

/** Gathers the reps that have the same label and the same target for every athlete, in the order they first come. */
export function repColumns({ reps, athletes }: PlannedGroup): RepColumn[] {
  const columns = new Map<string, RepColumn>();
  reps.forEach((rep, repIndex) => {
    const label = repLabel(rep);
    const targets = athletes.map(({ targets: all }) => {
      const { targetS = 0, expectedM = 0 } = all[repIndex] ?? {};
      return `${targetS.toFixed(2)} ${expectedM.toFixed(1)}`;
    });
    const key = [rep.role, label, rep.note ?? '', ...targets].join('|');
    const cached = columns.get(key);
    if (cached) cached.repIndexes.push(repIndex);
    else columns.set(key, { rep, label, repIndexes: [repIndex] });
  });
  return [...columns.values()];
}
