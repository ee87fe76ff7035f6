/** A point with its weight, 1/variance. */
export type LinePoint = { x: number; y: number; weight: number };

/**
 * The straight line through weighted points by least squares: `y = atMean + slope·(x − meanX)`. With the weights as 1/variance,
 * 1/`sumWeight` is the variance of `atMean` and 1/`sumXX` that of `slope`, and the two are independent.
 */
export function straightLine(points: readonly LinePoint[]): {
  meanX: number;
  atMean: number;
  slope: number;
  sumWeight: number;
  sumXX: number;
} {
  const sum = (value: (point: LinePoint) => number) => points.reduce((total, p) => total + p.weight * value(p), 0);
  const sumWeight = sum(() => 1);
  const meanX = sum((p) => p.x) / sumWeight;
  const atMean = sum((p) => p.y) / sumWeight;
  const sumXX = sum((p) => (p.x - meanX) ** 2);
  const slope = sumXX > 0 ? sum((p) => (p.x - meanX) * (p.y - atMean)) / sumXX : 0;
  return { meanX, atMean, slope, sumWeight, sumXX };
}
