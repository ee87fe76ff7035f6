import { format } from 'date-fns/format';
import { parseISO } from 'date-fns/parseISO';
import { memo } from 'react';
import type { SeasonDay, SeasonPlan } from '@core/season/season';
import { amountText, DAY_WORDS, SPECIAL_WORDS } from '@core/season/weekText';
import { usePalette } from '../ui/theme';
import { Text } from '../ui/Text';
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
  /** True if a session is written for that day, whatever kind of day the season has. */
  hasSession?: boolean;
  isToday: boolean;
  isPast: boolean;
  isRun: boolean;
  /** Shown under the mark, where there is room. */
  name?: string | undefined;
  isWide: boolean;
  /** Another day can be put on it. */
  isPlace: boolean;
  /** It can be dragged; the sentence that says how has this id. */
  howId: string | undefined;
  onOpen: (date: string) => void;
};

/** A day of the ladder as a plain DOM element, since a season has a hundred and more of them. */
export const LadderCell = memo(function LadderCell({
  day,
  label,
  hasSession = false,
  isToday,
  isPast,
  isRun,
  name,
  isWide,
  isPlace,
  howId,
  onOpen,
}: CellProps) {
  const palette = usePalette();
  const { height, mark } = isWide ? NAMED : CELL;
  const isMovable = howId !== undefined;
  return (
    <button
      type="button"
      aria-label={label}
      onClick={() => onOpen(day.date)}
      {...(isPlace ? { 'data-place': day.date } : {})}
      // Enter opens it, Space picks it up.
      {...(isMovable ? { 'data-movable': '', 'aria-roledescription': 'draggable', 'aria-describedby': howId } : {})}
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
        cursor: isMovable ? 'grab' : 'pointer',
        touchAction: 'manipulation',
        userSelect: 'none',
        backgroundColor: isToday ? palette.fill : day.taper ? palette.raised : 'transparent',
        outlineOffset: -2,
        ...(isToday ? { boxShadow: `inset 0 -4px 0 ${palette.ink}` } : {}),
      }}
    >
      <div style={{ opacity: isPast ? 0.75 : 1 }}>
        <DayMark
          kind={hasSession && day.kind !== 'race' ? 'hard' : day.kind}
          {...mark}
          isRun={isRun}
          isPinned={day.pinned === true}
        />
      </div>
      {name !== undefined && (
        <Text as="label" quiet style={{ fontSize: 11, lineHeight: 12, textAlign: 'center' }}>
          {name}
        </Text>
      )}
    </button>
  );
});
