import type { Reader } from './reader';
import type { Role } from './session';

/** How coaches call the parts of a session. */
const ROLE_OF: Readonly<Record<string, Role>> = {
  warm: 'warm',
  'warm up': 'warm',
  warmup: 'warm',
  wu: 'warm',
  'w/u': 'warm',
  main: 'main',
  'main set': 'main',
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
  wd: 'cool',
};
/** A word with a colon behind it. */
export const LABEL = /([a-z]+(?:[-/ ][a-z]+)?)\s*:/iy;
/** What may stand before its items without a colon. */
export const BARE_LABEL =
  /(WU|W\/U|CD|C\/D|WD|warm[- ]?up|cool[- ]?down|warm[- ]?down|main set|ladder|pyramid|fartlek)\b(?=\s*[\d(a-z])/iy;

/** The same behind its items: `15min WU`. */
const LABEL_BEHIND = /\s(WU|W\/U|CD|C\/D|warm[- ]?up|cool[- ]?down|warm[- ]?down)\s*$/i;

const ENDS_LIKE_ONE = /[udpn]\s*$/i;

/** The part that a line says it is at its end, and where that begins. */
export function roleBehind(text: string, from: number, to: number): { role: Role; at: number } | undefined {
  if (!ENDS_LIKE_ONE.test(text.slice(Math.max(from, to - 8), to))) return undefined;
  const match = LABEL_BEHIND.exec(text.slice(from, to));
  const role = match?.[1] === undefined ? undefined : roleCalled(match[1]);
  return match && role ? { role, at: from + match.index } : undefined;
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
