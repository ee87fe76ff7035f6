import { counted } from '@core/units/counted';
import type { ReviewCell } from '@core/review/cell';
import type { DecisionTaken, Difference } from '@core/review/differences';
import type { EffortReading } from '@core/review/effortReading';
import type { Review } from '@core/review/review';
import type { Evenness } from '@core/review/evenness';
import type { Habit } from '@core/review/habits';
import type { Change, ChangeVerdict } from '@core/review/sameSession';
import type { SideRun } from '@core/review/sideBySide';
import type { LeverChange } from '@core/outlook/proposals';
import type { Conditions, TrackDecision } from '@core/run/events';
import { paceText, restPair } from './repText';
import { listed } from '@core/units/listed';
import { formatDelta, formatRest, formatTime } from '@core/units/time';

/** `1.4 %` */
const size = (percent: number) => `${Math.abs(percent).toFixed(1)}\u00a0%`;
/** `+1.4 %`, `−0.8 %`; under half a tenth, `0.0 %`. */
export const signedPercent = (percent: number): string => `${formatDelta(percent)}\u00a0%`;
const seconds = (s: number) => `${Math.abs(s).toFixed(1)}\u00a0s`;

/** Even below the first, uneven above the second; no word for it between them. */
const EVEN = { below: 1, unevenAbove: 1.5 };

/** How even somebody was: `± 0.8 %`. */
export function evennessText({ evennessPercent, isTooShort }: Evenness): string {
  if (isTooShort) return 'even';
  return evennessPercent === undefined ? '–' : `±\u00a0${size(evennessPercent)}`;
}

/** Even or uneven in words; a doubt about the timing is spelt out if there is room. */
export function evennessWords({ evennessPercent, isTooShort }: Evenness): string {
  if (isTooShort) return 'As even as the timing can tell: the reps are too short to say more.';
  if (evennessPercent === undefined) return '';
  if (evennessPercent < EVEN.below) return `Even: ±\u00a0${size(evennessPercent)} from rep to rep.`;
  return evennessPercent > EVEN.unevenAbove ? `Uneven: ±\u00a0${size(evennessPercent)} from rep to rep.` : '';
}

/** A fade in words, where it is sure; else undefined. */
export function fadeText({ isFadeSure, fadePercent = 0, fadeErrorPercent = 0 }: Evenness): string | undefined {
  if (!isFadeSure) return undefined;
  const way = fadePercent > 0 ? 'slower' : 'quicker';
  return `${size(fadePercent)} ${way} from the first rep to the last (± ${size(fadeErrorPercent)}).`;
}

export const habitText = ({ atM, deltaS, distanceM, reps }: Habit): string =>
  `Opens ${deltaS < 0 ? 'quickly' : 'slowly'}: the first ${atM} of a ${distanceM} is ${seconds(deltaS)} ${deltaS < 0 ? 'early' : 'late'} against an even run (${counted(reps, 'rep')}).`;

/** An athlete's efforts against the meant ones. `mayBlame`: it was run as asked, and nothing else explains it. */
export function effortText({ verdict, at, isPredicted }: EffortReading, mayBlame: boolean): string | undefined {
  if (!verdict || !at) return undefined;
  const effort = at.effort.toFixed(isPredicted ? 1 : 0);
  const told = isPredicted ? 'No effort was reported. By the times:' : 'Effort:';
  const why = (lever: string) => (mayBlame ? ` ${lever}` : '');
  switch (verdict) {
    case 'as-meant':
      return `${told} as meant, ${effort} on rep ${at.rep}.`;
    case 'easy':
      return `${told} easier than meant all through, ${effort} on rep ${at.rep}.${why('Rests too long, or the pace too slow.')}`;
    case 'early':
      return `${told} ${effort} on rep ${at.rep} already.${why('Rests too short, or the pace too fast.')}`;
    case 'hard':
      return `${told} harder than meant, ${effort} on rep ${at.rep}.${why('Rests too short, or the pace too fast.')}`;
  }
}

/** `rests 1:59 of 1:30` */
const restText = (takenS: number, plannedS: number | undefined): string =>
  plannedS === undefined ? formatRest(takenS) : restPair(takenS, plannedS).join(' of ');

/** `rests of 90 s, not 75 s` */
export function adviceText({ lever, from, to, set }: LeverChange): string {
  switch (lever) {
    case 'recovery':
      return set.kind === 'jog'
        ? `jog ${Math.round(to)} m, not ${Math.round(from)} m, or the same ${Math.round(from)} m ${to < from ? 'quicker' : 'slower'}: in ${Math.round((to / from) * 100)} % of the time`
        : `rests of ${restPair(to, from).join(', not ')}`;
    case 'pace':
      return `${size((1 / to - 1) * 100)} ${to < 1 ? 'slower' : 'quicker'}`;
    case 'count':
    case 'reps-in-set':
      return `${to} reps, not ${from}`;
  }
}

/** What to change next time: `Next time: rests of 60 s, not 75 s.`; empty where nothing is. */
export const nextTimeText = (changes: readonly LeverChange[]): string =>
  changes.length === 0 ? '' : `Next time: ${listed(changes.map(adviceText))}.`;

/** `24 °C, 60 % humidity, breezy, wet track, lane 2`; undefined where nothing was noted. */
export function conditionsText({ temperatureC, humidityPct, wind, surface, lane }: Conditions): string | undefined {
  const parts = [
    ...(temperatureC === undefined ? [] : [`${Math.round(temperatureC)} °C`]),
    ...(humidityPct === undefined ? [] : [`${Math.round(humidityPct)} % humidity`]),
    ...(wind === undefined ? [] : [wind]),
    ...(surface === undefined ? [] : [`${surface} underfoot`]),
    ...(lane === undefined ? [] : [`lane ${lane}`]),
  ];
  return parts.length === 0 ? undefined : parts.join(', ');
}

/** Numbers as a coach says them: `rep 3`, `reps 5 to 8`, `reps 2, 4 and 5`. */
export function repsText(reps: readonly number[]): string {
  const runs: [number, number][] = [];
  for (const rep of reps) {
    const last = runs.at(-1);
    if (last && rep === last[1] + 1) last[1] = rep;
    else runs.push([rep, rep]);
  }
  const parts = runs.flatMap(([from, to]) =>
    to - from > 1 ? [`${from} to ${to}`] : from === to ? [String(from)] : [String(from), String(to)],
  );
  return `${reps.length === 1 ? 'rep' : 'reps'} ${listed(parts)}`;
}

/** Where somebody went another way than planned, without their name. */
export function differenceText(difference: Difference): string {
  switch (difference.kind) {
    case 'not-run':
      return `${repsText(difference.reps)} not run`;
    case 'unfinished':
      return `${repsText(difference.reps)} without a finish`;
    case 'added':
      return `${repsText(difference.reps)} added`;
    case 'excluded':
      return `${repsText(difference.reps)} not counted`;
    case 'cut':
      return `${repsText(difference.reps)} cut from ${difference.fromM} to ${difference.toM} m`;
    case 'moved':
      return `ran with ${difference.to}, planned with ${difference.from}`;
  }
}

function decidedText(decision: TrackDecision): string {
  switch (decision.kind) {
    case 'ease':
      return `targets ${size(decision.percent)} ${decision.percent > 0 ? 'slower' : 'quicker'}`;
    case 'recovery':
      return `${Math.abs(decision.addS)} s ${decision.addS > 0 ? 'more' : 'less'} rest`;
    case 'distance':
      return `reps cut to ${decision.distanceM} m`;
    case 'drop':
      return 'one rep fewer';
    case 'stop':
      return 'stop';
    case 'oneMore':
      return 'one more';
    case 'cutDown':
      return 'on to the next shorter distance';
    case 'endOpen':
      return 'that was the last one';
    case 'talk':
      return 'a word with them';
  }
}

/** `After rep 4: 15 s more rest for Bo Tarrowby.`, `After rep 2: proposed, and not taken up: stop for Ada.` */
export function decisionText({ decision, names, isForAll, isRefused, rule, afterReps }: DecisionTaken): string {
  const when = afterReps === 0 ? 'Before the first rep' : `After rep ${afterReps}`;
  const how = isRefused ? 'proposed, and not taken up: ' : rule === undefined ? '' : 'proposed, and taken up: ';
  return `${when}: ${how}${decidedText(decision)} for ${isForAll ? 'everyone' : listed(names)}.`;
}

/** What a run came to: `1:21.4 mean, even to ±0.8 %, effort 7.2, rests 88 s of 90 s.` */
export function sideText({ kinds, evennessPercent, effort, restS, plannedRestS, athletes }: SideRun): string {
  const parts = [
    ...kinds.map(({ label, meanS, meanM }) =>
      meanM === undefined ? `${label} in ${formatTime(meanS, 1)}` : `${Math.round(meanM)} m in ${label}`,
    ),
    ...(evennessPercent === undefined ? [] : [`±\u00a0${size(evennessPercent)} rep to rep`]),
    ...(effort === undefined ? [] : [`effort ${effort.toFixed(1)}`]),
    ...(restS === undefined ? [] : [`rests ${restText(restS, plannedRestS)}`]),
  ];
  return parts.length === 0
    ? 'Nothing that counts.'
    : `${athletes > 1 ? `${counted(athletes, 'athlete')}: ` : ''}${parts.join(', ')}.`;
}

const CHANGE_WORDS: Record<ChangeVerdict, string> = {
  quicker: 'quicker at the same effort',
  'quicker-for-less': 'quicker and easier',
  'quicker-for-more': 'quicker, but harder',
  same: 'much the same',
  'same-for-less': 'as fast and easier',
  'same-for-more': 'as fast, but harder',
  slower: 'slower at the same effort',
  'slower-for-less': 'slower and easier',
  'slower-for-more': 'slower and harder',
};

/** Since the run before: what was different outside first, then what came of it. */
export function changeText(change: Change): string {
  const { athletes, quickerPercent, effortBy, restByS, hotterC, windChanged, surfaceChanged, verdict } = change;
  const outside = [
    ...(hotterC === undefined ? [] : [`${Math.round(Math.abs(hotterC))} °C ${hotterC > 0 ? 'hotter' : 'cooler'}`]),
    ...(windChanged ? [`${windChanged.to} after ${windChanged.from}`] : []),
    ...(surfaceChanged ? [`${surfaceChanged.to} after ${surfaceChanged.from}`] : []),
    ...(restByS === undefined || Math.abs(restByS) < 5
      ? []
      : [`rests ${Math.round(Math.abs(restByS))} s ${restByS > 0 ? 'longer' : 'shorter'}`]),
  ];
  if (!verdict || quickerPercent === undefined)
    return 'Nobody ran both this and the one before: there is nothing to compare.';
  const pace =
    Math.abs(quickerPercent) < 0.05
      ? 'the same pace'
      : `${size(quickerPercent)} ${quickerPercent > 0 ? 'quicker' : 'slower'}`;
  const effort =
    effortBy === undefined
      ? ''
      : Math.abs(effortBy) < 0.05
        ? ', the same effort'
        : `, effort ${Math.abs(effortBy).toFixed(1)} ${effortBy > 0 ? 'higher' : 'lower'}`;
  const who = athletes === 1 ? '' : ` (the ${athletes} who ran both)`;
  // Known only with the effort: without it “at the same effort” would be a guess.
  const text =
    effortBy === undefined ? CHANGE_WORDS[verdict].replace(' at the same effort', '') : CHANGE_WORDS[verdict];
  return `Since the one before${outside.length > 0 ? `, ${listed(outside)}` : ''}: ${text}, ${pace}${effort}${who}.`;
}

/** A time and how far off it was: `1:21.4 +0.5`; in brackets where it does not count. */
export function timeText(
  { actualS, deltaS, excluded, coveredM }: ReviewCell,
  deltaText = (delta: string): string => delta,
): string {
  if (actualS === undefined) return '–';
  if (coveredM !== undefined) return `${Math.round(coveredM)} m (${paceText(actualS, coveredM)})`;
  const time = formatTime(actualS, 1);
  return excluded ? `(${time})` : deltaS === undefined ? time : `${time} ${deltaText(formatDelta(deltaS))}`;
}

/** A session as text to paste into a message: what matters, then everyone's times. */
export function plainText({
  title,
  subtitle,
  texts,
  reviews,
}: {
  title: string;
  subtitle: string;
  texts: readonly string[];
  reviews: readonly Review[];
}): string {
  const times = reviews.flatMap(({ rows }) =>
    rows.map(({ name, cells }) => {
      const cellTexts = cells.flatMap((cell) => (cell.rep ? [timeText(cell, (delta) => `(${delta})`)] : []));
      return `${name}: ${cellTexts.join(', ')}`;
    }),
  );
  return [title, subtitle, '', ...texts, '', ...times].join('\n').replaceAll('\u00a0', ' ');
}
