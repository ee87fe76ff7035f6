import { format } from 'date-fns/format';
import { parseISO } from 'date-fns/parseISO';
import { useMemo, useState } from 'react';
import { View } from 'react-native';
import { ranInWeek, weekMinutes } from '@core/season/load';
import type { SeasonDay, SeasonWeek } from '@core/season/season';
import type { LaidSeason } from '../data/useSeasons';
import { GridDragArea } from '../ui/GridDragArea';
import { rem } from '../ui/rem';
import { RADIUS, SPACE, usePalette } from '../ui/theme';
import { useWide } from '../ui/useWide';
import { Text } from '../ui/Text';
import { DayMark } from './DayMark';
import { CELL, dayLong, LadderCell, dayName, shortName } from './LadderCell';

const SPINE_PX = 62;
const LOAD_PX = { phone: 56, wide: 76 };

const hours = (minutes: number) => (minutes / 60).toFixed(1);

/** Minutes of the week as planned, and under them what was run, against the longest week. */
function Load({ week, most, ran, widthPx }: { week: SeasonWeek; most: number; ran: number; widthPx: number }) {
  const palette = usePalette();
  const minutes = weekMinutes(week);
  const width = (of: number) => Math.min(1, of / Math.max(1, most)) * (widthPx - 4) || 2;
  const text = ran > 0 ? `${hours(ran)}/${hours(minutes)} h` : `${hours(minutes)} h`;
  return (
    <View
      role="img"
      aria-label={`Planned ${hours(minutes)} hours${ran > 0 ? `, run ${hours(ran)}` : ''}`}
      style={{ width: widthPx, paddingLeft: 4, justifyContent: 'center', gap: 2 }}
    >
      <View style={{ height: ran > 0 ? 5 : 8, borderRadius: 2, width: width(minutes), backgroundColor: palette.jog }} />
      {ran > 0 && <View style={{ height: 5, borderRadius: 2, width: width(ran), backgroundColor: palette.ink }} />}
      <Text as="label" quiet style={{ lineHeight: rem(13) }}>
        {text}
      </Text>
    </View>
  );
}

type Props = {
  laid: LaidSeason;
  today: string;
  runDates: ReadonlySet<string>;
  /** Minutes of sessions that were run, by their ids. */
  ranMinutes: ReadonlyMap<string, number | undefined>;
  /** Titles of written sessions, by their ids. */
  titles: ReadonlyMap<string, string>;
  /** Titles of sessions written outside the season, by day: the season may call that day easy. */
  standing: ReadonlyMap<string, string>;
  onOpen: (date: string) => void;
  onSwap: (from: string, to: string) => void;
};

/**
 * The season as a ladder: weeks are rungs, from the last race at the top down to the first week; the spine carries the phases. A hard day or a
 * long run is dragged onto another day, and the two change places.
 */
export function Ladder({ laid, today, runDates, ranMinutes, titles, standing, onOpen, onSwap }: Props) {
  const palette = usePalette();
  const wide = useWide();
  const { season, weeks } = laid;
  const loadPx = wide ? LOAD_PX.wide : LOAD_PX.phone;
  const [dragged, setDragged] = useState<string>();
  const rungs = useMemo(() => [...weeks].reverse(), [weeks]);
  const most = useMemo(() => Math.max(...weeks.map(weekMinutes)), [weeks]);
  // Not at every pick-up: a season has many weeks and ticks.
  const ranIn = useMemo(
    () => new Map(weeks.map((week) => [week.from, ranInWeek(week, { done: season.done, ranMinutes })])),
    [weeks, season.done, ranMinutes],
  );
  const doneDates = useMemo(() => new Set(season.done?.map(({ date }) => date)), [season.done]);
  const days = useMemo(
    () => new Map(weeks.flatMap((week) => week.days.map((day) => [day.date, day] as const))),
    [weeks],
  );
  const lifted = dragged === undefined ? undefined : days.get(dragged);
  /** The session written for the day; beside a long run, which stays to be run. */
  const nameOf = (day: SeasonDay) => {
    const [title, short] = [standing.get(day.date), shortName(day, season, titles)];
    return title !== undefined && day.kind === 'long' ? [title, short].filter(Boolean).join(', ') : (title ?? short);
  };
  const cellOf = (day: SeasonDay, howId: string) => {
    const isPast = day.date < today;
    const isRun =
      (runDates.has(day.date) && (day.kind === 'hard' || standing.has(day.date))) || doneDates.has(day.date);
    const isPlace = !isPast && day.kind !== 'race';
    return (
      <LadderCell
        day={day}
        howId={isPlace && !isRun && (day.kind === 'hard' || day.kind === 'long') ? howId : undefined}
        isPlace={isPlace}
        label={[dayName(day, season), standing.get(day.date), isRun ? 'run' : undefined].filter(Boolean).join(', ')}
        hasSession={standing.has(day.date)}
        isToday={day.date === today}
        isPast={isPast}
        isRun={isRun}
        name={wide ? nameOf(day) : undefined}
        isWide={wide}
        onOpen={onOpen}
      />
    );
  };
  return (
    <GridDragArea
      label="Season ladder"
      words={{
        pickedUp: (date) => `Picked up ${dayLong(date)}.`,
        over: (date) => `Over ${dayLong(date)}.`,
        putDown: (date) => `Put down on ${dayLong(date)}.`,
        putBack: 'Put back.',
      }}
      onLift={setDragged}
      onDrop={onSwap}
      lifted={
        lifted && (
          <View
            style={{
              width: CELL.height,
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
      {(howId) => (
        <>
          <View style={{ flexDirection: 'row' }} aria-hidden>
            <View style={{ width: SPINE_PX }} />
            {(weeks[0]?.days ?? []).map(({ date }) => (
              <Text key={date} as="label" quiet style={{ flex: 1, textAlign: 'center' }}>
                {format(parseISO(date), 'EEEEE')}
              </Text>
            ))}
            <View style={{ width: loadPx }} />
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
                    <Text as="label" style={{ lineHeight: rem(14) }}>
                      {week.phase}
                    </Text>
                  )}
                  <Text as="label" quiet style={{ lineHeight: rem(14) }}>
                    {format(parseISO(week.from), 'd MMM')}
                  </Text>
                </View>
                {week.days.map((day) => (
                  <View key={day.date} style={{ flex: 1 }}>
                    {day.date >= season.firstDay && cellOf(day, howId)}
                  </View>
                ))}
                <Load week={week} most={most} widthPx={loadPx} ran={ranIn.get(week.from) ?? 0} />
              </View>
            );
          })}
        </>
      )}
    </GridDragArea>
  );
}
