import {
  DndContext,
  DragOverlay,
  KeyboardSensor,
  PointerSensor,
  useSensor,
  useSensors,
  type Announcements,
  type DragEndEvent,
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
  children: ReactNode;
};

const FEW_PX = { activationConstraint: { distance: 4 } };

/** Where things are dragged by their handles: with finger, mouse or keyboard. */
export function DragArea({ announcements, choosing, onDragged, onDrop, lifted, children }: Props) {
  const sensors = useSensors(
    useSensor(PointerSensor, FEW_PX),
    useSensor(KeyboardSensor, { coordinateGetter: oneByOne }),
  );
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
