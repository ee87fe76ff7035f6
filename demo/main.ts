import { format } from 'date-fns/format';
import { start } from '@server/start';
import { loadDemo } from './load';

const fresh = process.argv.includes('--fresh');

void start((db) => loadDemo(db, { today: format(new Date(), 'yyyy-MM-dd'), fresh }));
