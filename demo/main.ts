import { format } from 'date-fns/format';
import { serveWeather } from '@devices/weather/serve';
import { chosenDemoFolder } from '@server/settings';
import { start } from '@server/start';
import { loadDemo } from './load';

const fresh = process.argv.includes('--fresh');

// Timing loops use the usual port, or any free one where the server's own is any free one too.
process.env.ZEST_LOOP ??= process.env.PORT === '0' ? '0' : '4401';

void serveWeather().then(({ url }) =>
  start({
    kind: 'demo',
    folder: chosenDemoFolder(),
    prepare: (db) => loadDemo(db, { today: format(new Date(), 'yyyy-MM-dd'), fresh }),
    weatherUrl: url,
  }),
);
