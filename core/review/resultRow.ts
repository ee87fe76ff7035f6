/** One rep of one athlete, as it stands in a file. Seconds and metres. */
export type ResultRow = {
  date: string;
  session: string;
  group: string;
  athlete: string;
  /** From 1. */
  rep: number;
  part: 'main' | 'finish';
  distanceM?: number;
  durationS?: number;
  pace?: string;
  targetS?: number;
  timeS?: number;
  coveredM?: number;
  effort?: number;
  sessionEffort?: number;
  /** Metres and seconds of all their reps, once for each athlete. */
  cameToM?: number;
  cameToS?: number;
  beatsPerMin?: number;
  restS?: number;
  plannedRestS?: number;
  notes?: string;
  /** Why it does not count, where it does not. */
  leftOut?: string;
};
