import { Children, type ReactNode } from 'react';
import { View } from 'react-native';
import { rem } from './rem';
import { SPACE } from './theme';

type Props = {
  /** What each needs at least, in px at the usual size of letters; with less they stand below each other. */
  leastPx?: number;
  /** A button beside a field stands at its foot, not at its label. */
  isAtFoot?: boolean;
  children: ReactNode;
};

/** Fields beside each other, for as long as each can be read. */
export function SideBySide({ leastPx = 130, isAtFoot = false, children }: Props) {
  return (
    <View
      style={{
        flexDirection: 'row',
        flexWrap: 'wrap',
        alignItems: isAtFoot ? 'flex-end' : 'flex-start',
        columnGap: SPACE.m,
        rowGap: SPACE.s,
      }}
    >
      {Children.toArray(children).map((child, i) => (
        <View key={i} style={{ flexGrow: 1, flexBasis: rem(leastPx), minWidth: 0, maxWidth: '100%' }}>
          {child}
        </View>
      ))}
    </View>
  );
}
