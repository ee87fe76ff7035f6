import { View } from 'react-native';
import { SheetPanel } from '../../ui/SheetPanel';
import { RADIUS, usePalette } from '../../ui/theme';

/**
 * Something asked or shown over the tiles. The line bar stays in sight under it: a time can be taken whatever is open.
 */
export function Sheet(props: Parameters<typeof SheetPanel>[0]) {
  const palette = usePalette();
  return (
    <View
      role="dialog"
      aria-label={props.title}
      style={{
        position: 'absolute',
        right: 0,
        bottom: 0,
        width: '100%',
        maxWidth: 520,
        maxHeight: '100%',
        backgroundColor: palette.ground,
        borderTopLeftRadius: RADIUS * 2,
        borderTopRightRadius: RADIUS * 2,
        borderWidth: 2,
        borderBottomWidth: 0,
        borderColor: palette.ink,
      }}
    >
      <SheetPanel {...props} />
    </View>
  );
}
