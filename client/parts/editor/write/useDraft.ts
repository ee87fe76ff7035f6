import { useCallback, useEffect, useMemo, useRef, useState } from 'react';
import { readSession, type SessionReading } from '@core/session/parseSession';
import { rewriteText } from '@core/session/rewriteText';
import { sessionName } from '@core/session/sessionName';
import type { SessionTree } from '@core/session/session';
import { troubleText } from '../../../store/api';
import { useVenue } from '../look/LapView';
import { changed, newHistory, redone, undone, type History } from './history';
import { keepDraft, keptDraft } from './keptDraft';

/** The state of the draft against the server. */
export type Saving = { state: 'saved' | 'saving' } | { state: 'failed'; message: string };

const SAVE_AFTER_MS = 500;

/** What a session is called that has nothing in it yet. */
export const UNNAMED = 'New session';

/** What every session that is written has. */
export type Written = { title: string; shorthand: string };

/** A session being written: its text, what it means, its last readable form, and the state of saving. */
export type Draft<D extends Written> = {
  typed: D;
  change: (part: Partial<D>) => void;
  reading: SessionReading;
  isReadable: boolean;
  /** The session as last readable, and its text then. */
  lastGood: { session: SessionTree; text: string } | undefined;
  /** Changes the session as the builder does; what could not be read again is refused with the reason. */
  build: (next: SessionTree) => string | undefined;
  /** One step back or forth in all that the text has been; nothing where there is none. */
  stepBack: () => void;
  stepForward: () => void;
  canStepBack: boolean;
  canStepForward: boolean;
  saving: Saving;
  saveNow: () => Promise<void>;
};

/**
 * Keeps a session being typed and saves it automatically: shortly after typing stops, and on leaving. Unsaved text is stored on this
 * device and restored when the session is opened again.
 */
export function useDraft<D extends Written>(
  id: string,
  stored: D,
  paceNames: readonly string[],
  save: (draft: D) => Promise<{ error?: unknown }>,
): Draft<D> {
  const { lapM } = useVenue();
  // Stored lines are not questioned again: only lines typed since.
  const [settled] = useState(() => new Set(stored.shorthand.split('\n').map((line) => line.trim())));
  const read = useCallback(
    (text: string) => readSession(text, { paceNames, lapM, asks: (line) => !settled.has(line.trim()) }),
    [paceNames, lapM, settled],
  );
  const nameFor = useCallback((text: string) => sessionName(read(text).session), [read]);
  const [start] = useState(() => {
    const unsaved = keptDraft<D>(id);
    return { unsaved, typed: unsaved ?? stored };
  });
  const [typed, setTyped] = useState<D>(start.typed);
  const [history, setHistory] = useState(() => newHistory(start.typed.shorthand));
  const latestHistory = useRef(history);
  const [saving, setSaving] = useState<Saving>({ state: start.unsaved ? 'saving' : 'saved' });
  const latest = useRef(start.typed);
  const unsaved = useRef(start.unsaved);
  const timer = useRef<ReturnType<typeof setTimeout>>(undefined);
  const send = useRef(save);
  // Until the coach names it, it is named after its content.
  const ownName = useRef(start.typed.title === UNNAMED ? UNNAMED : (nameFor(start.typed.shorthand) ?? UNNAMED));
  useEffect(() => {
    send.current = save;
  });

  const { shorthand } = typed;
  const reading = useMemo(() => read(shorthand), [shorthand, read]);
  const isReadable = reading.problems.length === 0;
  const [lastGood, setLastGood] = useState(isReadable ? { session: reading.session, text: shorthand } : undefined);
  if (isReadable && reading.session !== lastGood?.session) setLastGood({ session: reading.session, text: shorthand });

  const saveNow = useCallback(async () => {
    clearTimeout(timer.current);
    const input = unsaved.current;
    if (!input) return;
    unsaved.current = undefined;
    const saved = await send.current(input);
    if (saved.error) {
      // Still to be saved, unless something newer has been typed meanwhile.
      unsaved.current ??= input;
      setSaving({ state: 'failed', message: troubleText(saved.error) });
    } else if (!unsaved.current) {
      keepDraft(id, undefined);
      setSaving({ state: 'saved' });
    }
  }, [id]);

  const put = useCallback(
    (part: Partial<D>) => {
      const next = { ...latest.current, ...part };
      if (part.shorthand !== undefined && next.title === ownName.current) {
        ownName.current = nameFor(part.shorthand) ?? ownName.current;
        next.title = ownName.current;
      }
      latest.current = next;
      unsaved.current = next;
      keepDraft(id, next);
      setTyped(next);
      setSaving({ state: 'saving' });
      clearTimeout(timer.current);
      timer.current = setTimeout(() => void saveNow(), SAVE_AFTER_MS);
    },
    [id, saveNow, nameFor],
  );
  const keepStep = useCallback((to: History) => {
    latestHistory.current = to;
    setHistory(to);
  }, []);
  const change = useCallback(
    (part: Partial<D>) => {
      const text = part.shorthand;
      if (text !== undefined) keepStep(changed(latestHistory.current, text));
      put(part);
    },
    [put, keepStep],
  );
  const goTo = useCallback(
    (to: History) => {
      if (to.now === latestHistory.current.now) return;
      keepStep(to);
      put({ shorthand: to.now } as Partial<D>);
    },
    [put, keepStep],
  );
  const stepBack = useCallback(() => goTo(undone(latestHistory.current)), [goTo]);
  const stepForward = useCallback(() => goTo(redone(latestHistory.current)), [goTo]);
  const build = (next: SessionTree): string | undefined => {
    const text = isReadable || !lastGood ? shorthand : lastGood.text;
    const base = isReadable ? reading : read(text);
    const written = rewriteText(text, base, next);
    const [problem] = next.lines.length === 0 ? [] : read(written).problems;
    if (problem) return problem.message;
    change({ shorthand: written } as Partial<D>);
    return undefined;
  };

  // Text left unsaved the last time is saved now; unsaved text on leaving is saved then.
  useEffect(() => {
    void saveNow();
    return () => void saveNow();
  }, [saveNow]);
  return {
    typed,
    change,
    reading,
    isReadable,
    lastGood,
    build,
    stepBack,
    stepForward,
    canStepBack: history.past.length > 0,
    canStepForward: history.future.length > 0,
    saving,
    saveNow,
  };
}
