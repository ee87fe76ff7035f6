import { memo } from 'react';
import { View } from 'react-native';
import { IconButton } from 'react-native-paper';
import type { RunState } from '@core/run/runState';
import { formatClock } from '@core/units/time';
import type { OutboxState } from '../../store/trackside';
import { SmallButton } from '../../ui/SmallButton';
import { Icon } from '../../ui/icons/Icon';
import { SPACE, usePalette } from '../../ui/theme';
import { useLow } from '../../ui/useLow';
import { useWide } from '../../ui/useWide';
import { Text } from '../../ui/Text';

/** How long the latest rep of what is shown has been going. */
export function repClock(state: RunState, shown: ReadonlySet<string>, now: number): string {
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

const SIGN_STYLE = { flexDirection: 'row', alignItems: 'center', gap: 4 } as const;

/** Where the times are: on this phone, and whether the server has them too. */
const Kept = memo(function Kept({ waiting, refused, onRefused }: OutboxState & { onRefused: () => void }) {
  const palette = usePalette();
  if (refused.length > 0)
    return <SmallButton onPress={onRefused}>{`${refused.length} not taken by the server: why?`}</SmallButton>;
  const words = waiting > 0 ? `${waiting} on this phone only` : 'on the server';
  return (
    <View style={SIGN_STYLE} role="status" aria-label={`Times kept: ${words}`}>
      <Icon name={waiting > 0 ? 'waiting' : 'saved'} size={18} color={palette.ink} />
      <Text as="label">{words}</Text>
    </View>
  );
});

/** Characters of a title from which it is set smaller: the room is for the tiles. */
const LONG_TITLE = 40;

type Props = {
  title: string;
  recovery: string | undefined;
  outbox: OutboxState;
  isRehearsal: boolean;
  /** Tiles or caller, where there is something to call. */
  isCaller: boolean | undefined;
  toggleCaller: () => void;
  onLeave: () => void;
  /** Shows what the server would not take. */
  onRefused: () => void;
};

/** What is being run, and whether it is kept. */
const About = memo(function About(props: Props) {
  const { title, recovery, outbox, isRehearsal, isCaller, toggleCaller, onLeave, onRefused } = props;
  return (
    <>
      <IconButton
        icon="back"
        accessibilityLabel={isRehearsal ? 'Leave the rehearsal' : 'Leave the line board; the session stays open'}
        onPress={onLeave}
        style={{ margin: 0, width: 44, height: 44 }}
      />
      <View style={{ flex: 1, minWidth: 0 }}>
        <Text as={title.length > LONG_TITLE ? 'small' : 'heading'} level={1}>
          {title}
        </Text>
        <View style={{ flexDirection: 'row', gap: SPACE.m, alignItems: 'center' }}>
          {recovery !== undefined && (
            <Text as="label" quiet style={{ flexShrink: 1 }}>
              {`then ${recovery}`}
            </Text>
          )}
          {isRehearsal ? (
            <Text as="label">rehearsal: nothing is kept</Text>
          ) : (
            <Kept {...outbox} onRefused={onRefused} />
          )}
        </View>
      </View>
      {isCaller !== undefined && (
        <IconButton
          icon="caller"
          accessibilityLabel={isCaller ? 'Show the tiles' : 'Show the caller'}
          onPress={toggleCaller}
          style={{ margin: 0, width: 44, height: 44 }}
        />
      )}
    </>
  );
});

/** What is being run, whether it is kept, and the clock. */
export const BoardHead = memo(function BoardHead({ clock, ...props }: Props & { clock: string }) {
  const wide = useWide();
  const low = useLow();
  const sizePx = wide ? 56 : low ? 36 : 44;
  return (
    <View style={{ flexDirection: 'row', alignItems: 'center', paddingHorizontal: SPACE.xs, paddingTop: SPACE.s }}>
      <About {...props} />
      <View
        role="timer"
        aria-label="Time since the start of the rep"
        style={{ paddingLeft: wide ? SPACE.m : 0, paddingRight: SPACE.m }}
      >
        <Text as="clock" style={{ fontSize: sizePx, lineHeight: low ? 40 : 58 }}>
          {clock}
        </Text>
      </View>
    </View>
  );
});
