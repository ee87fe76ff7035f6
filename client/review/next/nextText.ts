/** What is said of the next step, in a coach's words. */
import type { NextDay, NextStep } from '@core/run/events';
import { listed } from '@core/units/listed';

export const STEP_WORDS: Record<NextStep, string> = { on: 'On', repeat: 'Again', back: 'Back' };

const STEP_SAYS: Record<NextStep, string> = {
  on: 'a step on',
  repeat: 'the same again',
  back: 'a step back',
};

export const LEGS_WORDS: Record<NextDay, string> = { fresh: 'Fresh', heavy: 'Heavy', sore: 'Sore' };

const MOST_NAMES = 4;
export const namesText = (names: readonly string[]): string =>
  names.length > MOST_NAMES ? `${names.length} athletes` : listed(names);

/** `8 of 11 are ready for a step on.` */
export function groupText(verdicts: readonly NextStep[], verdict: NextStep | undefined): string {
  if (verdict === undefined) return 'Nobody ran it: the same again.';
  const n = verdicts.filter((given) => given === verdict).length;
  const isOne = verdicts.length === 1;
  const who = isOne ? 'The one who ran it' : n === verdicts.length ? `All ${n}` : `${n} of ${verdicts.length}`;
  return verdict === 'on'
    ? `${who} ${isOne ? 'is' : 'are'} ready for ${STEP_SAYS.on}.`
    : `${who} should ${verdict === 'repeat' ? 'run' : 'take'} ${STEP_SAYS[verdict]}.`;
}

/** `Fern and Gus have heavy or sore legs: another easy day first.`; undefined where nobody has. */
export function easyDayText(tired: readonly string[]): string | undefined {
  if (tired.length === 0) return undefined;
  return `${namesText(tired)} ${tired.length === 1 ? 'has' : 'have'} heavy or sore legs: another easy day before the next hard one.`;
}

/** `The third time in a row that Fern and Gus run it again.` */
export const stuckText = (names: readonly string[]): string =>
  `The third time in a row that ${namesText(names)} ${names.length === 1 ? 'runs' : 'run'} this again. Another lever may move ${names.length === 1 ? 'them' : 'them all'}.`;
