import { useLayoutEffect } from 'react';

/**
 * Takes away what the server wrote into the page of today, once the screen has something to show itself: until then it stands over what is
 * still empty. See server/http/firstPicture.ts and public/page.css.
 */
export function useOwnPicture(isShown: boolean): void {
  useLayoutEffect(() => {
    const drop = () => document.getElementById('today')?.remove();
    if (isShown) drop();
    return drop;
  }, [isShown]);
}
