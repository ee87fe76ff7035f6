/**
 * Lists as they stand in a message, one athlete a line: name, time, distance, age group and day in any order and with any signs between them
 * (`Amelia Hart 5:42`, `Ben O'Dowd - 4:51.3 (U17)`). A line of its own gives distance or day for those under it (`1500 PBs`, `Girls:`).
 */
import type { MarkKind } from '../../fitness/mark';
import { parseDay } from '../../units/day';
import { formatDistance, parseDistance } from '../../units/distance';
import { parseTime } from '../../units/time';
import { USE_WORDS, type ColumnUse } from './columns';
import type { CsvTable } from './table';

/** One line, read; `name` is empty in a heading. */
type ChatLine = { name: string; time?: string; distanceM?: number; date?: string; group?: string; kind?: MarkKind };

const MONTHS = 'jan|feb|mar|apr|may|jun|jul|aug|sep|sept|oct|nov|dec';
const DATE = new RegExp(
  String.raw`\b(\d{4}-\d{1,2}-\d{1,2}|\d{1,2}[./]\d{1,2}[./]\d{2,4}|\d{1,2}/\d{1,2}|\d{1,2}(?:st|nd|rd|th)?\.?\s+(?:${MONTHS})[a-z]*\.?(?:\s+\d{4})?)(?![\d:.])`,
  'i',
);
const AGE_GROUP = /\(?\b(?:u\s?\d{2}|under[\s-]?\d{2}|v\d{2})\b\)?/i;
const TIME =
  /(?:\d{1,2}:)?\d{1,3}:\d{2}(?:[.,]\d{1,2})?|\d{1,3}\s?['′’]\s?\d{2}(?:[.,]\d{1,2})?\s?(?:["″”]|'')?|\b\d{1,3}[.,]\d{1,2}\b\s?(?:s(?:ec)?\b)?/;
const DISTANCE =
  /(?<![\d:.,'])(?:half[\s-]marathon|marathon|(?:\d+(?:\.\d+)?\s?)?miles?|\d+(?:[.,]\d+)?\s?(?:km|k|mi|m|metres|meters)|400|600|800|1000|1200|1500|2000|3000|5000|10000)(?![\d:.,'\p{L}])/iu;
/** Words round a mark that are nobody's name. */
const WORDS =
  /\b(?:pbs?|sbs?|best|bests|times?|results?|ran|run|in|at|over|on|the|races?|trials?|tt|seconds?|secs?|mins?)\b/giu;
const NUMBERED = /^\s*(?:\d{1,2}[.)]\s+|[-–—•*·]+\s*)/;

/** Takes the first match out of a text. */
function taken(text: string, pattern: RegExp): [match: string | undefined, rest: string] {
  const match = pattern.exec(text)?.[0];
  return match === undefined ? [undefined, text] : [match.trim(), text.replace(match, ' | ')];
}

const nameIn = (text: string): string =>
  text
    .replace(WORDS, ' ')
    .replace(/["″”()[\]{}=:;|]+/g, ' ')
    .replace(/\s[-–—,.]+(?=\s|$)|(?:^|\s)[-–—,.]+\s/g, ' ')
    .replace(/\s+/g, ' ')
    .replace(/^[-–—,.\s]+|[-–—,.\s]+$/g, '');

/** A day of the past; without a year the latest there was. */
function dayIn(text: string, today: string): string | undefined {
  const plain = text.replace(/(\d)(?:st|nd|rd|th)\b/i, '$1').replace(/\./g, text.includes('/') ? '.' : ' ');
  const withYear = (year: number) => parseDay(`${plain}${plain.includes('/') ? '/' : ' '}${year}`, today);
  const [whole, year] = [parseDay(text, today), Number(today.slice(0, 4))];
  if (whole.ok) return whole.date;
  const thisYear = withYear(year);
  if (!thisYear.ok) return undefined;
  const lastYear = withYear(year - 1);
  return thisYear.date <= today || !lastYear.ok ? thisYear.date : lastYear.date;
}

function readLine(line: string, today: string): ChatLine {
  const text = line.replace(NUMBERED, '');
  const [dateText, afterDate] = taken(text, DATE);
  const date = dateText === undefined ? undefined : dayIn(dateText, today);
  const [group, afterGroup] = taken(date === undefined ? text : afterDate, AGE_GROUP);
  const [time, afterTime] = taken(afterGroup, TIME);
  const [distance, rest] = taken(afterTime, DISTANCE);
  const read = distance === undefined ? undefined : parseDistance(distance.replace(/[\s-]+marathon/i, ' marathon'));
  const name = nameIn(rest);
  return {
    name: /\p{L}{2}/u.test(name) ? name : '',
    ...(time === undefined ? {} : { time: time.replace(/''/, '"').replace(/\s+/g, '') }),
    ...(read?.ok ? { distanceM: read.distanceM } : {}),
    ...(date === undefined ? {} : { date }),
    ...(group === undefined
      ? {}
      : {
          group: group
            .replace(/[()]/g, '')
            .replace(/under[\s-]?|u\s?/i, 'U')
            .trim(),
        }),
    ...(/\b(?:trials?|tt)\b/i.test(line) ? { kind: 'trial' as const } : {}),
  };
}

const COLUMNS: readonly Exclude<ColumnUse, { markM: number }>[] = ['name', 'distance', 'time', 'date', 'group', 'kind'];

/**
 * Reads a list from a message as a table with a heading row; each row keeps its line number.
 * @param today YYYY-MM-DD, for days written without a year.
 * @returns undefined unless most lines hold a name and a time.
 */
export function readChatList(text: string, today: string): CsvTable | undefined {
  const lines = text.split(/\r?\n/).map((line, i) => ({ line, row: i + 1 }));
  const filled = lines.filter(({ line }) => line.trim() !== '');
  let above: Omit<ChatLine, 'name' | 'time'> = {};
  const rows = filled.flatMap(({ line, row }) => {
    const read = readLine(line, today);
    const isOfAll = read.time === undefined && (read.name === '' || /:\s*$/.test(line));
    if (isOfAll) {
      const { name, time: _time, ...rest } = read;
      above = { ...above, ...rest, ...(name === '' ? {} : { group: name }) };
      return [];
    }
    return [{ row, read: { ...above, ...read }, isTimed: read.time !== undefined && parseTime(read.time).ok }];
  });
  if (rows.filter(({ read, isTimed }) => isTimed && read.name !== '').length * 2 <= rows.length) return undefined;
  const cellsOf = ({ name, distanceM, time = '', date = '', group = '', kind }: ChatLine) => [
    name,
    distanceM === undefined || time === '' ? '' : formatDistance(distanceM),
    time,
    time === '' ? '' : date,
    group,
    kind === undefined || time === '' ? '' : kind,
  ];
  const head = COLUMNS.map((use) => USE_WORDS[use]);
  const body = rows.map(({ row, read }) => ({ row, cells: cellsOf(read) }));
  // Columns that nothing stands in would only be asked about.
  const used = COLUMNS.map((use, at) => use === 'name' || use === 'time' || body.some(({ cells }) => cells[at] !== ''));
  const kept = (cells: readonly string[]) => cells.filter((_cell, at) => used[at]);
  return {
    delimiter: ',',
    width: kept(head).length,
    rows: [{ row: 0, cells: kept(head) }, ...body.map(({ row, cells }) => ({ row, cells: kept(cells) }))],
    problems: [],
  };
}
