/**
 * Dragging a cell of a grid onto another: with a finger that rests on it, the mouse, or the keyboard. While a thing moves, React draws nothing:
 * on a slow phone that takes longer than a frame (measured: 30 to 45 ms with a library that does, four times slower than a laptop).
 */

/** What a drag says to a screen reader. */
export type DragWords = Record<'pickedUp' | 'over' | 'putDown', (id: string) => string> & { putBack: string };

export type GridDragOptions = {
  /** Follows the finger. */
  lifted: () => HTMLElement | null;
  overColor: () => string;
  announce: (text: string) => void;
  words: DragWords;
  onLift: (id: string | undefined) => void;
  onDrop: (from: string, to: string) => void;
};

/** A cell as it lies in the grid, from the grid's own corner. */
type Place = { id: string; cell: HTMLElement; left: number; right: number; top: number; bottom: number };

type Held = {
  id: string;
  cell: HTMLElement;
  places: readonly Place[];
  over: Place | undefined;
  /** What the cell under it looked like. */
  background: string;
  at: { x: number; y: number };
  scroller: Element;
  /** The upper and lower edge of what scrolls. */
  edges: { top: number; bottom: number };
  /** Where the grid lies on the screen; asked for again once it was scrolled, since asking makes a slow phone lay the page out. */
  corner: { left: number; top: number } | undefined;
};

/** A finger rests so long before it picks something up, and moves no further meanwhile. */
const REST_MS = 180;
const REST_PX = 8;
const MOUSE_PX = 4;
/** Nearer to the edge than this the page scrolls, so many pixels a frame. */
const EDGE_PX = 56;
const SCROLL_PX = 9;
/** Cells nearer than this in a direction stand in one row or column. */
const NEAR_PX = 6;

const ARROWS: Record<string, { across: number; down: number }> = {
  ArrowLeft: { across: -1, down: 0 },
  ArrowRight: { across: 1, down: 0 },
  ArrowUp: { across: 0, down: -1 },
  ArrowDown: { across: 0, down: 1 },
};

function scrollerOf(element: Element): Element {
  for (let at = element.parentElement; at; at = at.parentElement) {
    const { overflowY } = getComputedStyle(at);
    if ((overflowY === 'auto' || overflowY === 'scroll') && at.scrollHeight > at.clientHeight) return at;
  }
  return document.documentElement;
}

function placesIn(grid: HTMLElement): Place[] {
  const corner = grid.getBoundingClientRect();
  return Array.from(grid.querySelectorAll<HTMLElement>('[data-place]'), (cell) => {
    const { left, right, top, bottom } = cell.getBoundingClientRect();
    return {
      id: cell.dataset.place ?? '',
      cell,
      left: left - corner.left,
      right: right - corner.left,
      top: top - corner.top,
      bottom: bottom - corner.top,
    };
  });
}

/** The nearest place of an arrow's way, in the same row or column; undefined at the edge. */
export function placeBeside(places: readonly Place[], from: Place, key: string): Place | undefined {
  const way = ARROWS[key];
  if (!way) return undefined;
  return places
    .map((place) => ({ place, across: place.left - from.left, down: place.top - from.top }))
    .filter(({ across, down }) =>
      way.across === 0
        ? Math.abs(across) < NEAR_PX && down * way.down > NEAR_PX
        : Math.abs(down) < NEAR_PX && across * way.across > NEAR_PX,
    )
    .sort((a, b) => Math.abs(a.across) + Math.abs(a.down) - Math.abs(b.across) - Math.abs(b.down))[0]?.place;
}

const movableAt = (target: EventTarget | null) =>
  target instanceof Element ? target.closest<HTMLElement>('[data-movable]') : null;

/**
 * Makes the cells of a grid draggable: elements with `data-place` (their id) accept drops, those with `data-movable` can be picked up as
 * well.
 * @returns what removes it again.
 */
export function gridDrag(grid: HTMLElement, options: () => GridDragOptions): () => void {
  let dragged: Held | undefined;
  /** Pressed, but not yet picked up. */
  let pressed: { cell: HTMLElement; x: number; y: number; timer?: ReturnType<typeof setTimeout> } | undefined;
  let frame = 0;

  const say = (text: string) => options().announce(text);

  function setOver(place: Place | undefined): void {
    if (!dragged || dragged.over === place) return;
    if (dragged.over) dragged.over.cell.style.backgroundColor = dragged.background;
    dragged.over = place;
    if (!place) return;
    dragged.background = place.cell.style.backgroundColor;
    place.cell.style.backgroundColor = options().overColor();
    say(options().words.over(place.id));
  }

  function follow(x: number, y: number): void {
    const lifted = options().lifted();
    if (lifted) lifted.style.transform = `translate3d(${Math.round(x)}px, ${Math.round(y)}px, 0) translate(-50%, -50%)`;
  }

  function moveTo(x: number, y: number): void {
    if (!dragged) return;
    dragged.at = { x, y };
    follow(x, y);
    dragged.corner ??= grid.getBoundingClientRect();
    const [inX, inY] = [x - dragged.corner.left, y - dragged.corner.top];
    setOver(
      dragged.places.find(({ left, right, top, bottom }) => inX >= left && inX < right && inY >= top && inY < bottom),
    );
  }

  /** Near the upper or lower edge the page goes along. */
  function scrollAlong(): void {
    if (!dragged) return;
    const { scroller, at, edges } = dragged;
    const by = at.y < edges.top + EDGE_PX ? -SCROLL_PX : at.y > edges.bottom - EDGE_PX ? SCROLL_PX : 0;
    if (by !== 0) {
      scroller.scrollTop += by;
      dragged.corner = undefined;
      moveTo(at.x, at.y);
    }
    frame = requestAnimationFrame(scrollAlong);
  }

  function pickUp(cell: HTMLElement, x: number, y: number): void {
    pressed = undefined;
    const id = cell.dataset.place ?? '';
    const scroller = scrollerOf(grid);
    const { top, bottom } = scroller.getBoundingClientRect();
    const isPage = scroller === document.documentElement;
    dragged = {
      id,
      cell,
      places: placesIn(grid),
      over: undefined,
      background: '',
      at: { x, y },
      scroller,
      edges: isPage ? { top: 0, bottom: innerHeight } : { top, bottom },
      corner: undefined,
    };
    cell.style.opacity = '0.3';
    say(options().words.pickedUp(id));
    options().onLift(id);
  }

  function letGo(isDropped: boolean): void {
    if (pressed?.timer !== undefined) clearTimeout(pressed.timer);
    pressed = undefined;
    cancelAnimationFrame(frame);
    if (!dragged) return;
    const { id, cell, over } = dragged;
    setOver(undefined);
    cell.style.opacity = '';
    dragged = undefined;
    options().onLift(undefined);
    const { words, onDrop } = options();
    const isElsewhere = isDropped && over !== undefined && over.id !== id;
    say(isElsewhere ? words.putDown(over.id) : words.putBack);
    if (isElsewhere) onDrop(id, over.id);
  }

  // Fingers.
  function touchStart(event: TouchEvent): void {
    const touch = event.touches[0];
    const cell = movableAt(event.target);
    if (event.touches.length > 1 || dragged || !touch || !cell) return letGo(false);
    const { clientX: x, clientY: y } = touch;
    const timer = setTimeout(() => {
      pickUp(cell, x, y);
      moveTo(x, y);
      frame = requestAnimationFrame(scrollAlong);
    }, REST_MS);
    pressed = { cell, x, y, timer };
  }
  function touchMove(event: TouchEvent): void {
    const touch = event.touches[0];
    if (!touch) return;
    if (dragged) {
      // It is not the page that moves.
      event.preventDefault();
      moveTo(touch.clientX, touch.clientY);
    } else if (pressed && Math.hypot(touch.clientX - pressed.x, touch.clientY - pressed.y) > REST_PX) letGo(false);
  }
  function touchEnd(event: TouchEvent): void {
    // What was dragged was not tapped.
    if (dragged) event.preventDefault();
    letGo(true);
  }

  // The mouse.
  function mouseDown(event: MouseEvent): void {
    const cell = event.button === 0 ? movableAt(event.target) : null;
    if (!cell || dragged) return;
    pressed = { cell, x: event.clientX, y: event.clientY };
    addEventListener('mousemove', mouseMove);
    addEventListener('mouseup', mouseUp);
  }
  function mouseMove(event: MouseEvent): void {
    const { clientX: x, clientY: y } = event;
    if (pressed && Math.hypot(x - pressed.x, y - pressed.y) > MOUSE_PX) {
      pickUp(pressed.cell, x, y);
      frame = requestAnimationFrame(scrollAlong);
    }
    if (!dragged) return;
    event.preventDefault();
    moveTo(x, y);
  }
  function mouseUp(): void {
    removeEventListener('mousemove', mouseMove);
    removeEventListener('mouseup', mouseUp);
    if (dragged) {
      const swallow = (click: Event) => {
        click.preventDefault();
        click.stopPropagation();
      };
      addEventListener('click', swallow, { capture: true, once: true });
      // Where the press and the release are on two elements there is no click to swallow.
      setTimeout(() => removeEventListener('click', swallow, { capture: true }));
    }
    letGo(true);
  }

  // The keyboard.
  function keyDown(event: KeyboardEvent): void {
    if (!dragged) {
      const cell = event.code === 'Space' ? movableAt(event.target) : null;
      if (!cell) return;
      event.preventDefault();
      const { left, top, width, height } = cell.getBoundingClientRect();
      pickUp(cell, left + width / 2, top + height / 2);
      moveTo(left + width / 2, top + height / 2);
      return;
    }
    if (event.code === 'Space' || event.code === 'Enter') letGo(true);
    else if (!(event.code in ARROWS)) return;
    else {
      const from = dragged.over ?? dragged.places.find(({ id }) => id === dragged?.id);
      const to = from && placeBeside(dragged.places, from, event.code);
      to?.cell.scrollIntoView({ block: 'nearest' });
      dragged.corner = undefined;
      if (to) {
        const { left, top, width, height } = to.cell.getBoundingClientRect();
        moveTo(left + width / 2, top + height / 2);
      }
    }
    event.preventDefault();
    event.stopPropagation();
  }
  /** A button is pressed when Space comes up. */
  function keyUp(event: KeyboardEvent): void {
    if (event.code === 'Space' && movableAt(event.target)) event.preventDefault();
  }
  function menu(event: Event): void {
    if (dragged || pressed?.timer !== undefined) event.preventDefault();
  }
  const cancel = () => letGo(false);
  /** Wherever the focus is. */
  function escape(event: KeyboardEvent): void {
    if (!dragged || event.code !== 'Escape') return;
    event.preventDefault();
    event.stopPropagation();
    letGo(false);
  }
  const scrolled = () => {
    if (dragged) dragged.corner = undefined;
  };

  const listeners = [
    ['touchstart', touchStart],
    ['touchmove', touchMove],
    ['touchend', touchEnd],
    ['touchcancel', cancel],
    ['mousedown', mouseDown],
    ['keydown', keyDown],
    ['keyup', keyUp],
    ['contextmenu', menu],
    ['focusout', () => dragged?.cell === document.activeElement && cancel()],
  ] as [string, EventListener][];
  addEventListener('keydown', escape, { capture: true });
  addEventListener('scroll', scrolled, { capture: true, passive: true });
  for (const [type, listener] of listeners) grid.addEventListener(type, listener, { passive: type === 'touchstart' });
  return () => {
    cancel();
    for (const [type, listener] of listeners) grid.removeEventListener(type, listener);
    removeEventListener('keydown', escape, { capture: true });
    removeEventListener('scroll', scrolled, { capture: true });
    removeEventListener('mousemove', mouseMove);
    removeEventListener('mouseup', mouseUp);
  };
}
