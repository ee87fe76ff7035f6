import { router, type Href } from 'expo-router';
import { ulid } from 'ulid';
import type { LibrarySession } from '@core/library/librarySession';
import { troubleText, usePutSessionMutation, useRemoveSessionMutation } from '../store/api';
import { useNotice } from '../ui/Notices';

/** Puts a session in the library on a day and opens it there; undone, it is back where it was called from. */
export function usePutOnDay() {
  const [put] = usePutSessionMutation();
  const [remove] = useRemoveSessionMutation();
  const notice = useNotice();
  return async (
    { id: libraryId, title, shorthand, intent }: LibrarySession,
    date: string,
    from: Href,
  ): Promise<void> => {
    const id = ulid();
    const done = await put({ id, title, shorthand, date, libraryId, ...(intent ? { intent } : {}) });
    if (done.error) return notice({ text: troubleText(done.error) });
    router.push(`/sessions/${id}`);
    return notice({
      text: 'It is on that day now. The library stays as it is.',
      undo: () => {
        router.replace(from);
        return remove(id);
      },
    });
  };
}
