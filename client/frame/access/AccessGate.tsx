import { usePathname } from 'expo-router';
import { useDeferredValue, type ReactNode } from 'react';
import { Unlock } from '../screens';
import { useWho } from './useWho';

/** Where the phone was going: the router forgets it while none of its screens is shown. */
const openedAt = typeof location === 'undefined' ? '/' : location.pathname;

/** The screens, for a phone with access. Without the server, what this phone keeps can be used all the same. */
export function AccessGate({ children }: { children: ReactNode }) {
  const path = usePathname();
  // The screens are drawn a few milliseconds at a time, however the answer comes in.
  const who = useDeferredValue(useWho());
  // Somebody joining has nothing yet but the code.
  if (path === '/join') return children;
  if (who === undefined) return null;
  return who === 'nobody' ? <Unlock openedAt={openedAt} /> : children;
}
