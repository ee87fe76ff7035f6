/** The longest flat-out run by age in the year; common coaching practice: local rules for the young come first. */
const LONGEST_BY_AGE = [
  { under: 11, distanceM: 800 },
  { under: 13, distanceM: 1200 },
  { under: 15, distanceM: 2000 },
  { under: 17, distanceM: 3000 },
];

/** The longest trial for an age in metres; no limit where the age is not known. */
export const longestTrialM = (ageYears: number | undefined): number =>
  LONGEST_BY_AGE.find(({ under }) => ageYears !== undefined && ageYears < under)?.distanceM ?? Infinity;
