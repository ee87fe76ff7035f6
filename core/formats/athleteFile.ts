import type { DayPlanOfAthlete } from '../planning/dayPlan';
import type { OwnSeason } from '../season/ownSeason';
import type { Group, SquadMember } from '../squad/athlete';
import type { RunEvent } from '../run/events';
import type { Plan } from '../run/plan';
import { check, type Checked } from '../api/check';
import { athleteSchema, type AthleteInput } from '../api/schemas';

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

const VERSION = 1;

/**
 * Reads such a file: profile and marks. Ids, group and pace book belong to another squad, and results to its sessions: they are not
 * imported.
 */
export function readAthleteFile(text: string): Checked<AthleteInput> {
  const refuse = (message: string): Checked<AthleteInput> => ({
    ok: false,
    field: '',
    message: `${message} Nothing was imported.`,
  });
  let file: Partial<AthleteFile>;
  try {
    file = JSON.parse(text) as Partial<AthleteFile>;
  } catch {
    return refuse('This is not readable JSON.');
  }
  if (typeof file !== 'object' || file === null || file.format !== 'zest-lap/athlete')
    return refuse('This is not an athlete saved from Zest Lap.');
  if (typeof file.version !== 'number' || file.version > VERSION)
    return refuse(
      `This file was saved by a newer Zest Lap (version ${String(file.version)}, this one knows ${VERSION}).`,
    );
  const { id: _id, groupId: _groupId, paceBookId: _bookId, ...athlete } = file.athlete ?? ({} as SquadMember);
  const { marks } = athlete;
  const ownMarks = Array.isArray(marks) ? { marks: marks.map(({ id: _markId, ...mark }) => mark) } : {};
  const checked = check(athleteSchema, { ...athlete, ...ownMarks });
  return checked.ok ? checked : { ...checked, message: `${checked.message} Nothing was imported.` };
}
