import Papa from 'papaparse';

/** More than any session has. */
const MOST = { characters: 200_000, rows: 500, columns: 200 };

/** What was copied from a spreadsheet (tabs) or a CSV, as rows of cells; one cell for plain text. */
export function pastedCells(text: string): string[][] {
  const kept = text.slice(0, MOST.characters).replace(/\r?\n$/, '');
  const delimiter = kept.includes('\t') ? '\t' : kept.includes(';') ? ';' : kept.includes('\n') ? ',' : '\t';
  const { data } = Papa.parse<string[]>(kept, { delimiter });
  return data.slice(0, MOST.rows).map((cells) => cells.slice(0, MOST.columns).map((cell) => cell.trim()));
}
