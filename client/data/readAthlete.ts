import { checkForm, type CheckedForm } from '@core/api/check';
import { athleteSchema, type AthleteInput } from '@core/api/schemas';
import type { Leaning } from '@core/fitness/shapePrior';
import { sinceWeeks, type Athlete, type SquadMember, type Status } from '@core/squad/athlete';

/** An athlete's particulars as typed; an empty text is nothing. */
export type AboutFields = {
  name: string;
  tileName: string;
  bornYear: string;
  leaning: Leaning | '';
  weeks: string;
  weeklyKm: string;
  groupId: string;
  status: Status;
  notes: string;
  chip: string;
  paceBookId: string;
};

/** A whole number in a field; undefined if empty, NaN if not a number. */
const wholeNumber = (text: string) =>
  text.trim() === '' ? undefined : /^\d{1,4}$/.test(text.trim()) ? Number(text) : NaN;

/** A number with at most one decimal; undefined if empty, NaN if not a number. */
const kilometres = (text: string) =>
  text.trim() === '' ? undefined : /^\d{1,3}([.,]\d)?$/.test(text.trim()) ? Number(text.replace(',', '.')) : NaN;

/** Any athlete, checked with the same schema as on the server. */
export const checkAthlete = (athlete: AthleteInput): CheckedForm<AthleteInput> => checkForm(athleteSchema, athlete);

/**
 * Validates the typed fields together with the rest of the athlete, with the server's schema; returns the athlete or every field that is
 * wrong. Loaded on the first save: the schemas bring a validator that nothing else needs.
 */
export function readAbout(typed: AboutFields, before: SquadMember, today: string): CheckedForm<AthleteInput> {
  const bornYear = wholeNumber(typed.bornYear);
  const weeks = wholeNumber(typed.weeks);
  const weeklyKm = kilometres(typed.weeklyKm);
  const problems = {
    ...(Number.isNaN(bornYear)
      ? { bornYear: 'Write a year, like 2009, or nothing.' }
      : bornYear !== undefined && bornYear > Number(today.slice(0, 4))
        ? { bornYear: 'That year is still to come.' }
        : {}),
    ...(Number.isNaN(weeks) ? { weeks: 'Write a number of weeks, like 8, or nothing.' } : {}),
    ...(Number.isNaN(weeklyKm) ? { weeklyKm: 'Write a number of kilometres, like 35, or nothing.' } : {}),
  };
  const { id: _id, marks, goal, nudge, archived, wellOn } = before;
  const unsaid: Partial<Athlete> = {
    ...(bornYear === undefined ? {} : { bornYear }),
    ...(typed.leaning === '' ? {} : { leaning: typed.leaning }),
    ...(weeks === undefined || Number.isNaN(weeks) ? {} : { runningSince: sinceWeeks(weeks, today) }),
    ...(weeklyKm === undefined || Number.isNaN(weeklyKm) ? {} : { weeklyKm }),
    ...(typed.groupId === '' ? {} : { groupId: typed.groupId }),
    ...(typed.notes.trim() === '' ? {} : { notes: typed.notes }),
    ...(typed.chip.trim() === '' ? {} : { chip: typed.chip }),
    ...(typed.paceBookId === '' ? {} : { paceBookId: typed.paceBookId }),
    ...(goal ? { goal } : {}),
    ...(nudge ? { nudge } : {}),
    ...(archived ? { archived } : {}),
    ...(wellOn === undefined ? {} : { wellOn }),
  };
  const checked = checkAthlete({ name: typed.name, tileName: typed.tileName, status: typed.status, marks, ...unsaid });
  if (checked.ok && Object.keys(problems).length === 0) return checked;
  return { ok: false, problems: { ...(checked.ok ? {} : checked.problems), ...problems } };
}
