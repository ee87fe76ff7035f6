import { useDraggable, useDroppable } from '@dnd-kit/core';
import { format } from 'date-fns/format';
import { parseISO } from 'date-fns/parseISO';
import { memo, useCallback, useMemo, type ComponentProps, type KeyboardEventHandler, type Ref } from 'react';
import type { SeasonDay, SeasonPlan } from '@core/season/season';
import { amountText, DAY_WORDS, SPECIAL_WORDS } from '@core/season/weekText';
import { usePalette } from '../ui/theme';
import { Words } from '../ui/Words';
import { DayMark } from './DayMark';

export const dayLong = (date: string) => format(parseISO(date), 'EEEE d MMMM');

export const CELL = { height: 44, mark: { width: 34, height: 28 } };
/** Where there is room the name of a session stands under its block. */
const NAMED = { height: 56, mark: { width: 34, height: 24 } };

/** What a day of the ladder says to a screen reader. */
export function dayName(day: SeasonDay, { threads, races }: SeasonPlan): string {
  const what =
    day.kind === 'race'
      ? races
          .filter(({ date }) => date === day.date)
          .map(({ name }) => name)
          .join(', ')
      : (threads.find(({ id }) => id === day.thread?.id)?.name ?? day.special ?? DAY_WORDS[day.kind]);
  return `${dayLong(day.date)}, ${what}${day.pinned ? ', pinned' : ''}`;
}

/** What is under a block: its thread, how long the long run is, which race. */
export function shortName(
  { kind, date, thread, special, amount, sessionId }: SeasonDay,
  { threads, races }: SeasonPlan,
  titles: ReadonlyMap<string, string>,
): string | undefined {
  if (kind === 'race') return races.find((race) => race.date === date)?.name;
  if (kind === 'long') return amount && amountText(amount);
  if (kind !== 'hard') return undefined;
  const written = sessionId === undefined ? undefined : titles.get(sessionId);
  return written ?? (special ? SPECIAL_WORDS[special] : threads.find(({ id }) => id === thread?.id)?.name);
}

type CellProps = {
  day: SeasonDay;
  label: string;
  isToday: boolean;
  isPast: boolean;
  isRun: boolean;
  /** Shown under the mark, where there is room. */
  name?: string | undefined;
  isWide: boolean;
  onOpen: (date: string) => void;
};

type FaceProps = CellProps & {
  isOver?: boolean;
  isDragging?: boolean;
  /** What makes it one that is dragged, or dropped on. */
  dnd?: ComponentProps<'button'>;
  place?: Ref<HTMLButtonElement>;
};

/** A day as it is drawn, also one that is over or of a race: an element of the page itself, since a hundred of them follow every move of a finger. */
const Face = memo(function Face({
  day,
  label,
  isToday,
  isPast,
  isRun,
  name,
  isWide,
  onOpen,
  isOver,
  isDragging,
  dnd,
  place,
}: FaceProps) {
  const palette = usePalette();
  const { height, mark } = isWide ? NAMED : CELL;
  const isPinned = day.pinned === true;
  const drawn = useMemo(
    () => (
      <>
        <div style={{ opacity: isPast ? 0.75 : 1 }}>
          <DayMark kind={day.kind} {...mark} isRun={isRun} isPinned={isPinned} />
        </div>
        {name !== undefined && (
          <Words as="label" quiet style={{ fontSize: 11, lineHeight: 12, textAlign: 'center' }}>
            {name}
          </Words>
        )}
      </>
    ),
    [day.kind, mark, isRun, isPinned, isPast, name],
  );
  return (
    <button
      ref={place}
      type="button"
      {...dnd}
      aria-label={label}
      onClick={() => onOpen(day.date)}
      style={{
        display: 'flex',
        flexDirection: 'column',
        alignItems: 'center',
        justifyContent: 'center',
        width: '100%',
        minHeight: height,
        height: '100%',
        padding: 0,
        border: 0,
        borderRadius: 4,
        cursor: dnd ? 'grab' : 'pointer',
        touchAction: 'manipulation',
        backgroundColor: isOver ? palette.action : isToday ? palette.fill : day.taper ? palette.raised : 'transparent',
        opacity: isDragging ? 0.3 : 1,
        outlineOffset: -2,
        ...(isToday ? { boxShadow: `inset 0 -4px 0 ${palette.ink}` } : {}),
      }}
    >
      {drawn}
    </button>
  );
});

/** A day that something can be put on. */
const PlaceCell = memo(function PlaceCell(props: CellProps) {
  const { setNodeRef, isOver } = useDroppable({ id: props.day.date });
  return <Face {...props} isOver={isOver} place={setNodeRef} />;
});

/** A hard day or a long run: it is dragged, by finger once it is held. */
const MovableCell = memo(function MovableCell(props: CellProps) {
  const { date } = props.day;
  const { setNodeRef: setDropRef, isOver } = useDroppable({ id: date });
  const { setNodeRef: setDragRef, attributes, listeners, isDragging } = useDraggable({ id: date });
  const setRefs = useCallback(
    (node: HTMLElement | null) => {
      setDropRef(node);
      setDragRef(node);
    },
    [setDropRef, setDragRef],
  );
  const dnd = useMemo((): ComponentProps<'button'> => {
    const { role: _role, tabIndex: _tab, ...said } = attributes;
    return {
      ...said,
      ...listeners,
      // Enter opens, Space picks up.
      onKeyDown: (event) => {
        if (event.code !== 'Enter') (listeners?.onKeyDown as KeyboardEventHandler | undefined)?.(event);
      },
    };
  }, [attributes, listeners]);
  return <Face {...props} isOver={isOver} isDragging={isDragging} dnd={dnd} place={setRefs} />;
});

export function cellFor({ day, isPast, isRun }: Pick<CellProps, 'day' | 'isPast' | 'isRun'>) {
  if (isPast || day.kind === 'race') return Face;
  return !isRun && (day.kind === 'hard' || day.kind === 'long') ? MovableCell : PlaceCell;
}
