import type { Page } from '@playwright/test';

/**
 * What is wrong with how the page is laid out just now: words cut off or wider than their button, tile or heading, anything out of
 * sight at a side, and things to press that lie over each other. What is scrolled away does not count; a sheet may lie over a page.
 */
export const layoutFaults = (page: Page): Promise<string[]> =>
  page.evaluate(() => {
    const TO_PRESS =
      'button,a,input,select,textarea,[role=button],[role=radio],[role=checkbox],[role=tab],[role=switch],[data-athlete]';
    const NAMED = `${TO_PRESS},h1,h2,h3,[role=heading]`;
    type Box = { left: number; top: number; right: number; bottom: number };
    const intersection = (a: Box, b: Box): Box => ({
      left: Math.max(a.left, b.left),
      top: Math.max(a.top, b.top),
      right: Math.min(a.right, b.right),
      bottom: Math.min(a.bottom, b.bottom),
    });
    const screen = { left: 0, top: 0, right: innerWidth, bottom: innerHeight };
    const clips = (style: CSSStyleDeclaration) => style.overflowX !== 'visible' || style.overflowY !== 'visible';
    const scrollsAcross = (element: Element | null): boolean =>
      element !== null &&
      ((/auto|scroll/.test(getComputedStyle(element).overflowX) && element.scrollWidth > element.clientWidth + 1) ||
        scrollsAcross(element.parentElement));
    // Asked for once an element: each is compared with all others.
    const windows = new Map<Element | null, Box>([[null, screen]]);
    const windowOf = (parent: Element | null): Box => {
      const known = windows.get(parent);
      if (known || !parent) return known ?? screen;
      const above = windowOf(parent.parentElement);
      const box = clips(getComputedStyle(parent)) ? intersection(above, parent.getBoundingClientRect()) : above;
      windows.set(parent, box);
      return box;
    };
    const inSight = (element: Element): Box =>
      intersection(element.getBoundingClientRect(), windowOf(element.parentElement));
    const isSeen = (element: Element) => {
      const box = inSight(element);
      const style = getComputedStyle(element);
      return (
        box.right - box.left > 1 &&
        box.bottom - box.top > 1 &&
        style.visibility === 'visible' &&
        !element.closest('[aria-hidden=true],[inert]')
      );
    };
    const nameOf = (element: Element) =>
      `${element.getAttribute('role') ?? element.tagName.toLowerCase()} “${(element.getAttribute('aria-label') ?? element.textContent).slice(0, 60)}”`;
    const faults: string[] = [];
    const seen = Array.from(document.querySelectorAll(NAMED)).filter(isSeen);
    for (const element of seen) {
      const ownRect = element.getBoundingClientRect();
      if ((ownRect.left < -1 || ownRect.right > innerWidth + 1) && !scrollsAcross(element.parentElement))
        faults.push(`${nameOf(element)} leaves the screen at a side`);
      if (/^(input|select|textarea)$/i.test(element.tagName)) continue;
      for (const part of [element, ...Array.from(element.querySelectorAll('*'))]) {
        const style = getComputedStyle(part);
        if (part.closest('svg') || style.visibility !== 'visible') continue;
        const isCut =
          clips(style) &&
          (part.scrollWidth > part.clientWidth + 1 || part.scrollHeight > part.clientHeight + 1) &&
          part.clientWidth > 0;
        if (isCut) faults.push(`${nameOf(element)} is cut off`);
        for (const node of Array.from(part.childNodes)) {
          if (node.nodeType !== Node.TEXT_NODE || node.textContent?.trim() === '') continue;
          const range = document.createRange();
          range.selectNodeContents(node);
          for (const line of Array.from(range.getClientRects()))
            if (
              line.left < ownRect.left - 1.5 ||
              line.right > ownRect.right + 1.5 ||
              line.top < ownRect.top - 4 ||
              line.bottom > ownRect.bottom + 4
            )
              faults.push(`${nameOf(element)}: “${(node.textContent ?? '').slice(0, 40)}” sticks out of it`);
        }
      }
    }
    const pressed = seen
      .filter((element) => element.matches(TO_PRESS))
      .map((element) => ({
        element,
        box: inSight(element),
        layer: element.closest('[role=dialog],[aria-modal=true]'),
      }));
    pressed.forEach((a, i) => {
      for (const b of pressed.slice(i + 1)) {
        const over = intersection(a.box, b.box);
        if (over.right - over.left <= 2 || over.bottom - over.top <= 2 || a.layer !== b.layer) continue;
        if (!a.element.contains(b.element) && !b.element.contains(a.element))
          faults.push(`${nameOf(a.element)} and ${nameOf(b.element)} lie over each other`);
      }
    });
    return [...new Set(faults)];
  });
