import type { LibrarySession } from '@core/library/librarySession';
import type { Intent } from '@core/session/intent';

/** The sentences that may stand beside the text of a session. */
export const SENTENCE_KEYS = ['purpose', 'season', 'easier', 'harder'] as const;

/** What may be said of a session in the library beside its text. */
export type AboutFields = Partial<Record<(typeof SENTENCE_KEYS)[number], string>> & { tags: string };

/** A session in the library while it is written: its tags in one field. */
export type LibraryDraft = AboutFields & { title: string; shorthand: string; intent?: Intent | undefined };

/** A session in the library as it is typed. */
export function draftOf({ title, shorthand, intent, tags, ...rest }: LibrarySession): LibraryDraft {
  const sentences = Object.fromEntries(
    SENTENCE_KEYS.flatMap((key) => (rest[key] === undefined ? [] : [[key, rest[key]]])),
  );
  return { title, shorthand, tags: tags.join(', '), ...(intent ? { intent } : {}), ...sentences };
}

/** The session as the draft has it; what was not written about it is left out. */
export function sessionOf(draft: LibraryDraft, { id, favourite, archived }: LibrarySession): LibrarySession {
  const sentences = Object.fromEntries(
    SENTENCE_KEYS.flatMap((key) => {
      const text = draft[key]?.trim() ?? '';
      return text === '' ? [] : [[key, text]];
    }),
  );
  const tags = [...new Set(draft.tags.split(',').map((tag) => tag.trim()))].filter(Boolean);
  return {
    id,
    title: draft.title,
    shorthand: draft.shorthand,
    tags,
    ...sentences,
    ...(draft.intent ? { intent: draft.intent } : {}),
    ...(favourite ? { favourite } : {}),
    ...(archived ? { archived } : {}),
  };
}
