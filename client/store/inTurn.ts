const last = new Map<string, Promise<unknown>>();

/**
 * Does what concerns one thing in the order in which it was asked for, each when the one before is over, however that ended: of several
 * writes under way at once the last to arrive would stand, which need not be the last that was made.
 */
export async function inTurn<T>(thing: string, act: () => Promise<T>): Promise<T> {
  const before = last.get(thing);
  const mine = before ? before.then(act, act) : act();
  last.set(thing, mine);
  try {
    return await mine;
  } finally {
    if (last.get(thing) === mine) last.delete(thing);
  }
}
