/** What every session that is written has. */
export type Written = { title: string; shorthand: string };

const keyOf = (sessionId: string) => `zest-lap-draft-${sessionId}`;

/** Unsaved text of a session, from this device's storage. */
export function keptDraft<D extends Written>(sessionId: string): D | undefined {
  try {
    const draft = JSON.parse(localStorage.getItem(keyOf(sessionId)) ?? '{}') as Partial<D>;
    return typeof draft.title === 'string' && typeof draft.shorthand === 'string' ? (draft as D) : undefined;
  } catch {
    return undefined;
  }
}

/** Stores unsaved text; `undefined` removes it once the server has it. Without storage it lasts as long as the page. */
export function keepDraft(sessionId: string, draft: object | undefined): void {
  try {
    if (draft) localStorage.setItem(keyOf(sessionId), JSON.stringify(draft));
    else localStorage.removeItem(keyOf(sessionId));
  } catch {
    // Storage is full or switched off: the text is still on screen, and saving is retried.
  }
}
