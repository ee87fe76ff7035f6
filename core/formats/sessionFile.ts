/**
 * Sessions as a file: one, some, or a whole library with its progressions. Each stands in it twice, as the coach wrote it
 * (`shorthand`) and as a tree for other programs (`session`); a file may leave one of the two out. The JSON Schema is
 * docs/sessions.schema.json. A session alone may also come as its shorthand, with its title in a first line `# Title`.
 */
import Joi from 'joi';
import type { LibraryChange, LibrarySession, Progression } from '../library/librarySession';
import { formatSession } from '../session/formatSession';
import { parseStored } from '../session/parseSession';
import type { SessionTree } from '../session/session';
import { aboutSession, progressionInFile } from '../api/librarySchemas';
import { check } from '../api/check';
import { shorthandSchema } from '../api/schemas';
import { sessionTreeSchema } from './sessionTree';

export const SESSIONS_FORMAT = 'zest-lap/sessions';
const VERSION = 1;

type SessionInFile = Omit<LibrarySession, 'id' | 'shorthand' | 'tags' | 'archived'> & {
  id?: string;
  shorthand?: string;
  session?: SessionTree;
  tags?: string[];
};

/** A file of sessions. `savedOn` is a day, YYYY-MM-DD. */
type SessionsFile = {
  format: typeof SESSIONS_FORMAT;
  version: 1;
  savedOn?: string;
  sessions: SessionInFile[];
  progressions?: Omit<Progression, 'id'>[];
};

const { archived: _archived, ...fields } = aboutSession;

export const sessionsFileSchema = Joi.object<SessionsFile>({
  format: Joi.string().valid(SESSIONS_FORMAT).required(),
  version: Joi.number().strict().valid(VERSION).required(),
  savedOn: Joi.string().max(30),
  sessions: Joi.array()
    .items(
      Joi.object({
        ...fields,
        id: Joi.string().max(60),
        shorthand: shorthandSchema.optional(),
        session: sessionTreeSchema,
      }).or('shorthand', 'session'),
    )
    .max(5000)
    .required(),
  progressions: Joi.array().items(progressionInFile).max(1000),
});

/** Writes sessions in the library, and the progressions whose steps are among them, as a file. */
export function writeSessionsFile(
  sessions: readonly LibrarySession[],
  progressions: readonly Progression[],
  { savedOn, paceNames }: { savedOn: string; paceNames: readonly string[] },
): string {
  const there = new Set(sessions.map(({ id }) => id));
  const file: SessionsFile = {
    format: SESSIONS_FORMAT,
    version: VERSION,
    savedOn,
    sessions: sessions.map(({ archived: _out, ...session }) => {
      const parsed = parseStored(session.shorthand, { paceNames });
      return { ...session, ...(parsed.ok ? { session: parsed.session } : {}) };
    }),
    progressions: progressions
      .filter(({ stepIds }) => stepIds.every((id) => there.has(id)))
      .map(({ id: _id, ...progression }) => progression),
  };
  return `${JSON.stringify(file, null, 2)}\n`;
}

/** Writes one session as text: its title, and what it says. */
export const writeSessionText = ({ title, shorthand }: Pick<LibrarySession, 'title' | 'shorthand'>): string =>
  `# ${title}\n${shorthand.trim()}\n`;

/** What reading a file came to: what to change in the library, and a word about each session. */
export type ReadSessions =
  | { ok: false; message: string }
  | { ok: true; change: LibraryChange; found: { title: string; state: 'new' | 'known' | 'draft'; trouble?: string }[] };

type ReadFor = { known: readonly LibrarySession[]; paceNames: readonly string[]; newId: () => string };

const refused = (message: string): ReadSessions => ({ ok: false, message: `${message} Nothing was imported.` });

/** The coach's own text where it says what the tree says; else the tree, printed. */
function textOf({ shorthand, session }: SessionInFile, paceNames: readonly string[]): string {
  const printed = session && formatSession(session);
  if (shorthand === undefined || printed === undefined) return shorthand ?? printed ?? '';
  const parsed = parseStored(shorthand, { paceNames });
  return !parsed.ok || formatSession(parsed.session) === printed ? shorthand : printed;
}

function takeIn(
  file: Pick<SessionsFile, 'sessions' | 'progressions'>,
  { known: knownSessions, paceNames, newId }: ReadFor,
): ReadSessions {
  const idOf = new Map<string, string>();
  const sessions: LibrarySession[] = [];
  const found = file.sessions.map((sent) => {
    const { session: _tree, id = '', ...rest } = sent;
    const shorthand = textOf(sent, paceNames);
    const same = knownSessions.find((session) => session.title === sent.title && session.shorthand === shorthand);
    const session: LibrarySession = { ...rest, id: same?.id ?? newId(), shorthand, tags: sent.tags ?? [] };
    idOf.set(id, session.id);
    if (same) return { title: sent.title, state: 'known' as const };
    sessions.push(session);
    const parsed = parseStored(shorthand, { paceNames });
    if (parsed.ok) return { title: sent.title, state: 'new' as const };
    return { title: sent.title, state: 'draft' as const, trouble: parsed.problems[0]?.message ?? '' };
  });
  const progressions = (file.progressions ?? []).flatMap(({ stepIds, ...rest }) => {
    const steps = stepIds.flatMap((id) => idOf.get(id) ?? []);
    return steps.length === stepIds.length ? [{ ...rest, id: newId(), stepIds: steps }] : [];
  });
  const isNew = sessions.length > 0;
  return {
    ok: true,
    found,
    change: { ...(isNew ? { sessions } : {}), ...(isNew && progressions.length > 0 ? { progressions } : {}) },
  };
}

function readJson(text: string, readFor: ReadFor): ReadSessions {
  let file: { format?: unknown; version?: unknown } | null;
  try {
    file = JSON.parse(text) as typeof file;
  } catch {
    return refused('This is not readable JSON.');
  }
  if (file?.format !== SESSIONS_FORMAT) return refused('This is not a file of sessions saved from Zest Lap.');
  if (typeof file.version !== 'number' || file.version > VERSION)
    return refused(
      `This file was saved by a newer Zest Lap (version ${String(file.version)}, this one knows ${VERSION}).`,
    );
  const checked = check(sessionsFileSchema, file);
  if (!checked.ok) return refused(`${checked.field ? `At ${checked.field}: ` : ''}${checked.message}`);
  return takeIn(checked.value, readFor);
}

/**
 * Reads a file of sessions, or one session as text. Sessions that are in the library already are passed over; one that cannot
 * be read (it names a pace no pace library here has) is taken over as a draft, with what is wrong with it.
 * @param name the file's name, for the title of a text that has none.
 */
export function readSessions(text: string, name: string, readFor: ReadFor): ReadSessions {
  const written = text
    .replace(/^\uFEFF/, '')
    .replace(/\r\n?/g, '\n')
    .trim();
  if (written === '') return refused('The file is empty.');
  if (/^[[{]/.test(written)) return readJson(written, readFor);
  const title = /^#\s*(.+)/.exec(written)?.[1]?.trim();
  const shorthand = title === undefined ? written : written.replace(/^.*\n?/, '').trim();
  const sent = { title: (title ?? name.replace(/\.\w+$/, '')).slice(0, 120) || 'Imported session', shorthand };
  const checked = check(Joi.object<SessionInFile>({ title: fields.title, shorthand: shorthandSchema }), sent);
  return checked.ok ? takeIn({ sessions: [checked.value] }, readFor) : refused(checked.message);
}
