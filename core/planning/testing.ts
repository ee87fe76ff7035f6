/** For tests: runners and plans of a made-up squad. */
import { curveMovedTo, fitCurve } from '../fitness/curve';
import { curveBook } from '../paces/shippedPaceBooks';
import { read } from '../session/testing';
import { suggestIntent } from '../advice/suggestIntent';
import type { SquadMember } from '../squad/athlete';
import { standardTrack, type Venue } from '../venue/venue';
import { groupsFor, type DayGroup, type DayPlan } from './dayPlan';
import { athletePlans, type AthletePlan, type Runner } from './athletePlans';

export const AS_OF = '2026-11-01';

export const curveOf5k = (timeS: number) =>
  fitCurve([{ distanceM: 5000, timeS, date: AS_OF, kind: 'race' }], { asOf: AS_OF });

/** Someone who runs 5000 m in so many seconds; without a mark where none is given. */
export function runner(id: string, timeS?: number, goalS?: number): Runner {
  const paceBook = curveBook;
  if (timeS === undefined) return { id, name: id, tileName: id, paces: { paceBook, remark: 'There is no mark.' } };
  const curve = curveOf5k(timeS);
  const goalCurve = goalS === undefined ? undefined : curveMovedTo(curve, 5000, goalS);
  return { id, name: id, tileName: id, paces: { paceBook, curve, goalCurve } };
}

export const member = (id: string, more: Partial<SquadMember> = {}): SquadMember => ({
  id,
  name: id,
  tileName: id,
  status: 'training',
  marks: [],
  ...more,
});

/** The plans of some runners, all in one group unless groups are given. */
export function plansOf(
  text: string,
  runners: readonly Runner[],
  plan: DayPlan = {},
  venue: Venue = standardTrack,
): { plans: AthletePlan[]; groups: DayGroup[] } {
  const session = read(text);
  const groups = groupsFor(
    plan,
    runners.map(({ id }) => member(id)),
    [],
  );
  return { groups, plans: athletePlans({ session, intent: suggestIntent(session), plan, groups, runners, venue }) };
}
