import { useCallback, useEffect, useMemo, useRef, useState } from 'react';
import { parseSession, type ParsedSession } from '@core/session/parseSession';
import type { Session as SessionTree } from '@core/session/session';
import type { SessionInput } from '@core/formats/schemas';
import { keepDraft, keptDraft } from './keptDraft';
import { troubleText, usePutSessionMutation, type Session } from '../store/api';

/** How the draft stands with the server. */
export type Saving = { state: 'saved' | 'saving' } | { state: 'failed'; message: string };

const SAVE_AFTER_MS = 500;

/** A session being written: what is typed, what it says, the last form of it that could be read, and how saving goes. */
export type SessionDraft = {
  typed: SessionInput;
  change: (part: Partial<SessionInput>) => void;
  parsed: ParsedSession;
  lastGood: SessionTree | undefined;
  saving: Saving;
  saveNow: () => Promise<void>;
};

/**
 * Keeps a session as it is typed and saves it by itself, shortly after the typing stops and when it is left. What the server
 * has not got is kept on this device and is there when the session is opened again.
 */
export function useSessionDraft(stored: Session, paceNames: readonly string[]): SessionDraft {
  const { id } = stored;
  const [start] = useState(() => {
    const unsaved = keptDraft(id);
    const { title, date, shorthand } = unsaved ?? stored;
    return { unsaved, typed: { title, date, shorthand } };
  });
  const [typed, setTyped] = useState<SessionInput>(start.typed);
  const [saving, setSaving] = useState<Saving>({ state: start.unsaved ? 'saving' : 'saved' });
  const [put] = usePutSessionMutation();
  const latest = useRef(start.typed);
  const unsaved = useRef(start.unsaved);
  const timer = useRef<ReturnType<typeof setTimeout>>(undefined);

  const parsed = useMemo(() => parseSession(typed.shorthand, { paceNames }), [typed.shorthand, paceNames]);
  const [lastGood, setLastGood] = useState(parsed.ok ? parsed.session : undefined);
  if (parsed.ok && parsed.session !== lastGood) setLastGood(parsed.session);

  const saveNow = useCallback(async () => {
    clearTimeout(timer.current);
    const input = unsaved.current;
    if (!input) return;
    unsaved.current = undefined;
    const saved = await put({ id, ...input });
    if (saved.error) {
      // Still to be saved, unless something newer has been typed meanwhile.
      unsaved.current ??= input;
      setSaving({ state: 'failed', message: troubleText(saved.error) });
    } else if (!unsaved.current) {
      keepDraft(id, undefined);
      setSaving({ state: 'saved' });
    }
  }, [id, put]);

  const change = useCallback(
    (part: Partial<SessionInput>) => {
      const next = { ...latest.current, ...part };
      latest.current = next;
      unsaved.current = next;
      keepDraft(id, next);
      setTyped(next);
      setSaving({ state: 'saving' });
      clearTimeout(timer.current);
      timer.current = setTimeout(() => void saveNow(), SAVE_AFTER_MS);
    },
    [id, saveNow],
  );

  // What was left unsaved the last time goes out now; what is unsaved on leaving goes out then.
  useEffect(() => {
    void saveNow();
    return () => void saveNow();
  }, [saveNow]);
  return { typed, change, parsed, lastGood, saving, saveNow };
}
