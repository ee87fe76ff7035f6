import { router } from 'expo-router';
import { IconButton } from 'react-native-paper';

/** The way to the settings and the help, from the head of every place. */
export function SettingsLink() {
  return (
    <IconButton
      icon="settings"
      accessibilityLabel="Settings and help"
      onPress={() => router.push('/settings')}
      style={{ alignSelf: 'center', width: 44, height: 44, margin: 0 }}
    />
  );
}
