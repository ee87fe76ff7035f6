/** The mean of a list that is not empty. */
export const mean = (values: readonly number[]): number =>
  values.reduce((sum, value) => sum + value, 0) / values.length;

/** The mean of what is known; undefined where nothing is. */
export function meanOfKnown(values: readonly (number | undefined)[]): number | undefined {
  const known = values.filter((value) => value !== undefined);
  return known.length === 0 ? undefined : mean(known);
}
