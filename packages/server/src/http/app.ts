import { extname, join } from 'node:path';
import compression from 'compression';
import express, { Router, type Express } from 'express';
import helmet from 'helmet';
import { CONTRACT } from '@amber/core';
import type { Stores } from '../stores.js';
import { accessRoutes, guard, type Sharing } from '../access/guard.js';
import { eventRoutes } from './eventRoutes.js';
import { jobRoutes } from './jobRoutes.js';
import { checkOrigin } from './origin.js';
import { shareRoutes } from './shareRoutes.js';
import { limitAll, limitEach, limitLarge, USUAL_LIMITS, type Limits } from './limits.js';
import { pictureRoutes } from './pictureRoutes.js';
import { practiceRoutes } from './practiceRoutes.js';
import { answer, PATIENCE_SETTING } from './route.js';
import { answerProblems, Refusal } from './problems.js';

export interface AppOptions extends Stores {
  /** Folder of the built pages; none in tests of the API. */
  webRoot?: string;
  /** Seconds that the database is given to answer; as is usual where it is left out. */
  patience?: number;
  limits?: Limits;
  /** How devices beyond this machine are let in. */
  sharing?: Sharing | null;
  /** Host names beside loopback under which the server may be reached. */
  hosts?: readonly string[];
}

/** A fresh application, not listening, so that a test can have ten. */
export const createApp = ({
  store,
  catalog,
  pictures,
  records,
  watch,
  shares,
  practised,
  webRoot,
  patience,
  limits = USUAL_LIMITS,
  sharing = null,
  devices,
  hosts = [],
}: AppOptions): Express => {
  const app = express();
  app.disable('x-powered-by');
  if (patience !== undefined) app.set(PATIENCE_SETTING, patience);
  app.use(
    helmet({
      contentSecurityPolicy: {
        directives: {
          'upgrade-insecure-requests': null,
          'img-src': ["'self'", 'data:', 'blob:'],
          // Nothing comes from anywhere else: what is usual lets fonts and styles of any host in.
          'font-src': ["'self'"],
          'style-src': ["'self'", "'unsafe-inline'"],
        },
      },
      // Served on loopback without TLS.
      strictTransportSecurity: false,
    }),
  );
  app.use(checkOrigin(hosts));
  app.use('/api', limitEach(limits));
  app.use(compression());
  const api = Router();
  answer(api, CONTRACT.health, async () => {
    try {
      await store.ping();
    } catch (error) {
      throw new Refusal(503, 'database-down', `The database does not answer: ${(error as Error).message}`);
    }
    return { ok: true as const, database: 'answers' };
  });
  answer(api, CONTRACT.catalog, () => catalog.read());
  api.use('/catalog', express.json({ limit: '4mb' }));
  answer(api, CONTRACT.putArticles, async ({ request: { articles } }) => ({
    changed: await catalog.put(articles),
  }));
  answer(api, CONTRACT.putUnits, async ({ request }) => {
    await catalog.putUnits(request);
    return { ok: true as const };
  });
  answer(api, CONTRACT.truck, async () => ({ amounts: await catalog.truck() }));
  answer(api, CONTRACT.moveTruck, async ({ request }) => {
    await catalog.moveTruck(request);
    return { ok: true as const };
  });
  answer(api, CONTRACT.priceHistory, async () => ({ changes: await catalog.history() }));
  app.use('/api', guard(devices, sharing));
  app.use(
    '/api',
    accessRoutes(devices, sharing, (device) => watch.silence(device)),
  );
  // A page that listens is asked for nothing meanwhile, and is no answer that is on its way.
  app.use('/api', eventRoutes(watch));
  app.use('/api', limitAll(limits));
  app.use(['/api/shared-jobs', '/api/pictures'], limitLarge(limits));
  app.use(
    '/api',
    shareRoutes(shares),
    api,
    jobRoutes(store, records),
    pictureRoutes(pictures),
    practiceRoutes(practised),
  );
  app.use('/api', (request) => {
    throw new Refusal(404, 'missing', `There is nothing at ${request.originalUrl}.`, '');
  });
  if (webRoot !== undefined) {
    app.use(
      '/assets',
      express.static(join(webRoot, 'assets'), { immutable: true, maxAge: '1y', fallthrough: false }),
    );
    app.use(express.static(webRoot, { index: false }));
    app.get('/{*splat}', (request, response) => {
      if (extname(request.path) !== '')
        throw new Refusal(404, 'missing', `There is no file ${request.path}.`, '');
      response.setHeader('Cache-Control', 'no-cache');
      response.sendFile(join(webRoot, 'index.html'));
    });
  }
  app.use(answerProblems);
  return app;
};
