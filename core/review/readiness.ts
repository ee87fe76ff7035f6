/** Whether somebody is ready for the next step, with the reasons. */
import { USUAL_TOLERANCE } from '../paces/paceBook';
import type { NextDay, NextStep } from '../run/events';
import { mean } from '../units/mean';

/** A rep of main part or fast finish as it was run; without a time it was not. `effort` is as most would tell it, `told` as it was told where that differs. */
export type RepDone = { targetS?: number; tolerance?: number; timeS?: number; effort?: number; told?: number };

export type ReadinessInput = {
  /** In running order. */
  reps: readonly RepDone[];
  /** The effort that is meant for the last rep. */
  meantLast?: number;
  /** They stopped, or were stopped; reps were cut or left out for them on the way. */
  stopped?: boolean;
  cut?: boolean;
  /** Their targets were made slower, or their rests longer, on the way. */
  eased?: boolean;
  /** The share of the draws in which one rep more would fit, see oneMoreFits(). */
  oneMore?: number;
  nextDay?: NextDay;
};

export type Readiness = { verdict: NextStep; reasons: string[] };

/** A told effort this far above the meant one still counts as meant; from this effort on nothing is left. */
const AS_MEANT = 0.5;
const SPENT = 9.5;
/** One more rep has to fit in this share of the draws. */
const SURE_ENOUGH = 0.7;
/** This many tolerances late is a step back. */
const FAR_LATE = 2;

const toldOf = (rep: RepDone | undefined) => rep?.told ?? rep?.effort;

/** From this difference on, an athlete's own way of telling effort is mentioned. */
const OWN_WAY = 0.5;
function mostText(rep: RepDone | undefined): string {
  const { effort = 0, told = effort } = rep ?? {};
  return Math.abs(told - effort) < OWN_WAY ? '' : ` Most would tell ${effort.toFixed(1)}.`;
}

const lastThirdOf = <T>(list: readonly T[]): T[] => list.slice(Math.floor((list.length * 2) / 3));

/** How late the last third was, as a share of its targets and in tolerances. */
type Lateness = { share: number; tolerances: number };

/** Undefined where none of it had a target. */
function lateness(reps: readonly RepDone[]): Lateness | undefined {
  const off = lastThirdOf(reps).flatMap(({ targetS, timeS, tolerance = USUAL_TOLERANCE }) => {
    if (targetS === undefined || timeS === undefined) return [];
    const share = timeS / targetS - 1;
    return [{ share, tolerances: share / tolerance }];
  });
  if (off.length === 0) return undefined;
  return { share: mean(off.map(({ share }) => share)), tolerances: mean(off.map(({ tolerances }) => tolerances)) };
}

const lateText = ({ share }: Lateness) => `Last third ${(share * 100).toFixed(1)} % late`;

/** Reasons why it was too much, a sentence each. */
function reasonsBack({ reps, stopped, cut }: ReadinessInput, late: Lateness | undefined): string[] {
  const early = reps.slice(0, Math.floor((reps.length * 2) / 3));
  const spentAt = early.findIndex(({ effort = 0, told = effort }) => Math.max(effort, told) >= SPENT);
  return [
    ...(stopped ? ['Stopped before the end.'] : []),
    ...(cut ? ['It was cut on the way.'] : []),
    ...(late && late.tolerances > FAR_LATE ? [`${lateText(late)}: too much.`] : []),
    ...(spentAt < 0 ? [] : [`Effort ${toldOf(reps[spentAt])} already on rep ${spentAt + 1}.`]),
  ];
}

const perHundred = (share: number) => `${Math.round(share * 100)} of 100`;

/** One sign for or against a step on. */
type Sign = { isGood: boolean; text: string };

function signsOf({ reps, meantLast, eased, oneMore, nextDay }: ReadinessInput, late: Lateness | undefined): Sign[] {
  const lastTold = reps.findLast(({ effort }) => effort !== undefined);
  const last = lastTold?.effort;
  const effort: Sign[] =
    last === undefined || meantLast === undefined
      ? []
      : [
          {
            isGood: last <= meantLast + AS_MEANT,
            text: `Last effort ${toldOf(lastTold)}, meant ${meantLast}.${mostText(lastTold)}`,
          },
        ];
  return [
    ...(late === undefined
      ? []
      : [
          late.tolerances <= 1
            ? { isGood: true, text: 'Last third on target.' }
            : { isGood: false, text: `${lateText(late)}.` },
        ]),
    ...effort,
    ...(eased ? [{ isGood: false, text: 'Made easier on the way.' }] : []),
    ...(oneMore === undefined
      ? []
      : [{ isGood: oneMore >= SURE_ENOUGH, text: `One more rep would fit on ${perHundred(oneMore)} such days.` }]),
    ...(nextDay === undefined
      ? []
      : [
          {
            isGood: nextDay === 'fresh',
            text: nextDay === 'fresh' ? 'Fresh the day after.' : `Legs ${nextDay} the day after.`,
          },
        ]),
  ];
}

/**
 * Whether somebody is ready for more of the same kind: on where all that is known speaks for it, back where it was too much, else once
 * more. Where neither a target nor an effort is known it is never on. The rules are this project's own.
 */
export function readiness(input: ReadinessInput): Readiness {
  const ran = input.reps.filter(({ timeS }) => timeS !== undefined);
  const late = lateness(ran);
  const back = reasonsBack({ ...input, reps: ran }, late);
  const signs = signsOf({ ...input, reps: ran }, late);
  const against = signs.filter(({ isGood }) => !isGood).map(({ text }) => text);
  if (back.length > 0) return { verdict: 'back', reasons: back };
  const isKnown = late !== undefined || ran.some(({ effort }) => effort !== undefined);
  if (!isKnown) return { verdict: 'repeat', reasons: ['Neither a target nor an effort is known.'] };
  if (against.length > 0) return { verdict: 'repeat', reasons: against };
  // Without a curve nothing can be predicted: times and efforts alone say too little for a step on.
  if (input.oneMore === undefined)
    return {
      verdict: 'repeat',
      reasons: [...signs.map(({ text }) => text), 'Without a mark nothing can be looked ahead to.'],
    };
  return { verdict: 'on', reasons: signs.map(({ text }) => text) };
}

/** What most of a group are ready for; with as many for one as for another, the more careful. */
export function readinessOfGroup(verdicts: readonly NextStep[]): NextStep {
  const count = (verdict: NextStep) => verdicts.filter((given) => given === verdict).length;
  return (['back', 'repeat', 'on'] as const).reduce(
    (most, candidate) => (count(candidate) > count(most) ? candidate : most),
    'back',
  );
}
