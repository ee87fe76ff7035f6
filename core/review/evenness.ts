/** How evenly an athlete ran the reps of one kind. */
import { mean, variance } from '../units/mean';

/** Who took a time: a thumb on a phone, a timing chip, or somebody who typed it in. */
export const TIME_SOURCES = ['thumb', 'chip', 'typed'] as const;
export type TimeSource = (typeof TIME_SOURCES)[number];

/** One finished rep. `distanceM` is what was covered: where there is no target, reps of unlike distances are compared by pace. */
export type TimedRep = { targetS?: number; timeS: number; distanceM?: number; source?: TimeSource };

/** In percent of the target (of the mean without targets); late is positive. */
export type Evenness = {
  /** Mean distance from the target; only if every rep had one. */
  meanPercent?: number;
  /** Sample standard deviation about the mean, with timing error removed. */
  evennessPercent?: number;
  /** Set instead of evenness when timing error exceeds what is left. */
  isTooShort?: true;
  /** How much slower the last rep is than the first on the regression line, with its standard error. */
  fadePercent?: number;
  fadeErrorPercent?: number;
  /** There are enough reps, and the fade is significant (95 %). */
  isFadeSure?: true;
  /** The first and the last rep against the mean of those between. */
  firstPercent?: number;
  lastPercent?: number;
};

/** Standard deviation of one rep's time by how it was taken, two taps together (s): common practice for hand timing. */
const TIMING_SD_S = { thumb: 0.21, chip: 0.03, tenths: 0.2, wholeSeconds: 0.35 };

/** With fewer reps a fade is not mentioned. */
const FADE_REPS = 5;

/** Two-sided 95 % quantiles of Student's t for 1, 2, 3 … degrees of freedom; beyond the table they near 1.96. */
const T95 = [
  12.706, 4.303, 3.182, 2.776, 2.571, 2.447, 2.365, 2.306, 2.262, 2.228, 2.201, 2.179, 2.16, 2.145, 2.131, 2.12, 2.11,
  2.101, 2.093, 2.086,
];
const t95 = (degrees: number): number => T95[degrees - 1] ?? 1.96 + 2.5 / degrees;

/** Each rep's lateness in percent: of its target where all have one, else of the mean time or pace. */
function latenesses(reps: readonly TimedRep[]): { percents: number[]; isOfTarget: boolean } {
  const targets = reps.flatMap(({ targetS }) => (targetS !== undefined && targetS > 0 ? [targetS] : []));
  if (targets.length === reps.length)
    return { percents: reps.map(({ timeS }, i) => (timeS / (targets[i] ?? timeS) - 1) * 100), isOfTarget: true };
  const covered = reps.flatMap(({ distanceM }) => (distanceM !== undefined && distanceM > 0 ? [distanceM] : []));
  const paces = reps.map(({ timeS }, i) => (covered.length === reps.length ? timeS / (covered[i] ?? 1) : timeS));
  const middle = mean(paces);
  return { percents: paces.map((pace) => (pace / middle - 1) * 100), isOfTarget: false };
}

/** Timing error of a rep, in percent of its time. */
function timingPercents(reps: readonly TimedRep[]): number[] {
  const areWhole = reps.every(({ timeS, source }) => source !== 'typed' || Number.isInteger(timeS));
  return reps.map(({ timeS, source = 'thumb' }) => {
    const sdS = source === 'typed' ? (areWhole ? TIMING_SD_S.wholeSeconds : TIMING_SD_S.tenths) : TIMING_SD_S[source];
    return (sdS / timeS) * 100;
  });
}

/** The least-squares line over rep number: its rise from the first to the last, and the standard error of that. */
function fadeOf(percents: readonly number[]): Pick<Evenness, 'fadePercent' | 'fadeErrorPercent' | 'isFadeSure'> {
  const n = percents.length;
  const [middleAt, middle] = [(n - 1) / 2, mean(percents)];
  const spreadAt = percents.reduce((sum, _, i) => sum + (i - middleAt) ** 2, 0);
  const slope = percents.reduce((sum, value, i) => sum + (i - middleAt) * (value - middle), 0) / spreadAt;
  const residual = percents.reduce((sum, value, i) => sum + (value - middle - slope * (i - middleAt)) ** 2, 0);
  const errorPercent = Math.sqrt(residual / (n - 2) / spreadAt) * (n - 1);
  const fadePercent = slope * (n - 1);
  const isSure = n >= FADE_REPS && Math.abs(fadePercent) > t95(n - 2) * errorPercent;
  return { fadePercent, fadeErrorPercent: errorPercent, ...(isSure ? { isFadeSure: true as const } : {}) };
}

/**
 * Reads the finished reps of one kind, in the order they were run. What too few reps cannot say is left out: two reps have an evenness,
 * three a fade, a first and a last.
 */
export function evennessOf(reps: readonly TimedRep[]): Evenness {
  const n = reps.length;
  if (n === 0) return {};
  const { percents, isOfTarget } = latenesses(reps);
  const read: Evenness = isOfTarget ? { meanPercent: mean(percents) } : {};
  if (n < 2) return read;
  const ofTiming = mean(timingPercents(reps).map((percent) => percent ** 2));
  const left = Math.max(0, variance(percents) - ofTiming);
  if (left < ofTiming) read.isTooShort = true;
  else read.evennessPercent = Math.sqrt(left);
  if (n < 3) return read;
  const between = mean(percents.slice(1, -1));
  return {
    ...read,
    ...fadeOf(percents),
    firstPercent: (percents[0] ?? 0) - between,
    lastPercent: (percents.at(-1) ?? 0) - between,
  };
}
