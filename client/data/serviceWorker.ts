/**
 * Caches the app on the phone, so that it opens without a network. A newer version waits until the app is closed: nothing changes under a
 * running session.
 */
export function startServiceWorker(): void {
  // Browsers allow it only over https or on this machine; elsewhere the app needs its server to open.
  if (process.env.NODE_ENV !== 'production' || !('serviceWorker' in navigator)) return;
  navigator.serviceWorker.register('/sw.js').catch(() => undefined);
}

/** Resolves once the app would open without a network; never if it cannot be cached. */
export async function opensOffline(): Promise<boolean> {
  if (!('serviceWorker' in navigator)) return false;
  const registration = await navigator.serviceWorker.ready;
  return registration.active !== null;
}
