/** What an athlete takes along: their reps in a few lines, for paper, phone and messages. */
import { legLabel } from '../track/lapSheet';
import { formatRecoveryLeg } from '../session/formatLeg';
import { passesAt } from './passesAt';
import { isTimedRep, isWork, type Pass, type TargetLeg } from '../targets/targetsFor';
import { placeName, type Venue } from '../venue/venue';
import { formatTime } from '../units/time';

/** Consecutive reps that differ only in where they start. */
export type CardLine = {
  times: number;
  /** `400 @5k` */
  what: string;
  targetS?: number;
  /** Of a rep by the clock: metres it should cover. */
  expectedM?: number;
  /** Times at the marks before the finish. */
  passes: Pass[];
  /** The recovery after each, and after the last if that differs. */
  recovery?: string;
  then?: string;
  start?: string;
  note?: string;
};

const whatOf = (leg: TargetLeg) => `${legLabel(leg)}${leg.pace === undefined ? '' : ` @${leg.pace}`}`;

/** The lines of one athlete's card: main part and fast finish. @param everyM times at marks so far apart on the lap. */
export function cardLines(legs: readonly TargetLeg[], venue: Venue, everyM: number): CardLine[] {
  const lines: (CardLine & { key: string; starts: Set<number> })[] = [];
  legs.forEach((leg, i) => {
    if (!isTimedRep(leg)) return;
    const { targetS, expectedM, distanceM, startM, note } = leg;
    const next = legs[i + 1];
    const recovery = next?.kind === 'recovery' && isWork(next) ? formatRecoveryLeg(next) : undefined;
    const what = whatOf(leg);
    const key = [what, targetS?.toFixed(2) ?? '', leg.path.join('.')].join('|');
    const before = lines.at(-1);
    if (before && before.key === key) {
      before.times++;
      if (recovery === before.recovery) delete before.then;
      else before.then = recovery ?? 'done';
      before.starts.add(startM ?? 0);
      return;
    }
    const passes =
      targetS === undefined || distanceM === undefined
        ? []
        : passesAt(venue, { distanceM, ...(startM === undefined ? {} : { startM }) }, targetS, everyM);
    lines.push({
      key,
      times: 1,
      what,
      starts: new Set([startM ?? 0]),
      passes: passes.filter(({ atM }) => atM !== distanceM && atM >= 50),
      ...(targetS === undefined || distanceM === undefined ? {} : { targetS }),
      ...(distanceM === undefined && expectedM !== undefined ? { expectedM } : {}),
      ...(recovery === undefined ? {} : { recovery }),
      ...(startM === undefined ? {} : { start: placeName(venue, startM) }),
      ...(note === undefined ? {} : { note }),
    });
  });
  return lines.map(({ key: _key, starts, start, then, ...line }) => ({
    ...line,
    // The last rep has no recovery: that is no change of recovery.
    ...(then === undefined || then === 'done' ? {} : { then }),
    ...(start === undefined ? {} : { start: starts.size > 1 ? `${start}, then on` : start }),
  }));
}

/** A time to the coach's rounding in seconds: `1:28.8`, `1:29`. */
export function formatRounded(timeS: number, rounding: number): string {
  return formatTime(Math.round(timeS / rounding + 1e-9) * rounding, rounding < 1 ? 1 : 0);
}

/** `8 × 400 @5k` */
export const timesText = ({ times, what }: Pick<CardLine, 'times' | 'what'>) =>
  times > 1 ? `${times} × ${what}` : what;

/** What one line asks for: `1:28.8`, `about 480 m`, `by effort`. */
export const targetText = ({ targetS, expectedM }: Pick<CardLine, 'targetS' | 'expectedM'>, rounding: number): string =>
  targetS !== undefined
    ? formatRounded(targetS, rounding)
    : expectedM !== undefined
      ? `about ${Math.round(expectedM / 5) * 5} m`
      : 'by effort';

/** `200 in 44.4, 400 in 1:28.8` */
export const passesText = (passes: readonly Pass[], rounding: number): string =>
  passes.map(({ atM, timeS }) => `${Math.round(atM)} in ${formatRounded(timeS, rounding)}`).join(', ');

/** A card's own heading, and its lines. */
export type Card = {
  title: string;
  when: string;
  who: string;
  lines: CardLine[];
  /** What comes before and after, as it is written. */
  warmUp?: string;
  coolDown?: string;
};

/** A card as plain text, to paste in a message. */
export function cardText({ title, when, who, lines, warmUp, coolDown }: Card, rounding: number): string {
  const part = (name: string, text: string | undefined) => (text === undefined ? [] : [`${name}: ${text}`]);
  const lineTexts = lines.map((line) => {
    const { passes, recovery, then, start, note } = line;
    const marks = passes.length > 0 ? ` (${passesText(passes, rounding)})` : '';
    const rest = recovery === undefined ? '' : `, ${recovery}`;
    return [
      `${timesText(line)}: ${targetText(line, rounding)}${marks}${rest}`,
      ...(start === undefined ? [] : [`  from ${start}`]),
      ...(then === undefined ? [] : [`  then ${then}`]),
      ...(note === undefined ? [] : [`  ${note}`]),
    ].join('\n');
  });
  return [title, when, who, '', ...part('Warm-up', warmUp), ...lineTexts, ...part('Cool-down', coolDown), ''].join(
    '\n',
  );
}
