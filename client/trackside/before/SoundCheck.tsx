import { useState } from 'react';
import { View } from 'react-native';
import { SmallButton } from '../../ui/SmallButton';
import { SPACE } from '../../ui/theme';
import { Text } from '../../ui/Text';
import { beep, canSpeak, say } from '../sound/sound';
import { useWakeLock } from '../sound/useWakeLock';

/** Ten seconds before the first start: whether this phone can be heard, and whether its screen stays on. */
export function SoundCheck() {
  const [isOn, setOn] = useState(false);
  const [hasTone, setTone] = useState(false);
  const awake = useWakeLock(isOn);
  const check = () => {
    setOn(true);
    setTone(beep('go'));
    say('Zest Lap is ready');
  };
  const tone = hasTone ? `A beep${canSpeak() ? ' and a voice' : ''} should be heard now: else turn the sound up.` : '';
  return (
    <View style={{ gap: SPACE.s, alignItems: 'flex-start' }}>
      <SmallButton onPress={check}>Check sound and screen</SmallButton>
      {isOn && (
        <View role="status" aria-label="Sound and screen">
          <Text as="small">{hasTone ? tone : 'This browser makes no sound: reps are started and called by eye.'}</Text>
          {hasTone && !canSpeak() && <Text as="small">This browser has no voice: calls are beeps only.</Text>}
          <Text as="small">
            {awake === 'awake'
              ? 'The screen stays on during the session.'
              : 'This phone may switch its screen off. Set it to stay on; times go on all the same.'}
          </Text>
        </View>
      )}
    </View>
  );
}
