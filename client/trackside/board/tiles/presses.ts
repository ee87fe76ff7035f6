/** What a press on a tile may do. */
export type TileActs = {
  /** @returns false where there is no time to take: then the release opens what is known of the athlete. */
  tap: (athleteId: string, timeStamp: number) => boolean;
  open: (athleteId: string) => void;
};

/**
 * Hears the presses on all tiles in `host`, with the page's own time stamp of each: a handler that runs late must not make a runner
 * slower. A press takes a time as the finger lands. Where there is none to take, the release opens the athlete; not before, since what
 * opens under a finger that is still down would get the release of it. Nothing else on the page hears of a touch that took a time: what
 * listens there for all kinds of presses takes longer than the taking.
 * @returns what stops it.
 */
export function hearPresses(host: HTMLElement, acts: TileActs): () => void {
  const over = new AbortController();
  /** Presses that wait for their click: true if a time was taken. */
  const pressed = new Map<string, boolean>();
  /** Whose tile a finger is on that has taken a time. */
  const taken = new Set<string>();
  const hear = <K extends keyof WindowEventMap>(kind: K, act: (athleteId: string, event: WindowEventMap[K]) => void) =>
    window.addEventListener(
      kind,
      (event) => {
        const tile = event.target instanceof Element ? event.target.closest<HTMLElement>('[data-athlete]') : null;
        const athleteId = tile?.dataset.athlete;
        if (athleteId !== undefined && host.contains(tile)) act(athleteId, event);
      },
      { signal: over.signal, capture: true, passive: false },
    );

  hear('pointerdown', (athleteId, event) => {
    if (event.button !== 0) return;
    const isTaken = acts.tap(athleteId, event.timeStamp);
    pressed.set(athleteId, isTaken);
    if (!isTaken || event.pointerType !== 'touch') return;
    taken.add(athleteId);
    event.stopPropagation();
  });
  hear('touchstart', (athleteId, event) => {
    if (!taken.has(athleteId)) return;
    event.stopPropagation();
    if (!event.cancelable) return;
    // All is done: the browser need not make up the mouse events and the click of a touch, a dozen for each.
    event.preventDefault();
    pressed.delete(athleteId);
  });
  for (const kind of ['pointerover', 'gotpointercapture', 'pointerup', 'lostpointercapture', 'pointerout'] as const)
    hear(kind, (_, event) => {
      if (event.pointerType === 'touch') event.stopPropagation();
    });
  for (const end of ['touchend', 'touchcancel'] as const)
    hear(end, (athleteId, event) => {
      if (taken.delete(athleteId)) event.stopPropagation();
    });
  hear('click', (athleteId, event) => {
    const wasTaken = pressed.get(athleteId);
    pressed.delete(athleteId);
    // A click that no finger came before is one of a screen reader, and counts.
    if (wasTaken || (wasTaken === undefined && acts.tap(athleteId, event.timeStamp))) return;
    acts.open(athleteId);
  });
  hear('keydown', (athleteId, event) => {
    // Space is the line bar's, wherever the focus is: see useKeys.
    if (event.key !== 'Enter') return;
    event.preventDefault();
    if (!event.repeat && !acts.tap(athleteId, event.timeStamp)) acts.open(athleteId);
  });
  return () => over.abort();
}
