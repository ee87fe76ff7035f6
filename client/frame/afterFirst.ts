import { store } from '../store/store';
import { whenIdle } from '../ui/whenIdle';

/** Longest wait for the first screen; behind a server that does not answer, the rest must not wait for ever. */
const LONGEST_MS = 8000;

/** Whether something was asked of the server, and all of it is answered. */
function isAnswered(): boolean {
  const { queries } = store.getState().api;
  const asked = Object.values(queries);
  return asked.length > 0 && asked.every((query) => query?.status !== 'pending');
}

function firstScreenIsThere(): Promise<void> {
  return new Promise((resolve) => {
    const finish = () => {
      stopLooking();
      clearTimeout(timer);
      resolve();
    };
    const timer = setTimeout(finish, LONGEST_MS);
    const finishIfAnswered = () => {
      if (isAnswered()) finish();
    };
    // One answer leads to the next question, as who one is does: what is still answered when the page is idle is all of it.
    const stopLooking = store.subscribe(() => {
      if (isAnswered()) whenIdle(finishIfAnswered);
    });
  });
}

let first: Promise<void> | undefined;

/**
 * Starts something once the first screen has what it asked the server for, and is idle: on a poor connection what is fetched ahead would
 * hold that up. @returns what stops it.
 */
export function afterFirst(start: () => (() => void) | void): () => void {
  let stop: (() => void) | void;
  let isOver = false;
  first ??= firstScreenIsThere();
  // Each in an idle moment of its own: all at once they would hold up a press.
  void first.then(() =>
    whenIdle(() => {
      if (!isOver) stop = start();
    }),
  );
  return () => {
    isOver = true;
    stop?.();
  };
}
