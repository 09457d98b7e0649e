/** Brings the database up to date as its owner, then serves as a role that may do less. */
import { randomUUID } from 'node:crypto';
import type { Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import path from 'node:path';
import { setTimeout as sleep } from 'node:timers/promises';
import { type Logger, pino } from 'pino';
import type { DataSource } from 'typeorm';
import { createApp } from './app';
import { type Config, isLoopback, readConfig } from './config';
import { makeAppLogin, prepareAppRole } from './db/appRole';
import { createDataSource, createOwnerDataSource } from './db/dataSource';
import { OnlyServer } from './db/OnlyServer';
import { requireKnownSchema } from './db/requireKnownSchema';
import type { Addresses } from './db/ShopDatabases';
import { prepareWorkQueue } from './db/workQueue';
import { readDemoPeople } from './demo/demoFiles';
import { addDemoPeople, type Demo, type Identity, loadDemo, resetDemo } from './demo/loadDemo';
import { BackupService } from './features/backup/BackupService';
import { NightWatch } from './features/backup/NightWatch';
import { createRunners } from './features/backup/runners';
import { type Open, ShopReplacement } from './features/backup/ShopReplacement';
import { readGoods } from './features/library/readGoods';
import { ChangeFeed } from './features/live/ChangeFeed';
import { PictureFiles } from './features/photos/PictureFiles';
import { SettingsStore } from './features/settings/SettingsStore';
import { readTemplates } from './features/vehicles/readTemplates';
import { createServer } from './http/createServer';
import { Hold } from './http/Hold';
import { isDatabaseAway } from './http/isDatabaseAway';
import { runInThread } from './tasks/inThread';
import { WorkQueue } from './work/WorkQueue';

const CLOSE_TIMEOUT_MS = 3000;
const END_TIMEOUT_MS = 8000;
/** Another than that of a wrong setting: the script that started the server starts it again. */
const FAULT_EXIT = 70;
/** A database that is only just starting, or a busy machine, is waited for so long. */
const CONNECT_PATIENCE_MS = 30_000;
const CONNECT_AGAIN_MS = 500;

async function main(): Promise<void> {
  const config = readConfig(process.env);
  const log = pino({ level: config.logLevel });
  const identity = { now: () => new Date(), newId: randomUUID };
  const pictures = config.photoDir === null ? null : new PictureFiles(config.photoDir);
  const source: Demo = { dir: config.demoDir, templates: await readTemplates(config.starterDir, log), pictures };
  const appUrl = await prepareDatabase(config, source, log, identity);
  const addresses = { ownerUrl: config.databaseUrl, appUrl };
  const wish = process.argv[2];
  if (wish === '--reset-demo') return;
  if (wish === '--backup' || wish === '--restore')
    return backUpOrRestore(config, pictures, addresses, log, identity.now);

  const only = new OnlyServer(appUrl, log);
  await only.start();
  const db = createDataSource(appUrl);
  const heavy = createDataSource(appUrl, 'heavy');
  await connect(db, log);
  await connect(heavy, log);
  const demo = {
    signIns: () => readDemoPeople(config.demoDir),
    load: async () => {
      await loadDemo(db, source, identity);
      process.send?.({ demoSignIns: await readDemoPeople(config.demoDir) });
    },
  };
  const shop = await new SettingsStore(db.manager).findWithKind();
  if (!isLoopback(config.host)) requireRealOwner(config.host, shop);
  else if (!shop && config.startsDemo) await loadDemo(db, source, identity);
  else if (shop?.isDemo) await addDemoPeople(db, config.demoDir, identity);

  const feed = new ChangeFeed(db, appUrl, log);
  await feed.start();
  const services: Service[] = [only, feed];
  const hold = new Hold();
  const replacement = new ShopReplacement(
    addresses,
    hold,
    openingOf([db, heavy], services, log),
    isLoopback(config.host),
    log,
  );
  const backups = backupsOf(config, pictures, addresses, replacement, identity.now);
  await backups?.cleanUp();
  await pictures?.cleanUp();
  const work =
    backups &&
    new WorkQueue({ db, appUrl, log, ...identity }, createRunners({ db, hold, backups, pictures, ...identity }));
  if (work) services.push(work);
  await work?.start();
  const nightWatch = backups && work ? new NightWatch({ db, backups, work, log, ...identity }) : null;
  nightWatch?.start();
  const app = createApp({
    feed,
    backups,
    pictures,
    work,
    db,
    heavy,
    hold,
    log,
    ...identity,
    runTask: runInThread,
    webDir: config.webDir,
    templates: source.templates,
    goods: await readGoods(config.starterDir, log),
    demo: isLoopback(config.host) ? demo : null,
    allowedHosts: config.allowedHosts,
    trustedProxies: config.trustedProxies,
  });
  const server = createServer(app, config.tls);
  const close = closing(server, async () => {
    nightWatch?.stop();
    await work?.stop();
    await feed.stop();
    for (const each of [db, heavy]) await each.destroy().catch(() => {});
    await only.stop();
    log.info('closed');
  });
  await listen(server, config);
  const isDemo = (await new SettingsStore(db.manager).findWithKind())?.isDemo ?? false;
  const url = urlOf(server, config);
  log.info({ url }, 'listening');
  process.send?.({ listening: url, demoSignIns: isDemo ? await demo.signIns() : null });
  for (const signal of ['SIGTERM', 'SIGINT'] as const) process.on(signal, () => void close(0));
  // The script that started this server is gone: nobody is left to stop it.
  process.on('disconnect', () => void close(0));
  // What nobody foresaw may have left anything half done: it is written down, and another process goes on.
  for (const event of ['uncaughtException', 'unhandledRejection'] as const) {
    process.on(event, (error) => {
      log.fatal({ err: error }, 'a fault that nobody caught; the server ends and is started again');
      void close(FAULT_EXIT);
    });
  }
}

type Service = { readonly start: () => Promise<void>; readonly stop: () => Promise<void> };

/** What has the shop's database open, so that another can take its place. */
function openingOf(databases: readonly DataSource[], services: readonly Service[], log: Logger): Open {
  return {
    close: async () => {
      for (const each of [...services].reverse()) await each.stop();
      for (const each of databases) await each.destroy();
    },
    open: async () => {
      try {
        for (const each of databases) await connect(each, log);
        for (const each of services) await each.start();
      } catch (error) {
        // Without its database this process is of no use: it ends, and the next one finds what there is.
        setImmediate(() => {
          throw error;
        });
      }
    },
  };
}

function backupsOf(
  { backupDir, postgresDir }: Config,
  pictures: PictureFiles | null,
  { appUrl }: Addresses,
  replacement: ShopReplacement,
  now: () => Date,
): BackupService | null {
  return backupDir === null
    ? null
    : new BackupService({ dir: backupDir, binDir: postgresDir, appUrl, pictures }, replacement, now);
}

/** What `npm run backup` and `npm run restore` ask for. */
async function backUpOrRestore(
  config: Config,
  pictures: PictureFiles | null,
  addresses: Addresses,
  log: Logger,
  now: () => Date,
): Promise<void> {
  const [wish, file] = process.argv.slice(2);
  const only = new OnlyServer(addresses.appUrl, log);
  const onlyOpen: Open = { close: () => only.stop(), open: () => only.start() };
  const replacement = new ShopReplacement(addresses, new Hold(), onlyOpen, isLoopback(config.host), log);
  const backups = backupsOf(config, pictures, addresses, replacement, now);
  // A server that is at work restores by itself: asked on its page, it holds back what is written meanwhile.
  if (wish === '--restore') await only.start();
  if (!backups || !config.backupDir) throw new Error('LQ_BACKUP_DIR is not set: it says where backups are.');
  if (wish === '--backup') {
    const { name, bytes } = await backups.make('asked');
    process.stdout.write(`${path.join(config.backupDir, name)} (${bytes} bytes)\n`);
  } else if (file) {
    const { manifest, keptAs, findings } = await backups.restore(file);
    for (const finding of findings) process.stdout.write(`Look at this: ${finding}.\n`);
    process.stdout.write(
      `The shop "${manifest.shopName}" is what it was on ${manifest.madeAt}. What was there before is kept as ${path.join(config.backupDir, keptAs)}.\n`,
    );
  } else throw new Error('Which backup? Give its file: npm run restore -- FILE');
  await only.stop();
}

/**
 * Brings the database up to date as its owner, and makes the demo shop anew where that is asked.
 *
 * @returns the address of the login under which the server works
 */
async function prepareDatabase(config: Config, demo: Demo, log: Logger, identity: Identity): Promise<string> {
  const owner = createOwnerDataSource(config.databaseUrl);
  await connect(owner, log);
  try {
    await requireKnownSchema(owner);
    await owner.runMigrations();
    const appUrl = config.appDatabaseUrl ?? (await makeAppLogin(owner, config.databaseUrl));
    await prepareAppRole(owner, appUrl);
    await prepareWorkQueue(config.databaseUrl, appUrl);
    if (process.argv[2] === '--reset-demo') {
      await resetDemo(owner, demo, identity);
      log.info('The demo shop is as new.');
    }
    return appUrl;
  } finally {
    await owner.destroy();
  }
}

/** Others may reach the shop only when they cannot come in with what everybody knows, or become its owner. */
function requireRealOwner(host: string, shop: { readonly isDemo: boolean } | null): void {
  const why = shop
    ? 'this is the demo shop, and its passwords are known to everybody'
    : 'the shop has no owner yet, and whoever came first would become it';
  if (shop && !shop.isDemo) return;
  throw new Error(
    `LQ_HOST=${host} would let others in, and ${why}. Start without LQ_HOST, make the owner's account of your own shop, and then set it.`,
  );
}

async function listen(server: Server, { port, host }: Config): Promise<void> {
  server.listen(port, host);
  await new Promise<void>((resolve, reject) => {
    server.once('listening', resolve);
    server.once('error', reject);
  });
}

function urlOf(server: Server, { host, tls }: Config): string {
  const { port } = server.address() as AddressInfo;
  return `${tls ? 'https' : 'http'}://${host.includes(':') ? `[${host}]` : host}:${port}`;
}

/**
 * Ends the process in order: what is under way gets some time, and then everything ends, whoever still holds a connection.
 */
function closing(server: Server, closeRest: () => Promise<void>): (exitCode: number) => Promise<void> {
  let isClosing = false;
  return async (exitCode) => {
    if (isClosing) return;
    isClosing = true;
    setTimeout(() => process.exit(exitCode), END_TIMEOUT_MS).unref();
    // Browsers keep connections open; those without a request on them are closed at once, the others get some time.
    server.closeIdleConnections();
    const late = setTimeout(() => server.closeAllConnections(), CLOSE_TIMEOUT_MS);
    const closed = new Promise((resolve) => server.close(resolve));
    await closeRest().catch(() => {});
    await closed;
    clearTimeout(late);
    process.exit(exitCode);
  };
}

async function connect(db: DataSource, log: Logger): Promise<void> {
  const until = Date.now() + CONNECT_PATIENCE_MS;
  for (;;) {
    try {
      if (!db.isInitialized) await db.initialize();
      return;
    } catch (error) {
      if (!isDatabaseAway(error) || Date.now() > until) throw error;
      log.warn('The database does not answer yet.');
      await sleep(CONNECT_AGAIN_MS);
    }
  }
}

main().catch((error: unknown) => {
  const failure = error instanceof Error ? error : new Error(String(error));
  process.stderr.write(`Low Quarry could not start: ${failure.message || failure.name}\n`);
  pino({ level: process.env.LOG_LEVEL ?? 'info' }).debug({ err: failure });
  process.exitCode = 1;
  if (process.connected) process.disconnect();
  setTimeout(() => process.exit(1), 100).unref();
});
