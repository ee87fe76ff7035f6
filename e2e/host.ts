/** Many apps in one process, as their worker asks for them: a server's code is then loaded once, not for each test. */
import { format } from 'date-fns/format';
import { loadDemo } from '../demo/load';
import { serveWeather } from '../devices/weather/serve';
import { serve, type Serving } from '../server/serve';
import type { Asked, Told } from './hosted';

const serving = new Map<string, Serving>();
const weather = serveWeather();

async function open({ folder, kind, passphrase }: Extract<Asked, { does: 'open' }>, port: number): Promise<string> {
  const opened = await serve({
    kind,
    folder,
    port,
    reach: { host: '127.0.0.1', isOpen: false, passphrase, proxies: 0 },
    loopPort: 0,
    ...(kind === 'demo'
      ? {
          prepare: (db) => loadDemo(db, { today: format(new Date(), 'yyyy-MM-dd'), fresh: false }),
          weatherUrl: (await weather).url,
        }
      : {}),
  });
  serving.set(folder, opened);
  return opened.url;
}

async function answer(asked: Asked): Promise<string> {
  if (asked.does === 'open') return open(asked, 0);
  await serving.get(asked.folder)?.stop();
  serving.delete(asked.folder);
  return '';
}

process.on('message', (asked: Asked) => {
  const tell = (told: Omit<Told, 'folder'>) => process.send?.({ folder: asked.folder, ...told });
  answer(asked).then(
    (url) => tell({ url }),
    (error: unknown) => tell({ url: '', problem: String(error) }),
  );
});
// With its worker gone nobody asks any more.
process.once('disconnect', () => process.exit(0));
