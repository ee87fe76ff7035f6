import {
  DndContext,
  DragOverlay,
  KeyboardSensor,
  MouseSensor,
  PointerSensor,
  TouchSensor,
  useSensor,
  useSensors,
  type Announcements,
  type DragEndEvent,
  type KeyboardCoordinateGetter,
} from '@dnd-kit/core';
import type { ReactNode } from 'react';
import { createPortal } from 'react-dom';
import { oneByOne, underFinger } from './dragging';

type Props = {
  announcements: Announcements;
  /** What the arrow keys choose: `a place`. */
  choosing: string;
  /** What is picked up, by its id; undefined when it is let go. */
  onDragged: (id: string | undefined) => void;
  onDrop: (event: DragEndEvent) => void;
  /** What is under the finger while it is dragged. */
  lifted: ReactNode;
  /** Where the arrow keys go; from one place to the next where left out. */
  keys?: KeyboardCoordinateGetter;
  /** A finger has to rest on a thing before it is picked up: a swipe over it scrolls. */
  isHeld?: boolean;
  children: ReactNode;
};

const FEW_PX = { activationConstraint: { distance: 4 } };
const HELD = { activationConstraint: { delay: 180, tolerance: 8 } };

/** Where things are dragged by their handles: with finger, mouse or keyboard. */
export function DragArea({
  announcements,
  choosing,
  onDragged,
  onDrop,
  lifted,
  keys = oneByOne,
  isHeld = false,
  children,
}: Props) {
  const keyboard = useSensor(KeyboardSensor, { coordinateGetter: keys });
  const pointer = useSensor(PointerSensor, FEW_PX);
  const mouse = useSensor(MouseSensor, FEW_PX);
  const touch = useSensor(TouchSensor, HELD);
  const atOnce = useSensors(pointer, keyboard);
  const whenHeld = useSensors(mouse, touch, keyboard);
  const sensors = isHeld ? whenHeld : atOnce;
  return (
    <DndContext
      sensors={sensors}
      collisionDetection={underFinger}
      accessibility={{
        announcements,
        screenReaderInstructions: {
          draggable: `Press space to pick up, arrow keys to choose ${choosing}, space to put down.`,
        },
      }}
      onDragStart={({ active }) => onDragged(String(active.id))}
      onDragEnd={(event) => {
        onDragged(undefined);
        onDrop(event);
      }}
      onDragCancel={() => onDragged(undefined)}
    >
      {children}
      {/* At the page's root: a scrolling view would be taken for the window it is placed in. */}
      {createPortal(<DragOverlay>{lifted}</DragOverlay>, document.body)}
    </DndContext>
  );
}
