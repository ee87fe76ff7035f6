/** A straight scale from values to pixels. */
export type Scale = (value: number) => number;

export const scale = ([from, to]: readonly [number, number], [fromPx, toPx]: readonly [number, number]): Scale => {
  const span = to - from || 1;
  return (value) => fromPx + ((value - from) / span) * (toPx - fromPx);
};

/** A scale on which each doubling is as wide, from values above 0 to pixels. */
export const logScale = ([from, to]: readonly [number, number], px: readonly [number, number]): Scale => {
  const along = scale([Math.log(from), Math.log(to)], px);
  return (value) => along(Math.log(value));
};

/** Round values from `from` to `to`, at most `most` of them, in steps out of `steps`. */
export function ticks(from: number, to: number, most: number, steps: readonly number[]): number[] {
  const step = steps.find((candidate) => (to - from) / candidate <= most) ?? to - from;
  if (step <= 0) return [from];
  const first = Math.ceil(from / step - 1e-9) * step;
  return Array.from({ length: Math.floor((to - first) / step + 1e-9) + 1 }, (_, i) => first + i * step);
}

/** An SVG path through points. */
export const path = (points: readonly (readonly [number, number])[]): string =>
  points.map(([x, y], i) => `${i === 0 ? 'M' : 'L'}${x.toFixed(1)} ${y.toFixed(1)}`).join('');

/** The closed path of a band: there along its upper edge, back along its lower one. */
export const band = (
  upper: readonly (readonly [number, number])[],
  lower: readonly (readonly [number, number])[],
): string => `${path([...upper, ...[...lower].reverse()])}Z`;
