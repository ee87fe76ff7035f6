import { closestNames } from '../units/closestNames';

/** Names that may stand at the cursor: they take the place of the characters `from`–`to`. */
export type Completions = { from: number; to: number; options: string[] };

/** Right before the cursor: a sign that a pace follows, and what is typed of its name. */
const BEFORE = /(?:@|>|%)\s*(?:goal\s+)?([a-z0-9-]*)$/i;
const REST_OF_NAME = /^[a-z0-9-]*/i;
const MOST = 8;

/**
 * The paces that may be meant at the cursor: those that begin with what is typed first, then those that have it in them,
 * then close ones. Undefined where no pace is expected, and when the name is whole.
 * @param at characters from the start of the text to the cursor.
 */
export function completionsAt(text: string, at: number, paceNames: readonly string[]): Completions | undefined {
  const line = text.slice(text.lastIndexOf('\n', at - 1) + 1, at);
  if (line.trimStart().startsWith('#')) return undefined;
  const match = BEFORE.exec(line);
  if (!match) return undefined;
  const typed = (match[1] ?? '').toLowerCase();
  const to = at + (REST_OF_NAME.exec(text.slice(at))?.[0].length ?? 0);
  if (to > at) return undefined;
  const begins = paceNames.filter((name) => name.startsWith(typed));
  const holds = paceNames.filter((name) => !name.startsWith(typed) && name.includes(typed));
  const close = typed === '' ? [] : closestNames(typed, paceNames);
  const options = [...new Set([...begins, ...holds, ...close])].slice(0, MOST);
  if (options.length === 0 || (begins[0] === typed && begins.length === 1)) return undefined;
  return { from: at - typed.length, to, options };
}
