/** What is said of the next step, in a coach's words. */
import type { NextDay, NextStep } from '@core/run/events';
import type { ItemSetting } from '@core/session/itemSetting';
import { formatRest } from '@core/units/time';
import { listed } from '@core/units/listed';

export const STEP_WORDS: Record<NextStep, string> = { on: 'Step on', repeat: 'Repeat', back: 'Ease' };

export const LEGS_WORDS: Record<NextDay, string> = { fresh: 'Fresh', heavy: 'Heavy', sore: 'Sore' };

const MOST_NAMES = 4;
export const namesText = (names: readonly string[]): string =>
  names.length > MOST_NAMES ? `${names.length} athletes` : listed(names);

/** `8 of 11 are ready for a step on.` */
export function groupText(verdicts: readonly NextStep[], verdict: NextStep | undefined): string {
  if (verdict === undefined) return 'Nothing is proposed yet.';
  const n = verdicts.filter((given) => given === verdict).length;
  const isOne = verdicts.length === 1;
  const all = n === 2 ? 'Both' : `All ${n}`;
  const who = isOne ? 'The one who ran it' : n === verdicts.length ? all : `${n} of ${verdicts.length}`;
  switch (verdict) {
    case 'on':
      return `${who} ${n === 1 ? 'is' : 'are'} ready for a step on.`;
    case 'repeat':
      return `${who}: repeat it.`;
    case 'back':
      return `${who}: ease it.`;
  }
}

/** Differences within a group by name: `Kit, Gus and Hana stop after 3.` */
export function ownText(names: readonly string[], set: ItemSetting, base: number): string {
  const one = names.length === 1;
  const who = listed(names);
  switch (set.kind) {
    case 'count':
      return set.n < base
        ? `${who} ${one ? 'stops' : 'stop'} after ${set.n}.`
        : `${who} ${one ? 'runs' : 'run'} ${set.n}.`;
    case 'recovery':
      return `${who} ${one ? 'rests' : 'rest'} ${formatRest(set.durationS)}.`;
    case 'jog':
      return `${who} ${one ? 'jogs' : 'jog'} ${set.distanceM} m.`;
    default:
      return `${who}: a change of their own.`;
  }
}

/** `Fern and Gus have heavy or sore legs: another easy day first.`; undefined where nobody has. */
export function easyDayText(tired: readonly string[]): string | undefined {
  if (tired.length === 0) return undefined;
  return `${namesText(tired)} ${tired.length === 1 ? 'has' : 'have'} heavy or sore legs: another easy day before the next hard one.`;
}

/** `The third time in a row that Fern and Gus run it again.` */
export const stuckText = (names: readonly string[]): string =>
  `The third time in a row that ${namesText(names)} ${names.length === 1 ? 'runs' : 'run'} this again. Another lever may move them.`;
