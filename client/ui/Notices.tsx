import { usePathname } from 'expo-router';
import { createContext, useCallback, useContext, useEffect, useMemo, useRef, useState, type ReactNode } from 'react';
import { View } from 'react-native';
import { Surface } from 'react-native-paper';
import { Press } from './Press';
import { RADIUS, SPACE, usePalette } from './theme';
import { Text } from './Text';

/** What ends an undo that waits for the server. */
type Undone = PromiseLike<{ error?: unknown }>;
type Notice = { text: string; undo?: () => Undone | void };

const SHOWN_MS = 8000;

const TellContext = createContext<(notice: Notice) => void>(() => undefined);
const NoticeContext = createContext<{ notice: Notice | undefined; undo: () => void }>({
  notice: undefined,
  undo: () => undefined,
});

/** Says what was just done, for a few seconds, with a way to take it back. */
export const useNotice = () => useContext(TellContext);

/**
 * Keeps what is said. It belongs to the screen it came up on, or that the same press led to: whoever goes on to another one leaves it behind,
 * so that an Undo never takes back what is no longer in sight. An undo that fails is said, in what `troubleText` makes of the error.
 */
export function Notices({ troubleText, children }: { troubleText: (error: unknown) => string; children: ReactNode }) {
  const [notice, setNotice] = useState<Notice>();
  const hasActed = useRef(false);
  const path = usePathname();
  const close = useCallback(() => setNotice(undefined), []);
  const tell = useCallback((next: Notice) => {
    hasActed.current = false;
    setNotice(next);
  }, []);
  useEffect(() => {
    if (hasActed.current) setNotice(undefined);
  }, [path]);
  useEffect(() => {
    if (!notice) return undefined;
    const acted = () => {
      hasActed.current = true;
    };
    const events = ['pointerdown', 'keydown', 'popstate'] as const;
    for (const event of events) window.addEventListener(event, acted, { capture: true });
    const timer = setTimeout(close, SHOWN_MS);
    return () => {
      for (const event of events) window.removeEventListener(event, acted, { capture: true });
      clearTimeout(timer);
    };
  }, [notice, close]);
  // Whoever starts something and does not wait for it leaves its failure to this.
  useEffect(() => {
    const failed = () => tell({ text: 'Something did not work. What you wrote and timed is kept; try again.' });
    window.addEventListener('unhandledrejection', failed);
    return () => window.removeEventListener('unhandledrejection', failed);
  }, [tell]);
  const shown = useMemo(() => {
    const undo = async () => {
      close();
      const undone = await notice?.undo?.();
      if (undone?.error) tell({ text: `It was not taken back. ${troubleText(undone.error)}` });
    };
    return { notice, undo: () => void undo() };
  }, [notice, close, tell, troubleText]);
  return (
    <TellContext.Provider value={tell}>
      <NoticeContext.Provider value={shown}>{children}</NoticeContext.Provider>
    </TellContext.Provider>
  );
}

/** What was just done, in a line of its own: it covers nothing, and what is under the thumb stays where it is. */
export function NoticeBar() {
  const palette = usePalette();
  const { notice, undo } = useContext(NoticeContext);
  if (!notice) return null;
  return (
    <Surface
      elevation={0}
      role="status"
      style={{
        marginHorizontal: SPACE.m,
        marginBottom: SPACE.s,
        maxWidth: 560,
        borderRadius: RADIUS,
        backgroundColor: palette.ink,
      }}
    >
      <View style={{ flexDirection: 'row', alignItems: 'center', minHeight: 48, paddingLeft: SPACE.m }}>
        <Text color={palette.ground} style={{ flex: 1, paddingVertical: SPACE.s }}>
          {notice.text}
        </Text>
        {notice.undo ? (
          <Press
            role="button"
            aria-label="Undo"
            onPress={undo}
            style={{
              minHeight: 48,
              minWidth: 64,
              alignItems: 'center',
              justifyContent: 'center',
              paddingHorizontal: SPACE.m,
            }}
          >
            <Text as="strong" color={palette.ground} style={{ textDecorationLine: 'underline' }}>
              Undo
            </Text>
          </Press>
        ) : (
          <View style={{ width: SPACE.m }} />
        )}
      </View>
    </Surface>
  );
}
