import { format } from 'date-fns/format';
import { parseISO } from 'date-fns/parseISO';
import { View } from 'react-native';
import { Press } from '../ui/Press';
import { SPACE, usePalette } from '../ui/theme';
import { Tick } from '../ui/Tick';
import { Text } from '../ui/Text';
import { DayMark } from './DayMark';
import { awayText } from './TodayCard';
import { canTick, wentText, type DayEntry, type DayView } from './weekView';

type Props = {
  view: DayView;
  today: string;
  groupsOf: (entry: DayEntry) => string | undefined;
  onOpen: (entry: DayEntry, date: string) => void;
  onTick: (entry: DayEntry, date: string) => void;
  /** Called when an empty day is pressed. */
  onBegin: (date: string) => void;
};

/** A day of the week in a line or two: what it is for, or how it went. */
export function DayRows({ view, today, groupsOf, onOpen, onTick, onBegin }: Props) {
  const palette = usePalette();
  const { date, entries, away } = view;
  const day = parseISO(date);
  const isPast = date < today;
  return (
    <View
      role="listitem"
      style={{
        flexDirection: 'row',
        gap: SPACE.s,
        borderBottomWidth: 1,
        borderBottomColor: palette.line,
        borderLeftWidth: 6,
        borderLeftColor: date === today ? palette.action : 'transparent',
        paddingLeft: SPACE.s,
      }}
    >
      <View style={{ width: 46, paddingTop: SPACE.m }}>
        <Text as="strong">{format(day, 'EEE')}</Text>
        <Text as="label" quiet>
          {format(day, 'd MMM')}
        </Text>
      </View>
      <View style={{ flex: 1, minWidth: 0 }}>
        {entries.map((entry) => {
          const groups = groupsOf(entry);
          const detail = entry.run ? wentText(entry.run) : entry.detail;
          const text = [detail, groups].filter((part) => part !== undefined).join(' · ');
          return (
            <View key={entry.key} style={{ flexDirection: 'row', alignItems: 'center' }}>
              <Press
                role="button"
                aria-label={[format(day, 'EEEE d MMMM'), entry.title, text].filter(Boolean).join(', ')}
                onPress={() => onOpen(entry, date)}
                style={{
                  flexDirection: 'row',
                  alignItems: 'center',
                  gap: SPACE.s,
                  minHeight: 56,
                  paddingVertical: SPACE.s,
                  flex: 1,
                  minWidth: 0,
                }}
              >
                <DayMark
                  kind={entry.kind}
                  isRun={entry.run !== undefined || entry.done !== undefined}
                  isPinned={entry.day?.pinned === true}
                />
                <View style={{ flex: 1, minWidth: 0 }}>
                  <Text as="strong" quiet={isPast && !entry.run && !entry.done}>
                    {entry.title}
                  </Text>
                  {text !== '' && (
                    <Text as="small" quiet numberOfLines={2}>
                      {text}
                    </Text>
                  )}
                  {entry.trouble !== undefined && (
                    <Text as="small" color={palette.late}>
                      {entry.trouble}
                    </Text>
                  )}
                </View>
              </Press>
              {canTick(entry, date, today) && (
                <Press
                  role="checkbox"
                  aria-checked={entry.done !== undefined}
                  aria-label={`${format(day, 'EEEE')}, ${entry.title}: run`}
                  onPress={() => onTick(entry, date)}
                  style={{ width: 48, height: 48, alignItems: 'center', justifyContent: 'center' }}
                >
                  <Tick on={entry.done !== undefined} />
                </Press>
              )}
            </View>
          );
        })}
        {entries.length === 0 && (
          <Press
            role="button"
            aria-label={`${format(day, 'EEEE d MMMM')}: nothing yet. Write a session`}
            onPress={() => onBegin(date)}
            style={{ minHeight: 56, justifyContent: 'center' }}
          >
            <Text quiet>–</Text>
          </Press>
        )}
        {away.length > 0 && (
          <Text as="small" quiet style={{ paddingBottom: SPACE.s }}>
            {awayText(away)}
          </Text>
        )}
      </View>
    </View>
  );
}
