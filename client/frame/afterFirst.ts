import { store } from '../store/store';

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
      // What it shows is drawn first. Not every browser says when it is idle.
      if (typeof requestIdleCallback === 'function') requestIdleCallback(() => resolve(), { timeout: 2000 });
      else setTimeout(resolve, 200);
    };
    const timer = setTimeout(finish, LONGEST_MS);
    const stopLooking = store.subscribe(() => {
      if (isAnswered()) finish();
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
  void first.then(() => {
    if (!isOver) stop = start();
  });
  return () => {
    isOver = true;
    stop?.();
  };
}
