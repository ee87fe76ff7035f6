import fc from 'fast-check';
import { suggestGroups, type Grouped } from './groups';

const people = (...paces: number[]): Grouped[] => paces.map((paceS, i) => ({ id: String(i), paceS }));
const paces = (groups: { members: Grouped[] }[]) => groups.map(({ members }) => members.map(({ paceS }) => paceS));

test('nobody is further than the gap from the middle, and there are as few groups as can be', () => {
  expect(paces(suggestGroups(people(90, 75, 92, 74, 81), { gapS: 3, maxSize: 8 }))).toEqual([[74, 75], [81], [90, 92]]);
  expect(paces(suggestGroups(people(70, 73, 76, 79, 82), { gapS: 3, maxSize: 8 }))).toEqual([
    [70, 73, 76],
    [79, 82],
  ]);
});

test('a greedy walk would leave someone alone where this does not', () => {
  // Taking as many as fit from the front: 70–76, then 79 alone.
  expect(paces(suggestGroups(people(70, 71, 76, 79), { gapS: 3, maxSize: 8 }))).toEqual([
    [70, 71],
    [76, 79],
  ]);
});

test('no group is larger than allowed', () => {
  const sizes = suggestGroups(people(70, 70, 70, 70, 70), { gapS: 3, maxSize: 2 }).map(({ members }) => members.length);
  expect(sizes.sort()).toEqual([1, 2, 2]);
});

test('nobody, one, and limits that make no sense', () => {
  expect(suggestGroups([], { gapS: 3, maxSize: 8 })).toEqual([]);
  expect(suggestGroups(people(70), { gapS: 3, maxSize: 8 })).toEqual([{ members: people(70), middleS: 70 }]);
  expect(suggestGroups(people(70, 71), { gapS: -1, maxSize: 0 })).toHaveLength(2);
});

/** Every way to put n people into groups. */
function* partitions(n: number): Generator<number[][]> {
  if (n === 0) return void (yield []);
  for (const rest of partitions(n - 1)) {
    for (let i = 0; i < rest.length; i++) yield rest.map((group, j) => (i === j ? [...group, n - 1] : group));
    yield [...rest, [n - 1]];
  }
}

test('as good as the best of all groupings there are, neighbours or not: in groups, and in athletes alone', () => {
  fc.assert(
    fc.property(
      fc.array(fc.integer({ min: 140, max: 190 }), { minLength: 1, maxLength: 7 }),
      fc.integer({ min: 1, max: 8 }),
      fc.integer({ min: 1, max: 4 }),
      (halves, gapHalves, maxSize) => {
        const squad = people(...halves.map((half) => half / 2));
        const gapS = gapHalves / 2;
        const isAllowed = (group: number[]) => {
          const pacesS = group.map((i) => squad[i]?.paceS ?? 0);
          return group.length <= maxSize && Math.max(...pacesS) - Math.min(...pacesS) <= 2 * gapS + 1e-9;
        };
        let best = [Infinity, Infinity];
        for (const grouping of partitions(squad.length)) {
          if (!grouping.every(isAllowed)) continue;
          const cost = [grouping.length, grouping.filter((group) => group.length === 1).length];
          if ((cost[0] ?? 0) < (best[0] ?? 0) || (cost[0] === best[0] && (cost[1] ?? 0) < (best[1] ?? 0))) best = cost;
        }
        const groups = suggestGroups(squad, { gapS, maxSize });
        expect([groups.length, groups.filter(({ members }) => members.length === 1).length]).toEqual(best);
        // Everyone is in exactly one, and within the gap of its middle.
        expect(groups.flatMap(({ members }) => members.map(({ id }) => id)).sort()).toEqual(
          squad.map(({ id }) => id).sort(),
        );
        for (const { members, middleS } of groups)
          for (const { paceS } of members) expect(Math.abs(paceS - middleS)).toBeLessThanOrEqual(gapS + 1e-9);
      },
    ),
    { numRuns: 80 },
  );
});
