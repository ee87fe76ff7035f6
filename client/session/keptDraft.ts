import type { SessionInput } from '@core/formats/schemas';

const keyOf = (sessionId: string) => `zest-lap-draft-${sessionId}`;

/** What was typed into a session and has not reached the server, from this device's storage. */
export function keptDraft(sessionId: string): SessionInput | undefined {
  try {
    const { title, date, shorthand } = JSON.parse(
      localStorage.getItem(keyOf(sessionId)) ?? '{}',
    ) as Partial<SessionInput>;
    return title === undefined || date === undefined || shorthand === undefined
      ? undefined
      : { title, date, shorthand };
  } catch {
    return undefined;
  }
}

/** Keeps what is typed until the server has it; `undefined` when it has. Without storage it lasts as long as the page. */
export function keepDraft(sessionId: string, draft: SessionInput | undefined): void {
  try {
    if (draft) localStorage.setItem(keyOf(sessionId), JSON.stringify(draft));
    else localStorage.removeItem(keyOf(sessionId));
  } catch {
    // Storage is full or switched off: the text is still on the screen, and saving goes on being tried.
  }
}
