/** Parts of a session written as headings, each on a line of its own over what is in it. */
import type { Problem } from './reader';
import { headingIn, startsWithPart } from './roleWords';
import type { Role } from './session';

const isRead = (line: string) => line.trim() !== '' && !line.trim().startsWith('#');

const EXAMPLE: Readonly<Record<Role, string>> = {
  warm: 'warm: 10min @easy',
  main: 'main: 6x400 @5k / 90s',
  finish: 'finish: 4x200 @mile / 200m jog',
  cool: 'cool: 10min @easy',
};

/** The lines of a text, each with the part of the heading it stands under written before it; the headings are gone. */
function joined(lines: readonly string[], roles: readonly (Role | undefined)[], isHeading: readonly boolean[]): string {
  let under: Role | undefined;
  return lines
    .flatMap((line, i) => {
      if (isHeading[i]) {
        under = roles[i];
        return [];
      }
      if (!isRead(line)) return [line];
      if (roles[i] || startsWithPart(line)) under = undefined;
      return under ? [`${under}: ${line.trim().replace(/^(?:[-–—•*·]|\d{1,2}[.)])\s+/, '')}`] : [line];
    })
    .join('\n');
}

/**
 * The headings in a text: each a problem whose one answer joins all of them to the lines below. A heading with nothing below it is one
 * that is still being written, and left to the reader of its line.
 */
export function headingProblems(written: string): Problem[] {
  const lines = written.split('\n');
  const roles = lines.map(headingIn);
  if (!roles.some(Boolean)) return [];
  const below = (from: number) => lines.findIndex((line, i) => i > from && isRead(line));
  const isHeading = roles.map((role, i) => {
    const next = below(i);
    return role !== undefined && next >= 0 && !roles[next] && !startsWithPart(lines[next] ?? '');
  });
  if (!isHeading.some(Boolean)) return [];
  const text = joined(lines, roles, isHeading);
  let start = 0;
  return lines.flatMap((line, i): Problem[] => {
    const from = start + line.length - line.trimStart().length;
    start += line.length + 1;
    const role = roles[i];
    if (!isHeading[i] || !role) return [];
    const name = line.trim().replace(/\s*:$/, '');
    const message = `“${name}” stands on a line of its own. Write the part before each line of it, as in ${EXAMPLE[role]}.`;
    return [
      { message, from, to: from + line.trim().length, readings: [{ label: 'Join it to the lines below', text }] },
    ];
  });
}
