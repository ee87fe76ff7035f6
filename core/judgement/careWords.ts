/** Care in a coach's words: short for a row, with the day for a list, and the usual caution. */
import { YOUNG_UNDER } from '../squad/athlete';
import { capitalised } from '../units/capitalised';
import { grouped } from '../units/grouped';
import { shortDay } from '../units/shortDay';
import type { CareEntry } from './care';

const half = (value: number | undefined) => (value ?? 0).toFixed((value ?? 0) % 1 === 0 ? 0 : 1);

/** The reason without a day: `niggle in rep 3`. */
function whatText({ reason, value, legs, isStop, isInjured }: CareEntry): string {
  const inRep = value === undefined ? '' : ` in rep ${value}`;
  switch (reason) {
    case 'pain':
      return `${isStop ? 'stopped with pain' : 'pain'}${inRep}`;
    case 'unwell':
      return `not well${inRep}`;
    case 'niggle':
      return `niggle${inRep}`;
    case 'stopped':
      return `stopped${inRep}, nobody has said why`;
    case 'stitch':
      return `stopped with a stitch${inRep}`;
    case 'spent':
      return `effort ${half(value)} at the end`;
    case 'legs':
      return `legs ${legs ?? 'heavy'}`;
    case 'creeping':
      return `the same work has felt ${half(value)} harder in the last three`;
    case 'easing':
      return isInjured ? 'injured' : 'easing back';
    case 'young':
      return `under ${value ?? YOUNG_UNDER}`;
    case 'new':
      return 'in the first 12 weeks of running';
  }
}

/** A sentence for the athlete's own row: `Niggle in rep 3.`, with the day if it was another. */
export function careReason(entry: CareEntry, ranOn?: string): string {
  const date = dayOf(entry);
  const day = date === undefined || date === ranOn ? '' : `, ${shortDay(date)}`;
  return `${capitalised(whatText(entry))}${day}.`;
}

/** The day belongs in the text: standing conditions have none, and effort has crept up over several. */
const dayOf = ({ reason, date }: CareEntry) => (reason === 'creeping' ? undefined : date);

/** `legs sore since Sun 29 Nov`. @param since writes a day as it stands in a sentence. */
export function careText(entry: CareEntry, since: (date: string) => string): string {
  const day = dayOf(entry);
  if (day === undefined) return whatText(entry);
  return `${whatText(entry)}${entry.reason === 'legs' ? ' since ' : ', '}${since(day)}`;
}

/** Each reason, those of one day together: `niggle in rep 6 and effort 10 at the end, Sun 29 Nov`. */
export function careTexts(entries: readonly CareEntry[], since: (date: string) => string): string[] {
  const days = grouped(entries, (entry) => (entry.reason === 'legs' ? 'legs' : (dayOf(entry) ?? entry.reason)));
  return [...days.values()].map((ofDay) => {
    const last = ofDay.at(-1);
    return [...ofDay.slice(0, -1).map(whatText), ...(last ? [careText(last, since)] : [])].join(' and ');
  });
}

/** With pain, illness, dizziness, chest pain or a knock to the head. */
export const USUAL_CAUTION =
  'Pain, illness, dizziness, chest pain or a knock to the head: stop, and take qualified advice before running again.';
