/** Does something now and whenever the network comes back. @returns what stops it. */
export function nowAndWhenOnline(act: () => Promise<unknown>): () => void {
  const again = () => void act();
  again();
  window.addEventListener('online', again);
  return () => window.removeEventListener('online', again);
}
