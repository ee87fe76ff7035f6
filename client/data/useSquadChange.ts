import { inverseOf, type SquadChange } from '@core/squad/change';
import { troubleText, useChangeSquadMutation } from '../store/api';
import { useNotice } from '../ui/Notices';
import type { SquadView } from './useSquad';

/** What came of a change: done, or a sentence and, where it is about one, the field. */
export type Changed = { ok: true } | { ok: false; message: string; field?: string };

const fieldOf = (error: unknown) => (error as { data?: { error?: { field?: string } } }).data?.error?.field;

/** Changes the squad and says so, with a way to take it back. */
export function useSquadChange({ settings, athletes, archived }: SquadView) {
  const [send, { isLoading }] = useChangeSquadMutation();
  const notice = useNotice();
  const change = async (wanted: SquadChange, says: string): Promise<Changed> => {
    const undo = inverseOf(wanted, { settings, athletes: [...athletes, ...archived] });
    const sent = await send(wanted);
    if (sent.error) {
      const field = fieldOf(sent.error);
      return { ok: false, message: troubleText(sent.error), ...(field === undefined ? {} : { field }) };
    }
    notice({ text: says, undo: () => void send(undo) });
    return { ok: true };
  };
  return { change, saving: isLoading };
}
