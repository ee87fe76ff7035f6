import Papa from 'papaparse';

/** One row of a file: its number as a spreadsheet counts, and its cells. */
export type TableRow = { row: number; cells: string[] };

/** A part of a file that cannot be read: where it is, and a sentence. */
export type RowProblem = { row: number; column?: string; message: string };

/** A CSV file as rows of cells; `width` is how many columns it has, `problems` what of its rows cannot be told apart into cells. */
export type CsvTable = { delimiter: string; width: number; rows: TableRow[]; problems: RowProblem[] };

export type ReadTable = { ok: true; table: CsvTable } | { ok: false; message: string };

/** A roster is small. A larger file was picked by mistake, and would only keep the phone busy. */
export const MAX_BYTES = 2_000_000;
const MAX_ROWS = 10_000;
const MAX_COLUMNS = 100;

const KEPT = 'Nothing was imported.';

/** Bytes of a text file as text: UTF-8 or UTF-16 with its mark, else UTF-8, else the old Windows code page. */
function decoded(bytes: Uint8Array): string {
  if (bytes[0] === 0xff && bytes[1] === 0xfe) return new TextDecoder('utf-16le').decode(bytes);
  if (bytes[0] === 0xfe && bytes[1] === 0xff) return new TextDecoder('utf-16be').decode(bytes);
  try {
    return new TextDecoder('utf-8', { fatal: true }).decode(bytes);
  } catch {
    return new TextDecoder('windows-1252').decode(bytes);
  }
}

const size = (bytes: number) => `${(bytes / 1_000_000).toFixed(bytes < 10_000_000 ? 1 : 0)} MB`;

/** True for characters that no typed table has: their presence means the file is not text. */
const hasControls = (text: string) =>
  [...text.slice(0, 100_000)].some((c) => c < ' ' && c !== '\n' && c !== '\r' && c !== '\t');

/** A comma may be a decimal sign, semicolon and tab hardly ever: on a tie they win. */
const DELIMITERS = ['\t', ';', ','] as const;

/** The most common number of cells among rows with more than one; that of the first row on a tie. */
function usualWidth(rows: readonly string[][]): number {
  const counts = new Map<number, number>();
  for (const { length } of rows) if (length > 1) counts.set(length, (counts.get(length) ?? 0) + 1);
  return [...counts].reduce((best, next) => (next[1] > best[1] ? next : best), [rows[0]?.length ?? 0, 0])[0];
}

type Separated = { delimiter: string; data: string[][]; errors: Papa.ParseError[] };

/** Splits text by the separator that gives the most rows the same number of cells (more than one). */
function separated(text: string): Separated {
  const tried = DELIMITERS.map((delimiter) => {
    const { data, errors } = Papa.parse<string[]>(text, { delimiter });
    const width = usualWidth(data);
    return { delimiter, data, errors, fitting: width > 1 ? data.filter(({ length }) => length === width).length : 0 };
  });
  return tried.reduce((best, candidate) => (candidate.fitting > best.fitting ? candidate : best));
}

/** A first line that names the separator for spreadsheets, which do not show it. */
const NAMED_SEPARATOR = /^"?sep=([;,\t])"?\r?\n/i;

function inCells(text: string): Separated {
  const delimiter = NAMED_SEPARATOR.exec(text)?.[1];
  if (delimiter === undefined) return separated(text);
  return { delimiter, ...Papa.parse<string[]>(text.replace(NAMED_SEPARATOR, ''), { delimiter }) };
}

const QUOTES = 'The quotation marks of this row do not fit together.';

/**
 * Reads a CSV file (RFC 4180; comma, semicolon or tab, as its first line says or as it fits; with or without a byte order mark).
 * @returns its rows, empty ones left out, or a sentence that says why not.
 */
export function readTable(bytes: Uint8Array): ReadTable {
  const refuse = (message: string): ReadTable => ({ ok: false, message: `${message} ${KEPT}` });
  if (bytes.length > MAX_BYTES)
    return refuse(`This file has ${size(bytes.length)}; a roster has ${size(MAX_BYTES)} at most.`);
  const text = decoded(bytes).replace(/^\uFEFF/, '');
  if (text.trim() === '') return refuse('This file is empty.');
  if (hasControls(text)) return refuse('This is not a text file. Save the table as CSV first.');
  const { delimiter, data, errors } = inCells(text);
  // Everything from there on would be one cell.
  const open = errors.find(({ code }) => code === 'MissingQuotes');
  if (open) return refuse(`A quotation mark in row ${(open.row ?? 0) + 1} is never closed. Close it, or take it out.`);
  const rows = data
    .map((cells, i) => ({ row: i + 1, cells: cells.map((cell) => cell.trim()) }))
    .filter(({ cells }) => cells.some((cell) => cell !== ''));
  if (rows.length > MAX_ROWS)
    return refuse(`This file has ${rows.length} rows; ${MAX_ROWS} at most can be taken at once.`);
  const width = usualWidth(rows.map(({ cells }) => cells));
  if (width > MAX_COLUMNS) return refuse(`This file has ${width} columns; a roster has ${MAX_COLUMNS} at most.`);
  const rowsInError = new Set(errors.map(({ row = 0 }) => row + 1));
  const problems = [...rowsInError].map((row) => ({ row, message: QUOTES }));
  return { ok: true, table: { delimiter, width, rows: rows.filter(({ row }) => !rowsInError.has(row)), problems } };
}

const SEPARATORS: Record<string, string> = { ',': 'commas', ';': 'semicolons', '\t': 'tabs' };

/** What is wrong with the shape of a row: more cells than the first one has, or another separator. */
export function shapeProblem({ row, cells }: TableRow, { width, delimiter }: CsvTable): RowProblem | undefined {
  // Missing or extra empty cells at the end are how spreadsheets save space.
  if (cells.slice(width).some((cell) => cell !== ''))
    return { row, message: `This row has ${cells.length} cells where the others have ${width}.` };
  const [only = ''] = cells;
  if (cells.length > 1 || width === 1) return undefined;
  const other = Object.keys(SEPARATORS).find((c) => c !== delimiter && only.includes(c));
  return other === undefined
    ? undefined
    : { row, message: `This row is separated by ${SEPARATORS[other]}, the rest by ${SEPARATORS[delimiter]}.` };
}
