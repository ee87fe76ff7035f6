import { format } from 'date-fns/format';
import { serveWeather } from '@devices/weather/serve';
import { start } from '@server/start';
import { loadDemo } from './load';

const fresh = process.argv.includes('--fresh');

void serveWeather().then(({ url }) =>
  start((db) => loadDemo(db, { today: format(new Date(), 'yyyy-MM-dd'), fresh }), url),
);
