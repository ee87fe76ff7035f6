import type { Reader } from './reader';
import type { Role } from './session';

/** How coaches call the parts of a session. */
const ROLE_OF: Readonly<Record<string, Role>> = {
  warm: 'warm',
  'warm up': 'warm',
  warmup: 'warm',
  wu: 'warm',
  'w/u': 'warm',
  'w up': 'warm',
  main: 'main',
  'main set': 'main',
  'main session': 'main',
  'main part': 'main',
  'main work': 'main',
  'main block': 'main',
  mainset: 'main',
  ms: 'main',
  session: 'main',
  workout: 'main',
  work: 'main',
  set: 'main',
  sets: 'main',
  reps: 'main',
  intervals: 'main',
  track: 'main',
  ladder: 'main',
  pyramid: 'main',
  fartlek: 'main',
  hills: 'main',
  'hill reps': 'main',
  finish: 'finish',
  finisher: 'finish',
  'fast finish': 'finish',
  cool: 'cool',
  'cool down': 'cool',
  cooldown: 'cool',
  'warm down': 'cool',
  warmdown: 'cool',
  cd: 'cool',
  'c/d': 'cool',
  'c down': 'cool',
  wd: 'cool',
};
const BULLET_SIGN = String.raw`(?:[-–—•*·]|\d{1,2}[.)])`;
/** A bullet, or the number of a list: `- `, `• `, `1. `, `2) `. */
export const BULLET = new RegExp(String.raw`${BULLET_SIGN}(?=\s)`, 'y');
/** The same at the start of a line of its own, with the space behind it. */
export const BULLET_AT_START = new RegExp(String.raw`^${BULLET_SIGN}\s+`);

const WORD_AND_COLON = String.raw`([a-z]+(?:[-/ ][a-z]+)?)\s*:`;
/** A word with a colon behind it. */
export const LABEL = new RegExp(WORD_AND_COLON, 'iy');
const LABEL_AT_START = new RegExp(`^${WORD_AND_COLON}`, 'i');
/** What may stand before its items without a colon. */
export const BARE_LABEL =
  /(WU|W\/U|CD|C\/D|WD|w-up|c-down|warm[- ]?up|cool[- ]?down|warm[- ]?down|main(?: set)?|ladder|pyramid|fartlek)\b(?=\s*[\d(a-z])/iy;

/** The same behind its items: `15min WU`. */
const LABEL_BEHIND = /(WU|W\/U|CD|C\/D|WD|warm(?:ing)?[- ]?up|cool(?:ing)?[- ]?down|warm[- ]?down)\b/iy;

/** Takes the part that an item says behind itself that it is: `10 mins warm up, 6x400 …`. */
export function takeRoleBehind(r: Reader): Role | undefined {
  if (!r.seesLetter()) return undefined;
  const start = r.at;
  const written = r.take(LABEL_BEHIND)?.[1];
  const role = written === undefined ? undefined : roleCalled(written.replace(/ing\b/i, ''));
  if (role && r.isAtStop()) {
    r.generous();
    return role;
  }
  r.at = start;
  return undefined;
}

/** True if a line says before its items what part it is. */
export function startsWithPart(line: string): boolean {
  const label = LABEL_AT_START.exec(line.trim().replace(BULLET_AT_START, ''))?.[1];
  return label !== undefined && roleCalled(label) !== undefined;
}

/** No more than a word or two stands on a line of its own. */
const LONGEST_HEADING = 30;

/** The part that a line names without saying any more: a heading over the lines below it. */
export function headingIn(line: string): Role | undefined {
  if (line.length > LONGEST_HEADING) return undefined;
  const written = line.trim().replace(/\s*:$/, '');
  return written === '' ? undefined : roleCalled(written);
}

/** The part of a session that a word stands for. */
export const roleCalled = (written: string): Role | undefined =>
  ROLE_OF[written.trim().toLowerCase().replace(/[- ]+/g, ' ')];

/** True if another part begins here, on the same line: a word for one, with a colon or before its items. */
export function startsPart(r: Reader): boolean {
  if (r.sees(BARE_LABEL)) return true;
  const start = r.at;
  const label = r.take(LABEL)?.[1];
  r.at = start;
  return label !== undefined && roleCalled(label) !== undefined;
}
