import express, { type Express, type RequestHandler } from 'express';
import helmet from 'helmet';
import type { Logger } from 'pino';
import { pinoHttp } from 'pino-http';
import { version } from '../../package.json';
import { bringUpToDate } from '../db/behind';
import { accessRouter, guard } from './access';
import { sameVersion } from './appVersion';
import { athletesRouter } from './athletes';
import { jsonBody } from './checked';
import { compressAnswers } from './compress';
import { Jobs } from '../jobs';
import { Hub } from '../live/hub';
import type { Context } from './context';
import { ApiError, answerError, unknownPath } from './errors';
import { libraryRouter } from './library';
import { paceBooksRouter } from './paceBooks';
import { reviewRouter } from './review';
import { runsRouter } from './runs';
import { seasonsRouter } from './seasons';
import { sameOriginWrites } from './sameOrigin';
import { sessionsRouter } from './sessions';
import { squadRouter } from './squad';
import { venuesRouter } from './venues';
import { weatherRouter } from './weather';
import { webApp } from './webApp';

export type AppOptions = Omit<Context, 'hub' | 'jobs' | 'addresses'> & {
  hub?: Hub;
  jobs?: Jobs;
  /** Where other phones reach it; left out, it is for this machine only. */
  addresses?: () => string[];
  log: Logger;
  /** Folder of the built web app; without it only the API is served. */
  webFolder?: string;
  /** Address of a weather service; without one the weather is not known. */
  weatherUrl?: string;
  /** How many proxies in front are believed about where a request comes from. */
  proxies?: number;
};

/**
 * Only names of this machine are answered: a page from elsewhere that has its own name point here
 * (DNS rebinding) must not read the squad.
 */
const LOCAL_HOST = /^(localhost|127\.\d+\.\d+\.\d+|\[::1\])(:\d+)?$/;
const localOnly: RequestHandler = (req, _res, next) => {
  if (!LOCAL_HOST.test(req.headers.host ?? ''))
    throw new ApiError(403, 'wrong_host', 'This server answers only on its own machine.');
  next();
};

/** Characters of an address that are logged, so that long ones cannot fill the disk. */
const LOGGED_PATH = 200;

/** Calls that read no results, some of them several times a second while a session is timed. */
const READS_NO_RESULTS =
  /^(GET \/(health|clock|access|runs\/(?!days|open|apart)[^/]+(\/live)?)|PUT \/runs\/[^/]+\/plan|POST \/runs\/[^/]+\/events)\/?$/;

/** Brings the rows of results up to date before anything reads them. */
const upToDate =
  ({ db }: Context): RequestHandler =>
  (req, _res, next) => {
    if (!READS_NO_RESULTS.test(`${req.method} ${req.path}`)) bringUpToDate(db);
    next();
  };

const health =
  ({ db }: Context): RequestHandler =>
  (_req, res) => {
    let database: 'ok' | 'failing' = 'ok';
    try {
      db.$client.prepare('SELECT count(*) FROM athletes').get();
    } catch {
      database = 'failing';
    }
    res.status(database === 'ok' ? 200 : 503).json({ status: database === 'ok' ? 'ok' : 'failing', version, database });
  };

/** The whole server as one Express app: security headers, request log, API, and the web app for every other address. */
export function makeApp({
  log,
  webFolder,
  weatherUrl,
  hub = new Hub(),
  jobs = new Jobs(log),
  addresses,
  proxies = 0,
  ...rest
}: AppOptions): Express {
  const context: Context = { ...rest, hub, jobs, addresses: addresses ?? (() => []) };
  const app = express();
  app.disable('x-powered-by');
  app.set('trust proxy', proxies);
  // Query strings and bodies may hold names of athletes: the log has neither.
  app.use(
    pinoHttp({
      logger: log,
      serializers: {
        req: ({ id, method, url }: { id: unknown; method: string; url: string }) => ({
          id,
          method,
          path: url.split('?')[0]?.slice(0, LOGGED_PATH),
        }),
        res: ({ statusCode }: { statusCode: number }) => ({ status: statusCode }),
      },
    }),
  );
  // From other machines a cookie is needed, which a page under another name does not get.
  if (!addresses) app.use(localOnly);
  app.use(
    helmet({
      // Styles are put into the page by the interface itself; everything else comes from this server only.
      contentSecurityPolicy: {
        directives: { 'style-src': ["'self'", "'unsafe-inline'"], 'upgrade-insecure-requests': null },
      },
      strictTransportSecurity: false,
    }),
  );
  // Names and times of minors are never cached.
  app.use('/api', (_req, res, next) => {
    res.setHeader('Cache-Control', 'no-store');
    next();
  });
  app.use('/api', compressAnswers, sameVersion, sameOriginWrites, guard(context), upToDate(context));
  // A whole squad or library may be imported at once. No body is read before access is checked.
  app.use(['/api/squad', '/api/library'], jsonBody('8mb'));
  app.use('/api', jsonBody('1mb'));
  app.get('/api/health', health(context));
  app.get('/api/clock', (_req, res) => void res.json({ nowMs: context.nowMs() }));
  app.use('/api/access', accessRouter(context));
  app.use('/api/athletes', athletesRouter(context));
  app.use('/api/squad', squadRouter(context));
  app.use('/api/pace-books', paceBooksRouter(context));
  app.use('/api/sessions', sessionsRouter(context));
  app.use('/api/library', libraryRouter(context));
  app.use('/api/venues', venuesRouter(context));
  app.use('/api/weather', weatherRouter(weatherUrl));
  app.use('/api/seasons', seasonsRouter(context));
  app.use('/api/runs', runsRouter(context));
  app.use('/api/review', reviewRouter(context));
  app.use('/api', unknownPath);
  if (webFolder) app.use(webApp(webFolder, context));
  app.use(answerError);
  return app;
}
