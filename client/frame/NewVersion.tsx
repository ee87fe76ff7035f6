import { usePathname } from 'expo-router';
import { useEffect, useState, useSyncExternalStore } from 'react';
import { View } from 'react-native';
import { reloadAnew, whenUpdated } from '../data/serviceWorker';
import { isOtherVersion, subscribeVersion } from '../store/serverVersion';
import { useAppSelector } from '../store/store';
import { SmallButton } from '../ui/SmallButton';
import { Text } from '../ui/Text';
import { SPACE, usePalette } from '../ui/theme';

/** True once the browser has a newer app than the one that is running. */
function useIsUpdated(): boolean {
  const [isUpdated, setUpdated] = useState(false);
  useEffect(() => whenUpdated(() => setUpdated(true)), []);
  return isUpdated;
}

/** Asks for a reload when there is a newer app; never at the track, nor while there is something that the server has not yet. */
export function NewVersion() {
  const palette = usePalette();
  const isOther = useSyncExternalStore(subscribeVersion, isOtherVersion);
  const isUpdated = useIsUpdated();
  const isUnsent = useAppSelector(({ trackside: { outbox, inMemory } }) => outbox.waiting > 0 || inMemory > 0);
  const isAtTrack = usePathname().startsWith('/track/');
  if (!(isOther || isUpdated) || isUnsent || isAtTrack) return null;
  return (
    <View
      role="status"
      style={{
        flexDirection: 'row',
        alignItems: 'center',
        gap: SPACE.m,
        paddingHorizontal: SPACE.l,
        paddingVertical: SPACE.s,
        backgroundColor: palette.raised,
        borderBottomWidth: 1,
        borderBottomColor: palette.line,
      }}
    >
      <Text as="small" style={{ flex: 1 }}>
        {isOther
          ? 'The server was updated. Reload to go on; all that was timed is kept.'
          : 'There is a newer Zest Lap on this phone.'}
      </Text>
      <SmallButton onPress={() => void reloadAnew()}>Reload</SmallButton>
    </View>
  );
}
