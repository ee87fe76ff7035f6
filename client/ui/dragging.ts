import { pointerWithin, rectIntersection, type CollisionDetection, type KeyboardCoordinateGetter } from '@dnd-kit/core';

/** Under the finger if anything is; for the keyboard, what the dragged thing lies on. */
export const underFinger: CollisionDetection = (args) => {
  const under = pointerWithin(args);
  return under.length > 0 ? under : rectIntersection(args);
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
