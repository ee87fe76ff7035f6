/**
 * Keeps the app itself on the phone, so that it opens with no network. A newer version waits until the app is closed: nothing changes
 * under a session that is being timed.
 */
export function startServiceWorker(): void {
  // Only over https or on this machine do browsers allow it; elsewhere the app needs its server to open.
  if (process.env.NODE_ENV !== 'production' || !('serviceWorker' in navigator)) return;
  navigator.serviceWorker.register('/sw.js').catch(() => undefined);
}

/** Resolves once the app would open with no network; never where it cannot be kept. */
export async function opensOffline(): Promise<boolean> {
  if (!('serviceWorker' in navigator)) return false;
  const registration = await navigator.serviceWorker.ready;
  return registration.active !== null;
}
