import { createContext, useCallback, useContext, useMemo, useState, type ReactNode } from 'react';
import { Snackbar } from 'react-native-paper';
import { RADIUS, usePalette } from './theme';
import { useWide } from './useWide';

type Notice = { text: string; undo?: () => void };

const NoticeContext = createContext<(notice: Notice) => void>(() => undefined);

/** Says what was just done, for a few seconds, with a way to take it back. */
export const useNotice = () => useContext(NoticeContext);

export function UndoBar({ children }: { children: ReactNode }) {
  const palette = usePalette();
  const wide = useWide();
  const [notice, setNotice] = useState<Notice>();
  const close = useCallback(() => setNotice(undefined), []);
  const action = useMemo(() => {
    const undo = notice?.undo;
    return undo
      ? { action: { label: 'Undo', onPress: undo, textColor: palette.dark ? palette.onAction : palette.action } }
      : {};
  }, [notice, palette]);
  return (
    <NoticeContext.Provider value={setNotice}>
      {children}
      <Snackbar
        visible={notice !== undefined}
        onDismiss={close}
        duration={8000}
        wrapperStyle={{ bottom: wide ? 72 : 136, alignItems: 'center' }}
        style={{ minWidth: 340, maxWidth: 480, borderRadius: RADIUS }}
        {...action}
      >
        {notice?.text ?? ''}
      </Snackbar>
    </NoticeContext.Provider>
  );
}
