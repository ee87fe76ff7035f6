import { useEffect, useState } from 'react';
import { View } from 'react-native';
import { opensOffline } from '../data/serviceWorker';
import { useAppSelector } from '../store/store';
import { Icon } from '../ui/icons/Icon';
import { usePalette } from '../ui/theme';
import { Text } from '../ui/Text';

/** Whether this phone could go to the track without a network, and whether anything on it has not reached the server. */
export function OfflineSign() {
  const palette = usePalette();
  const [isReady, setReady] = useState(false);
  const { waiting: all, refused } = useAppSelector((state) => state.trackside.outbox);
  const waiting = Math.max(0, all - refused.length);
  useEffect(() => {
    let open = true;
    void opensOffline().then((ready) => open && setReady(ready));
    return () => {
      open = false;
    };
  }, []);
  const app = isReady
    ? 'This phone opens the app and today’s and tomorrow’s sessions without a network.'
    : 'Open the app here once with the server in reach, and it opens without a network too.';
  const times =
    waiting > 0
      ? `${waiting} ${waiting === 1 ? 'thing is' : 'things are'} on this phone only, and sent when the server answers.`
      : refused.length > 0
        ? 'All others are on the server.'
        : 'All times are on the server.';
  return (
    <View
      role="status"
      aria-label="What is kept where"
      style={{ flexDirection: 'row', gap: 8, alignItems: 'flex-start' }}
    >
      <Icon name={waiting > 0 ? 'waiting' : 'saved'} size={20} color={palette.quiet} />
      <Text as="small" quiet style={{ flex: 1 }}>{`${app} ${times}`}</Text>
    </View>
  );
}
