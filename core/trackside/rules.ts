/**
 * What an experienced coach would think of while the session runs, as a table: each rule looks at one athlete after a rep, and offers
 * decisions with the figures that speak for them. What they are called is the screen's.
 */
import { asMostTell, calibrated } from '../outlook/calibration';
import { meantAt } from '../outlook/outlook';
import type { Plan } from '../run/plan';
import { groupOf, type AthleteState, type RepRun, type RunState } from '../run/runState';
import { judge } from '../run/tile';
import type { Verdict } from '../run/verdict';
import { isInOpen, leftAfterNext, slotsAhead } from './ahead';
import { optionsFor, type OptionKind, type ProposalOption } from './options';

type JudgedRep = { run: RepRun; deltaS?: number; verdict?: Verdict };

/** No rule looks further back. */
const MOST_JUDGED = 3;

function judgedReps({ runs }: AthleteState): JudgedRep[] {
  // A rep whose finish nobody took says nothing, and does not count among them.
  const taken = runs.filter(({ passes, rep }) => passes.length > 0 && passes.at(-1)?.atM === rep.callM.at(-1));
  return taken.slice(-MOST_JUDGED).flatMap((run): JudgedRep[] => {
    const finish = run.passes.at(-1);
    if (!finish) return [];
    const { deltaS, verdict } = judge(run.rep, run.target, finish.atM, finish.elapsedS);
    return [{ run, ...(deltaS === undefined ? {} : { deltaS }), ...(verdict ? { verdict } : {}) }];
  });
}

/** Effort as told, and what was meant by the same athlete's scale; `isTheirs` where that differs from most people's. */
export type EffortFacts = { told: number; meant: number; isTheirs: boolean };

/** What speaks for a proposal. `deltasS`: seconds off the target in the latest reps; `leftShare`: of the reserve, after the next rep. */
export type ProposalFacts = { deltasS?: readonly number[]; leftShare?: number; effort?: EffortFacts };

export type Found = { options: ProposalOption[]; facts?: ProposalFacts };

/** One athlete after a rep, as the rules look at it. */
type Situation = {
  run: RepRun;
  /** How many reps they have run. */
  repCount: number;
  judged: readonly JudgedRep[];
  before: JudgedRep | undefined;
  /** The latest rep, where its finish was taken. */
  last: JudgedRep | undefined;
  inOpen: boolean;
  /** Reps still to come, not counting further turns of open work. */
  aheadCount: number;
  effort: EffortFacts | undefined;
  /** Effort above what was meant, as most people would tell it. */
  effortOver: number | undefined;
  leftShare: () => number | undefined;
  /** Those of these decisions that make sense now. */
  options: (kinds: readonly OptionKind[], easeByPercent?: number) => ProposalOption[];
};

/** @returns undefined while the athlete is in a rep, or has run none. */
export function situationOf(plan: Plan, state: RunState, athlete: AthleteState): Situation | undefined {
  const run = athlete.runs.at(-1);
  const group = groupOf(state, athlete.groupId);
  if (!run || run.finishedAtMs === undefined || !group) return undefined;
  const judged = judgedReps(athlete);
  const aheadCount = slotsAhead(state, group, athlete).length;
  const repCount = athlete.runs.length;
  const wayShare = repCount + aheadCount > 1 ? (repCount - 1) / (repCount + aheadCount - 1) : 1;
  const meant = plan.arc ? meantAt(plan.arc, wayShare) : undefined;
  const { effort: told } = run;
  const { telling } = athlete.planned;
  const theirs = (effort: number) => (telling ? calibrated(effort, telling) : effort);
  const isKnown = told !== undefined && meant !== undefined;
  const last = judged.at(-1);
  return {
    run,
    repCount,
    judged,
    before: judged.at(-2),
    last: last?.run === run ? last : undefined,
    inOpen: isInOpen(athlete, group),
    aheadCount,
    effort: isKnown ? { told, meant: theirs(meant), isTheirs: theirs(meant) !== meant } : undefined,
    effortOver: isKnown ? asMostTell(told, telling) - meant : undefined,
    leftShare: () => leftAfterNext(state, athlete),
    options: (kinds, easeByPercent) => {
      const possible = optionsFor(state, athlete, easeByPercent);
      return kinds.flatMap((kind) => possible[kind] ?? []);
    },
  };
}

/** How far effort may be from what was meant before it is another session. */
const EFFORT_STEP = 2;
/** A recovery shorter than this is not cut. */
const SHORTEST_CUT_S = 45;

const TALK: ProposalOption = { decision: { kind: 'talk' } };
const BEGIN_GENTLY: ProposalOption = { decision: { kind: 'talk' }, isGentleStart: true };

const hasMore = ({ aheadCount, inOpen }: Situation) => aheadCount > 0 || inOpen;
const withEffort = ({ effort }: Situation): { facts?: ProposalFacts } => (effort ? { facts: { effort } } : {});

type Rule = { source: string; look: (situation: Situation) => Found | undefined };

const COMMON = 'common coaching practice';

/** The rules, the most pressing first, and where each comes from. */
export const RULES = {
  niggle: {
    source: COMMON,
    look: ({ run, options }) => (run.flags.includes('niggle') ? { options: options(['stop', 'drop']) } : undefined),
  },
  stitch: {
    source: COMMON,
    look: (situation) =>
      situation.run.flags.includes('stitch') && hasMore(situation)
        ? { options: [BEGIN_GENTLY, ...situation.options(['recovery', 'stop'])] }
        : undefined,
  },
  'reserve-gone': {
    source: 'reserve after Skiba et al. 2012, with times as run',
    look: ({ leftShare, options }) => {
      const left = leftShare();
      if (left === undefined || left >= 0) return undefined;
      return {
        options: options(['recovery', 'cutDown', 'endOpen', 'distance', 'drop', 'ease', 'stop']),
        facts: { leftShare: left },
      };
    },
  },
  'late-twice': {
    source: COMMON,
    look: (situation) => {
      const { before, last, inOpen, options } = situation;
      if (last?.verdict !== 'late' || before?.verdict !== 'late' || !hasMore(situation)) return undefined;
      const latePercents = [before, last].map(
        ({ deltaS = 0, run: { target } }) => (deltaS / (target.targetS ?? 1)) * 100,
      );
      return {
        options: options(
          inOpen ? ['cutDown', 'endOpen', 'stop'] : ['ease', 'recovery', 'distance', 'drop', 'stop'],
          Math.min(...latePercents),
        ),
        facts: { deltasS: [before.deltaS ?? 0, last.deltaS ?? 0] },
      };
    },
  },
  'hard-too-soon': {
    source: COMMON,
    look: (situation) => {
      const { effortOver = 0, inOpen, options } = situation;
      if (effortOver < EFFORT_STEP || !hasMore(situation)) return undefined;
      return {
        options: options(inOpen ? ['cutDown', 'endOpen', 'stop'] : ['recovery', 'ease', 'drop', 'distance', 'stop']),
        ...withEffort(situation),
      };
    },
  },
  'early-open': {
    source: COMMON,
    look: ({ run, judged, last, options }) => {
      if (!run.rep.open || judged.length < MOST_JUDGED || last?.verdict !== 'early') return undefined;
      return { options: [TALK, ...options(['cutDown', 'endOpen'])], facts: { deltasS: [last.deltaS ?? 0] } };
    },
  },
  'early-first': {
    source: COMMON,
    look: ({ repCount, last, aheadCount }) => {
      if (repCount !== 1 || last?.verdict !== 'early' || aheadCount === 0) return undefined;
      return { options: [TALK], facts: { deltasS: [last.deltaS ?? 0] } };
    },
  },
  comfortable: {
    source: COMMON,
    look: (situation) => {
      const { run, repCount, judged, aheadCount, inOpen, effortOver = 0 } = situation;
      // Open work finds its own end.
      if (effortOver > -EFFORT_STEP || repCount < 2 || aheadCount === 0 || inOpen) return undefined;
      if (judged.at(-1)?.verdict === 'late') return undefined;
      const { recoveryS = 0, targetS } = run.target;
      const lessRest: ProposalOption = { decision: { kind: 'recovery', addS: -15 } };
      const faster: ProposalOption = { decision: { kind: 'ease', percent: -1 } };
      return {
        options: [...(recoveryS >= SHORTEST_CUT_S ? [lessRest] : []), ...(targetS === undefined ? [] : [faster]), TALK],
        ...withEffort(situation),
      };
    },
  },
  'one-more': {
    source: COMMON,
    look: (situation) => {
      const { last, before, effortOver, options } = situation;
      const isHeld = last?.verdict === 'on' && before?.verdict !== 'late';
      if (!isHeld || effortOver === undefined || effortOver > -0.5) return undefined;
      return { options: options(['oneMore']), ...withEffort(situation) };
    },
  },
} as const satisfies Record<string, Rule>;
export type RuleId = keyof typeof RULES;
export const RULE_IDS = Object.keys(RULES) as RuleId[];
