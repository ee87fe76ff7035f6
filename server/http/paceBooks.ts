import { paceBookSchema } from '@core/api/schemas';
import { listPaceBooks, putPaceBook, removePaceBook, restorePaceBook } from '../db/paceBooks';
import { resourceRouter } from './resource';

/** /api/pace-books: those the coach has made. */
export const paceBooksRouter = resourceRouter({
  what: 'pace book',
  schema: paceBookSchema,
  list: listPaceBooks,
  put: putPaceBook,
  remove: removePaceBook,
  restore: restorePaceBook,
});
