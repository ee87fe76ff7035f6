import { Slot, usePathname } from 'expo-router';
import { useEffect } from 'react';
import { useColorScheme, View } from 'react-native';
import { PaperProvider } from 'react-native-paper';
import { Provider } from 'react-redux';
import { afterFirst } from './afterFirst';
import { AccessGate } from './access/AccessGate';
import { startFetchingScreens, startSending } from './screens';
import { useKeysKey } from './useKeysKey';
import { useWho } from './access/useWho';
import { startServiceWorker } from '../data/serviceWorker';
import { startKeepingSquad } from '../data/keepSquad';
import { troubleText } from '../store/api';
import { store, useAppSelector } from '../store/store';
import { NavBar } from './NavBar';
import { NewVersion } from './NewVersion';
import { NoticeBar, Notices } from '../ui/Notices';
import { startGroupKeys } from '../ui/web/groupKeys';
import { darkTheme, lightTheme } from '../ui/theme';
import { useLow } from '../ui/useLow';
import { useWide } from '../ui/useWide';

/** By keyboard past the places to what the screen is about; seen only while it has the focus. */
const SkipLink = () => (
  <a
    className="skip"
    href="#main"
    onClick={(event) => {
      // The address stays that of the screen.
      event.preventDefault();
      document.getElementById('main')?.focus();
    }}
  >
    Skip to the page
  </a>
);

/** The line board has the screen to itself. */
const isAtLineBoard = (path: string) => /^\/track\/(run|rehearse)\//.test(path);

function Themed() {
  const look = useAppSelector((state) => state.settings.look);
  const device = useColorScheme();
  const theme = (look === 'system' ? device : look) === 'dark' ? darkTheme : lightTheme;
  const wide = useWide();
  const low = useLow();
  const path = usePathname();
  const isBoard = isAtLineBoard(path);
  const who = useWho();
  const isCoach = (who ?? 'coach') === 'coach';
  const isLetIn = who === 'coach';
  useKeysKey(isBoard || !isCoach);
  useEffect(() => {
    // The page under the app, and what the browser draws in it, such as the lists of a select.
    document.documentElement.dataset.look = look;
  }, [look]);
  useEffect(startGroupKeys, []);
  useEffect(() => afterFirst(startSending), []);
  useEffect(() => {
    document.documentElement.dataset.place = isBoard ? 'board' : '';
  }, [isBoard]);
  useEffect(() => (isLetIn ? afterFirst(startKeepingSquad) : undefined), [isLetIn]);
  useEffect(() => afterFirst(startFetchingScreens), []);
  useEffect(() => afterFirst(startServiceWorker), []);
  return (
    <PaperProvider theme={theme}>
      <Notices troubleText={troubleText}>
        <View
          style={{ flex: 1, flexDirection: wide || low ? 'row' : 'column-reverse', backgroundColor: theme.zest.ground }}
        >
          {wide && <SkipLink />}
          {(!isBoard || wide) && isCoach && path !== '/join' && <NavBar />}
          <View role="main" id="main" tabIndex={-1} style={{ flex: 1, minHeight: 0, minWidth: 0 }}>
            <NewVersion />
            <AccessGate>
              <Slot />
            </AccessGate>
            {wide && !isBoard && <NoticeBar />}
          </View>
        </View>
      </Notices>
    </PaperProvider>
  );
}

/** Everything around the screens: store, theme, notices, and the navigation. */
export function AppFrame() {
  return (
    <Provider store={store}>
      <Themed />
    </Provider>
  );
}
