import { router } from 'expo-router';
import { useMemo } from 'react';
import { View } from 'react-native';
import { parseStored } from '@core/session/parseSession';
import { standardTrack } from '@core/venue/venue';
import { drawingOf, viewSession } from '../data/sessionView';
import { useWeatherQuery } from '../store/api';
import { LapSheet } from '../ui/LapSheet';
import { PrimaryButton } from '../ui/PrimaryButton';
import { RADIUS, SPACE, usePalette } from '../ui/theme';
import { Words } from '../ui/Words';
import { DayMark } from './DayMark';
import { useOpenDay } from './useOpenDay';
import { canTick, wentText, type AwayOn, type DayEntry, type DayView } from './weekView';

/** The lap sheet of a session as written; nothing where it cannot be read. */
function Sheet({ shorthand, paceNames }: { shorthand: string; paceNames: readonly string[] }) {
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
  return <LapSheet {...view} about={`Lap sheet, ${view.totals} with warm-up and cool-down`} />;
}

function Weather({ date, time }: { date: string; time: string | undefined }) {
  const { data } = useWeatherQuery({ date, time: time ?? '17:00' });
  if (!data) return null;
  return (
    <Words
      quiet
    >{`${Math.round(data.temperatureC)} °C, ${Math.round(data.humidityPct)} % humid at ${time ?? '17:00'}`}</Words>
  );
}

export const awayText = (away: readonly AwayOn[]): string =>
  away.map(({ athlete, says }) => `${athlete.tileName} (${says})`).join(', ');

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
  const { kind, title, about, shorthand, session, run, trouble, races } = entry;
  const isHard = kind === 'hard' && shorthand !== undefined;
  return (
    <View style={{ gap: SPACE.s }}>
      <View style={{ flexDirection: 'row', alignItems: 'center', gap: SPACE.s }}>
        <DayMark kind={kind} isRun={run !== undefined || entry.done !== undefined} />
        <View style={{ flex: 1, minWidth: 0 }}>
          <Words as="heading" level={3}>
            {title}
          </Words>
          {(groups !== undefined || session?.startTime !== undefined) && (
            <Words as="small" quiet>
              {[session?.startTime, groups].filter((part) => part !== undefined).join(' · ')}
            </Words>
          )}
        </View>
      </View>
      {about !== undefined && <Words>{about}</Words>}
      {trouble !== undefined && <Words color={palette.late}>{trouble}</Words>}
      {isHard && !run && <Weather date={view.date} time={session?.startTime} />}
      {run && <Words>{wentText(run)}</Words>}
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
};

/** Today, open: what is on, where everybody is, and the one thing to do about it. */
export function TodayCard({ view, groupsOf, paceNames, onTick }: Props) {
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
      <Words as="label" quiet level={2}>
        Today
      </Words>
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
      {view.entries.length === 0 && <Words quiet>Nothing is planned for today.</Words>}
      {view.away.length > 0 && <Words as="small">{`Not as usual: ${awayText(view.away)}`}</Words>}
    </View>
  );
}
