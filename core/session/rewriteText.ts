import { formatLine } from './formatSession';
import { commentFrom } from './parseLine';
import type { SessionReading } from './parseSession';
import type { SessionTree } from './session';

/** The comment at the end of a line of the text, with a space before it; empty where there is none. */
function commentBehind(line: string): string {
  const at = commentFrom(line, { from: 0, to: line.length });
  return at < line.length ? ` ${line.slice(at)}` : '';
}

/**
 * Writes a changed session into the text it was read from: lines that are still the same object stay as the coach wrote
 * them, with their comments; only what changed is printed anew.
 * @param reading what reading `text` came to, without problems; `next` is made from its session.
 */
export function rewriteText(text: string, { session, lineAt }: SessionReading, next: SessionTree): string {
  const raw = text.split('\n');
  /** What stands above a line: comments and blank lines. */
  const above = session.lines.map((_, i) => raw.slice((lineAt[i - 1] ?? -1) + 1, lineAt[i]));
  const below = text.trim() === '' ? [] : raw.slice((lineAt.at(-1) ?? -1) + 1);
  // Parts that share a line of the text stay as they were written only together.
  const isWhole = session.lines.map((_, i) => {
    const parts = session.lines.flatMap((line, j) => (lineAt[j] === lineAt[i] ? [next.lines.indexOf(line)] : []));
    return parts.every((at, n) => at >= 0 && at === (parts[0] ?? 0) + n);
  });
  const isFirst = session.lines.map((_, i) => lineAt.indexOf(lineAt[i] ?? -1) === i);
  const isKept = session.lines.map((line) => next.lines.includes(line));
  const placed = new Set<number>();
  const written = next.lines.flatMap((line, i) => {
    const same = session.lines.indexOf(line);
    if (same >= 0) {
      placed.add(same);
      if (!isWhole[same]) return [...(isFirst[same] ? (above[same] ?? []) : []), formatLine(line)];
      if (!isFirst[same]) return [];
      return [...(above[same] ?? []), raw[lineAt[same] ?? -1] ?? formatLine(line)];
    }
    // A line changed in its place keeps what stands above it.
    const stood = next.lines.length === session.lines.length && isKept[i] === false ? i : -1;
    if (stood >= 0) placed.add(stood);
    return [...(above[stood] ?? []), `${formatLine(line)}${commentBehind(raw[lineAt[stood] ?? -1] ?? '')}`];
  });
  const comments = above.flatMap((lines, i) => (placed.has(i) ? [] : lines.filter((line) => line.trim() !== '')));
  return [...written, ...comments, ...below].join('\n');
}
