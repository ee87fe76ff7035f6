import { useEffect, useId, useRef, type ReactNode } from 'react';
import { createPortal } from 'react-dom';
import { View } from 'react-native';
import { gridDrag, type DragWords, type GridDragOptions } from './gridDrag';
import { usePalette } from './theme';

type Props = {
  label: string;
  words: DragWords;
  /** What is picked up, by its id; undefined when it is let go. */
  onLift: (id: string | undefined) => void;
  onDrop: (from: string, to: string) => void;
  /** What is under the finger while it is dragged. */
  lifted: ReactNode;
  /** Drawn with the id of the sentence that says how to drag, for those who cannot see it. */
  children: (howId: string) => ReactNode;
};

/** A grid whose cells are dragged onto each other: see gridDrag(). */
export function GridDragArea({ label, words, onLift, onDrop, lifted, children }: Props) {
  const palette = usePalette();
  const howId = useId();
  const grid = useRef<View>(null);
  const follower = useRef<HTMLDivElement>(null);
  const status = useRef<HTMLDivElement>(null);
  const latest = useRef<GridDragOptions>(undefined);
  const options: GridDragOptions = {
    lifted: () => follower.current,
    overColor: () => palette.action,
    announce: (text) => {
      if (status.current) status.current.textContent = text;
    },
    words,
    onLift,
    onDrop,
  };
  useEffect(() => {
    latest.current = options;
  });
  useEffect(() => {
    const element = grid.current as unknown as HTMLElement | null;
    return element ? gridDrag(element, () => latest.current ?? options) : undefined;
    // Its listeners ask for the latest options themselves.
    // oxlint-disable-next-line react/exhaustive-deps
  }, []);
  const hidden = { position: 'absolute', width: 1, height: 1, overflow: 'hidden', clipPath: 'inset(50%)' } as const;
  return (
    <View role="region" aria-label={label} ref={grid}>
      {children(howId)}
      <div id={howId} style={hidden}>
        Press space to pick up, arrow keys to choose a place, space to put down, escape to put back.
      </div>
      <div ref={status} role="status" aria-live="assertive" style={hidden} />
      {/* At the page's root: a scrolling view would cut it off. */}
      {createPortal(
        <div
          ref={follower}
          style={{ position: 'fixed', top: 0, left: 0, pointerEvents: 'none', willChange: 'transform', zIndex: 10 }}
        >
          {lifted}
        </div>,
        document.body,
      )}
    </View>
  );
}
