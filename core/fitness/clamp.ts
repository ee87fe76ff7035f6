/** `x`, or the bound it is beyond. */
export const clamp = (x: number, { min, max }: { min: number; max: number }) => Math.min(Math.max(x, min), max);
