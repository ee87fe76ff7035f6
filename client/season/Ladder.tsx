import { useDraggable, useDroppable } from '@dnd-kit/core';
import { format } from 'date-fns/format';
import { parseISO } from 'date-fns/parseISO';
import { memo, useCallback, useMemo, useState, type ComponentProps, type KeyboardEventHandler, type Ref } from 'react';
import { View } from 'react-native';
import { weekMinutes } from '@core/season/load';
import type { SeasonDay, SeasonPlan, SeasonWeek } from '@core/season/season';
import { amountText, DAY_WORDS } from '@core/season/weekText';
import type { LaidSeason } from '../data/useSeasons';
import { DragArea } from '../ui/DragArea';
import { inGrid } from '../ui/dragging';
import { RADIUS, SPACE, usePalette } from '../ui/theme';
import { useWide } from '../ui/useWide';
import { Words } from '../ui/Words';
import { DayMark } from './DayMark';

const CELL = { height: 44, mark: { width: 34, height: 28 } };
/** Where there is room the name of a session stands under its block. */
const NAMED = { height: 56, mark: { width: 34, height: 24 } };
const SPINE_PX = 62;
const LOAD_PX = 56;

const dayLong = (date: string) => format(parseISO(date), 'EEEE d MMMM');

/** What a day of the ladder says to a screen reader. */
function dayName(day: SeasonDay, { threads, races }: SeasonPlan): string {
  const what =
    day.kind === 'race'
      ? races
          .filter(({ date }) => date === day.date)
          .map(({ name }) => name)
          .join(', ')
      : (threads.find(({ id }) => id === day.thread?.id)?.name ?? day.special ?? DAY_WORDS[day.kind]);
  return `${dayLong(day.date)}, ${what}${day.pinned ? ', pinned' : ''}`;
}

const SPECIAL_NAMES = { rehearsal: 'Rehearsal', indicator: 'Indicator', trial: 'Trial', sharpener: 'Race week' };

/** What is under a block: its thread, how long the long run is, which race. */
function shortName(
  { kind, date, thread, special, amount, sessionId }: SeasonDay,
  { threads, races }: SeasonPlan,
  titles: ReadonlyMap<string, string>,
): string | undefined {
  if (kind === 'race') return races.find((race) => race.date === date)?.name;
  if (kind === 'long') return amount && amountText(amount);
  if (kind !== 'hard') return undefined;
  const written = sessionId === undefined ? undefined : titles.get(sessionId);
  return written ?? (special ? SPECIAL_NAMES[special] : threads.find(({ id }) => id === thread?.id)?.name);
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

function cellFor({ day, isPast, isRun }: Pick<CellProps, 'day' | 'isPast' | 'isRun'>) {
  if (isPast || day.kind === 'race') return Face;
  return !isRun && (day.kind === 'hard' || day.kind === 'long') ? MovableCell : PlaceCell;
}

/** Planned minutes of the week, against the longest week. */
function Load({ week, most }: { week: SeasonWeek; most: number }) {
  const palette = usePalette();
  const minutes = weekMinutes(week);
  return (
    <View style={{ width: LOAD_PX, justifyContent: 'center', gap: 2 }}>
      <View
        style={{
          height: 8,
          borderRadius: 2,
          width: Math.max(2, (minutes / Math.max(1, most)) * LOAD_PX),
          backgroundColor: palette.jog,
        }}
      />
      <Words as="label" quiet>
        {`${(minutes / 60).toFixed(1)} h`}
      </Words>
    </View>
  );
}

type Props = {
  laid: LaidSeason;
  today: string;
  runDates: ReadonlySet<string>;
  /** Titles of written sessions, by their ids. */
  titles: ReadonlyMap<string, string>;
  onOpen: (date: string) => void;
  onSwap: (from: string, to: string) => void;
};

/**
 * The season as a ladder: weeks are rungs, from the last race at the top down to the first week; the spine carries the phases. A hard day or a
 * long run is dragged onto another day, and the two change places.
 */
export function Ladder({ laid, today, runDates, titles, onOpen, onSwap }: Props) {
  const palette = usePalette();
  const wide = useWide();
  const { season, weeks } = laid;
  const [dragged, setDragged] = useState<string>();
  const rungs = useMemo(() => [...weeks].reverse(), [weeks]);
  const most = useMemo(() => Math.max(...weeks.map(weekMinutes)), [weeks]);
  const days = useMemo(
    () => new Map(weeks.flatMap((week) => week.days.map((day) => [day.date, day] as const))),
    [weeks],
  );
  const lifted = dragged === undefined ? undefined : days.get(dragged);
  const cellOf = (day: SeasonDay) => {
    const isPast = day.date < today;
    const isRun = runDates.has(day.date) && day.kind === 'hard';
    const Cell = cellFor({ day, isPast, isRun });
    return (
      <Cell
        day={day}
        label={dayName(day, season)}
        isToday={day.date === today}
        isPast={isPast}
        isRun={isRun}
        name={wide ? shortName(day, season, titles) : undefined}
        isWide={wide}
        onOpen={onOpen}
      />
    );
  };
  const on = (id: unknown) => dayLong(String(id));
  return (
    <DragArea
      isHeld
      keys={inGrid}
      choosing="a day"
      announcements={{
        onDragStart: ({ active }) => `Picked up ${on(active.id)}.`,
        onDragOver: ({ over }) => (over ? `Over ${on(over.id)}.` : ''),
        onDragEnd: ({ over }) => (over ? `Put down on ${on(over.id)}.` : 'Put back.'),
        onDragCancel: () => 'Put back.',
      }}
      onDragged={setDragged}
      onDrop={({ active, over }) => {
        if (over && over.id !== active.id) onSwap(String(active.id), String(over.id));
      }}
      lifted={
        lifted && (
          <View
            style={{
              height: CELL.height,
              alignItems: 'center',
              justifyContent: 'center',
              borderRadius: RADIUS,
              borderWidth: 2,
              borderColor: palette.ink,
              backgroundColor: palette.raised,
            }}
          >
            <DayMark kind={lifted.kind} {...CELL.mark} />
          </View>
        )
      }
    >
      <View role="region" aria-label="Season ladder">
        <View style={{ flexDirection: 'row' }} aria-hidden>
          <View style={{ width: SPINE_PX }} />
          {(weeks[0]?.days ?? []).map(({ date }) => (
            <Words key={date} as="label" quiet style={{ flex: 1, textAlign: 'center' }}>
              {format(parseISO(date), 'EEEEE')}
            </Words>
          ))}
          <View style={{ width: LOAD_PX }} />
        </View>
        {rungs.map((week, i) => {
          const isTop = rungs[i - 1]?.phase !== week.phase;
          return (
            <View
              key={week.from}
              role="group"
              aria-label={`Week of ${dayLong(week.from)}, ${week.phase}`}
              style={{
                flexDirection: 'row',
                alignItems: 'stretch',
                borderTopWidth: isTop ? 2 : 1,
                borderTopColor: isTop ? palette.ink : palette.line,
              }}
            >
              <View style={{ width: SPINE_PX, justifyContent: 'center', paddingRight: SPACE.xs }}>
                {isTop && (
                  <Words as="label" style={{ lineHeight: 14 }}>
                    {week.phase}
                  </Words>
                )}
                <Words as="label" quiet style={{ lineHeight: 14 }}>
                  {format(parseISO(week.from), 'd MMM')}
                </Words>
              </View>
              {week.days.map((day) => (
                <View key={day.date} style={{ flex: 1 }}>
                  {day.date >= season.firstDay && cellOf(day)}
                </View>
              ))}
              <Load week={week} most={most} />
            </View>
          );
        })}
      </View>
    </DragArea>
  );
}
