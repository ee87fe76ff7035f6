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

/** Places nearer than this in a direction stand in one row or column. */
const NEAR_PX = 6;

/** In rows and columns, each arrow goes to the nearest place that way. */
export const inGrid: KeyboardCoordinateGetter = (event, { context, currentCoordinates }) => {
  if (!(event.code in STEPS)) return undefined;
  event.preventDefault();
  const isAcross = event.code === 'ArrowLeft' || event.code === 'ArrowRight';
  const way = STEPS[event.code] ?? 1;
  const rects = [...context.droppableRects.values()];
  // A little inside: places may touch each other.
  const [x, y] = [currentCoordinates.x + NEAR_PX, currentCoordinates.y + NEAR_PX];
  const here = rects.find(({ left, right, top, bottom }) => x >= left && x <= right && y >= top && y <= bottom);
  const [fromX, fromY] = here ? [here.left, here.top] : [x, y];
  const [next] = rects
    .map((rect) => ({ rect, across: rect.left - fromX, down: rect.top - fromY }))
    .filter(({ across, down }) =>
      isAcross
        ? Math.abs(down) < NEAR_PX && across * way > NEAR_PX
        : Math.abs(across) < NEAR_PX && down * way > NEAR_PX,
    )
    .sort((a, b) => Math.abs(a.across) + Math.abs(a.down) - Math.abs(b.across) - Math.abs(b.down));
  return next ? { x: next.rect.left + 8, y: next.rect.top + 8 } : currentCoordinates;
};
