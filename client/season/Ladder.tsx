import { useDraggable, useDroppable } from '@dnd-kit/core';
import { format } from 'date-fns/format';
import { parseISO } from 'date-fns/parseISO';
import { memo, useCallback, useMemo, useState } from 'react';
import { unstable_createElement } from 'react-native-web';
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
  onOpen: (date: string) => void;
};

/** One day: pressed it opens; a hard day or a long run is dragged, by finger once it is held. */
const Cell = memo(function Cell({ day, label, isToday, isPast, isRun, name, onOpen }: CellProps) {
  const palette = usePalette();
  const size = useWide() ? NAMED : CELL;
  const isMovable = !isPast && !isRun && (day.kind === 'hard' || day.kind === 'long');
  const { setNodeRef: setDropRef, isOver } = useDroppable({ id: day.date, disabled: isPast || day.kind === 'race' });
  const {
    setNodeRef: setDragRef,
    attributes,
    listeners,
    isDragging,
  } = useDraggable({ id: day.date, disabled: !isMovable });
  const setRefs = useCallback(
    (node: HTMLElement | null) => {
      setDropRef(node);
      setDragRef(node);
    },
    [setDropRef, setDragRef],
  );
  const { role: _role, tabIndex: _tab, ...said } = attributes;
  return unstable_createElement('button', {
    ref: setRefs,
    type: 'button',
    ...(isMovable ? { ...said, ...listeners } : {}),
    'aria-label': label,
    onClick: () => onOpen(day.date),
    // Enter opens, Space picks up.
    onKeyDown: (event: React.KeyboardEvent) => {
      if (event.code === 'Enter') return;
      (listeners?.onKeyDown as ((event: React.KeyboardEvent) => void) | undefined)?.(event);
    },
    children: (
      <>
        <View style={{ opacity: isPast ? 0.75 : 1 }}>
          <DayMark kind={day.kind} {...size.mark} isRun={isRun} isPinned={day.pinned === true} />
        </View>
        {name !== undefined && (
          <Words as="label" quiet style={{ fontSize: 11, lineHeight: 12, textAlign: 'center' }}>
            {name}
          </Words>
        )}
      </>
    ),
    style: {
      display: 'flex',
      flexDirection: 'column',
      alignItems: 'center',
      justifyContent: 'center',
      width: '100%',
      minHeight: size.height,
      height: '100%',
      padding: 0,
      borderWidth: 0,
      borderStyle: 'solid',
      borderRadius: 4,
      cursor: isMovable ? 'grab' : 'pointer',
      touchAction: 'manipulation',
      backgroundColor: isOver ? palette.action : isToday ? palette.fill : day.taper ? palette.raised : 'transparent',
      opacity: isDragging ? 0.3 : 1,
      outlineOffset: -2,
      ...(isToday ? { boxShadow: `inset 0 -4px 0 ${palette.ink}` } : {}),
    },
  });
});

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
                  {day.date >= season.firstDay && (
                    <Cell
                      day={day}
                      label={dayName(day, season)}
                      isToday={day.date === today}
                      isPast={day.date < today}
                      isRun={runDates.has(day.date) && day.kind === 'hard'}
                      name={wide ? shortName(day, season, titles) : undefined}
                      onOpen={onOpen}
                    />
                  )}
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
