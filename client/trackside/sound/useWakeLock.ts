import { useEffect, useState } from 'react';

export type Awake = 'awake' | 'may sleep';

/** Keeps the screen on while it is wanted; asks again when the page comes back into sight. */
export function useWakeLock(wanted: boolean): Awake {
  const [awake, setAwake] = useState<Awake>('may sleep');
  useEffect(() => {
    if (!wanted || !('wakeLock' in navigator)) return;
    let lock: WakeLockSentinel | undefined;
    let open = true;
    const ask = async () => {
      if (document.visibilityState !== 'visible') return;
      try {
        const sentinel = await navigator.wakeLock.request('screen');
        if (!open) return void sentinel.release();
        lock = sentinel;
        setAwake('awake');
        sentinel.addEventListener('release', () => setAwake('may sleep'));
      } catch {
        // A phone that saves its battery may refuse: the screen says so.
        setAwake('may sleep');
      }
    };
    const askAgain = () => void ask();
    askAgain();
    document.addEventListener('visibilitychange', askAgain);
    return () => {
      open = false;
      document.removeEventListener('visibilitychange', askAgain);
      void lock?.release();
    };
  }, [wanted]);
  return awake;
}
