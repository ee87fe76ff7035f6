import type { ServerResponse } from 'node:http';
import fs from 'node:fs/promises';
import path from 'node:path';
import { Router, type RequestHandler } from 'express';
import expressStaticGzip from 'express-static-gzip';
import { askerOf } from './access';
import { compressAnswers } from './compress';
import type { Context } from './context';
import { withFirstPicture } from './firstPicture';

/** Files whose name changes with what is in them are kept for ever; the page itself is asked for each time. */
function setCaching(res: ServerResponse, file: string): void {
  const isLasting = file.includes(`${path.sep}_expo${path.sep}`) || /\.woff2(\.(br|gz))?$/.test(file);
  res.setHeader('Cache-Control', isLasting ? 'public, max-age=31536000, immutable' : 'no-cache');
}

/** A path with a file extension is a file or 404; any other address is a screen, which the app itself resolves. */
const isFile = (address: string) => /\.[^/]*$/.test(address) || /^\/(_expo|assets|fonts)(\/|$)/.test(address);

/**
 * The built web app: its files as they were packed when it was built, and the page for every address of a screen. This week's page has today
 * written into it, and is kept by nobody; browsers that have the app keep the bare page (/index.html).
 */
export function webApp(folder: string, context: Context): Router {
  const files = expressStaticGzip(folder, {
    index: false,
    enableBrotli: true,
    orderPreference: ['br', 'gz'],
    serveStatic: { index: false, setHeaders: setCaching },
  });
  const page: RequestHandler = (req, res, next) => {
    if (req.method !== 'GET' && req.method !== 'HEAD') return next();
    if (isFile(req.path) && req.path !== '/index.html') {
      res.status(404).type('text/plain').send('There is no such file.');
      return;
    }
    req.url = '/index.html';
    files(req, res, next);
  };
  const thisWeek: RequestHandler = async (req, res) => {
    const bare = await fs.readFile(path.join(folder, 'index.html'), 'utf8');
    res.setHeader('Cache-Control', 'no-store');
    res.type('html').send(withFirstPicture(bare, context, askerOf(context, req)));
  };
  const router = Router();
  router.get(['/', '/season'], compressAnswers, thisWeek);
  router.use((req, res, next) => (isFile(req.path) ? files(req, res, next) : next()), page);
  return router;
}
