import { useLayoutEffect } from 'react';

/**
 * Removes the picture of today that the server wrote into the page, once the screen has something of its own to show: until then it covers
 * a screen that is still empty. See server/http/firstPicture.ts and public/page.css.
 */
export function useFirstPictureUntil(isShown: boolean): void {
  useLayoutEffect(() => {
    const drop = () => document.getElementById('today')?.remove();
    if (isShown) drop();
    return drop;
  }, [isShown]);
}
