import { createContext, useContext } from 'react';

/** What scrolls a page's body; undefined before it is on the screen, and outside a page. */
export const ScrollerContext = createContext<() => Element | undefined>(() => undefined);

export const useScroller = () => useContext(ScrollerContext);
