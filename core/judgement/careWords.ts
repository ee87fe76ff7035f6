/** Care in a coach's words: short for a row, with the day for a list, and the usual caution. */
import { shortDay } from '../units/shortDay';
import type { CareEntry } from './care';

const half = (value: number | undefined) => (value ?? 0).toFixed((value ?? 0) % 1 === 0 ? 0 : 1);

/** The reason without a day: `niggle in rep 3`. */
function whatText({ reason, value, legs, isStop }: CareEntry): string {
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
      return `told ${half(value)} at the end`;
    case 'legs':
      return `legs ${legs ?? 'heavy'}`;
    case 'creeping':
      return `the same work has felt ${half(value)} harder in the last three`;
    case 'easing':
      return 'easing back';
    case 'young':
      return 'under 14';
    case 'new':
      return 'in the first 12 weeks of running';
  }
}

const capital = (text: string) => text.charAt(0).toUpperCase() + text.slice(1);

/** A sentence for the athlete's own row: `Niggle in rep 3.`, with the day if it was another. */
export function careReason(entry: CareEntry, ranOn?: string): string {
  const { date, reason } = entry;
  const day = date === undefined || date === ranOn || reason === 'creeping' ? '' : `, ${shortDay(date)}`;
  return `${capital(whatText(entry))}${day}.`;
}

/** `legs sore since Sun 29 Nov`. @param since writes a day as it stands in a sentence. */
export const careText = (entry: CareEntry, since: (date: string) => string): string =>
  entry.date === undefined
    ? whatText(entry)
    : entry.reason === 'legs' || entry.reason === 'creeping'
      ? `${whatText(entry)}, since ${since(entry.date)}`
      : `${whatText(entry)}, ${since(entry.date)}`;

/** With pain, illness, dizziness, chest pain or a knock to the head. */
export const USUAL_CAUTION =
  'Pain, illness, dizziness, chest pain or a knock to the head: stop, and take qualified advice before running again.';
