import type { SeasonPlan, SeasonSchools } from '../season';

/** What each school holds, in a line. */
export const SCHOOL_NOTES: Record<keyof SeasonSchools, string> = {
  isLongAfterHard: 'The long run may follow a hard day: tired legs learn to go on. Others keep a day between.',
  isLongHard: 'The long run counts as a hard day: beside it stands one hard day, or one and a light one.',
  mixesThreshold: 'Threshold and critical-speed work may share a week. Others take one in place of the other.',
  keepsAfterHeavy:
    'Heavy legs the day after do not move the next hard day: whoever has them runs less of it. Others put it off by a day.',
  hasBriskEasyDays: 'Easy days are run briskly. Others run them very easily, so that hard days can be hard.',
};

export const SCHOOLS = Object.keys(SCHOOL_NOTES) as (keyof SeasonSchools)[];

const hardDays = ({ rhythm }: SeasonPlan) => rhythm.filter((kind) => kind === 'hard').length;

/** What is said once about the choices of a season that other schools would not make. */
export function schoolNotes(season: SeasonPlan): string[] {
  return [
    ...(hardDays(season) > 2
      ? ['Three hard days a week: for those who have trained so before. The young and the new do two at most.']
      : []),
    ...SCHOOLS.filter((school) => season.schools[school]).map((school) => SCHOOL_NOTES[school]),
  ];
}
