import { useCallback, useMemo, useRef, useState } from 'react';
import { readSession, type SessionReading } from '@core/session/parseSession';
import { rewriteText } from '@core/session/rewriteText';
import { sessionName } from '@core/session/sessionName';
import type { SessionTree } from '@core/session/session';
import { useVenue } from '../look/LapView';
import type { Written } from './keptDraft';
import { useAutosave, type Saving } from './useAutosave';
import { useTextHistory } from './useTextHistory';

/** What a session is called that has nothing in it yet. */
export const UNNAMED = 'New session';

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
 * A session being typed: read as it is typed, named after what it is until the coach names it, undone step by step, and saved
 * automatically.
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
  const { first, typed, type, saving, saveNow } = useAutosave(id, stored, save);
  // Until the coach names it, it is named after its content.
  const [firstName] = useState(() => (first.title === UNNAMED ? UNNAMED : (nameFor(first.shorthand) ?? UNNAMED)));
  const ownName = useRef(firstName);
  const put = useCallback(
    (part: Partial<D>) =>
      type((before) => {
        const next = { ...before, ...part };
        if (part.shorthand === undefined || next.title !== ownName.current) return next;
        ownName.current = nameFor(part.shorthand) ?? ownName.current;
        return { ...next, title: ownName.current };
      }),
    [type, nameFor],
  );
  const putText = useCallback((text: string) => put({ shorthand: text } as Partial<D>), [put]);
  const { note, ...steps } = useTextHistory(first.shorthand, putText);
  const change = useCallback(
    (part: Partial<D>) => {
      if (part.shorthand !== undefined) note(part.shorthand);
      put(part);
    },
    [put, note],
  );

  const { shorthand } = typed;
  const reading = useMemo(() => read(shorthand), [shorthand, read]);
  const isReadable = reading.problems.length === 0;
  const [lastGood, setLastGood] = useState(isReadable ? { session: reading.session, text: shorthand } : undefined);
  if (isReadable && reading.session !== lastGood?.session) setLastGood({ session: reading.session, text: shorthand });
  const build = (next: SessionTree): string | undefined => {
    const text = isReadable || !lastGood ? shorthand : lastGood.text;
    const base = isReadable ? reading : read(text);
    const written = rewriteText(text, base, next);
    const [problem] = next.lines.length === 0 ? [] : read(written).problems;
    if (problem) return problem.message;
    change({ shorthand: written } as Partial<D>);
    return undefined;
  };
  return { typed, change, reading, isReadable, lastGood, build, ...steps, saving, saveNow };
}
