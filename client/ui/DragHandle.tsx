import type { useDraggable } from '@dnd-kit/core';
import { unstable_createElement } from 'react-native-web';
import { Icon } from './icons/Icon';
import { useNotice } from './Notices';
import { usePalette } from './theme';

type Dragged = ReturnType<typeof useDraggable>;
type Props = Pick<Dragged, 'attributes' | 'listeners'> & { handle: Dragged['setActivatorNodeRef']; label: string };

/** What a thing is dragged by: the finger on it drags, anywhere else it scrolls. */
export function DragHandle({ attributes, listeners, handle, label }: Props) {
  const palette = usePalette();
  const tell = useNotice();
  return unstable_createElement('button', {
    ref: handle,
    ...attributes,
    ...listeners,
    type: 'button',
    'aria-label': label,
    onClick: () => tell({ text: 'Hold it and drag. By keyboard: Space, then the arrows, then Space.' }),
    children: <Icon name="drag" color={palette.quiet} />,
    style: {
      touchAction: 'none',
      cursor: 'grab',
      width: 44,
      height: 48,
      flexShrink: 0,
      borderWidth: 0,
      padding: 0,
      backgroundColor: 'transparent',
      display: 'flex',
      alignItems: 'center',
      justifyContent: 'center',
    },
  });
}
