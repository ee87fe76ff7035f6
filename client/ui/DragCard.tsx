import { useDraggable, useDroppable } from '@dnd-kit/core';
import type { ReactNode, Ref } from 'react';
import { View } from 'react-native';
import { DragHandle } from './DragHandle';
import { RADIUS, SPACE, usePalette } from './theme';

type CardProps = { id: string; label: string; maxWidth?: number; children: ReactNode };

/** A card that things can be dropped on; it is lit while one is over it. */
export function DropCard({ id, label, maxWidth = 460, children }: CardProps) {
  const palette = usePalette();
  const { setNodeRef, isOver } = useDroppable({ id });
  return (
    <View
      ref={setNodeRef as unknown as Ref<View>}
      role="group"
      aria-label={label}
      style={{
        flexGrow: 1,
        flexBasis: 300,
        maxWidth,
        padding: SPACE.m,
        borderRadius: RADIUS,
        borderWidth: 2,
        borderColor: isOver ? palette.ink : palette.line,
        backgroundColor: isOver ? palette.fill : palette.ground,
      }}
    >
      {children}
    </View>
  );
}

type RowProps = { id: string; name: string; children: ReactNode };

/** A row of such a card, dragged by its handle. */
export function DragRow({ id, name, children }: RowProps) {
  const palette = usePalette();
  const { attributes, listeners, setNodeRef, setActivatorNodeRef, isDragging } = useDraggable({ id });
  return (
    <View
      ref={setNodeRef as unknown as Ref<View>}
      style={{
        flexDirection: 'row',
        alignItems: 'center',
        borderBottomWidth: 1,
        borderBottomColor: palette.line,
        opacity: isDragging ? 0.35 : 1,
      }}
    >
      <DragHandle handle={setActivatorNodeRef} label={`Move ${name}`} {...{ attributes, listeners }} />
      {children}
    </View>
  );
}
