/** The chain behind a conclusion: the facts recorded, and the rule that reads them. */
import type { CareGrade } from '@core/judgement/care';
import type { AthleteFacts, SessionFacts } from '@core/judgement/facts';
import { careReason } from '@core/judgement/careWords';
import type { Finding, FindingKind } from '@core/judgement/findings';
import type { ReadyAnswer } from '@core/judgement/nextReady';
import type { NextStep } from '@core/run/events';
import { timeFor } from '@core/fitness/curve';
import { USUAL_HEAT_LIMITS, type HeatLimits } from '@core/squad/heat';
import { toleranceS } from '@core/run/verdict';
import { USUAL_TOLERANCE } from '@core/paces/paceBook';
import { formatDelta, formatRest, formatTime } from '@core/units/time';
import type { WhyLine } from '../parts/Why';

const FIVE_K_M = 5000;

const RULES: Record<FindingKind, string> = {
  pain: 'Pain holds somebody back for 10 days, or until they are well again.',
  unwell: 'Illness holds somebody back for 10 days, or until they are well again.',
  niggle: 'A niggle holds somebody back for 10 days, or until they are well again.',
  heat: 'A degree felt above 20 °C costs about 0.3 % of the time in reps over 3 minutes, and 0.08 of effort. It is taken off before anything is judged.',
  stopped: 'A stop says nothing about fitness until somebody says why.',
  spent: 'Nothing left where something was to be: an easier step.',
  stitch: 'A stitch counts for the next session only.',
  creeping:
    'The last three sessions against the four to eight before, each as much harder than their marks make likely.',
  'far-quicker': 'By their marks nobody gets through this: this is the least level that would allow it.',
  early: 'Early on average by more than the tolerance, and in at least half of the reps.',
  quickened: 'On target, then late for good, while the targets got quicker and the times did not get slower.',
  'fell-behind': 'On target, then late in every rep of the same kind to the end.',
  late: 'Late by more than one tolerance in the last third, or two over all.',
  'rest-off': 'Rests 15 % or 8 s longer or shorter than planned, on average.',
  'not-run':
    'Reps that were theirs to run. A count inside a range is all of it; to come late, or to have reps left out, cuts nothing.',
  'first-early': 'Early beyond tolerance, and further from the others than chance, by how evenly they usually run.',
  'last-fast': 'Early beyond tolerance, and further from the others than chance, by how evenly they usually run.',
  faded: 'The straight line through the reps rises, and more than chance makes it.',
  harder:
    'Effort 1.2 or more above what was meant, or 1 above it twice running, or nothing left where something was to be.',
  easier: 'More than half rated it over 2 below what was meant.',
};

/** Each rep against its target, and how near is on target. */
function repsText({ name, pace, row }: AthleteFacts): string | undefined {
  const [first] = pace?.reps ?? [];
  if (!pace || !first) return undefined;
  const tolerance = row?.cells[first.place]?.tolerance ?? USUAL_TOLERANCE;
  return `${name}: ${pace.reps.map(({ deltaS }) => formatDelta(deltaS)).join(', ')} s to the target; within ${toleranceS(first.targetS, tolerance).toFixed(1)} s is on target.`;
}

function factsText(kind: FindingKind, facts: AthleteFacts): string | undefined {
  const { name, end, shown, stop, row, flags, curve } = facts;
  switch (kind) {
    case 'pain':
    case 'unwell':
    case 'niggle':
    case 'stitch':
    case 'stopped':
    case 'spent': {
      const said = flags.map(({ flag, rep }) => `${flag} in rep ${rep}`);
      return `${name}: ${[...said, ...(stop ? [`stopped ${stop.isMid ? 'in' : 'after'} rep ${stop.rep} of ${stop.of}`] : [])].join(', ')}.`;
    }
    case 'harder':
    case 'easier':
      return end && `${name}: effort ${end.told}${end.isWhole ? ' for the whole session' : ''}, meant ${end.meant}.`;
    case 'far-quicker':
      return shown && curve
        ? `${name}: needs a 5k of ${formatTime(timeFor(shown.curve, FIVE_K_M), 0)}. ${repsText(facts) ?? ''}`
        : undefined;
    case 'not-run':
      return `${name}: ${row?.finished ?? 0} reps run.`;
    default:
      return repsText(facts);
  }
}

/** The chain behind a finding: facts of each athlete it names, then the rule. */
export function whyFinding(
  { kind, people, value }: Finding,
  facts: SessionFacts,
  heat: HeatLimits = USUAL_HEAT_LIMITS,
): WhyLine[] {
  const { plan, athletes, hot } = facts;
  const named = people.flatMap(({ athleteId }): WhyLine[] => {
    const own = athletes.find((athlete) => athlete.athleteId === athleteId);
    const text = own && factsText(kind, own);
    if (text === undefined) return [];
    return [
      { text, href: `/results/${plan.id}/${athleteId}`, open: 'Rep by rep' },
      ...(kind === 'far-quicker'
        ? [{ text: `Marks of ${own?.name ?? ''}`, href: `/squad/${athleteId}?side=marks` as const, open: 'Open' }]
        : []),
    ];
  });
  const ofAll: WhyLine[] =
    kind === 'heat' && hot
      ? [
          {
            text: `Air ${Math.round(hot.airC)} °C, felt ${Math.round(hot.feltC)} °C; the club takes care from ${heat.careC} °C.`,
          },
        ]
      : kind === 'rest-off' && value !== undefined
        ? [{ text: `On average ${formatRest(Math.abs(value))} ${value > 0 ? 'more' : 'less'} than planned.` }]
        : [];
  return [...ofAll, ...named, { text: RULES[kind] }];
}

const percent = (share: number) => `${formatDelta(share * 100)} %`;

const GRADE_WORDS: Record<CareGrade, string[]> = { hold: ['No step on.'], watch: ['One rep more at most.'], mark: [] };

/** The chain behind a proposal: times and efforts, anything that holds them back, and the rule. */
export function whyReady({ athleteId, oneMore, verdict, waits }: ReadyAnswer, facts: SessionFacts): WhyLine[] {
  const { plan, athletes } = facts;
  const own = athletes.find((athlete) => athlete.athleteId === athleteId);
  if (!own) return [];
  const { pace, end, care, legs } = own;
  const reps = repsText(own);
  return [
    ...care.map((entry) => ({
      text: [careReason(entry, plan.date), ...GRADE_WORDS[entry.grade]].join(' '),
    })),
    ...(reps === undefined
      ? []
      : [{ text: reps, href: `/results/${plan.id}/${athleteId}` as const, open: 'Rep by rep' }]),
    ...(pace
      ? [
          {
            text: `Over all ${percent(pace.all.share)} of the targets, the last third ${percent(pace.lastThird.share)}.`,
          },
        ]
      : []),
    ...(end
      ? [{ text: `Effort ${end.told}${end.isWhole ? ' for the whole session' : ' at the end'}, meant ${end.meant}.` }]
      : []),
    ...(legs ? [{ text: `Legs ${legs} the day after.` }] : []),
    ...(oneMore === undefined
      ? []
      : [{ text: `One more rep would fit on ${Math.round(oneMore * 100)} of 100 such days.` }]),
    { text: waits ? 'Nothing is proposed until that is answered.' : STEP_RULES[verdict] },
  ];
}

const STEP_RULES: Record<NextStep, string> = {
  on: 'Step on: on target to the end, no harder than meant, one rep more would fit on 70 of 100 days, and the plan’s reckoning calls it on plan.',
  repeat: 'Repeat: something speaks against a step on, and nothing for an easier one.',
  back: 'Ease: late by twice the tolerance at the end, nothing left too soon, or stopped spent.',
};
