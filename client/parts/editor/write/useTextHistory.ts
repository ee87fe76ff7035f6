import { useMemo, useRef, useState } from 'react';
import { changed, newHistory, redone, undone, type History } from './history';

/**
 * Undo and redo of a session's text.
 * @param first the text it starts with.
 * @param onStep gets the text that a step back or forth leads to.
 */
export function useTextHistory(first: string, onStep: (text: string) => void) {
  const [history, setHistory] = useState(() => newHistory(first));
  const latest = useRef(history);
  const acts = useMemo(() => {
    const keep = (next: History) => {
      latest.current = next;
      setHistory(next);
    };
    const goTo = (next: History) => {
      if (next.now === latest.current.now) return;
      keep(next);
      onStep(next.now);
    };
    return {
      /** Takes note of a text that was typed or built. */
      note: (text: string) => keep(changed(latest.current, text)),
      stepBack: () => goTo(undone(latest.current)),
      stepForward: () => goTo(redone(latest.current)),
    };
  }, [onStep]);
  return { ...acts, canStepBack: history.past.length > 0, canStepForward: history.future.length > 0 };
}
