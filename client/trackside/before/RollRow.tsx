import { View } from 'react-native';
import type { Presence } from '@core/run/events';
import { Press } from '../../ui/Press';
import { Select } from '../../ui/Select';
import { RADIUS, SPACE, usePalette } from '../../ui/theme';
import { Tick } from '../../ui/Tick';
import { useWide } from '../../ui/useWide';
import { Text } from '../../ui/Text';

type Props = {
  name: string;
  /** What there is to know of them: `injured`, `visitor`. */
  detail: string | undefined;
  presence: Presence;
  onPresence: (presence: Presence) => void;
  /** While groups are being changed: theirs, and all there are. */
  groups?: { value: string; options: readonly { value: string; text: string }[]; onChange: (groupId: string) => void };
};

/** One athlete at roll call: a tap says here or away, another beside it that they come late. */
export function RollRow({ name, detail, presence, onPresence, groups }: Props) {
  const palette = usePalette();
  const wide = useWide();
  const isHere = presence !== 'absent';
  const isLate = presence === 'late';
  return (
    <View style={{ flexDirection: 'row', gap: 4, width: wide ? 272 : '100%', alignItems: 'flex-end' }}>
      <Press
        role="checkbox"
        aria-checked={isHere}
        aria-label={name}
        onPress={() => onPresence(isHere ? 'absent' : 'present')}
        style={{
          flex: 1,
          flexDirection: 'row',
          alignItems: 'center',
          gap: SPACE.s,
          minHeight: 52,
          paddingHorizontal: SPACE.s,
          paddingVertical: SPACE.xs,
          borderRadius: RADIUS,
          borderWidth: 1.5,
          borderColor: isHere ? palette.ink : palette.line,
          backgroundColor: isHere ? palette.raised : 'transparent',
        }}
      >
        <Tick on={isHere} />
        <View style={{ flexShrink: 1 }}>
          <Text as="strong" quiet={!isHere}>
            {name}
          </Text>
          {detail !== undefined && (
            <Text as="label" quiet>
              {detail}
            </Text>
          )}
        </View>
      </Press>
      {groups ? (
        <View style={{ width: 132 }}>
          <Select
            label={`${name} runs with`}
            quiet
            options={groups.options}
            value={groups.value}
            onChange={groups.onChange}
          />
        </View>
      ) : (
        <Press
          role="switch"
          aria-checked={isLate}
          aria-label={`${name} comes late`}
          onPress={() => onPresence(isLate ? 'present' : 'late')}
          style={{
            width: 64,
            minHeight: 52,
            alignSelf: 'stretch',
            alignItems: 'center',
            justifyContent: 'center',
            borderRadius: RADIUS,
            borderWidth: 1.5,
            borderColor: isLate ? palette.ink : palette.line,
            backgroundColor: isLate ? palette.action : 'transparent',
          }}
        >
          <Text as="strong" quiet={!isLate} {...(isLate ? { color: palette.onAction } : {})}>
            late
          </Text>
        </Press>
      )}
    </View>
  );
}
