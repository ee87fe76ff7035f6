/** Milliseconds each of `times` runs took, without the first few (warm-up). */
export async function timed(times: number, run: () => unknown): Promise<number[]> {
  const warmUp = Math.ceil(times / 5);
  const took: number[] = [];
  for (let i = 0; i < times + warmUp; i++) {
    const startMs = performance.now();
    await run();
    if (i >= warmUp) took.push(performance.now() - startMs);
  }
  return took;
}

/** Median and 95th percentile. */
export function spread(values: readonly number[]): { median: number; p95: number } {
  const sorted = [...values].sort((a, b) => a - b);
  const at = (share: number) => sorted[Math.min(sorted.length - 1, Math.floor(sorted.length * share))] ?? Number.NaN;
  return { median: at(0.5), p95: at(0.95) };
}

const ms = (value: number) => `${value.toFixed(value < 10 ? 2 : 0)} ms`;

/** One line of the report: what was measured, against its limit and its baseline where there are any. */
export function report(
  what: string,
  values: readonly number[],
  more: { limitMs?: number; against?: [string, readonly number[]] } = {},
) {
  const { median, p95 } = spread(values);
  const limit = more.limitMs === undefined ? '' : ` (wanted: under ${ms(more.limitMs)})`;
  console.log(`${what}: ${ms(median)}, p95 ${ms(p95)}${limit}`);
  if (!more.against) return;
  const [name, baseline] = more.against;
  const { median: base, p95: baseP95 } = spread(baseline);
  const ratio = median < base ? `1 : ${(base / median).toFixed(1)}` : (median / base).toFixed(1);
  console.log(`  ${name}: ${ms(base)}, p95 ${ms(baseP95)}; ratio ${ratio}`);
}
