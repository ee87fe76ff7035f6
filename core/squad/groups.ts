/** Someone to be put into a group: `paceS` is what groups are made by, in seconds (per 400 m at threshold, as a rule). */
export type Grouped = { id: string; paceS: number };

/** A group that can run together: quickest first; `middleS` lies half way between its quickest and its slowest. */
export type SuggestedGroup<T extends Grouped> = { members: T[]; middleS: number };

/** What a way of grouping costs, the more important first: groups, athletes left alone, spread. */
type Cost = readonly [groups: number, alone: number, spread: number];

const isLess = (a: Cost, b: Cost) => {
  const i = a.findIndex((value, at) => Math.abs(value - (b[at] ?? 0)) > 1e-9);
  return i >= 0 && (a[i] ?? 0) < (b[i] ?? 0);
};

/**
 * Groups athletes so that nobody is further than `gapS` from the middle of their group, no group is larger than `maxSize`,
 * and there are as few groups as can be; among those as few athletes alone as can be. Both exactly: any grouping can be
 * turned into one of neighbours in the list sorted by pace, with the same sizes and no wider, so the best way for the first n
 * follows from the best ways for fewer (dynamic programming after Fisher, J. Am. Stat. Assoc. 53:789, 1958). Where there
 * are several, the groups of neighbours with the least spread (sum of squares about each group's mean) are taken.
 */
export function suggestGroups<T extends Grouped>(
  athletes: readonly T[],
  { gapS, maxSize }: { gapS: number; maxSize: number },
): SuggestedGroup<T>[] {
  const sorted = [...athletes].sort((a, b) => a.paceS - b.paceS);
  const largest = Math.max(1, Math.floor(maxSize));
  const middleOf = (from: number, to: number) => ((sorted[from]?.paceS ?? 0) + (sorted[to - 1]?.paceS ?? 0)) / 2;
  const best: { cost: Cost; from: number }[] = [{ cost: [0, 0, 0], from: 0 }];
  for (let to = 1; to <= sorted.length; to++) {
    for (let from = to - 1; from >= Math.max(0, to - largest); from--) {
      const middleS = middleOf(from, to);
      // A hair of slack: 3.0 s apart is not further than 3 s.
      if (middleS - (sorted[from]?.paceS ?? 0) > Math.max(0, gapS) + 1e-9) break;
      const [groups, alone, spread] = best[from]?.cost ?? [0, 0, 0];
      const members = sorted.slice(from, to);
      const meanS = members.reduce((sum, { paceS }) => sum + paceS, 0) / members.length;
      const cost: Cost = [
        groups + 1,
        alone + (members.length === 1 ? 1 : 0),
        spread + members.reduce((sum, { paceS }) => sum + (paceS - meanS) ** 2, 0),
      ];
      const before = best[to];
      if (!before || isLess(cost, before.cost)) best[to] = { cost, from };
    }
  }
  const groups: SuggestedGroup<T>[] = [];
  for (let to = sorted.length; to > 0; to = best[to]?.from ?? 0) {
    const from = best[to]?.from ?? 0;
    groups.unshift({ members: sorted.slice(from, to), middleS: middleOf(from, to) });
  }
  return groups;
}
