import { View } from 'react-native';
import { Checkbox } from 'react-native-paper';
import { INERT } from './inert';
import { usePalette } from './theme';

/** The box of something that can be ticked. It is only looked at: the row it stands in is what is pressed. */
export function Tick({ on }: { on: boolean }) {
  const palette = usePalette();
  return (
    <View {...INERT} style={{ margin: -6 }}>
      {/* Zest in the cut of the check; where the ground is dark, the box is of it. */}
      {on && !palette.dark && (
        <View
          style={{ position: 'absolute', top: 12, left: 12, width: 12, height: 12, backgroundColor: palette.action }}
        />
      )}
      <Checkbox.Android
        // A new one each time: it would swell on its way from one to the other.
        key={String(on)}
        status={on ? 'checked' : 'unchecked'}
        color={palette.dark ? palette.action : palette.ink}
        uncheckedColor={palette.ink}
      />
    </View>
  );
}
