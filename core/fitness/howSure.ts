/**
 * How far an athlete's paces can be trusted, in a coach's words: what is weak about their marks, and the one trial that would settle most
 * of it.
 */
import { format } from 'date-fns/format';
import { parseISO } from 'date-fns/parseISO';
import { formatDistance } from '../units/distance';
import { CurveError, fitCurve, errorShareFor, timeFor, type Curve } from './curve';
import { wasFlatOut, type Mark } from './mark';
import type { Leaning } from './shapePrior';
import { longestTrialM } from './trialByAge';
import { ageDaysOn, usableBy } from './weighing';
import { wrongMarksIn, type MarkOff } from './wrongMark';

/** How sure: within about 2 %, within 4 %, or worse. */
export type Sureness = 'sure' | 'fair' | 'unsure';

/** Distances an athlete's paces are judged over, in metres: from 800 m pace to threshold. */
const JUDGED_M = [800, 1500, 3000, 5000, 10_000];
const SURE = 0.02;
const FAIR = 0.04;
/** A mark this old says little about today; one of half a year ago is of another season. */
const OLD_DAYS = 70;
const OTHER_SEASON_DAYS = 180;

/** Relative standard errors at the distances judged: 0.02 is 2 %. */
const errorsOf = (curve: Curve): number[] => JUDGED_M.map((distanceM) => errorShareFor(curve, distanceM));

/** Their mean. */
export function meanError(curve: Curve): number {
  const errors = errorsOf(curve);
  return errors.reduce((sum, error) => sum + error, 0) / errors.length;
}

/** How sure one pace is, from its standard error as a share of it. */
export const surenessAt = (error: number): Sureness => (error <= SURE ? 'sure' : error <= FAIR ? 'fair' : 'unsure');

/**
 * How sure a curve is, for lists: as sure as all the judged paces but the least known. With a mark that does not fit the others it is fair
 * at best.
 */
export function surenessOf(curve: Curve): Sureness {
  const [, secondWorst = 0] = errorsOf(curve).sort((a, b) => b - a);
  const sureness = surenessAt(secondWorst);
  return sureness === 'sure' && wrongMarksIn(curve).length > 0 ? 'fair' : sureness;
}

/** `March`, or `March 2025` when that is another year than that of `asOf`. */
function monthText(date: string, asOf: string): string {
  return format(parseISO(date), date.slice(0, 4) === asOf.slice(0, 4) ? 'MMMM' : 'MMMM yyyy');
}

const markText = ({ distanceM, date }: Mark, asOf: string) =>
  `${formatDistance(distanceM)} from ${monthText(date, asOf)}`;

const percentText = (share: number) => {
  const percent = Math.abs(share) * 100;
  return `${percent < 10 ? percent.toFixed(1).replace(/\.0$/, '') : percent.toFixed(0)} %`;
};

/**
 * Asks about a mark that does not fit the others, "The 800 from March sits 4 % off the rest: slower than they say. …", or about two
 * that contradict each other; empty where all agree.
 */
export function outlierSentences(curve: Curve, asOf: string): string[] {
  const [first, second] = wrongMarksIn(curve);
  if (!first) return [];
  const text = ({ weighed }: MarkOff) => `The ${markText(weighed.mark, asOf)}`;
  if (second)
    return [
      `${text(first)} and the ${markText(second.weighed.mark, asOf)} do not fit each other, by ${percentText(first.off)}. Leave out of the curve the one that was no fair run, or put its time right.`,
    ];
  return [
    `${text(first)} sits ${percentText(first.off)} off the rest: ${first.off > 0 ? 'slower' : 'faster'} than they say. Put it right if it is a slip, or leave it out of the curve if it was no fair run.`,
  ];
}

/** Track trials a coach would run, in metres. */
const TRIALS_M = [800, 1200, 1600, 2000, 3000, 5000];
/** The longest trial for somebody who runs short races. */
const LONGEST_BY_LEANING = { '400-800': 1600, '800-1500': 3000, '1500-3k': 5000, '5k-10k': 5000 };
/** Too short to say much about a distance runner. */
const SHORTEST_BY_LEANING = { '400-800': 800, '800-1500': 800, '1500-3k': 1200, '5k-10k': 1600 };

/** Whom a trial is looked for; unknown fields limit nothing. */
export type TrialFor = { ageYears?: number | undefined; leaning?: Leaning | undefined };

/** Trials that suit an age and an event, in metres; at least one. */
function trialsFor({ ageYears, leaning }: TrialFor): number[] {
  const longestM = Math.min(longestTrialM(ageYears), leaning ? LONGEST_BY_LEANING[leaning] : Infinity);
  const shortestM = Math.min(longestM, leaning ? SHORTEST_BY_LEANING[leaning] : 0);
  return TRIALS_M.filter((distanceM) => distanceM >= shortestM && distanceM <= longestM);
}

/** The curve of the default model, or none. */
function curveIfAny(marks: readonly Mark[], asOf: string): Curve | undefined {
  try {
    return fitCurve(marks, { asOf });
  } catch (error) {
    if (error instanceof CurveError) return undefined;
    throw error;
  }
}

/** The suitable trial that would make the curve most certain, in metres; undefined without a usable mark. */
export function bestTrialM(marks: readonly Mark[], asOf: string, who: TrialFor = {}): number | undefined {
  const now = curveIfAny(marks, asOf);
  if (!now) return undefined;
  const tried = trialsFor(who).map((distanceM) => {
    // Run exactly as predicted, it leaves the curve in place and only narrows its errors.
    const trial: Mark = { distanceM, timeS: timeFor(now, distanceM), date: asOf, kind: 'trial' };
    return { distanceM, error: meanError(fitCurve([...marks, trial], { asOf })) };
  });
  return tried.reduce((best, candidate) => (candidate.error < best.error ? candidate : best)).distanceM;
}

/** An 800, a 1600. */
const articleFor = (metres: number) => (String(metres).startsWith('8') ? 'An' : 'A');

const monthsText = (days: number) =>
  days < OTHER_SEASON_DAYS ? `${Math.round(days / 7)} weeks` : `${Math.round(days / 30.4)} months`;

/** What is weak about the marks, shortest first: one only, old, estimates only. Empty when nothing is. */
function weaknesses(usable: readonly Mark[], newestDays: number): string[] {
  return [
    usable.length === 1 ? 'one mark only' : '',
    newestDays >= OLD_DAYS ? `the newest is ${monthsText(newestDays)} old` : '',
    !usable.some(wasFlatOut) ? 'no race or trial' : '',
  ].filter(Boolean);
}

/**
 * What to keep in mind about paces from these marks, each a sentence: "Unsure: one mark only. A 1600 trial would settle it."
 * Empty when they are fresh, several and agree.
 * @param canTrial false for an athlete who should not yet run flat out: the trial is put off.
 */
export function doubtsAboutMarks(
  marks: readonly Mark[],
  asOf: string,
  { canTrial = true, ...who }: TrialFor & { canTrial?: boolean } = {},
): string[] {
  const curve = curveIfAny(marks, asOf);
  if (!curve) return [];
  const usable = usableBy(marks, asOf);
  const newest = usable.reduce((a, b) => (b.date > a.date ? b : a));
  const newestDays = ageDaysOn(newest.date, asOf);
  const weak = weaknesses(usable, newestDays);
  const sureness = surenessOf(curve);
  const isDoubtful = weak.length > 0 && sureness !== 'sure';
  // Costs five more fits, so only where a trial is proposed.
  const trialM = isDoubtful ? bestTrialM(marks, asOf, who) : undefined;
  const settles = canTrial
    ? 'would settle it'
    : 'would settle it, once there are some weeks of regular running behind it';
  return [
    ...(isDoubtful
      ? [
          `${sureness === 'unsure' ? 'Unsure' : 'Fairly sure'}: ${weak.join(', ')}. ${trialM === undefined ? '' : `${articleFor(trialM)} ${trialM} trial ${settles}.`}`.trim(),
        ]
      : []),
    ...(newestDays >= OTHER_SEASON_DAYS
      ? [
          `These paces come from ${monthText(newest.date, asOf)}, another season: take them as a guess until there is a fresh mark.`,
        ]
      : []),
    ...outlierSentences(curve, asOf),
  ];
}
