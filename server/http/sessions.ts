import { sessionSchema } from '@core/formats/schemas';
import { listSessions, putSession, removeSession, restoreSession } from '../db/sessions';
import { resourceRouter } from './resource';

/** /api/sessions */
export const sessionsRouter = resourceRouter({
  what: 'session',
  schema: sessionSchema,
  list: listSessions,
  put: putSession,
  remove: removeSession,
  restore: restoreSession,
});
