import type { Problem } from '@core/session/reader';

/** The line of the text around a problem, cut at the characters it is about; `line` counts from 1. */
export type ProblemLine = { line: number; before: string; at: string; after: string };

/** Finds the line a problem stands in, and cuts it at the problem's characters. */
export function problemLine(text: string, { from, to }: Problem): ProblemLine {
  const start = text.lastIndexOf('\n', Math.max(0, from - 1)) + 1;
  const newline = text.indexOf('\n', from);
  const end = newline < 0 ? text.length : newline;
  const cut = Math.min(to, end);
  return {
    line: text.slice(0, start).split('\n').length,
    before: text.slice(start, from),
    at: text.slice(from, cut),
    after: text.slice(cut, end),
  };
}
