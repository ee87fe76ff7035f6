import { useDraggable, useDroppable } from '@dnd-kit/core';
import { View, type ViewStyle } from 'react-native';
import type { Item, Role } from '@core/session/session';
import { ROLES } from '@core/session/session';
import { DragHandle } from '../../../ui/DragHandle';
import { Press } from '../../../ui/Press';
import { Select } from '../../../ui/Select';
import { SmallButton } from '../../../ui/SmallButton';
import { RADIUS, SPACE, usePalette } from '../../../ui/theme';
import { Text } from '../../../ui/Text';
import { itemWords } from './builderRows';

export const ROLE_NAME: Record<Role, string> = {
  warm: 'Warm-up',
  main: 'Main part',
  finish: 'Fast finish',
  cool: 'Cool-down',
};

const asRef = (ref: (element: HTMLElement | null) => void) => ref as unknown as React.Ref<View>;

/** What an item says, in a line or two; lifted while it is dragged. */
export function ItemFace({ item, lifted = false }: { item: Item; lifted?: boolean }) {
  const palette = usePalette();
  const { title, pace, note, recovery } = itemWords(item);
  const color = lifted ? palette.onAction : palette.ink;
  const style: ViewStyle = lifted
    ? { backgroundColor: palette.action, borderRadius: RADIUS, paddingHorizontal: SPACE.m, paddingVertical: SPACE.s }
    : {};
  return (
    <View style={[{ flex: 1, minWidth: 0, minHeight: 48, justifyContent: 'center' }, style]}>
      <View style={{ flexDirection: 'row', flexWrap: 'wrap', alignItems: 'baseline', columnGap: 8 }}>
        <Text as="strong" color={color}>
          {title}
        </Text>
        {pace !== undefined && (
          <Text
            as="small"
            color={lifted || !palette.dark ? palette.onAction : palette.ink}
            style={{
              backgroundColor: palette.dark && !lifted ? palette.fill : palette.action,
              borderRadius: 4,
              paddingHorizontal: 5,
            }}
          >
            {`@${pace}`}
          </Text>
        )}
      </View>
      {(recovery !== undefined || note !== undefined) && (
        <Text as="small" color={lifted ? palette.onAction : palette.quiet}>
          {[recovery === undefined ? '' : `then ${recovery}`, note === undefined ? '' : `“${note}”`]
            .filter(Boolean)
            .join(' · ')}
        </Text>
      )}
    </View>
  );
}

type LineProps = {
  role: Role;
  at: number;
  count: number;
  onRole: (role: Role) => void;
  onMove: (by: -1 | 1) => void;
};

/** What a line of the session is for, and its place among the lines. */
export function LineHead({ role, at, count, onRole, onMove }: LineProps) {
  return (
    <View style={{ flexDirection: 'row', alignItems: 'center', gap: SPACE.s, paddingTop: SPACE.m }}>
      <View style={{ flex: 1, maxWidth: 190 }}>
        <Select
          quiet
          label={`Line ${at + 1} is for`}
          options={ROLES.map((value) => ({ value, text: ROLE_NAME[value] }))}
          value={role}
          onChange={onRole}
        />
      </View>
      {at > 0 && (
        <SmallButton label={`${ROLE_NAME[role]}: up`} onPress={() => onMove(-1)}>
          ↑
        </SmallButton>
      )}
      {at < count - 1 && (
        <SmallButton label={`${ROLE_NAME[role]}: down`} onPress={() => onMove(1)}>
          ↓
        </SmallButton>
      )}
    </View>
  );
}

const INDENT = 18;
const indent = (depth: number): ViewStyle => ({ marginLeft: depth * INDENT });

/** Where something may be dropped at the end of a set or a line. */
export function EndRow({
  id,
  depth,
  of,
  isDragging,
}: {
  id: string;
  depth: number;
  of: 'set' | 'line';
  isDragging: boolean;
}) {
  const palette = usePalette();
  const { setNodeRef, isOver } = useDroppable({ id });
  return (
    <View
      ref={asRef(setNodeRef)}
      style={[
        indent(depth),
        {
          // As high at rest as during a drag: drop places are measured when a drag starts.
          height: 24,
          borderRadius: RADIUS,
          justifyContent: 'center',
          ...(isDragging ? { borderWidth: 1.5, borderStyle: 'dashed', borderColor: palette.quiet } : {}),
          backgroundColor: isOver ? palette.action : 'transparent',
        },
      ]}
    >
      {isDragging && (
        <Text as="label" color={isOver ? palette.onAction : palette.quiet} style={{ paddingHorizontal: SPACE.s }}>
          {of === 'set' ? 'into this set, at its end' : 'at the end of this part'}
        </Text>
      )}
    </View>
  );
}

type RowProps = { id: string; depth: number; item: Item; isOpen: boolean; onPress: () => void };

/** An item: press it to change it, drag it by its handle; what is dropped on it comes before it. */
export function ItemRow({ id, depth, item, isOpen, onPress }: RowProps) {
  const palette = usePalette();
  const { setNodeRef: setDrop, isOver } = useDroppable({ id });
  const { attributes, listeners, setNodeRef, setActivatorNodeRef, isDragging } = useDraggable({ id });
  const words = itemWords(item);
  const text = [words.title, words.pace && `at ${words.pace}`].filter(Boolean).join(' ');
  return (
    <View
      ref={asRef((element) => {
        setDrop(element);
        setNodeRef(element);
      })}
      style={[
        indent(depth),
        {
          flexDirection: 'row',
          alignItems: 'center',
          borderBottomWidth: 1,
          borderBottomColor: palette.line,
          borderTopWidth: 3,
          borderTopColor: isOver && !isDragging ? palette.action : 'transparent',
          opacity: isDragging ? 0.35 : 1,
          ...(item.body.kind === 'set'
            ? { borderLeftWidth: 4, borderLeftColor: palette.rep, paddingLeft: SPACE.s }
            : {}),
          ...(depth > 0 ? { borderLeftWidth: 4, borderLeftColor: palette.jog, paddingLeft: SPACE.s } : {}),
          ...(isOpen ? { backgroundColor: palette.raised } : {}),
        },
      ]}
    >
      <Press
        role="button"
        aria-label={`Change ${text}`}
        aria-expanded={isOpen}
        onPress={onPress}
        style={{ flex: 1, minWidth: 0, minHeight: 52, justifyContent: 'center' }}
      >
        <ItemFace item={item} />
      </Press>
      <DragHandle handle={setActivatorNodeRef} label={`Move ${text}`} {...{ attributes, listeners }} />
    </View>
  );
}
