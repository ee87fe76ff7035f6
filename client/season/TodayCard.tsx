import { router } from 'expo-router';
import { useMemo } from 'react';
import { View } from 'react-native';
import type { AwayOn } from '@core/season/dayView';
import { parseStored } from '@core/session/parseSession';
import { standardTrack } from '@core/venue/venue';
import { drawingOf, totalsOf, viewSession } from '../data/sessionView';
import { useLengthUnit } from '../data/useLengthUnit';
import { useWeatherQuery } from '../store/api';
import { LapSheet } from '../ui/lapSheet/LapSheet';
import { Press } from '../ui/Press';
import { PrimaryButton } from '../ui/PrimaryButton';
import { RADIUS, SPACE, usePalette } from '../ui/theme';
import { Text } from '../ui/Text';
import { DayMark } from './DayMark';
import { useOpenDay } from './useOpenDay';
import { canTick, wentText, type DayEntry, type DayView } from './weekView';

/** The lap sheet of a session as written; nothing where it cannot be read. */
function Sheet({ shorthand, paceNames }: { shorthand: string; paceNames: readonly string[] }) {
  const unit = useLengthUnit();
  const view = useMemo(() => {
    const parsed = parseStored(shorthand, { paceNames });
    if (!parsed.ok) return undefined;
    const whole = viewSession(parsed.session);
    return {
      ...whole,
      ...drawingOf(
        whole.legs.filter(({ role }) => role === 'main' || role === 'finish'),
        standardTrack,
      ),
    };
  }, [shorthand, paceNames]);
  if (!view || view.sections.length === 0) return null;
  return <LapSheet {...view} description={`Lap sheet, ${totalsOf(view, unit)} with warm-up and cool-down`} />;
}

function Weather({ date, time }: { date: string; time: string | undefined }) {
  const { data } = useWeatherQuery({ date, time: time ?? '17:00' });
  if (!data) return null;
  return (
    <Text
      quiet
    >{`${Math.round(data.temperatureC)} °C, ${Math.round(data.humidityPct)} % humid at ${time ?? '17:00'}`}</Text>
  );
}

export const awayText = (away: readonly AwayOn[]): string =>
  away.map(({ athlete, reason }) => `${athlete.tileName} (${reason})`).join(', ');

function Entry({
  entry,
  view,
  groups,
  paceNames,
  onTick,
}: {
  entry: DayEntry;
  view: DayView;
  groups: string | undefined;
  paceNames: readonly string[];
  onTick: (entry: DayEntry) => void;
}) {
  const palette = usePalette();
  const { open, isWriting } = useOpenDay();
  const { kind, title, detail, shorthand, session, run, trouble, races } = entry;
  const isHard = kind === 'hard' && shorthand !== undefined;
  return (
    <View style={{ gap: SPACE.s }}>
      <View style={{ flexDirection: 'row', alignItems: 'center', gap: SPACE.s }}>
        <DayMark kind={kind} isRun={run !== undefined || entry.done !== undefined} />
        <View style={{ flex: 1, minWidth: 0 }}>
          <Text as="heading" level={3}>
            {title}
          </Text>
          {(groups !== undefined || session?.startTime !== undefined) && (
            <Text as="small" quiet>
              {[session?.startTime, groups].filter((part) => part !== undefined).join(' · ')}
            </Text>
          )}
        </View>
      </View>
      {detail !== undefined && <Text>{detail}</Text>}
      {trouble !== undefined && <Text color={palette.late}>{trouble}</Text>}
      {isHard && !run && <Weather date={view.date} time={session?.startTime} />}
      {run && <Text>{wentText(run)}</Text>}
      <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: SPACE.s }}>
        {isHard && !run && (
          <>
            <PrimaryButton main icon="track" disabled={isWriting} onPress={() => void open(entry, view.date, 'track')}>
              To the track
            </PrimaryButton>
            <PrimaryButton disabled={isWriting} onPress={() => void open(entry, view.date, 'plan')}>
              Plan
            </PrimaryButton>
          </>
        )}
        {run && (
          <PrimaryButton main onPress={() => router.push(`/results/${run.id}`)}>
            Read it
          </PrimaryButton>
        )}
        {canTick(entry, view.date, view.date) && (
          <PrimaryButton icon={entry.done ? 'remove' : 'check'} onPress={() => onTick(entry)}>
            {entry.done ? 'Take the tick back' : 'Tick as run'}
          </PrimaryButton>
        )}
        {races?.map((race) => (
          <PrimaryButton
            key={race.id}
            main
            icon="flag"
            onPress={() => router.push(`/season/race/${entry.seasonIds[0] ?? ''}/${race.id}`)}
          >
            {races.length > 1 ? race.name : 'Race day'}
          </PrimaryButton>
        ))}
      </View>
      {isHard && !run && <Sheet shorthand={shorthand} paceNames={paceNames} />}
    </View>
  );
}

type Props = {
  view: DayView;
  groupsOf: (entry: DayEntry) => string | undefined;
  paceNames: readonly string[];
  onTick: (entry: DayEntry) => void;
  /** Called to write a session for an empty day. */
  onBegin: () => void;
};

/** Today, open: what is on, where everybody is, and the one thing to do about it. */
export function TodayCard({ view, groupsOf, paceNames, onTick, onBegin }: Props) {
  const palette = usePalette();
  return (
    <View
      role="region"
      aria-label="Today"
      style={{
        gap: SPACE.m,
        padding: SPACE.m,
        borderRadius: RADIUS,
        backgroundColor: palette.raised,
        borderLeftWidth: 6,
        borderLeftColor: palette.action,
      }}
    >
      <Text as="label" quiet level={2}>
        Today
      </Text>
      {view.entries.map((entry) => (
        <Entry
          key={entry.key}
          entry={entry}
          view={view}
          groups={groupsOf(entry)}
          paceNames={paceNames}
          onTick={onTick}
        />
      ))}
      {view.entries.length === 0 && (
        <Press
          role="button"
          aria-label="Nothing is planned for today. Write a session"
          onPress={onBegin}
          style={{ minHeight: 44, justifyContent: 'center' }}
        >
          <Text quiet>Nothing is planned for today.</Text>
          <Text as="strong" style={{ textDecorationLine: 'underline' }}>
            Write a session
          </Text>
        </Press>
      )}
      {view.away.length > 0 && <Text as="small">{`Not as usual: ${awayText(view.away)}`}</Text>}
    </View>
  );
}
