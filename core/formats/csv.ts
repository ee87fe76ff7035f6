import Papa from 'papaparse';

/** Also before a line break, which the package's own pattern misses. */
const FORMULA = /^[=+\-@\t\r]/;

/**
 * Rows as CSV (RFC 4180), with a byte order mark so that spreadsheets take it for UTF-8. A cell that begins with `=`, `+`, `-`
 * or `@` gets an apostrophe in front: a spreadsheet would take it for a formula.
 */
export function csv(fields: string[], data: string[][]): string {
  return `\uFEFF${Papa.unparse({ fields, data }, { escapeFormulae: FORMULA, newline: '\r\n' })}\r\n`;
}
