import { router } from 'expo-router';
import { ulid } from 'ulid';
import { troubleText, usePutSessionMutation, useRemoveSessionMutation } from '../store/api';
import { dayInText } from '../ui/days';
import { useNotice } from '../ui/Notices';

/** Returns a function that creates a session on a day (YYYY-MM-DD) and opens it; a notice offers Undo or shows the error. */
export function useNewSession(): (date: string) => Promise<void> {
  const [put] = usePutSessionMutation();
  const [remove] = useRemoveSessionMutation();
  const notice = useNotice();
  return async (date) => {
    const session = { id: ulid(), title: 'New session', date, shorthand: '' };
    const added = await put(session);
    if (added.error) return notice({ text: troubleText(added.error) });
    router.push(`/sessions/${session.id}`);
    notice({
      text: `A new session for ${dayInText(date)}.`,
      undo: () => {
        router.replace('/sessions');
        return remove(session.id);
      },
    });
  };
}
