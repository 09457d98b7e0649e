/** The HTTP application, given what it works with. */
import { createHash } from 'node:crypto';
import { readFileSync } from 'node:fs';
import path from 'node:path';
import { PROGRAM_HEADER } from '@low-quarry/core/contracts/contract';
import { importParts, MOST_IMPORT_MB } from '@low-quarry/core/contracts/importParts';
import { LIVE_PATH } from '@low-quarry/core/contracts/live';
import { importShop } from '@low-quarry/core/contracts/shopFile';
import type { ListedTemplate } from '@low-quarry/core/contracts/vehicles';
import { FEED_ROOT } from '@low-quarry/core/contracts/week';
import type { PartsFile } from '@low-quarry/core/formats';
import compression from 'compression';
import express, { type Express } from 'express';
import helmet from 'helmet';
import type { Logger } from 'pino';
import { pinoHttp } from 'pino-http';
import sirv from 'sirv';
import type { DataSource, EntityManager } from 'typeorm';
import { isLoopback } from './config';
import type { BackupService } from './features/backup/BackupService';
import { backupRoutes } from './features/backup/backupRoutes';
import { choicesRoutes } from './features/choices/choicesRoutes';
import { authorOf, History } from './features/history/History';
import { historyRoutes } from './features/history/historyRoutes';
import { createJobsService, jobsRoutes } from './features/jobs/jobsRoutes';
import { StateCache } from './features/jobs/StateCache';
import { labelsRoutes } from './features/labels/labelsRoutes';
import { libraryRoutes } from './features/library/libraryRoutes';
import { partsRoutes } from './features/library/partsRoutes';
import { listsRoutes } from './features/lists/listsRoutes';
import type { ChangeFeed } from './features/live/ChangeFeed';
import { liveRoutes } from './features/live/liveRoutes';
import { openingsRoutes } from './features/openings/openingsRoutes';
import { createCuttingService, createOrdersService, ordersRoutes } from './features/orders/ordersRoutes';
import { peopleRoutes } from './features/people/peopleRoutes';
import type { PictureFiles } from './features/photos/PictureFiles';
import { photosRoutes } from './features/photos/photosRoutes';
import { type Demo, FirstStart } from './features/sessions/FirstStart';
import { Guesses } from './features/sessions/Guesses';
import { SessionsService } from './features/sessions/SessionsService';
import { authenticate, sessionsRoutes } from './features/sessions/sessionsRoutes';
import { settingsRoutes } from './features/settings/settingsRoutes';
import { shelfRoutes } from './features/shelf/shelfRoutes';
import { shopFileRoutes } from './features/shopFile/shopFileRoutes';
import { tablesRoutes } from './features/tables/tablesRoutes';
import { vehiclesRoutes } from './features/vehicles/vehiclesRoutes';
import { weekRoutes } from './features/week/weekRoutes';
import { workRoutes } from './features/work/workRoutes';
import type { Actor } from './http/Actor';
import { allowedHosts } from './http/allowedHosts';
import { guard } from './http/guard';
import { Hold } from './http/Hold';
import { heardStreams } from './http/heardStreams';
import { problemHandler, unknownPath } from './http/problemHandler';
import { sameOrigin } from './http/sameOrigin';
import type { RunTask } from './tasks/tasks';
import type { WorkQueue } from './work/WorkQueue';

export type AppDeps = {
  readonly db: DataSource;
  /** The same database for what takes long, on connections of its own. */
  readonly heavy: DataSource;
  readonly log: Logger;
  readonly now: () => Date;
  readonly newId: () => string;
  /** Runs what takes long and needs no database. */
  readonly runTask: RunTask;
  /** Of the login under which tasks open the database by themselves. */
  readonly appUrl: string;
  /** The built web application; none in server tests. */
  readonly webDir: string | null;
  /** What is usual for each body. */
  readonly templates: readonly ListedTemplate[];
  /** What a shop has from its first day; none where the program came without. */
  readonly goods?: PartsFile | null;
  /** The demo shop, where it may run. */
  readonly demo: Demo | null;
  /** Tells open screens what others change; none where no screen is open. */
  readonly feed?: ChangeFeed | null;
  /** None where no folder for them is set. */
  readonly backups?: BackupService | null;
  /** None where no folder for them is set. */
  readonly pictures?: PictureFiles | null;
  /** Work outside requests; none where no backups are made. */
  readonly work?: WorkQueue | null;
  /** Held while another database takes the shop's place. */
  readonly hold?: Hold;
  /** Names under which the shop answers besides the addresses of this machine. */
  readonly allowedHosts?: readonly string[];
  /** Proxies that are believed what they say of the client. */
  readonly trustedProxies?: readonly string[];
};

/** An opening's record is a few kB; a hundred times that is a mistake. */
const BODY_LIMIT = '256kb';
/** A whole shop with years of history and some hundred photos; a backup holds any number of them. */
const SHOP_FILE_LIMIT = '400mb';
/** A year, as is usual (RFC 6797 leaves it to the site). */
const HSTS = `max-age=${365 * 86_400}`;

export function createApp({
  db,
  heavy,
  log,
  now,
  newId,
  runTask,
  appUrl,
  webDir,
  templates,
  goods = null,
  demo,
  feed = null,
  backups = null,
  pictures = null,
  work = null,
  hold = new Hold(),
  allowedHosts: names = [],
  trustedProxies = [],
}: AppDeps): Express {
  const app = express();
  app.disable('x-powered-by');
  // Forwarded headers are what anybody can write; only a proxy that was named is believed.
  app.set('trust proxy', trustedProxies.length > 0 ? [...trustedProxies] : false);
  app.locals.hold = hold;
  app.use(heardStreams);
  app.use(
    pinoHttp({
      logger: log,
      // An address that a calendar reads is a secret.
      autoLogging: {
        ignore: ({ url }) => !url?.startsWith('/api/') || url === '/api/health' || url.startsWith(FEED_ROOT),
      },
      // A log is read by more people than may sign in.
      redact: ['req.headers.cookie', 'res.headers["set-cookie"]', 'err.parameters'],
    }),
  );
  app.use(
    helmet({
      contentSecurityPolicy: {
        // The application may be served over plain http: no upgrade. Positions of drawings and of Radix' layers are set as
        // inline styles by script.
        directives: {
          'upgrade-insecure-requests': null,
          'style-src': ["'self'", "'unsafe-inline'"],
          'worker-src': ["'self'"],
          // Photos that wait on the device are shown from there.
          'img-src': ["'self'", 'data:', 'blob:'],
        },
      },
      // These two mean something to a browser only where nobody on the way can have changed them: below.
      strictTransportSecurity: false,
      crossOriginOpenerPolicy: false,
    }),
  );
  app.use((request, response, next) => {
    // A browser that once came in by https never again sends a password in the open.
    if (request.secure) response.setHeader('Strict-Transport-Security', HSTS);
    if (request.secure || isLoopback(request.hostname)) {
      response.setHeader('Cross-Origin-Opener-Policy', 'same-origin');
    }
    next();
  });
  app.use(allowedHosts(names));
  // A stream that is pressed together arrives when it is over.
  app.use(
    compression({ filter: (request, response) => request.path !== LIVE_PATH && compression.filter(request, response) }),
  );
  app.get('/api/health', guard('anybody'), async (_request, response) => {
    hold.requireOpen();
    await db.query('SELECT 1');
    response.setHeader('Cache-Control', 'no-store');
    response.json({ ok: true });
  });
  const program = webDir && programIn(webDir);
  app.use('/api', sameOrigin, (_request, response, next) => {
    hold.requireOpen();
    response.setHeader('Cache-Control', 'no-store');
    if (program) response.setHeader(PROGRAM_HEADER, program);
    next();
  });
  const sessions = new SessionsService(db, now, newId, new Guesses(db, now));
  app.use('/api', authenticate(sessions));
  // Only who may bring a shop in has so much read.
  app.use(importShop.path, guard(importShop.permission), express.json({ limit: SHOP_FILE_LIMIT }));
  app.use(importParts.path, guard(importParts.permission), express.json({ limit: `${MOST_IMPORT_MB}mb` }));
  app.use('/api', express.json({ limit: BODY_LIMIT }));
  const router = express.Router();
  sessionsRoutes(router, sessions, new FirstStart(db, now, newId, demo, goods));
  const openHistory = (manager: EntityManager, actor: Actor) => new History(manager, authorOf(actor), now(), newId());
  peopleRoutes(router, db, newId, openHistory);
  settingsRoutes(router, db, openHistory);
  partsRoutes(router, db, heavy, newId, openHistory);
  listsRoutes(router, { db, heavy, appUrl, runTask, work, now, newId, openHistory });
  vehiclesRoutes(router, db, templates, newId, openHistory);
  const jobs = createJobsService(db.manager, new StateCache());
  jobsRoutes(router, db, jobs, newId, templates, openHistory);
  openingsRoutes(router, db, newId, openHistory);
  choicesRoutes(router, db, openHistory);
  photosRoutes(router, db, pictures, newId, openHistory);
  shelfRoutes(router, db, newId, openHistory);
  labelsRoutes(router, db);
  tablesRoutes(router, heavy, jobs, runTask);
  historyRoutes(router, db, heavy, openHistory);
  libraryRoutes(router, db, openHistory);
  liveRoutes(router, feed, sessions);
  backupRoutes(router, db, backups, work);
  workRoutes(router, work);
  shopFileRoutes(router, db, heavy, backups, pictures);
  const orders = createOrdersService(db.manager, jobs, now);
  ordersRoutes(router, orders, createCuttingService(db.manager, jobs, runTask));
  weekRoutes(router, db.manager, orders, now);
  app.use(router);
  app.use('/api', unknownPath);

  if (webDir) serveWeb(app, webDir);
  app.use(unknownPath);
  app.use(problemHandler);
  return app;
}

/** The name of a built file holds what is in it. */
const YEAR_S = 365 * 24 * 3600;

/** Another page, with other scripts in it, is another program. */
function programIn(webDir: string): string {
  const page = readFileSync(path.join(webDir, 'index.html'));
  return createHash('sha256').update(page).digest('hex').slice(0, 16);
}

function serveWeb(app: Express, webDir: string): void {
  // As the build pressed them together: a browser that loads a screen asks for twenty.
  app.use('/assets', sirv(path.join(webDir, 'assets'), { brotli: true, gzip: true, immutable: true, maxAge: YEAR_S }));
  app.use(express.static(webDir, { index: false }));
  // Any other page is the application; a missing asset is not.
  app.get('/{*path}', guard('anybody'), (request, response, next) => {
    if (request.path.startsWith('/assets/')) return next();
    response.setHeader('Cache-Control', 'no-cache');
    response.sendFile('index.html', { root: webDir });
  });
}
