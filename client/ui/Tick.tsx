import { View } from 'react-native';
import { Icon } from './icons/Icon';
import { usePalette } from './theme';

/** The box of something that can be ticked. */
export function Tick({ on }: { on: boolean }) {
  const palette = usePalette();
  return (
    <View
      style={{
        width: 26,
        height: 26,
        borderRadius: 6,
        borderWidth: 2,
        borderColor: palette.ink,
        backgroundColor: on ? palette.action : 'transparent',
        alignItems: 'center',
        justifyContent: 'center',
      }}
    >
      {on && <Icon name="check" size={20} color={palette.onAction} />}
    </View>
  );
}
