/**
 * What an experienced coach would think of while the session runs. Each rule looks at one athlete after a rep and offers what could be
 * done; the coach says yes or no, and nothing happens unasked.
 */
import { asMostTell, calibrated } from '../outlook/calibration';
import { meantAt } from '../outlook/outlook';
import { reserveAfter } from '../targets/reserve';
import { formatDelta, formatTime } from '../units/time';
import type { Decision } from '../run/events';
import { cutDownsLeft, freshRepIndex, ownRep } from '../run/lineUp';
import { restMps, type Plan } from '../run/plan';
import {
  groupOf,
  isRunning,
  type AthleteState,
  type GroupState,
  type RepRun,
  type RunState,
  type Slot,
} from '../run/runState';
import { recoveredAtMs } from '../run/starts';
import { judge } from '../run/tile';
import type { Verdict } from '../run/verdict';

const COMMON = 'common coaching practice';

/** The rules, the most pressing first: what each says in general, and where it comes from. */
export const RULES = {
  niggle: { about: 'Pain is a reason to stop, not to slow down.', source: COMMON },
  stitch: { about: 'A stitch mostly goes when the next rep is begun gently.', source: COMMON },
  'reserve-gone': {
    about: 'What they have above their critical speed would be used up in the next rep.',
    source: 'reserve after Skiba et al. 2012, with times as run',
  },
  'late-twice': { about: 'Two reps running later than the tolerance: the session is slipping.', source: COMMON },
  'hard-too-soon': { about: 'Effort two or more above what was meant for this far.', source: COMMON },
  'early-open': {
    about: 'In open work a rep run early often means they think it is the last.',
    source: COMMON,
  },
  'early-first': { about: 'A first rep run early is paid for in the last ones.', source: COMMON },
  comfortable: { about: 'Effort two or more below what was meant, and not late.', source: COMMON },
  'one-more': { about: 'The last reps held and one or two more were there.', source: COMMON },
} as const satisfies Record<string, { about: string; source: string }>;
export type RuleId = keyof typeof RULES;

export type Option = { decision: Decision; says: string };
/** One line to say yes or no to: the first of the options is what it says. */
export type Proposal = {
  rule: RuleId;
  athleteId: string;
  /** The rep after which it came up. */
  repIndex: number;
  says: string;
  reasons: string[];
  options: Option[];
};

/** Early is as much a fault as late, effort two from what was meant is a different session, and one step is enough at a time. */
const LIMITS = { effort: 2, easeMost: 5, restStepS: 15, shortestM: 200 };

type Judged = { run: RepRun; deltaS?: number; verdict?: Verdict; timeS: number };

/** No rule looks further back. */
const JUDGED = 3;

function judgedRuns({ runs }: AthleteState): Judged[] {
  // A rep whose finish nobody took says nothing, and does not count among them.
  const taken = runs.filter(({ passes, rep }) => passes.length > 0 && passes.at(-1)?.atM === rep.callM.at(-1));
  return taken.slice(-JUDGED).flatMap((run): Judged[] => {
    const finish = run.passes.at(-1);
    if (!finish) return [];
    const { deltaS, verdict } = judge(run.rep, run.target, finish.atM, finish.elapsedS);
    return [
      { run, timeS: finish.elapsedS, ...(deltaS === undefined ? {} : { deltaS }), ...(verdict ? { verdict } : {}) },
    ];
  });
}

/** What is still to come for an athlete. */
function slotsAhead(state: RunState, group: GroupState, athlete: AthleteState): Slot[] {
  const last = athlete.runs.at(-1);
  const at = last ? group.slots.findIndex(({ repIndex }) => repIndex === last.repIndex) : -1;
  return group.slots.filter((slot, i) => i > at && ownRep(state, athlete, slot) !== undefined);
}

/** True while the athlete's latest rep is of open work that is not over for them. */
function isInOpen(athlete: AthleteState, group: GroupState | undefined): boolean {
  const last = athlete.runs.at(-1);
  const ran = group?.slots.find(({ repIndex }) => repIndex === last?.repIndex);
  return ran !== undefined && group?.plan.reps[ran.planIndex]?.open === true && !athlete.open[ran.planIndex]?.isOver;
}

/** What can be done for an athlete now, each ready to be decided; empty where it makes no sense. */
export function optionsFor(state: RunState, athlete: AthleteState, easeBy = 2): Record<string, Option[]> {
  const group = groupOf(state, athlete.groupId);
  if (!group) return {};
  const ahead = slotsAhead(state, group, athlete);
  const next = ahead[0] && ownRep(state, athlete, ahead[0]);
  const { distanceM } = next?.rep ?? {};
  const { targetS } = next?.target ?? {};
  const { recoveryS, mostRecoveryS } = athlete.runs.at(-1)?.target ?? {};
  const more = recoveryS === undefined || mostRecoveryS === undefined ? 0 : mostRecoveryS - recoveryS;
  const addS = Math.min(LIMITS.restStepS, more);
  const shorterM = distanceM === undefined ? 0 : Math.floor((distanceM * 0.75) / 100) * 100;
  const lastMain = ahead.findLast((slot) => ownRep(state, athlete, slot)?.rep.role === 'main');
  const lastRun = athlete.runs.at(-1);
  const ran = group.slots.find(({ repIndex }) => repIndex === lastRun?.repIndex);
  const inOpen = isInOpen(athlete, group);
  const isLastMain = lastRun?.rep.role === 'main' && lastMain === undefined && !inOpen;
  const percent = Math.min(LIMITS.easeMost, Math.max(0.5, Math.round(easeBy * 2) / 2));
  return {
    // Open work is at one pace for as long as it is held: it gets shorter or ends, never slower.
    ease:
      targetS !== undefined && distanceM !== undefined && !inOpen
        ? [
            {
              decision: { kind: 'ease', percent },
              says: `ease to ${formatTime(targetS * (1 + percent / 100), 1)}`,
            },
          ]
        : [],
    recovery: addS > 0 ? [{ decision: { kind: 'recovery', addS }, says: `${addS} s more recovery` }] : [],
    distance:
      shorterM >= LIMITS.shortestM && next?.rep.role === 'main' && !inOpen
        ? [{ decision: { kind: 'distance', distanceM: shorterM }, says: `cut to ${shorterM} at the same pace` }]
        : [],
    cutDown:
      inOpen && cutDownsLeft(group, athlete) > 0
        ? [{ decision: { kind: 'cutDown' }, says: 'on to the next shorter distance' }]
        : [],
    endOpen: inOpen ? [{ decision: { kind: 'endOpen' }, says: 'that was the last one' }] : [],
    drop:
      lastMain && !inOpen ? [{ decision: { kind: 'drop', repIndex: lastMain.repIndex }, says: 'one rep fewer' }] : [],
    oneMore:
      isLastMain && ran
        ? [
            {
              decision: { kind: 'oneMore', repIndex: freshRepIndex(group), planIndex: ran.planIndex },
              says: 'one more',
            },
          ]
        : [],
    stop: [{ decision: { kind: 'stop' }, says: 'stop here' }],
  };
}

/** Share of D′ left after what was run and one more rep as planned; undefined where it cannot be told. */
export function leftAfterNext(state: RunState, athlete: AthleteState): number | undefined {
  const { reserve: model } = athlete.planned;
  const group = groupOf(state, athlete.groupId);
  const slot = group && slotsAhead(state, group, athlete)[0];
  // In open work the next one is another of the same, not the fast finish behind it.
  const next = isInOpen(athlete, group) ? athlete.runs.at(-1) : slot && ownRep(state, athlete, slot);
  if (!model || next?.rep.distanceM === undefined || next.target.targetS === undefined) return undefined;
  let leftM = model.reserveM;
  for (const [i, run] of athlete.runs.entries()) {
    const { finishedAtMs, startedAtMs, rep, target } = run;
    if (finishedAtMs === undefined) continue;
    const ranS = (finishedAtMs - startedAtMs) / 1000;
    const ranM = rep.distanceM ?? run.coveredM ?? target.expectedM;
    if (ranM !== undefined && ranS > 0) leftM = reserveAfter(model, leftM, ranM / ranS, ranS);
    const restedToMs = athlete.runs[i + 1]?.startedAtMs ?? recoveredAtMs(run);
    const restS = restedToMs === undefined ? 0 : Math.max(0, restedToMs - finishedAtMs) / 1000;
    leftM = reserveAfter(model, leftM, restMps(rep.recovery, model), restS);
  }
  const { distanceM } = next.rep;
  const { targetS } = next.target;
  return reserveAfter(model, leftM, distanceM / targetS, targetS) / model.reserveM;
}

const all = (options: Record<string, Option[]>, ...kinds: string[]) => kinds.flatMap((kind) => options[kind] ?? []);

const TALK: Option = { decision: { kind: 'talk' }, says: 'tell them' };
const BEGIN_GENTLY: Option = { decision: { kind: 'talk' }, says: 'ease the first third' };

/** What a rule has to say of an athlete after their latest rep, if anything. */
function look(
  rule: RuleId,
  plan: Plan,
  state: RunState,
  athlete: AthleteState,
): Omit<Proposal, 'rule' | 'athleteId' | 'repIndex'> | undefined {
  const name = athlete.tileName;
  const judged = judgedRuns(athlete);
  const [before, last] = [judged.at(-2), judged.at(-1)];
  const run = athlete.runs.at(-1);
  const group = groupOf(state, athlete.groupId);
  if (!run || run.finishedAtMs === undefined || !group) return undefined;
  const isLatest = last?.run === run;
  const inOpen = isInOpen(athlete, group);
  const ahead = slotsAhead(state, group, athlete).length;
  const way = athlete.runs.length + ahead > 1 ? (athlete.runs.length - 1) / (athlete.runs.length + ahead - 1) : 1;
  const meant = plan.arc ? meantAt(plan.arc, way) : undefined;
  const { effort } = run;
  const { telling } = athlete.planned;
  const over = effort === undefined || meant === undefined ? undefined : asMostTell(effort, telling) - meant;
  const theirs = meant === undefined || !telling ? meant : calibrated(meant, telling);
  const felt = `Effort ${effort}, meant about ${theirs?.toFixed(0)}${theirs === meant ? '' : ' as they tell it'}.`;
  switch (rule) {
    case 'niggle':
      if (!run.flags.includes('niggle')) return undefined;
      return {
        says: `${name} has a niggle: stop here?`,
        reasons: ['Local rules and medical advice come first.'],
        options: all(optionsFor(state, athlete), 'stop', 'drop'),
      };
    case 'stitch':
      if (!run.flags.includes('stitch') || (ahead === 0 && !inOpen)) return undefined;
      return {
        says: `${name} has a stitch: ease the first third of the next rep?`,
        reasons: ['If it does not go, or is more than a stitch, stop.'],
        options: [BEGIN_GENTLY, ...all(optionsFor(state, athlete), 'recovery', 'stop')],
      };
    case 'reserve-gone': {
      const left = leftAfterNext(state, athlete);
      if (left === undefined || left >= 0) return undefined;
      const options = all(
        optionsFor(state, athlete),
        'recovery',
        'cutDown',
        'endOpen',
        'distance',
        'drop',
        'ease',
        'stop',
      );
      return {
        says: `${name} would be empty next rep: ${options[0]?.says}?`,
        reasons: [`Predicted reserve after the next rep: ${Math.round(left * 100)} %.`],
        options,
      };
    }
    case 'late-twice': {
      if (!isLatest || last.verdict !== 'late' || before?.verdict !== 'late') return undefined;
      if (ahead === 0 && !inOpen) return undefined;
      const late = [before, last].map(({ deltaS = 0, run: { target } }) => (deltaS / (target.targetS ?? 1)) * 100);
      const options = all(
        optionsFor(state, athlete, Math.min(...late)),
        ...(inOpen ? ['cutDown', 'endOpen', 'stop'] : ['ease', 'recovery', 'distance', 'drop', 'stop']),
      );
      return {
        says: `${name} late twice: ${options[0]?.says}?`,
        reasons: [`${formatDelta(before.deltaS ?? 0)} and ${formatDelta(last.deltaS ?? 0)} s.`],
        options,
      };
    }
    case 'hard-too-soon': {
      if (over === undefined || over < LIMITS.effort || (ahead === 0 && !inOpen)) return undefined;
      const options = all(
        optionsFor(state, athlete),
        ...(inOpen ? ['cutDown', 'endOpen', 'stop'] : ['recovery', 'ease', 'drop', 'distance', 'stop']),
      );
      return { says: `${name} at ${effort} already: ${options[0]?.says}?`, reasons: [felt], options };
    }
    case 'early-open':
      if (!isLatest || !run.rep.open || judged.length < 3 || last.verdict !== 'early') return undefined;
      return {
        says: `${name} ${formatDelta(last.deltaS ?? 0)} s: hold the pace?`,
        reasons: ['Nobody is to know how many are left.'],
        options: [TALK, ...all(optionsFor(state, athlete), 'cutDown', 'endOpen')],
      };
    case 'early-first':
      if (!isLatest || athlete.runs.length !== 1 || last.verdict !== 'early' || ahead === 0) return undefined;
      return {
        says: `${name} ${formatDelta(last.deltaS ?? 0)} s on the first: hold back?`,
        reasons: ['Running early is as much a fault as running late.'],
        options: [TALK],
      };
    case 'comfortable': {
      if (over === undefined || over > -LIMITS.effort || athlete.runs.length < 2 || ahead === 0) return undefined;
      // Open work finds its own end.
      if (inOpen) return undefined;
      if (last?.verdict === 'late') return undefined;
      const { recoveryS = 0 } = run.target;
      const less: Option[] =
        recoveryS >= 45 ? [{ decision: { kind: 'recovery', addS: -15 }, says: '15 s less recovery' }] : [];
      const faster: Option = { decision: { kind: 'ease', percent: -1 }, says: '1 % faster' };
      const options = [...less, ...(run.target.targetS === undefined ? [] : [faster]), TALK];
      return { says: `${name} far too comfortable: ${options[0]?.says}?`, reasons: [felt], options };
    }
    case 'one-more': {
      const options = all(optionsFor(state, athlete), 'oneMore');
      const isWell = isLatest && last.verdict === 'on' && before?.verdict !== 'late';
      if (options.length === 0 || !isWell || over === undefined || over > -0.5) return undefined;
      return { says: `${name} is well: one more?`, reasons: [`On target. ${felt}`], options };
    }
  }
}

/** What is to be proposed now: at most one thing for each athlete, the most pressing, and nothing that was answered before. */
export function proposalsFor(plan: Plan, state: RunState): Proposal[] {
  if (state.endedAtMs !== undefined) return [];
  const answered = new Set(state.answers.map(({ rule, athleteId, repIndex }) => `${rule} ${athleteId} ${repIndex}`));
  // One thing at a time: after a yes they run a rep first.
  const acted = new Set(state.answers.flatMap((one) => (one.refused ? [] : [`${one.athleteId} ${one.repIndex}`])));
  return Object.values(state.athletes).flatMap((athlete): Proposal[] => {
    const run = athlete.runs.at(-1);
    if (run?.finishedAtMs === undefined || !isRunning(athlete)) return [];
    const { athleteId } = athlete;
    const { repIndex } = run;
    if (acted.has(`${athleteId} ${repIndex}`)) return [];
    for (const rule of Object.keys(RULES) as RuleId[]) {
      if (answered.has(`${rule} ${athleteId} ${repIndex}`)) continue;
      const found = look(rule, plan, state, athlete);
      if (found && found.options.length > 0) return [{ rule, athleteId, repIndex, ...found }];
    }
    return [];
  });
}
