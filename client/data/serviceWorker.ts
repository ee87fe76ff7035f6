/**
 * Caches the app on the phone, so that it opens without a network. A newer version waits until the app is closed, or reloaded by whoever is
 * asked to: nothing changes under a running session.
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

/** Says when a newer app has been fetched and waits. @returns what stops it. */
export function whenUpdated(say: () => void): () => void {
  if (!('serviceWorker' in navigator)) return () => undefined;
  let isOpen = true;
  const now = ({ waiting }: ServiceWorkerRegistration) => {
    // Without a worker in charge the one that waits is the first.
    if (isOpen && waiting && navigator.serviceWorker.controller) say();
  };
  void navigator.serviceWorker.ready.then((registration) => {
    now(registration);
    registration.addEventListener('updatefound', () => {
      const { installing } = registration;
      installing?.addEventListener('statechange', () => now(registration));
    });
  });
  return () => {
    isOpen = false;
  };
}

/** Longest wait for the newer app to take over. */
const TAKE_OVER_MS = 5000;

/** Loads the page again, with the newest app there is. */
export async function reloadAnew(): Promise<void> {
  const registration =
    'serviceWorker' in navigator ? await navigator.serviceWorker.getRegistration().catch(() => undefined) : undefined;
  await registration?.update().catch(() => undefined);
  const next = registration?.waiting ?? registration?.installing;
  if (next) {
    const tookOver = new Promise((resolve) => {
      navigator.serviceWorker.addEventListener('controllerchange', resolve, { once: true });
      setTimeout(resolve, TAKE_OVER_MS);
    });
    const takeOver = () => next.state === 'installed' && next.postMessage({ type: 'SKIP_WAITING' });
    next.addEventListener('statechange', takeOver);
    takeOver();
    await tookOver;
  }
  window.location.reload();
}
