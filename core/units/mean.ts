/** The mean of a list that is not empty. */
export const mean = (values: readonly number[]): number =>
  values.reduce((sum, value) => sum + value, 0) / values.length;

/** Sample variance of two values or more; of fewer there is none. */
export function variance(values: readonly number[]): number {
  if (values.length < 2) return 0;
  const middle = mean(values);
  return values.reduce((sum, value) => sum + (value - middle) ** 2, 0) / (values.length - 1);
}

/** The mean of what is known; undefined where nothing is. */
export function meanOfKnown(values: readonly (number | undefined)[]): number | undefined {
  const present = values.filter((value) => value !== undefined);
  return present.length === 0 ? undefined : mean(present);
}
