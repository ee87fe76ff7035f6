import { inverseOf, type SquadChange } from '@core/squad/change';
import { troubleText, useChangeSquadMutation } from '../store/api';
import { useNotice } from '../ui/Notices';
import type { SquadView } from './useSquad';

/** The outcome of a change: done, or a sentence and the field it is about. */
export type Changed = { ok: true } | { ok: false; message: string; field?: string };

const fieldOf = (error: unknown) => (error as { data?: { error?: { field?: string } } }).data?.error?.field;

/** Changes the squad, with a notice and Undo. */
export function useSquadChange({ settings, athletes, archived }: SquadView) {
  const [send, { isLoading }] = useChangeSquadMutation();
  const notice = useNotice();
  const change = async (wanted: SquadChange, noticeText: string): Promise<Changed> => {
    const undo = inverseOf(wanted, { settings, athletes: [...athletes, ...archived] });
    const sent = await send(wanted);
    if (sent.error) {
      const field = fieldOf(sent.error);
      return { ok: false, message: troubleText(sent.error), ...(field === undefined ? {} : { field }) };
    }
    notice({ text: noticeText, undo: () => send(undo) });
    return { ok: true };
  };
  return { change, saving: isLoading };
}
