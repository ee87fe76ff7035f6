import { useCallback, useEffect, useRef, useState } from 'react';
import { troubleText } from '../../../store/api';
import { keepDraft, keptDraft, type Written } from './keptDraft';

/** The state of what is being typed against the server. */
export type Saving = { state: 'saved' | 'saving' } | { state: 'failed'; message: string };

const SAVE_AFTER_MS = 500;

/**
 * Saves what is being typed automatically: shortly after typing stops, and on leaving. What is unsaved is stored on this device as well,
 * and is what a session opened again starts with.
 */
export function useAutosave<D extends Written>(
  id: string,
  stored: D,
  save: (draft: D) => Promise<{ error?: unknown }>,
) {
  const [{ first, isUnsaved }] = useState(() => {
    const kept = keptDraft<D>(id);
    return { first: kept ?? stored, isUnsaved: kept !== undefined };
  });
  const [typed, setTyped] = useState<D>(first);
  const [saving, setSaving] = useState<Saving>({ state: isUnsaved ? 'saving' : 'saved' });
  const latest = useRef(first);
  const unsaved = useRef(isUnsaved ? first : undefined);
  const timer = useRef<ReturnType<typeof setTimeout>>(undefined);
  const send = useRef(save);
  useEffect(() => {
    send.current = save;
  });

  const saveNow = useCallback(async () => {
    clearTimeout(timer.current);
    // Asked anew after the answer: more may have been typed meanwhile.
    const isUnsaved = () => unsaved.current !== undefined;
    const sent = unsaved.current;
    if (!sent) return;
    unsaved.current = undefined;
    const { error } = await send.current(sent);
    if (error) {
      // Still to be saved, unless something newer has been typed meanwhile.
      unsaved.current ??= sent;
      setSaving({ state: 'failed', message: troubleText(error) });
    } else if (!isUnsaved()) {
      keepDraft(id, undefined);
      setSaving({ state: 'saved' });
    }
  }, [id]);

  /** Changes what is typed, by what was typed last: several may come before the next render. */
  const type = useCallback(
    (change: (before: D) => D) => {
      const next = change(latest.current);
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

  // What was left unsaved the last time is saved now; what is unsaved on leaving is saved then.
  useEffect(() => {
    void saveNow();
    return () => void saveNow();
  }, [saveNow]);
  return { first, typed, type, saving, saveNow };
}
