import { useLayoutEffect, useRef, useState, type ReactNode } from 'react';
import { PAPER_PX } from '../../ui/Printed';

/** Smaller than this nobody reads it at arm's length: what is longer goes on over the page. */
const SMALLEST = 0.62;

/** A page whose content is made as small as it takes to fit on one. */
export function OnePage({ isLandscape, children }: { isLandscape: boolean; children: ReactNode }) {
  const content = useRef<HTMLDivElement>(null);
  const [scale, setScale] = useState(1);
  const heightPx = PAPER_PX[isLandscape ? 'landscape' : 'portrait'].down;
  useLayoutEffect(() => {
    const drawnPx = content.current?.getBoundingClientRect().height ?? 0;
    // Smaller print makes longer lines, and so less of them: a little at a time until it fits.
    if (drawnPx > heightPx && scale > SMALLEST) setScale(Math.max(SMALLEST, scale - 0.03));
  }, [heightPx, scale]);
  return (
    <div className="page">
      <div ref={content} style={{ zoom: scale }}>
        {children}
      </div>
    </div>
  );
}
