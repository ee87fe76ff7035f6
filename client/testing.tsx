/** What component tests share: the theme, the notices and the store round what is drawn, and a hand on its keys and buttons. */
import '@testing-library/jest-dom';
import { configure, render, renderHook } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import type { ReactElement, ReactNode } from 'react';
import { PaperProvider } from 'react-native-paper';
import { Provider } from 'react-redux';
import { api } from './store/api';
import { store } from './store/store';
import { Notices } from './ui/Notices';
import { lightTheme } from './ui/theme';

// What comes later comes later still on a busy machine; a second, as it would be, once was too short.
configure({ asyncUtilTimeout: 60_000, defaultHidden: true });

// Asked for at every element whose role or name is worked out: through all style sheets, none of which hides anything, that took most of a test's time.
window.getComputedStyle = (element) => (element as HTMLElement).style;

// What most screens ask for; what else a test needs of the server it puts into the store itself.
store.dispatch(api.util.upsertQueryEntries([{ endpointName: 'venues', arg: undefined, value: [] }]));

function Around({ children }: { children: ReactNode }) {
  return (
    <Provider store={store}>
      <PaperProvider theme={lightTheme}>
        <Notices troubleText={() => 'The server said no.'}>{children}</Notices>
      </PaperProvider>
    </Provider>
  );
}

/** Draws something as it is in the app. */
export const draw = (element: ReactElement) => ({ user: userEvent.setup(), ...render(element, { wrapper: Around }) });

/** Calls a hook as a component of the app does. */
export const hook = <T,>(use: () => T) => renderHook(use, { wrapper: Around });
