import fc from 'fast-check';
import type { ItemSetting } from '../session/itemSetting';
import { read } from '../session/testing';
import { standardTrack } from '../venue/venue';
import { changeOf, repsOfItems, withChanges, withoutChanges } from './changes';
import {
  aboutAthlete,
  groupsFor,
  moveAthlete,
  withoutAthlete,
  type Change,
  type DayGroup,
  type DayPlan,
  type Whom,
} from './dayPlan';
import { groupRun, trafficOf } from './groupTargets';
import { targetTables, groupOfTable } from './runPlans';
import { startsAtLeast } from '../squad/athlete';
import { isTimedRep } from '../targets/targetsFor';
import { AS_OF, member, plansOf, runner } from './testing';

const TEXT = 'warm: 800 @easy\nmain: 2x(4x300 @mile / 60s, 600 @3k / 2:00) / 4:00\nfinish: 3x200 @800 / equal walk';
const session = read(TEXT);
const PATHS = [
  [1, 0],
  [1, 0, 0],
  [1, 0, 1],
  [2, 0],
];
const squad = [runner('ann', 1010), runner('bob', 1110), runner('cat', 1250, 1180), runner('new')];
const IDS = squad.map(({ id }) => id);

const setting: fc.Arbitrary<ItemSetting> = fc.oneof(
  fc.integer({ min: 1, max: 6 }).map((n): ItemSetting => ({ kind: 'count', n })),
  fc.integer({ min: 5, max: 300 }).map((durationS): ItemSetting => ({ kind: 'recovery', durationS })),
  fc.integer({ min: 50, max: 800 }).map((distanceM): ItemSetting => ({ kind: 'jog', distanceM })),
  fc.integer({ min: 90, max: 105 }).map((percent): ItemSetting => ({ kind: 'pace', share: percent / 100 })),
  fc.integer({ min: 30, max: 150 }).map((targetS): ItemSetting => ({ kind: 'target', targetS })),
);
const whom: fc.Arbitrary<Whom> = fc.oneof(
  fc.constant<Whom>({ kind: 'all' }),
  fc.constantFrom(...IDS).map((athleteId): Whom => ({ kind: 'athlete', athleteId })),
);
const change: fc.Arbitrary<Change> = fc
  .tuple(whom, fc.constantFrom(...PATHS), setting)
  .map(([who, path, set]) => changeOf(session, path, who, set));
const someChanges = fc.array(change, { maxLength: 8 });

describe('whatever is changed', () => {
  test('everyone has a plan, for as many legs as their session has, and no time is nonsense', () => {
    fc.assert(
      fc.property(someChanges, (changes) => {
        const { plans } = plansOf(TEXT, squad, { changes });
        expect(plans.map(({ runner: { id } }) => id)).toEqual(IDS);
        for (const { legs } of plans)
          for (const { targetS = 1, passes = [] } of legs) {
            expect(targetS).toBeGreaterThan(0);
            expect(Number.isFinite(targetS)).toBe(true);
            passes.forEach(({ timeS }, i) => expect(timeS).toBeGreaterThan(passes[i - 1]?.timeS ?? 0));
          }
      }),
      { numRuns: 60 },
    );
  });
  test('what is for one leaves the others as they are', () => {
    fc.assert(
      fc.property(someChanges, fc.constantFrom(...IDS), (changes, id) => {
        const ownChanges = changes.filter((change) => change.whom.kind === 'athlete' && change.whom.athleteId === id);
        const rest = changes.filter((change) => !ownChanges.includes(change));
        const others = (list: Change[]) =>
          plansOf(TEXT, squad, { changes: list }).plans.filter((plan) => plan.runner.id !== id);
        expect(others(changes).map(({ legs }) => legs)).toEqual(others(rest).map(({ legs }) => legs));
      }),
      { numRuns: 40 },
    );
  });
  test('taken back, it is as if it had never been', () => {
    fc.assert(
      fc.property(someChanges, change, (changes, more) => {
        const kept = withoutChanges(changes, more.whom);
        const there = withoutChanges(withChanges(kept, [more]), more.whom);
        expect(there).toEqual(kept);
        expect(withChanges(withChanges(changes, [more]), [more])).toEqual(withChanges(changes, [more]));
      }),
    );
  });
  test('groups, boards and traffic still hold everybody once', () => {
    fc.assert(
      fc.property(someChanges, (changes) => {
        const { plans, groups } = plansOf(TEXT, squad, { changes });
        const boards = targetTables(plans);
        expect(boards.flatMap((board) => board.plans.map((plan) => plan.runner.id)).sort()).toEqual([...IDS].sort());
        const run = groupRun(groups[0] as DayGroup, plans);
        const { arrivals, endS } = trafficOf(run, standardTrack);
        expect(arrivals.length).toBeGreaterThanOrEqual(
          Math.max(...boards.map((board) => groupOfTable(board, standardTrack).reps.length)),
        );
        arrivals.forEach(({ firstS, lastS }) => {
          expect(lastS).toBeGreaterThanOrEqual(firstS);
          expect(firstS).toBeLessThanOrEqual(endS + 600);
        });
      }),
      { numRuns: 40 },
    );
  });
  test('nothing is left of one who is erased, and all of it is in their file before', () => {
    fc.assert(
      fc.property(someChanges, fc.constantFrom(...IDS), (changes, id) => {
        const plan = {
          changes,
          taking: { [id]: true },
          groups: [{ id: 'g', name: 'G', athleteIds: IDS, leaderId: id }],
        };
        const mine = changes.filter((change) => change.whom.kind === 'athlete' && change.whom.athleteId === id);
        expect(aboutAthlete(plan, id)).toEqual({
          takesPart: true,
          group: 'G',
          leads: true,
          ...(mine.length > 0 ? { changes: mine } : {}),
        });
        expect(aboutAthlete(withoutAthlete(plan, id), id)).toBeUndefined();
      }),
    );
  });
});

test('moved about between groups, nobody is lost or in two', () => {
  const members = IDS.map((id) => member(id));
  const start: DayGroup[] = [
    { id: 'x', name: 'X', athleteIds: ['ann', 'bob'] },
    { id: 'y', name: 'Y', athleteIds: [] },
  ];
  const move = fc.tuple(fc.constantFrom(...IDS), fc.constantFrom('x', 'y', 'rest'));
  fc.assert(
    fc.property(fc.array(move, { maxLength: 12 }), (moves) => {
      let groups = groupsFor({ groups: start }, members, []);
      for (const [id, to] of moves) groups = groupsFor({ groups: moveAthlete(groups, id, to) }, members, []);
      expect(groups.flatMap(({ athleteIds }) => athleteIds).sort()).toEqual([...IDS].sort());
      const [last, where] = moves.at(-1) ?? ['ann', 'x'];
      expect(groups.find(({ athleteIds }) => athleteIds.includes(last))?.id).toBe(where);
    }),
  );
});

test('reps are counted by item, in the order they are run; recoveries are none', () => {
  const [athletePlan] = plansOf('2x(2x300 @mile / 60s, 600 @3k / 2:00)', [runner('ann', 1010)]).plans;
  expect(repsOfItems(athletePlan?.legs ?? [])).toEqual([0, -1, 1, -1, 0, -1, 2, -1, 3, -1, 1]);
});

describe('a range of amounts', () => {
  const TEXT = '3x5-6min @threshold / 90s';
  const lengths = (plan: DayPlan, startsAtLeast: boolean) => {
    const runners = [{ ...runner('ann', 1110), startsAtLeast }];
    const [athletePlan] = plansOf(TEXT, runners, plan).plans;
    return athletePlan?.legs.flatMap((leg) => (leg.kind === 'rep' ? [leg.durationS] : []));
  };
  test('is run at its most, by the young, the new and those easing back at its least', () => {
    expect(lengths({}, false)).toEqual([360, 360, 360]);
    expect(lengths({}, true)).toEqual([300, 300, 300]);
  });
  test('so is one of how often', () => {
    const run = (startsAtLeast: boolean) =>
      plansOf('2x(3-4x500 @5k / 75s) / 3:00', [{ ...runner('ann', 1110), startsAtLeast }]).plans[0]?.legs.filter(
        isTimedRep,
      ).length;
    expect([run(false), run(true)]).toEqual([8, 6]);
  });
  test('unless the coach chooses', () => {
    const changes = [changeOf(read(TEXT), [0, 0], { kind: 'all' }, { kind: 'length', length: 330 })];
    expect(lengths({ changes }, true)).toEqual([330, 330, 330]);
    expect(lengths({ changes }, false)).toEqual([330, 330, 330]);
  });
  test.each([
    [member('a', { status: 'easing' }), true],
    [member('a', { bornYear: 2013 }), true],
    [member('a', { bornYear: 2011 }), true],
    [member('a', { bornYear: 2010 }), false],
    [member('a', { runningSince: '2026-10-20' }), true],
    [member('a'), false],
  ])('%j begins at the least: %s', (athlete, expected) => expect(startsAtLeast(athlete, AS_OF)).toBe(expected));
  test('the club says who is young', () =>
    expect(startsAtLeast(member('a', { bornYear: 2011 }), AS_OF, 14)).toBe(false));
});
