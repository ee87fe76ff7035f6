import { format } from 'date-fns/format';
import { parseISO } from 'date-fns/parseISO';
import { listed } from '../units/listed';
import type { DayAmount, DayKind, SeasonDay, SeasonPlan, SeasonWeek, SpecialKind } from './season';
import { NO_LIBRARY, sessionOfDay, type Library } from './threads/threadSession';

/** What a kind of day is called. */
export const DAY_WORDS: Record<DayKind, string> = {
  hard: 'Hard day',
  long: 'Long run',
  easy: 'Easy',
  strides: 'Easy with strides',
  off: 'Off',
  race: 'Race',
  free: 'Free',
};

/** What a session at a place of its own is called. */
export const SPECIAL_WORDS: Record<SpecialKind, string> = {
  rehearsal: 'Rehearsal',
  indicator: 'Indicator',
  trial: 'Trial',
  sharpener: 'Race week',
};

export const amountText = ({ amount, unit }: DayAmount): string => `${amount} ${unit}`;

const ROLE = /^\s*(warm|main|finish|cool)\s*:\s*/i;

/** Main part and fast finish of a text on one line, as written. */
export function mainLine(shorthand: string): string {
  return shorthand
    .split('\n')
    .filter((line) => !/^(warm|cool)$/i.test(ROLE.exec(line)?.[1] ?? '') && line.trim() !== '')
    .map((line) => line.replace(ROLE, ''))
    .join(', then ');
}

/** What a day is for, in a few words: `Threshold, longer reps: 3x8min @threshold / 90s jog`. */
export function dayText(
  season: Pick<SeasonPlan, 'threads' | 'specials' | 'races'>,
  day: SeasonDay,
  library: Library = NO_LIBRARY,
): string {
  const { kind, date, amount, note } = day;
  if (kind === 'race') return listed(season.races.filter((race) => race.date === date).map(({ name }) => name));
  const session = sessionOfDay(season, day, library);
  if (session?.kind === 'session') return `${session.title}: ${mainLine(session.shorthand)}`;
  const details = [DAY_WORDS[kind], ...(amount ? [amountText(amount)] : []), ...(note === undefined ? [] : [note])];
  return details.join(', ');
}

/** A week as text to paste: one line a day, with nobody's name in it. */
export function weekText(season: SeasonPlan, { days, phase }: SeasonWeek, library: Library = NO_LIBRARY): string {
  const lines = days
    .filter(({ date, kind }) => date >= season.firstDay && kind !== 'free')
    .map((day) => `${format(parseISO(day.date), 'EEE d MMM')}: ${dayText(season, day, library)}`);
  return [`${season.name}, ${phase}`, ...lines].join('\n');
}
