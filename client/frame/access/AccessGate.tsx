import { usePathname } from 'expo-router';
import type { ReactNode } from 'react';
import { lazyScreen } from '../../ui/lazyScreen';
import { useWho } from './useWho';

const Unlock = lazyScreen(async () => (await import('../laterScreens')).Unlock);

/** Where the phone was going: the router forgets it while no screen of it is shown. */
const openedAt = typeof location === 'undefined' ? '/' : location.pathname;

/** The screens, for a phone that has been let in. With the server away what this phone keeps can be used all the same. */
export function AccessGate({ children }: { children: ReactNode }) {
  const path = usePathname();
  const who = useWho();
  // Who joins has nothing yet but the code.
  if (path === '/join') return children;
  if (who === undefined) return null;
  return who === 'nobody' ? <Unlock openedAt={openedAt} /> : children;
}
