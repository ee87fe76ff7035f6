import { startTransition, useEffect, useState } from 'react';

/** After this long there is a pause; a piece that has begun by then is finished first. */
const MOST_MS = 12;

/** Newer than the types of the DOM, and not in every browser. */
const { scheduler } = globalThis as { scheduler?: { yield?: () => Promise<void> } };

/** Until the browser has answered a tap, if there is one. A timer takes longer: some milliseconds each, a second where the page is not in sight. */
const pause = (): Promise<void> => scheduler?.yield?.() ?? new Promise((resolve) => setTimeout(resolve));

/**
 * Does one thing after the other, with a pause whenever it has taken a while: in one go they would hold up a press on a slow phone.
 * @param isOver asked after each pause: whether the rest is no longer wanted.
 */
export async function inPieces(pieces: Iterable<() => unknown>, isOver: () => boolean = () => false): Promise<void> {
  let sinceMs = performance.now();
  for (const piece of pieces) {
    piece();
    if (performance.now() - sinceMs < MOST_MS) continue;
    await pause();
    if (isOver()) return;
    sinceMs = performance.now();
  }
}

/**
 * Works something out in pieces before it is drawn for the first time: each piece leaves what it finds in a cache of its own.
 * @param data what it is worked out from; undefined while that is not here.
 * @returns whether it can be drawn; once it can, it stays so.
 */
export function useWorkedOut<Data>(data: Data | undefined, piecesOf: (data: Data) => Iterable<() => unknown>): boolean {
  const [isDone, setDone] = useState(false);
  useEffect(() => {
    if (isDone || data === undefined) return undefined;
    let isOver = false;
    const draw = () => {
      // A few milliseconds at a time too. What went wrong in a piece goes wrong again there, and is said.
      if (!isOver) startTransition(() => setDone(true));
    };
    // Not in the same task as the drawing that this is an effect of.
    void pause()
      .then(() => inPieces(isOver ? [] : piecesOf(data), () => isOver))
      .then(draw, draw);
    return () => {
      isOver = true;
    };
  }, [isDone, data, piecesOf]);
  return isDone;
}
