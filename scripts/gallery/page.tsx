import { createRoot } from 'react-dom/client';
import { PaperProvider } from 'react-native-paper';
import { SafeAreaProvider } from 'react-native-safe-area-context';
import { Notices } from '@client/ui/Notices';
import { darkTheme, lightTheme } from '@client/ui/theme';
import { startGroupKeys } from '@client/ui/web/groupKeys';
import { Gallery } from './Gallery';

const asked = new URLSearchParams(window.location.search);
const look = asked.get('look') === 'dark' ? 'dark' : 'light';
document.documentElement.dataset.look = look;
document.documentElement.style.fontSize = `${asked.get('text') ?? '100'}%`;
startGroupKeys();

const root = document.getElementById('root');
if (!root) throw new Error('page.html has no place for the gallery.');
createRoot(root).render(
  <SafeAreaProvider>
    <PaperProvider theme={look === 'dark' ? darkTheme : lightTheme}>
      <Notices troubleText={() => 'The server said no.'}>
        <Gallery />
      </Notices>
    </PaperProvider>
  </SafeAreaProvider>,
);
