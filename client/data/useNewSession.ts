import { router } from 'expo-router';
import { ulid } from 'ulid';
import type { Intent } from '@core/session/intent';
import { troubleText, usePutSessionMutation, useRemoveSessionMutation } from '../store/api';
import { dayInText } from '../ui/days';
import { useNotice } from '../ui/Notices';

/** The session to begin with; empty until something is written. */
export type Written = { title: string; shorthand: string; intent?: Intent };
const EMPTY: Written = { title: 'New session', shorthand: '' };

/** Returns a function that creates a session on a day (YYYY-MM-DD) and opens it; a notice offers Undo or shows the error. */
export function useNewSession(): (date: string, written?: Written) => Promise<void> {
  const [put] = usePutSessionMutation();
  const [remove] = useRemoveSessionMutation();
  const notice = useNotice();
  return async (date, written = EMPTY) => {
    const session = { id: ulid(), date, ...written };
    const added = await put(session);
    if (added.error) return notice({ text: troubleText(added.error) });
    router.push(`/sessions/${session.id}`);
    notice({
      text:
        written === EMPTY
          ? `A new session for ${dayInText(date)}.`
          : `“${written.title}” is written for ${dayInText(date)}.`,
      undo: () => {
        router.replace('/sessions');
        return remove(session.id);
      },
    });
  };
}
