import { useEffect, useRef } from 'react';
import { isTyping } from '../../ui/isTyping';

/** One key for each athlete, in the order of the tiles: figures first, then the letters that mean nothing else. */
export const ATHLETE_KEYS = '1234567890qwertuiopasdfghjklxcvbnm'.split('');

/** What a clicker for presentations sends: page keys and arrows. */
const CLICKER = new Set(['PageDown', 'PageUp', 'ArrowRight', 'ArrowLeft']);

export type KeyActs = {
  athlete: (index: number, timeStamp: number) => void;
  line: (timeStamp: number) => void;
  start: (timeStamp: number) => void;
  undo: (timeStamp: number) => void;
  redo: (timeStamp: number) => void;
  help: () => void;
  close: () => void;
};

/** The board by keyboard, wherever the focus is; typing in a field stays typing. */
export function useKeys(acts: KeyActs): void {
  const latest = useRef(acts);
  useEffect(() => {
    latest.current = acts;
  });
  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      const now = latest.current;
      if (event.key === 'Escape') return now.close();
      if (isTyping(event.target) || event.ctrlKey || event.metaKey || event.altKey) return;
      const key = event.key.toLowerCase();
      const act = (what: (timeStamp: number) => void) => {
        event.preventDefault();
        if (!event.repeat) what(event.timeStamp);
      };
      if (event.key === ' ' || CLICKER.has(event.key)) return act(now.line);
      if (key === 'z') return act(event.shiftKey ? now.redo : now.undo);
      if (key === 'y') return act(now.start);
      if (event.key === '?') return act(now.help);
      const index = ATHLETE_KEYS.indexOf(key);
      if (index >= 0 && !event.shiftKey) act((at) => now.athlete(index, at));
    };
    // Space would press a focused button on release.
    const onKeyUp = (event: KeyboardEvent) => {
      if (event.key === ' ' && !isTyping(event.target)) event.preventDefault();
    };
    window.addEventListener('keydown', onKey);
    window.addEventListener('keyup', onKeyUp);
    return () => {
      window.removeEventListener('keydown', onKey);
      window.removeEventListener('keyup', onKeyUp);
    };
  }, []);
}
