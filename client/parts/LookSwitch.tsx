import { IconButton } from 'react-native-paper';
import { LOOKS, settings, type Look } from '../store/settings';
import { useAppDispatch, useAppSelector } from '../store/store';
import type { IconName } from '../ui/icons/Icon';

const LOOK_WORDS: Record<Look, { icon: IconName; text: string }> = {
  system: { icon: 'device', text: 'Light or dark as the device says' },
  light: { icon: 'sun', text: 'Light, for sun' },
  dark: { icon: 'moon', text: 'Dark, for floodlights' },
};

/** One press changes between device, light and dark. */
export function LookSwitch() {
  const dispatch = useAppDispatch();
  const look = useAppSelector((state) => state.settings.look);
  const next = LOOKS[(LOOKS.indexOf(look) + 1) % LOOKS.length] ?? 'system';
  return (
    <IconButton
      icon={LOOK_WORDS[look].icon}
      accessibilityLabel={`${LOOK_WORDS[look].text}. Change to: ${LOOK_WORDS[next].text}`}
      onPress={() => dispatch(settings.actions.lookChosen(next))}
      style={{ alignSelf: 'center', width: 44, height: 44, margin: 0 }}
    />
  );
}
