/** Does something once the browser has nothing else to do: what is shown is drawn first. Not every browser says when it is idle. */
export function whenIdle(act: () => void): void {
  if (typeof requestIdleCallback === 'function') requestIdleCallback(act, { timeout: 2000 });
  else setTimeout(act, 200);
}
