/** The HTTP application, given what it works with. */
import path from 'node:path';
import { LIVE_PATH } from '@low-quarry/core/contracts/live';
import { importShop } from '@low-quarry/core/contracts/shopFile';
import compression from 'compression';
import express, { type Express } from 'express';
import helmet from 'helmet';
import type { Logger } from 'pino';
import { pinoHttp } from 'pino-http';
import type { DataSource, EntityManager } from 'typeorm';
import type { BackupService } from './features/backup/BackupService';
import { backupRoutes } from './features/backup/backupRoutes';
import { choicesRoutes } from './features/choices/choicesRoutes';
import { authorOf, History } from './features/history/History';
import { historyRoutes } from './features/history/historyRoutes';
import { jobsRoutes } from './features/jobs/jobsRoutes';
import { libraryRoutes } from './features/library/libraryRoutes';
import type { ChangeFeed } from './features/live/ChangeFeed';
import { liveRoutes } from './features/live/liveRoutes';
import { openingsRoutes } from './features/openings/openingsRoutes';
import { ordersRoutes } from './features/orders/ordersRoutes';
import { partsRoutes } from './features/parts/partsRoutes';
import { peopleRoutes } from './features/people/peopleRoutes';
import { type Demo, FirstStart } from './features/sessions/FirstStart';
import { SessionsService } from './features/sessions/SessionsService';
import { authenticate, sessionsRoutes } from './features/sessions/sessionsRoutes';
import { shopRoutes } from './features/shop/shopRoutes';
import { shopFileRoutes } from './features/shopFile/shopFileRoutes';
import { vehiclesRoutes } from './features/vehicles/vehiclesRoutes';
import type { Actor } from './http/Actor';
import { guard } from './http/guard';
import { problemHandler, unknownPath } from './http/problemHandler';
import { sameOrigin } from './http/sameOrigin';

export type AppDeps = {
  readonly db: DataSource;
  readonly log: Logger;
  readonly now: () => Date;
  readonly newId: () => string;
  /** The built web application; none in server tests. */
  readonly webDir: string | null;
  /** The demo shop, where it may run. */
  readonly demo: Demo | null;
  /** Tells open screens what others change; none where no screen is open. */
  readonly feed?: ChangeFeed | null;
  /** None where no folder for them is set. */
  readonly backups?: BackupService | null;
  /** Wrong passwords and PINs from one address in a quarter of an hour. */
  readonly mostTries?: number;
};

/** A shop of ten people behind one address stays below it. */
const MOST_TRIES = 20;
/** An opening's record is a few kB; a hundred times that is a mistake. */
const BODY_LIMIT = '256kb';
/** A whole shop with years of history. */
const SHOP_FILE_LIMIT = '200mb';

export function createApp({
  db,
  log,
  now,
  newId,
  webDir,
  demo,
  feed = null,
  backups = null,
  mostTries = MOST_TRIES,
}: AppDeps): Express {
  const app = express();
  app.disable('x-powered-by');
  // A proxy on this machine that speaks https to the outside says so; nobody else is believed.
  app.set('trust proxy', 'loopback');
  app.use(
    pinoHttp({
      logger: log,
      autoLogging: { ignore: ({ url }) => !url?.startsWith('/api/') || url === '/api/health' },
      // A log is read by more people than may sign in.
      redact: ['req.headers.cookie', 'res.headers["set-cookie"]', 'err.parameters'],
    }),
  );
  app.use(
    helmet({
      contentSecurityPolicy: {
        // The application is served over plain http on loopback: no upgrade, no HSTS. Positions of drawings and of
        // Radix' layers are set as inline styles by script.
        directives: {
          'upgrade-insecure-requests': null,
          'style-src': ["'self'", "'unsafe-inline'"],
          'worker-src': ["'self'"],
        },
      },
      strictTransportSecurity: false,
    }),
  );
  // A stream that is pressed together arrives when it is over.
  app.use(
    compression({ filter: (request, response) => request.path !== LIVE_PATH && compression.filter(request, response) }),
  );
  app.use('/api', sameOrigin, (_request, response, next) => {
    response.setHeader('Cache-Control', 'no-store');
    next();
  });
  app.get('/api/health', guard('anybody'), async (_request, response) => {
    await db.query('SELECT 1');
    response.json({ ok: true });
  });
  const sessions = new SessionsService(db, now, newId);
  app.use('/api', authenticate(sessions));
  // Only who may bring a shop in has so much read.
  app.use(importShop.path, guard(importShop.permission), express.json({ limit: SHOP_FILE_LIMIT }));
  app.use('/api', express.json({ limit: BODY_LIMIT }));
  const router = express.Router();
  sessionsRoutes(router, sessions, new FirstStart(db, newId, demo), mostTries);
  const openHistory = (manager: EntityManager, actor: Actor) => new History(manager, authorOf(actor), now(), newId());
  peopleRoutes(router, db, newId, openHistory);
  shopRoutes(router, db, openHistory);
  partsRoutes(router, db);
  vehiclesRoutes(router, db);
  jobsRoutes(router, db, newId, openHistory);
  openingsRoutes(router, db, openHistory);
  choicesRoutes(router, db, openHistory);
  historyRoutes(router, db, openHistory);
  libraryRoutes(router, db, openHistory);
  liveRoutes(router, feed, sessions);
  backupRoutes(router, db, backups);
  shopFileRoutes(router, db);
  ordersRoutes(router, db);
  app.use(router);
  app.use('/api', unknownPath);

  if (webDir) serveWeb(app, webDir);
  app.use(unknownPath);
  app.use(problemHandler);
  return app;
}

function serveWeb(app: Express, webDir: string): void {
  app.use('/assets', express.static(path.join(webDir, 'assets'), { immutable: true, maxAge: '1y', index: false }));
  app.use(express.static(webDir, { index: false }));
  // Any other page is the application; a missing asset is not.
  app.get('/{*path}', guard('anybody'), (request, response, next) => {
    if (request.path.startsWith('/assets/')) return next();
    response.setHeader('Cache-Control', 'no-cache');
    response.sendFile('index.html', { root: webDir });
  });
}
