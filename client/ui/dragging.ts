import { rectIntersection, type CollisionDetection, type KeyboardCoordinateGetter } from '@dnd-kit/core';

/**
 * What is under the pointer; for the keyboard, what the dragged thing lies on. The browser is asked once for the element there: measuring
 * every place forces layout, which takes a slow phone longer than a frame.
 */
export const underFinger: CollisionDetection = (args) => {
  const { pointerCoordinates, droppableContainers } = args;
  if (!pointerCoordinates) return rectIntersection(args);
  const there = document.elementsFromPoint(pointerCoordinates.x, pointerCoordinates.y);
  // The topmost first: a card before the group that it is in.
  const [under] = droppableContainers
    .flatMap((place) => {
      const at = place.node.current ? there.indexOf(place.node.current) : -1;
      return at < 0 ? [] : [{ id: place.id, at }];
    })
    .sort((a, b) => a.at - b.at);
  return under ? [{ id: under.id }] : rectIntersection(args);
};

const STEPS: Record<string, number> = { ArrowDown: 1, ArrowRight: 1, ArrowUp: -1, ArrowLeft: -1 };

/** With the keyboard, each arrow goes to the place after or before. */
export const oneByOne: KeyboardCoordinateGetter = (event, { context, currentCoordinates }) => {
  const step = STEPS[event.code];
  if (step === undefined) return undefined;
  event.preventDefault();
  const { x, y } = currentCoordinates;
  const rects = [...context.droppableRects.values()];
  const at = rects.findIndex(({ left, right, top, bottom }) => x >= left && x <= right && y >= top && y <= bottom);
  const rect = rects[Math.min(rects.length - 1, Math.max(0, at + step))];
  return rect ? { x: rect.left + 8, y: rect.top + 8 } : currentCoordinates;
};
