/** Results as CSV, one row a rep: out for a session, an athlete or a season, and in again. */
import Papa from 'papaparse';
import { cameTo } from '../review/cameTo';
import type { ReviewCell } from '../review/cell';
import type { ResultRow } from '../review/resultRow';
import type { Review, ReviewRow } from '../review/review';
import type { Plan } from '../run/plan';
import { parseTime } from '../units/time';
import { csv } from './csv';
import { known } from '../units/known';

type Column = { name: string; key: keyof ResultRow; digits?: number };

const COLUMNS: readonly Column[] = [
  { name: 'date', key: 'date' },
  { name: 'session', key: 'session' },
  { name: 'group', key: 'group' },
  { name: 'athlete', key: 'athlete' },
  { name: 'rep', key: 'rep', digits: 0 },
  { name: 'part', key: 'part' },
  { name: 'distance m', key: 'distanceM', digits: 1 },
  { name: 'duration s', key: 'durationS', digits: 1 },
  { name: 'pace', key: 'pace' },
  { name: 'target s', key: 'targetS', digits: 2 },
  { name: 'time s', key: 'timeS', digits: 2 },
  { name: 'covered m', key: 'coveredM', digits: 1 },
  { name: 'effort', key: 'effort', digits: 1 },
  { name: 'session effort', key: 'sessionEffort', digits: 1 },
  { name: 'came to m', key: 'cameToM', digits: 0 },
  { name: 'came to s', key: 'cameToS', digits: 1 },
  { name: 'pulse', key: 'beatsPerMin', digits: 0 },
  { name: 'rest s', key: 'restS', digits: 0 },
  { name: 'planned rest s', key: 'plannedRestS', digits: 0 },
  { name: 'notes', key: 'notes' },
  { name: 'left out', key: 'leftOut' },
];

const cellText = (value: string | number | undefined, digits: number | undefined): string => {
  if (value === undefined) return '';
  return typeof value === 'number' ? String(Math.round(value * 10 ** (digits ?? 0)) / 10 ** (digits ?? 0)) : value;
};

export const writeResultsCsv = (rows: readonly ResultRow[]): string =>
  csv(
    COLUMNS.map(({ name }) => name),
    rows.map((row) => COLUMNS.map(({ key, digits }) => cellText(row[key], digits))),
  );

function rowOf(plan: Plan, review: Review, { name, sessionEffort, cells }: ReviewRow, cell: ReviewCell, at: number) {
  const rep = cell.rep ?? review.columns[at]?.rep;
  if (!rep || (cell.leftOut && !cell.rep)) return [];
  const isClock = rep.distanceM === undefined;
  // Once for each athlete, with their first rep.
  const total = cameTo(at === 0 ? cells : []);
  const fields = {
    distanceM: rep.distanceM,
    durationS: rep.durationS,
    pace: rep.pace,
    targetS: cell.targetS,
    timeS: cell.actualS,
    coveredM: isClock ? cell.coveredM : undefined,
    effort: cell.effort,
    sessionEffort: at === 0 ? sessionEffort : undefined,
    cameToM: at === 0 ? total.distanceM || undefined : undefined,
    cameToS: at === 0 ? total.durationS || undefined : undefined,
    beatsPerMin: cell.beatsPerMin,
    restS: cell.restS,
    plannedRestS: cell.plannedRestS,
    notes: [...cell.flags, ...cell.notes].join('; ') || undefined,
    leftOut: cell.excluded?.reason,
  };
  return [
    {
      date: plan.date,
      session: plan.title,
      group: review.name,
      athlete: name,
      rep: at + 1,
      part: rep.role,
      ...known(fields),
    },
  ];
}

/** The rows of a session, athlete by athlete. @param athleteId only theirs, if given. */
export const resultRows = (plan: Plan, reviews: readonly Review[], athleteId?: string): ResultRow[] =>
  reviews.flatMap((review) =>
    review.rows
      .filter((row) => athleteId === undefined || row.athleteId === athleteId)
      .flatMap((row) => row.cells.flatMap((cell, at): ResultRow[] => rowOf(plan, review, row, cell, at))),
  );

/** More than many seasons have. */
const MOST = { characters: 8_000_000, rows: 40_000 };
/** At most this many problems are named; the rest are counted. */
const MOST_NAMED = 8;

export type ReadResults = { ok: true; rows: ResultRow[]; problems: string[] } | { ok: false; message: string };

const cleaned = (name: string) => name.toLowerCase().replace(/[^a-z]/g, '');

/** Removes the apostrophe that kept a spreadsheet from reading a formula. */
const plain = (cell: string) => cell.trim().replace(/^'(?=[=+\-@])/, '');

function numberIn(cell: string, name: string, least: number, most: number): number | undefined | string {
  if (cell === '') return undefined;
  const value = Number(cell.replace(',', '.'));
  return value >= least && value <= most ? value : `“${cell}” is no ${name}`;
}

const LIMITS: Partial<Record<keyof ResultRow, readonly [number, number]>> = {
  rep: [1, 1000],
  distanceM: [10, 200_000],
  durationS: [1, 86_400],
  targetS: [1, 86_400],
  coveredM: [1, 200_000],
  effort: [1, 10],
  sessionEffort: [1, 10],
  cameToM: [0, 400_000],
  cameToS: [0, 86_400],
  beatsPerMin: [30, 250],
  restS: [0, 86_400],
  plannedRestS: [0, 86_400],
};

/** Reads one row; a sentence says what is wrong with it. */
function readRow(cells: readonly string[], columns: readonly (Column | undefined)[]): ResultRow | string {
  const row: Partial<Record<keyof ResultRow, string | number>> = { group: '', session: 'Results', part: 'main' };
  let time = '';
  for (const [i, column] of columns.entries()) {
    if (!column) continue;
    const { key, name } = column;
    const text = plain(cells[i] ?? '');
    const limits = LIMITS[key];
    if (limits) {
      const value = numberIn(text, name, ...limits);
      if (typeof value === 'string') return value;
      if (value !== undefined) row[key] = value;
    } else if (key === 'timeS') time = text;
    else if (text !== '') row[key] = text.slice(0, 200);
  }
  const { date, athlete, rep, distanceM, durationS } = row as Partial<ResultRow>;
  if (!/^\d{4}-\d{2}-\d{2}$/.test(date ?? '')) return `“${date ?? ''}” is no date: write it like 2027-04-18`;
  if (athlete === undefined) return 'nobody is named';
  if (rep === undefined || !Number.isInteger(rep)) return 'a rep needs its number';
  if (distanceM === undefined && durationS === undefined) return 'a rep needs a distance or a duration';
  if (row.part !== 'finish') row.part = 'main';
  if (time !== '') {
    const seconds = Number(time.replace(',', '.'));
    const read = Number.isFinite(seconds) ? seconds : undefined;
    const parsed = read === undefined ? parseTime(time, distanceM) : undefined;
    if (parsed && !parsed.ok) return parsed.message;
    row.timeS = read ?? (parsed?.ok ? parsed.timeS : undefined) ?? 0;
    if (!(Number(row.timeS) > 0)) return `“${time}” is no time`;
  }
  return row as ResultRow;
}

/** Reads results from a CSV with a heading; rows that cannot be read are left out, and said. */
export function readResultsCsv(text: string): ReadResults {
  if (text.length > MOST.characters) return { ok: false, message: 'This file is too large. Nothing was brought in.' };
  const { data } = Papa.parse<string[]>(text.replace(/^\uFEFF/, ''), { skipEmptyLines: 'greedy' });
  const [heading = [], ...lines] = data;
  const columns = heading.map((name) => COLUMNS.find((column) => cleaned(column.name) === cleaned(name)));
  const missing = ['date', 'athlete', 'rep'].filter((name) => !columns.some((column) => column?.name === name));
  if (missing.length > 0)
    return {
      ok: false,
      message: `The first line has to name the columns; ${missing.join(', ')} ${missing.length === 1 ? 'is' : 'are'} missing. Nothing was brought in.`,
    };
  if (lines.length > MOST.rows)
    return { ok: false, message: `At most ${MOST.rows} rows can be brought in at once. Nothing was brought in.` };
  const rows: ResultRow[] = [];
  const problems: string[] = [];
  lines.forEach((cells, i) => {
    const row = readRow(cells, columns);
    if (typeof row === 'string') problems.push(`Row ${i + 2}: ${row}.`);
    else rows.push(row);
  });
  const more = problems.length - MOST_NAMED;
  const named = problems.slice(0, MOST_NAMED);
  return { ok: true, rows, problems: more > 0 ? [...named, `${more} more rows cannot be read.`] : named };
}
