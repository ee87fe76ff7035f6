import Constants from 'expo-constants';
import { useEffect, useState } from 'react';
import { View } from 'react-native';
import { unstable_createElement } from 'react-native-web';
import { SPACE, usePalette } from '../ui/theme';
import { Text } from '../ui/Text';

const MB = 1_000_000;

/** `12 MB`; undefined where the browser does not tell. */
function useStorageUsed(): string | undefined {
  const [used, setUsed] = useState<string>();
  useEffect(() => {
    let isOpen = true;
    // Browsers have it only over https or on this machine.
    const { storage } = navigator as Partial<Navigator>;
    void storage?.estimate().then(
      ({ usage }) => {
        if (isOpen && usage !== undefined)
          setUsed(usage < MB / 10 ? 'less than 0.1 MB' : `${(usage / MB).toFixed(usage < 10 * MB ? 1 : 0)} MB`);
      },
      // It is only not told then.
      () => undefined,
    );
    return () => {
      isOpen = false;
    };
  }, []);
  return used;
}

/** Which version this is, what it keeps here, and whose work is in it. */
export function About() {
  const palette = usePalette();
  const used = useStorageUsed();
  return (
    <View style={{ gap: SPACE.s }}>
      <Text>{`Zest Lap ${Constants.expoConfig?.version ?? ''}`}</Text>
      <Text as="small" quiet>
        {`What the club has is on its own server and nowhere else. This device keeps the app, today’s and tomorrow’s sessions, and times not yet sent${used === undefined ? '' : `: ${used}`}.`}
      </Text>
      <Text as="small" quiet>
        Targets are estimates from what was run. How somebody is today, the weather and the venue’s own rules go before
        them, and so does what a doctor or physiotherapist says.
      </Text>
      {unstable_createElement('a', {
        href: '/licences.txt',
        target: '_blank',
        rel: 'noreferrer',
        style: { minHeight: 44, display: 'flex', alignItems: 'center', color: palette.ink },
        children: <Text as="small">Licences of what it is made of</Text>,
      })}
    </View>
  );
}
