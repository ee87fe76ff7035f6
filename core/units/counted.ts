/** A number and what it counts: `1 rep`, `3 reps`, `2 clashes`. @param plural where it is not the singular and an s. */
export const counted = (n: number, singular: string, plural = `${singular}s`): string =>
  `${n} ${n === 1 ? singular : plural}`;
