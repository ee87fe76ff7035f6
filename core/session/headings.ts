/** Parts of a session written as headings, each on a line of its own over what is in it. */
import { listed } from '../units/listed';
import type { Problem, Span } from './reader';
import { BULLET_AT_START, headingIn, startsWithPart } from './roleWords';
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
      return under ? [`${under}: ${line.trim().replace(BULLET_AT_START, '')}`] : [line];
    })
    .join('\n');
}

/** The headings of a text, and what is said about them. */
export type Headings = { spans: readonly Span[]; problem: Problem };

const nameOf = (line: string) => `“${line.trim().replace(/\s*:$/, '')}”`;

/**
 * The headings among the lines of a text: one problem whose answer joins all of them to the lines below. A heading with nothing below it is one that is
 * still being written, and left to the reader of its line.
 */
export function headingsIn(lines: readonly string[]): Headings | undefined {
  const roles = lines.map(headingIn);
  if (!roles.some(Boolean)) return undefined;
  const below = (from: number) => lines.findIndex((line, i) => i > from && isRead(line));
  const isHeading = roles.map((role, i) => {
    const next = below(i);
    return role !== undefined && next >= 0 && !roles[next] && !startsWithPart(lines[next] ?? '');
  });
  let start = 0;
  const spans = lines.flatMap((line, i): Span[] => {
    const from = start + line.length - line.trimStart().length;
    start += line.length + 1;
    return isHeading[i] ? [{ from, to: from + line.trim().length }] : [];
  });
  const [first] = spans;
  const role = roles.find((_, i) => isHeading[i]);
  if (!first || !role) return undefined;
  const names = lines.filter((_, i) => isHeading[i]).map(nameOf);
  const stand = names.length > 1 ? 'stand on lines of their own' : 'stands on a line of its own';
  return {
    spans,
    problem: {
      message: `${listed(names)} ${stand}. Write the part before each line of it, as in ${EXAMPLE[role]}.`,
      ...first,
      readings: [{ label: 'Join to the lines below', text: joined(lines, roles, isHeading) }],
    },
  };
}
