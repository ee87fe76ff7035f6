import { router, usePathname } from 'expo-router';
import { useEffect } from 'react';
import { isTyping } from '../ui/isTyping';

/** ? opens the list of keys, wherever one is; the line board has a list of its own, and a sheet that is open comes first. */
export function useKeysKey(isOff: boolean): void {
  const path = usePathname();
  useEffect(() => {
    if (isOff || path === '/settings/keys') return;
    const onKey = (event: KeyboardEvent) => {
      if (event.key !== '?' || event.ctrlKey || event.metaKey || event.altKey || isTyping(event.target)) return;
      if (document.querySelector('[aria-modal=true]')) return;
      event.preventDefault();
      router.push('/settings/keys');
    };
    window.addEventListener('keydown', onKey);
    return () => window.removeEventListener('keydown', onKey);
  }, [isOff, path]);
}
