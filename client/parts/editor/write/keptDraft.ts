const keyOf = (sessionId: string) => `zest-lap-draft-${sessionId}`;

/** What was typed into a session and has not reached the server, from this device's storage. */
export function keptDraft<D extends { title: string; shorthand: string }>(sessionId: string): D | undefined {
  try {
    const draft = JSON.parse(localStorage.getItem(keyOf(sessionId)) ?? '{}') as Partial<D>;
    return typeof draft.title === 'string' && typeof draft.shorthand === 'string' ? (draft as D) : undefined;
  } catch {
    return undefined;
  }
}

/** Keeps what is typed until the server has it; `undefined` when it has. Without storage it lasts as long as the page. */
export function keepDraft(sessionId: string, draft: object | undefined): void {
  try {
    if (draft) localStorage.setItem(keyOf(sessionId), JSON.stringify(draft));
    else localStorage.removeItem(keyOf(sessionId));
  } catch {
    // Storage is full or switched off: the text is still on the screen, and saving goes on being tried.
  }
}
