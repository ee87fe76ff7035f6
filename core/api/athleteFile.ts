import type { DayPlanOfAthlete } from '../planning/dayPlan';
import type { OwnSeason } from '../season/ownSeason';
import type { Group, SquadMember } from '../squad/athlete';
import type { RunEvent } from '../run/events';
import type { Plan } from '../run/plan';

/** A session an athlete was in: the plan with only them in it, and the events about them. */
export type OwnRun = { plan: Plan; events: RunEvent[] };

/** Everything stored about one athlete, as a file of their own. */
export type AthleteFile = {
  format: 'zest-lap/athlete';
  version: 1;
  /** YYYY-MM-DD */
  savedOn: string;
  athlete: SquadMember;
  group?: Group;
  runs: OwnRun[];
  /** Their part in seasons: exceptions and races they were entered for. */
  seasons?: ({ name: string } & OwnSeason)[];
  /** Sessions whose plan mentions them. */
  plans?: { title: string; date: string; plan: DayPlanOfAthlete }[];
};
