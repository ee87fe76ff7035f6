/** What is settled before the first start, and how it is recorded. */
import { takesPart, type DayGroup, type DayPlan } from '@core/planning/dayPlan';
import type { SquadMember } from '@core/squad/athlete';
import type { CareChoice, Conditions, Happening, Presence } from '@core/run/events';
import type { Plan } from '@core/run/plan';
import { isByTheClock } from '@core/trackside/caller';
import { joinedBy, type Visitor } from '@core/run/visitor';

/** By athlete, where somebody has said so. */
export type Presences = Readonly<Record<string, Presence>>;

/** The coach's choice for those to take care of. */
export type CareChoices = Readonly<Record<string, CareChoice>>;

/** Those who are not planned to run are not expected; a tick brings them in. */
export const presenceOf = (plan: DayPlan, said: Presences, athlete: SquadMember): Presence =>
  said[athlete.id] ?? (takesPart(plan, athlete) ? 'present' : 'absent');

/** The day's plan with those who are here, or were to be: who was expected and is away may still turn up. */
export function planForToday(
  plan: DayPlan,
  athletes: readonly SquadMember[],
  said: Presences,
  groups: DayGroup[] | undefined,
  choices: CareChoices = {},
): DayPlan {
  const taking = Object.fromEntries(
    athletes.map((athlete) => [athlete.id, takesPart(plan, athlete) || presenceOf(plan, said, athlete) !== 'absent']),
  );
  // A part is planned as the whole: an event at the track takes the choice back.
  const out = Object.entries({ ...plan.care, ...choices }).filter(
    ([id, choice]) => choice === 'out' && said[id] === undefined,
  );
  const { care: _care, ...rest } = plan;
  return {
    ...rest,
    taking,
    ...(out.length > 0 ? { care: Object.fromEntries(out) } : {}),
    ...(groups ? { groups } : {}),
  };
}

type Settled = {
  plan: Plan;
  /** By athlete of the plan. */
  presences: ReadonlyMap<string, Presence>;
  visitors: readonly Visitor[];
  conditions: Conditions;
  /** The groups this phone times, if not all. */
  timedIds: readonly string[] | undefined;
  /** Nobody takes the marks on the way. */
  finishesOnly: boolean;
  choices?: CareChoices;
};

/** Everything that was settled, as the first events of the session. */
export function settledEvents({
  plan,
  presences,
  visitors,
  conditions,
  timedIds,
  finishesOnly,
  choices = {},
}: Settled): Happening[] {
  const inPlan = plan.groups.flatMap(({ athletes }) => athletes.map(({ athleteId }) => athleteId));
  // A session by the clock runs by itself once it is started, and is called aloud.
  const isClocked = plan.groups.every((group) => isByTheClock(group));
  return [
    ...(isClocked ? [{ type: 'sending' as const, sending: 'together' as const }] : []),
    ...(finishesOnly ? [{ type: 'marks' as const, finishesOnly }] : []),
    ...inPlan.flatMap((athleteId): Happening[] => {
      const presence = presences.get(athleteId) ?? 'present';
      return presence === 'present' ? [] : [{ type: 'came', athleteId, presence }];
    }),
    ...inPlan.flatMap((athleteId): Happening[] => {
      const choice = choices[athleteId];
      // Anybody who leaves out is away already.
      return choice === undefined || choice === 'out' ? [] : [{ type: 'careChosen', athleteId, choice }];
    }),
    ...visitors.flatMap((visitor) => joinedBy(plan, visitor) ?? []),
    ...(Object.keys(conditions).length > 0 ? [{ type: 'conditions' as const, conditions }] : []),
    ...(timedIds ? [{ type: 'times' as const, groupIds: [...timedIds] }] : []),
  ];
}
