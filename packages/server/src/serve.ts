/** Serves one shop: everything that has its database open, and the order in which it is opened and closed. */
import { randomUUID } from 'node:crypto';
import type { Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { type Logger, pino } from 'pino';
import type { DataSource } from 'typeorm';
import { createApp } from './app';
import { type Config, isLoopback, readConfig } from './config';
import { connect } from './db/connect';
import { createDataSource } from './db/dataSource';
import { OnlyServer } from './db/OnlyServer';
import { prepareDatabase } from './db/prepareDatabase';
import type { Addresses } from './db/ShopDatabases';
import { readDemoPeople } from './demo/demoFiles';
import { addDemoPeople, type Demo, type Identity, loadDemo } from './demo/loadDemo';
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
import { runBeside, runInThread } from './tasks/inThread';
import { WorkQueue } from './work/WorkQueue';

const CLOSE_TIMEOUT_MS = 3000;

export const identity: Identity = { now: () => new Date(), newId: randomUUID };

type DemoSignIns = Awaited<ReturnType<typeof readDemoPeople>>;

export type Served = {
  readonly url: string;
  /** Who may come in to the demo shop; null where the shop is somebody's own. */
  readonly demoSignIns: DemoSignIns | null;
  /** In order: what is under way gets some time, and then everything ends, whoever still holds a connection. */
  readonly close: () => Promise<void>;
};

export async function demoOf(config: Config, log: Logger): Promise<Demo> {
  const pictures = config.photoDir === null ? null : new PictureFiles(config.photoDir);
  return {
    dir: config.demoDir,
    goods: config.demoHasTrade ? await readGoods(config.starterDir, log) : null,
    templates: await readTemplates(config.starterDir, log),
    pictures,
  };
}

/** The same, told by an environment. */
export function serveFrom(env: NodeJS.ProcessEnv): Promise<Served> {
  const config = readConfig(env);
  return serve(config, pino({ level: config.logLevel }));
}

/**
 * @param onDemo told who may come in when the demo shop is made while the server runs
 * @throws what keeps it from starting: a database that does not answer, others let in to a shop without an owner
 */
export async function serve(config: Config, log: Logger, onDemo?: (signIns: DemoSignIns) => void): Promise<Served> {
  const source = await demoOf(config, log);
  const { pictures } = source;
  const addresses = await prepareDatabase(config, log);
  const only = new OnlyServer(addresses.appUrl, log);
  await only.start();
  const db = createDataSource(addresses.appUrl);
  const heavy = createDataSource(addresses.appUrl, 'heavy');
  await connect(db, log);
  await connect(heavy, log);
  const demo = {
    signIns: () => readDemoPeople(config.demoDir),
    load: async () => {
      await loadDemo(db, source, identity);
      onDemo?.(await readDemoPeople(config.demoDir));
    },
  };
  const shop = await new SettingsStore(db.manager).findWithKind();
  if (!isLoopback(config.host)) requireRealOwner(config.host, shop);
  else if (!shop && config.startsDemo) await loadDemo(db, source, identity);
  else if (shop?.isDemo) await addDemoPeople(db, config.demoDir, identity);

  const feed = new ChangeFeed(db, addresses.appUrl, log);
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
  const backups = backupsOf(config, pictures, addresses, replacement);
  await backups?.cleanUp();
  await pictures?.cleanUp();
  const work =
    backups &&
    new WorkQueue(
      { db, appUrl: addresses.appUrl, log, ...identity },
      createRunners({ db, hold, backups, pictures, appUrl: addresses.appUrl, runBeside, ...identity }),
    );
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
    appUrl: addresses.appUrl,
    webDir: config.webDir,
    templates: source.templates,
    goods: await readGoods(config.starterDir, log),
    demo: isLoopback(config.host) ? demo : null,
    allowedHosts: config.allowedHosts,
    trustedProxies: config.trustedProxies,
  });
  const server = createServer(app, config.tls);
  const closeRest = async () => {
    nightWatch?.stop();
    await work?.stop();
    await feed.stop();
    for (const each of [db, heavy]) await each.destroy().catch(() => {});
    await only.stop();
    log.info('closed');
  };
  await listen(server, config);
  const isDemo = (await new SettingsStore(db.manager).findWithKind())?.isDemo ?? false;
  const url = urlOf(server, config);
  log.info({ url }, 'listening');
  return { url, demoSignIns: isDemo ? await demo.signIns() : null, close: () => closeAll(server, closeRest) };
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

export function backupsOf(
  { backupDir, postgresDir }: Config,
  pictures: PictureFiles | null,
  { appUrl }: Addresses,
  replacement: ShopReplacement,
): BackupService | null {
  return backupDir === null
    ? null
    : new BackupService({ dir: backupDir, binDir: postgresDir, appUrl, pictures }, replacement, identity.now);
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

/** What is under way gets some time; browsers keep connections open, and those without a request on them are closed at once. */
async function closeAll(server: Server, closeRest: () => Promise<void>): Promise<void> {
  server.closeIdleConnections();
  const late = setTimeout(() => server.closeAllConnections(), CLOSE_TIMEOUT_MS);
  const closed = new Promise((resolve) => server.close(resolve));
  await closeRest().catch(() => {});
  await closed;
  clearTimeout(late);
}
