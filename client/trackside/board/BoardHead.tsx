import { View } from 'react-native';
import { IconButton } from 'react-native-paper';
import type { RunState } from '@core/trackside/runState';
import { formatClock } from '@core/units/time';
import { useAppSelector } from '../../store/store';
import { Icon } from '../../ui/icons/Icon';
import { SPACE, usePalette } from '../../ui/theme';
import { useWide } from '../../ui/useWide';
import { Words } from '../../ui/Words';
import type { Run } from '../useRun';

function repClock(state: RunState, shown: ReadonlySet<string>, now: number): string {
  const groups = state.groups.filter(({ id }) => shown.has(id));
  const latest = groups.map((group) => {
    const repIndex = group.slots[group.lastAt]?.repIndex;
    const starts = Object.values(state.athletes).flatMap(({ runs, groupId }) =>
      groupId === group.id ? runs.flatMap((run) => (run.repIndex === repIndex ? run.startedAtMs : [])) : [],
    );
    return Math.min(...starts);
  });
  const begun = latest.filter(Number.isFinite);
  if (begun.length === 0) return '0:00';
  const ended = state.endedAtMs ?? now;
  return formatClock(Math.max(0, Math.floor((ended - Math.max(...begun)) / 1000)));
}

/** Where the times are: on this phone, and whether the server has them too. */
function Kept() {
  const palette = usePalette();
  const { waiting, refused } = useAppSelector((state) => state.trackside.outbox);
  const words =
    refused.length > 0
      ? `${refused.length} not taken by the server`
      : waiting > 0
        ? `${waiting} on this phone only`
        : 'on the server';
  return (
    <View
      style={{ flexDirection: 'row', alignItems: 'center', gap: 4 }}
      role="status"
      aria-label={`Times kept: ${words}`}
    >
      <Icon name={waiting > 0 ? 'waiting' : 'saved'} size={18} color={palette.ink} />
      <Words as="label">{words}</Words>
    </View>
  );
}

type Props = {
  run: Run;
  shown: ReadonlySet<string>;
  now: number;
  title: string;
  recovery: string | undefined;
  /** Tiles or caller, where there is something to call. */
  caller: { isOn: boolean; toggle: () => void } | undefined;
  onLeave: () => void;
};

/** What is being run, whether it is kept, and the clock. */
export function BoardHead({ run, shown, now, title, recovery, caller, onLeave }: Props) {
  const wide = useWide();
  return (
    <View style={{ flexDirection: 'row', alignItems: 'center', paddingHorizontal: SPACE.xs, paddingTop: SPACE.s }}>
      <IconButton
        icon="back"
        accessibilityLabel={run.isRehearsal ? 'Leave the rehearsal' : 'Leave the line board; the session stays open'}
        onPress={onLeave}
        style={{ margin: 0, width: 44, height: 44 }}
      />
      <View style={{ flex: 1 }}>
        <Words as="heading" level={1} numberOfLines={1}>
          {title}
        </Words>
        <View style={{ flexDirection: 'row', gap: SPACE.m, alignItems: 'center' }}>
          {recovery !== undefined && <Words as="label" quiet>{`then ${recovery}`}</Words>}
          {run.isRehearsal ? <Words as="label">rehearsal: nothing is kept</Words> : <Kept />}
        </View>
      </View>
      {caller && (
        <IconButton
          icon="caller"
          accessibilityLabel={caller.isOn ? 'Show the tiles' : 'Show the caller'}
          onPress={caller.toggle}
          style={{ margin: 0, width: 44, height: 44 }}
        />
      )}
      <View role="timer" aria-label="Time since the start of the rep" style={{ paddingRight: SPACE.m }}>
        <Words as="clock" style={{ fontSize: wide ? 56 : 44 }}>
          {repClock(run.state, shown, now)}
        </Words>
      </View>
    </View>
  );
}
