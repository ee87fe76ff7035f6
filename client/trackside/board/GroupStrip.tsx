import { memo } from 'react';
import { View } from 'react-native';
import type { RunState } from '@core/run/runState';
import { Press } from '../../ui/Press';
import { rem } from '../../ui/rem';
import { RADIUS, SPACE, usePalette } from '../../ui/theme';
import { Text } from '../../ui/Text';
import { timedHere, type Shown } from './steps';
import { groupText } from './stepText';

/** One of the strip: everyone of this phone, or a group and what it is about to do. */
type Option = { id: Shown; name: string; status: string | undefined; due: boolean };

export function stripOptions(state: RunState, now: number, device: string): Option[] {
  const mine = timedHere(state, device);
  return [
    { id: 'mine', name: mine.size < state.groups.length ? 'Mine' : 'All', status: undefined, due: false },
    ...state.groups.map((group) => ({ id: group.id, name: group.name, ...groupText(state, group, now) })),
  ];
}

type Props = { options: readonly Option[]; shown: Shown; show: (shown: Shown) => void };

const sameStrip = (a: Props, b: Props) =>
  a.shown === b.shown && a.show === b.show && JSON.stringify(a.options) === JSON.stringify(b.options);

/** Characters from which a name is set smaller. */
const LONG_NAME = 16;
/** More than these stand in rows of four: beside each other their names would be cut to pieces. */
const MOST_IN_A_ROW = 5;

/** All groups at a glance, and which of them the tiles show. */
export const GroupStrip = memo(function GroupStrip({ options, shown, show }: Props) {
  const palette = usePalette();
  const isInRows = options.length > MOST_IN_A_ROW;
  return (
    <View
      role="radiogroup"
      aria-label="Groups"
      style={{
        flexDirection: 'row',
        flexWrap: isInRows ? 'wrap' : 'nowrap',
        gap: 6,
        paddingHorizontal: SPACE.m,
        paddingTop: SPACE.s,
      }}
    >
      {options.map(({ id, name, status, due }) => (
        <Press
          key={id}
          role="radio"
          aria-checked={id === shown}
          aria-label={status === undefined ? name : `${name}: ${status}`}
          onPress={() => show(id)}
          style={{
            flexGrow: id === 'mine' && !isInRows ? 0 : 1,
            flexBasis: isInRows ? '22%' : id === 'mine' ? 'auto' : 0,
            minWidth: 48,
            minHeight: 48,
            paddingHorizontal: 6,
            alignItems: 'center',
            justifyContent: 'center',
            borderRadius: RADIUS,
            borderWidth: id === shown ? 2.5 : 1,
            borderColor: id === shown ? palette.ink : palette.line,
            backgroundColor: due ? palette.action : id === shown ? palette.raised : palette.ground,
          }}
        >
          <Text
            as="label"
            style={[
              { textAlign: 'center', maxWidth: '100%', overflowWrap: 'anywhere' } as object,
              name.length > LONG_NAME ? { fontSize: rem(11), lineHeight: rem(12) } : undefined,
            ]}
            {...(due ? { color: palette.onAction } : {})}
          >
            {name}
          </Text>
          {status !== undefined && (
            <Text as="strong" {...(due ? { color: palette.onAction } : {})}>
              {status}
            </Text>
          )}
        </Press>
      ))}
    </View>
  );
}, sameStrip);
