import { counted } from '@core/units/counted';
import { formatLength, type LengthUnit } from '@core/units/distance';
import type { LibraryEntry } from '@core/library/searchLibrary';
import { INTENT_FACTS } from '@core/session/intent';
import { dayInText } from '../ui/days';
import type { RunSummary } from '@core/review/summary';
import type { LibraryUse } from '../data/useLibrary';

/** Metres of the main part, to choose by. */
export const LENGTHS = [
  { value: '', text: 'any length', fromM: undefined, belowM: undefined },
  { value: 'to2', text: 'up to 2 km', fromM: 0, belowM: 2000 },
  { value: 'to4', text: '2 to 4 km', fromM: 2000, belowM: 4000 },
  { value: 'to7', text: '4 to 7 km', fromM: 4000, belowM: 7000 },
  { value: 'more', text: 'over 7 km', fromM: 7000, belowM: undefined },
] as const;

/** `Threshold · 5.5 km of reps · last 3 Nov`. */
export function entryAbout({ intent, mainM, tree }: LibraryEntry, { last }: LibraryUse, unit: LengthUnit): string {
  const length = tree ? `${formatLength(mainM, unit)} of reps` : 'draft, cannot be read yet';
  return [INTENT_FACTS[intent].name, length, ...(last === undefined ? [] : [`last ${dayInText(last)}`])].join(' · ');
}

/** How the squad came through it: `12 athletes, 96 of 96 reps; 61 on, 20 early, 15 late`. */
export function resultText({ athletes, planned, finished, verdicts }: RunSummary): string {
  const { on, early, late } = verdicts;
  const judged = on + early + late > 0 ? `; ${on} on, ${early} early, ${late} late` : '';
  return `${counted(athletes, 'athlete')}, ${finished} of ${counted(planned, 'rep')}${judged}`;
}
