import { MARK_KINDS } from '../../fitness/mark';
import { formatDistance, parseDistance } from '../../units/distance';
import { parseDay } from '../../units/day';
import { parseTime } from '../../units/time';
import type { CsvTable } from './table';

/** What a column can hold. A column of times under a distance holds marks over it. */
export const COLUMN_USES = [
  'ignore',
  'name',
  'firstName',
  'familyName',
  'tileName',
  'bornYear',
  'leaning',
  'weeks',
  'weeklyKm',
  'group',
  'status',
  'notes',
  'chip',
  'distance',
  'time',
  'date',
  'kind',
  'note',
  'leftOut',
  'goalDistance',
  'goalTime',
  'goalDate',
  'goalRace',
] as const;
type PlainUse = (typeof COLUMN_USES)[number];
export type ColumnUse = PlainUse | { markM: number };

export const USE_WORDS: Record<PlainUse, string> = {
  ignore: 'leave out',
  name: 'Name',
  firstName: 'First name',
  familyName: 'Family name',
  tileName: 'Tile name',
  bornYear: 'Year of birth',
  leaning: 'Event leaning',
  weeks: 'Weeks of running',
  weeklyKm: 'Km a week',
  group: 'Group',
  status: 'Status',
  notes: 'Notes',
  chip: 'Timing chip',
  distance: 'Mark: distance',
  time: 'Mark: time',
  date: 'Mark: date',
  kind: 'Mark: kind',
  note: 'Mark: place, conditions',
  leftOut: 'Mark: left out of the curve',
  goalDistance: 'Goal: distance',
  goalTime: 'Goal: time',
  goalDate: 'Goal: date',
  goalRace: 'Goal: race',
};

export const columnUseText = (use: ColumnUse) =>
  typeof use === 'string' ? USE_WORDS[use] : `Times over ${formatDistance(use.markM)}`;

/** Headings as people write them, in small letters without spaces and signs. */
const HEADINGS: Record<Exclude<PlainUse, 'ignore'>, readonly string[]> = {
  name: ['name', 'athlete', 'athletename', 'fullname', 'runner', 'who'],
  firstName: ['first', 'firstname', 'forename', 'givenname', 'given'],
  familyName: ['last', 'lastname', 'surname', 'familyname', 'family'],
  tileName: ['tile', 'short', 'shortname', 'nickname', 'known'],
  bornYear: ['born', 'birthyear', 'yob', 'year', 'dob', 'dateofbirth', 'birthday'],
  leaning: ['leaning', 'events', 'eventgroup'],
  weeks: ['weeks', 'weeksrunning', 'weeksofregularrunning'],
  weeklyKm: ['weeklykm', 'kmaweek', 'kmperweek', 'kmweek', 'mileage'],
  group: ['group', 'traininggroup', 'usualgroup', 'team', 'squad'],
  status: ['status', 'state'],
  chip: ['chip', 'chipnumber', 'timingchip', 'transponder', 'tag'],
  notes: ['notes', 'privatenotes', 'remarks', 'comments', 'comment'],
  distance: ['distance', 'event', 'dist', 'race', 'metres', 'meters'],
  time: ['time', 'mark', 'result', 'performance', 'pb', 'best', 'sb'],
  date: ['date', 'day', 'on', 'when'],
  kind: ['kind', 'type', 'raceortrial'],
  note: ['place', 'where', 'venue', 'conditions', 'placeconditions', 'note'],
  leftOut: ['leftout'],
  goalDistance: ['goalevent'],
  goalTime: ['goal', 'target', 'targettime'],
  goalDate: ['goalday'],
  goalRace: ['goalmeeting'],
};

const squeezed = (heading: string) => heading.toLowerCase().replace(/[^a-z0-9]/g, '');

/** What a heading says its column holds, if it is one that is known. */
export function useOfHeading(heading: string): ColumnUse | undefined {
  const word = squeezed(heading);
  const named = Object.entries(HEADINGS).find(
    ([use, words]) => words.includes(word) || squeezed(USE_WORDS[use as PlainUse]) === word,
  )?.[0];
  if (named) return named as PlainUse;
  // `1500`, `1500 m PB`, `5k`: times over that distance.
  const distance = parseDistance(heading.replace(/\b(pb|sb|best|time)\b/gi, ''));
  return distance.ok && distance.distanceM >= 200 ? { markM: distance.distanceM } : undefined;
}

/** True if a row looks like headings: at least one is known, and none of its cells is a date. */
export function isHeadingRow(cells: readonly string[], today: string): boolean {
  const headings = cells.filter((cell) => useOfHeading(cell) !== undefined);
  // An athlete's row may well hold a bare distance: that alone is no heading.
  const named = headings.filter((cell) => typeof useOfHeading(cell) === 'string');
  return named.length > 0 && !cells.some((cell) => parseDay(cell, today).ok);
}

/** At most this many title lines may precede the headings. */
const MOST_TITLES = 5;

/** A table without the title lines above its headings. */
export function withoutTitles(table: CsvTable, today: string): CsvTable {
  const { rows } = table;
  const at = rows.findIndex(({ cells }) => cells.filter((cell) => cell !== '').length > 1);
  const headings = rows[at]?.cells ?? [];
  return at > 0 && at <= MOST_TITLES && isHeadingRow(headings, today) ? { ...table, rows: rows.slice(at) } : table;
}

/** What most values of a column without a heading look like. */
function useOfValues(values: readonly string[], today: string): ColumnUse {
  const most = (test: (value: string) => boolean) => values.filter(test).length > values.length / 2;
  if (values.length === 0) return 'ignore';
  if (most((value) => parseDay(value, today).ok)) return 'date';
  if (most((value) => (MARK_KINDS as readonly string[]).includes(value.toLowerCase()))) return 'kind';
  if (most((value) => /^(19|20)\d\d$/.test(value))) return 'bornYear';
  if (most((value) => /[:'.,]/.test(value) && parseTime(value).ok)) return 'time';
  if (most((value) => parseDistance(value).ok)) return 'distance';
  return most((value) => /^\p{L}[\p{L}'’.-]*( \p{L}[\p{L}'’.-]*)+$/u.test(value)) ? 'name' : 'ignore';
}

/**
 * Guesses what each column holds, from the headings if there are any, else from the values. Only marks may have several columns, one a
 * distance.
 */
export function guessColumns(table: CsvTable, hasHeadings: boolean, today: string): ColumnUse[] {
  const body = table.rows.slice(hasHeadings ? 1 : 0, 200);
  const taken = new Set<ColumnUse>();
  return Array.from({ length: table.width }, (_, i) => {
    const heading = hasHeadings ? (table.rows[0]?.cells[i] ?? '') : '';
    const values = body.map(({ cells }) => cells[i] ?? '').filter((value) => value !== '');
    const use = hasHeadings ? (useOfHeading(heading) ?? 'ignore') : useOfValues(values, today);
    if (typeof use === 'string' && use !== 'ignore') {
      if (taken.has(use)) return 'ignore';
      taken.add(use);
    }
    return use;
  });
}

/** A column's name in a message: its heading, or its letter as a spreadsheet shows it. */
export function columnName(table: CsvTable, hasHeadings: boolean, index: number): string {
  const heading = hasHeadings ? table.rows[0]?.cells[index] : undefined;
  return heading !== undefined && heading !== '' ? heading : `column ${String.fromCharCode(65 + (index % 26))}`;
}
