/** The next step for somebody, with the reasons, in the order of reasons. The rules are this project's own. */
import { USUAL_TOLERANCE } from '../paces/paceBook';
import { toleranceS } from '../run/verdict';
import type { NextDay, NextStep, StopReason } from '../run/events';
import { mean } from '../units/mean';
import { NOTHING_LEFT, type CareEntry } from './care';
import { careReason } from './careWords';
import { lastThirdOf } from './paceAsked';

/**
 * A rep of main part or fast finish as it was run; without a time it was not. `effort` is as most would tell it, `told` as it was told
 * where that differs.
 */
export type RepDone = { targetS?: number; tolerance?: number; timeS?: number; effort?: number; told?: number };

export type ReadinessInput = {
  /** In running order. */
  reps: readonly RepDone[];
  /** The effort that is meant for the last rep. */
  meantLast?: number;
  /** The effort at the end less the meant one, as far as the day does not explain it; worked out from the reps if left out. */
  aboveMeant?: number;
  /** They stopped, and the reason if one was given. */
  stopped?: boolean;
  stopReason?: StopReason;
  /** Reps that were theirs to run, and that they did not: how many. */
  cut?: boolean | number;
  /** Their targets were made slower, their rests longer, or their reps shorter or fewer. */
  eased?: boolean;
  /** The share of the draws in which one rep more would fit, see oneMoreFits(). */
  oneMore?: number;
  /** It differs from most of their group. */
  isUnlikeGroup?: boolean;
  nextDay?: NextDay;
  /** What is known of them: see careFor(); and the day of the session (YYYY-MM-DD), so that older entries tell theirs. */
  care?: readonly CareEntry[];
  ranOn?: string;
  /** It was above the club's caution level of heat, or above that for hard work. */
  heat?: 'care' | 'hard';
  /** Their marks call the times impossible. */
  isFarQuicker?: boolean;
};

/** A question that has to be answered before anything is proposed: why they stopped, whether they are well, how fit they are. */
export type Waits = 'reason' | 'well' | 'level';

/** `most`: of a step on they take one rep more at most. */
export type Readiness = { verdict: NextStep; reasons: string[]; waits?: Waits; most?: 'rep' };

/** A reported effort this far above the meant one still counts as meant. */
const AS_MEANT = 0.5;
/** One more rep has to fit in this share of the draws. */
const SURE_ENOUGH = 0.7;
/** Tolerances: over all, and in the last third for a step easier. */
const OFF = { all: 2, farLate: 2 };
/** An arc meant to end here may be reported so. */
const ENDS_ALL_OUT = 9.5;

const toldOf = (rep: RepDone | undefined) => rep?.told ?? rep?.effort;

/** Lateness as a share of the targets, in tolerances, and in seconds a rep. */
type Lateness = { share: number; tolerances: number; meanS: number };

/** Undefined where none of it had a target. */
function lateness(reps: readonly RepDone[]): Lateness | undefined {
  const off = reps.flatMap(({ targetS, timeS, tolerance = USUAL_TOLERANCE }) => {
    if (targetS === undefined || timeS === undefined) return [];
    const offS = timeS - targetS;
    return [{ share: offS / targetS, tolerances: offS / toleranceS(targetS, tolerance), offS }];
  });
  if (off.length === 0) return undefined;
  return {
    share: mean(off.map(({ share }) => share)),
    tolerances: mean(off.map(({ tolerances }) => tolerances)),
    meanS: mean(off.map(({ offS }) => offS)),
  };
}

const percent = (share: number) => `${Math.abs(share * 100).toFixed(1)} %`;
const secondsText = (s: number) => `${Math.abs(s) < 1 ? Math.abs(s).toFixed(1) : Math.round(Math.abs(s))} s`;

/** From this difference on, an athlete's own way of telling effort is mentioned. */
const OWN_WAY = 0.5;
function ownWay(rep: RepDone | undefined): string {
  const { effort = 0, told = effort } = rep ?? {};
  const by = told - effort;
  if (Math.abs(by) < OWN_WAY || told >= NOTHING_LEFT) return '';
  return ` Rates effort about ${Math.max(1, Math.round(Math.abs(by) * 2) / 2)} ${by > 0 ? 'high' : 'low'}.`;
}

type Read = { all: Lateness | undefined; last: Lateness | undefined };

/** Reasons why it was too much, a sentence each. */
function reasonsEase({ reps, stopReason, stopped }: ReadinessInput, { last }: Read): string[] {
  const early = reps.slice(0, Math.floor((reps.length * 2) / 3));
  const spentAt = early.findIndex((rep) => Math.max(rep.effort ?? 0, toldOf(rep) ?? 0) >= NOTHING_LEFT);
  return [
    ...(stopped && stopReason === 'spent' ? ['Stopped with nothing left.'] : []),
    ...(last && last.tolerances > OFF.farLate ? [`Last third ${percent(last.share)} late: too much.`] : []),
    ...(spentAt < 0 ? [] : [`Effort ${toldOf(reps[spentAt])} already on rep ${spentAt + 1}.`]),
  ];
}

/** Too quick, over all or else in the last third. Where targets were made easier, running them is no advice. */
function earlyText(all: Lateness, last: Lateness | undefined, eased: boolean | undefined): string {
  const ofRep = all.tolerances < -1 ? `${secondsText(all.meanS)} a rep early` : undefined;
  const ofThird = `${percent(last?.share ?? 0)} early`;
  if (eased) return `Made easier for them, and still ${ofRep ?? `${ofThird} in the last third`}.`;
  return `${ofRep ? `Ran ${ofRep}` : `Last third ${ofThird}`}: run the target.`;
}

/** Reasons to run the same again, in the order of reasons: each is against a step on. */
function reasonsRepeat(input: ReadinessInput, { all, last }: Read): string[] {
  const { reps, meantLast, aboveMeant, stopped, stopReason, cut, eased, oneMore, isUnlikeGroup, nextDay, heat } = input;
  const lastTold = reps.findLast(({ effort }) => effort !== undefined);
  const above =
    aboveMeant ?? (lastTold?.effort === undefined || meantLast === undefined ? undefined : lastTold.effort - meantLast);
  const isEarly = all !== undefined && (all.tolerances < -1 || (last?.tolerances ?? 0) < -1);
  // Nothing left is nothing left, however they usually report.
  const isSpent = (toldOf(lastTold) ?? 0) >= NOTHING_LEFT && (meantLast ?? ENDS_ALL_OUT) < ENDS_ALL_OUT;
  const isHarder = isSpent || (above !== undefined && above > AS_MEANT);
  return [
    ...(heat === 'hard' ? ['Too hot that day for anything harder.'] : []),
    ...(stopped && stopReason !== 'spent' ? [stopText(stopReason)] : []),
    ...(isEarly ? [earlyText(all, last, eased)] : []),
    ...(last && last.tolerances > 1 ? [`Last third ${percent(last.share)} late.`] : []),
    ...(all && all.tolerances > OFF.all && (last?.tolerances ?? 0) <= 1
      ? [`${percent(all.share)} late over all.`]
      : []),
    ...(cut ? ['Not all of it was run.'] : []),
    ...(eased && !isEarly ? ['It was made easier for them.'] : []),
    ...(isHarder && !isEarly
      ? [
          lastTold
            ? `Last effort ${toldOf(lastTold)}, meant ${meantLast}.${ownWay(lastTold)}`
            : 'Harder than meant as a whole.',
        ]
      : []),
    ...(oneMore !== undefined && oneMore < SURE_ENOUGH
      ? [isUnlikeGroup === false ? 'Little in hand, as for most.' : 'Probably no rep in hand.']
      : []),
    ...(nextDay === 'heavy' || nextDay === 'sore' ? [`Legs ${nextDay} the day after.`] : []),
  ];
}

function stopText(reason: StopReason | undefined): string {
  switch (reason) {
    case undefined:
      return 'Stopped before the end: why?';
    case 'stitch':
      return 'Stopped with a stitch.';
    case 'pain':
      return 'Stopped with pain.';
    case 'had-to-go':
      return 'Had to go before the end.';
    case 'coach':
      return 'Stopped by the coach.';
    case 'spent':
      return 'Stopped with nothing left.';
  }
}

/** Reasons for a step on. */
function reasonsOn({ reps, meantLast, nextDay }: ReadinessInput, { last }: Read): string[] {
  const lastTold = reps.findLast(({ effort }) => effort !== undefined);
  return [
    ...(last ? ['On target to the end.'] : []),
    ...(lastTold && meantLast !== undefined
      ? [`Last effort ${toldOf(lastTold)}, meant ${meantLast}.${ownWay(lastTold)}`]
      : []),
    ...(nextDay === 'fresh' ? ['Fresh the day after.'] : []),
  ];
}

/** The last third of the planned reps, as far as it was run; or of the reps run, if none of it was. */
function lastThirdRan(ran: readonly RepDone[], missing: number): readonly RepDone[] {
  const ofAll = ran.slice(Math.floor(((ran.length + missing) * 2) / 3));
  return ofAll.length > 0 ? ofAll : lastThirdOf(ran);
}

/** The question to answer before anything is proposed. */
function waitsFor({ stopped, stopReason, care = [], ranOn, isFarQuicker }: ReadinessInput): Readiness | undefined {
  const alarm = care.find(({ reason }) => reason === 'pain' || reason === 'unwell');
  if (alarm || (stopped && stopReason === 'pain'))
    return {
      verdict: 'repeat',
      waits: 'well',
      reasons: [alarm ? careReason(alarm, ranOn) : 'Stopped with pain.', 'Out until they say it is gone.'],
    };
  if (stopped && stopReason === undefined)
    return { verdict: 'repeat', waits: 'reason', reasons: ['Stopped before the end: why?'] };
  if (isFarQuicker)
    return {
      verdict: 'repeat',
      waits: 'level',
      reasons: ['Far quicker than the marks allow.', 'A fresh trial, or set the level.'],
    };
  return undefined;
}

/**
 * Judges readiness for more of the same kind: on if everything speaks for it, back if it was too much, else once
 * more. Nobody who is held back goes on; where neither a target nor an effort is known it is never on.
 */
export function readiness(input: ReadinessInput): Readiness {
  const { care = [], heat, oneMore } = input;
  const waits = waitsFor(input);
  if (waits) return waits;
  const ran = input.reps.filter(({ timeS }) => timeS !== undefined);
  const known = { ...input, reps: ran };
  const read: Read = { all: lateness(ran), last: lateness(lastThirdRan(ran, Number(input.cut ?? 0))) };
  const holds = care.filter(({ grade, reason }) => grade === 'hold' && !(reason === 'legs' && input.nextDay));
  const watches = care.filter(({ grade }) => grade === 'watch');
  // The end of this very session is reported there.
  const isSaid = ({ reason, date }: CareEntry) => reason === 'spent' && date !== undefined && date === input.ranOn;
  const held = holds.filter((entry) => !isSaid(entry)).map((entry) => careReason(entry, input.ranOn));
  const ease = reasonsEase(known, read);
  const repeat = reasonsRepeat(known, read);
  const most = watches.length > 0 ? { most: 'rep' as const } : {};
  // On a hot day nobody takes a step back for it.
  if (ease.length > 0)
    return { verdict: heat ? 'repeat' : 'back', reasons: [...held, ...(heat ? ['It was hot.'] : []), ...ease] };
  if (held.length + repeat.length > 0) return { verdict: 'repeat', reasons: [...held, ...repeat] };
  if (!read.last && !ran.some(({ effort }) => effort !== undefined) && input.aboveMeant === undefined)
    return { verdict: 'repeat', reasons: ['Neither a target nor an effort is known.'] };
  // Without a curve nothing can be predicted: times and efforts alone are too little for a step on.
  if (oneMore === undefined)
    return {
      verdict: 'repeat',
      reasons: [...reasonsOn(known, read), 'Without a mark nothing can be looked ahead to.'],
    };
  return {
    verdict: 'on',
    reasons: [...reasonsOn(known, read), ...watches.map((entry) => `${careReason(entry)} One rep more at most.`)],
    ...most,
  };
}

/** The step most of a group are ready for; the more careful one of a tie. */
export function readinessOfGroup(verdicts: readonly NextStep[]): NextStep {
  const count = (verdict: NextStep) => verdicts.filter((given) => given === verdict).length;
  return (['back', 'repeat', 'on'] as const).reduce(
    (most, candidate) => (count(candidate) > count(most) ? candidate : most),
    'back',
  );
}
