import type { ErrorBoundaryProps } from 'expo-router';
import { Text as NativeText, View } from 'react-native';
import { useFirstPictureUntil } from './firstPicture';
import { DARK, LIGHT } from './palette';

/** Instead of a blank page when a screen fails: what is safe, and the way back. Stands outside store and theme, which may be what failed. */
export function Crash({ retry }: ErrorBoundaryProps) {
  useFirstPictureUntil(true);
  const text = { color: LIGHT.ink, fontFamily: 'Zest', fontSize: 18, lineHeight: 26 } as const;
  return (
    <View
      role="alert"
      style={{ flex: 1, padding: 24, gap: 16, justifyContent: 'center', backgroundColor: LIGHT.ground }}
    >
      <NativeText role="heading" aria-level={1} style={[text, { fontSize: 26, lineHeight: 32, fontWeight: '700' }]}>
        This screen stopped working
      </NativeText>
      <NativeText style={text}>
        Every time that was taken is kept on this phone. Try again; if that does not help, reload the page.
      </NativeText>
      <NativeText
        role="button"
        onPress={() => void retry()}
        style={[
          text,
          { alignSelf: 'flex-start', padding: 14, borderRadius: 8, fontWeight: '700', backgroundColor: DARK.action },
        ]}
      >
        Try again
      </NativeText>
    </View>
  );
}
