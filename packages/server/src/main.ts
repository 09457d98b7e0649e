/** Brings the database up to date as its owner, then serves as a role that may do less. */
import { randomUUID } from 'node:crypto';
import type { AddressInfo } from 'node:net';
import path from 'node:path';
import { setTimeout as sleep } from 'node:timers/promises';
import { type Logger, pino } from 'pino';
import type { DataSource } from 'typeorm';
import { createApp } from './app';
import { type Config, isLoopback, readConfig } from './config';
import { prepareAppRole } from './db/appRole';
import { createDataSource, createOwnerDataSource } from './db/dataSource';
import { readDemoPeople } from './demo/demoFiles';
import { addDemoPeople, type Identity, loadDemo, resetDemo } from './demo/loadDemo';
import { BackupService } from './features/backup/BackupService';
import { NightWork } from './features/backup/NightWork';
import { ChangeFeed } from './features/live/ChangeFeed';
import { ShopStore } from './features/shop/ShopStore';
import { isDatabaseAway } from './http/isDatabaseAway';

const CLOSE_TIMEOUT_MS = 5000;
/** A database that is only just starting, or a busy machine, is waited for so long. */
const CONNECT_PATIENCE_MS = 30_000;
const CONNECT_AGAIN_MS = 500;

async function main(): Promise<void> {
  const config = readConfig(process.env);
  const log = pino({ level: config.logLevel });
  const identity = { now: () => new Date(), newId: randomUUID };
  if (await backUpOrRestore(config, identity.now)) return;
  const isDone = await prepareDatabase(config, log, identity);
  if (isDone) return;
  const db = createDataSource(config.databaseUrl);
  await connect(db, log);
  const demo = {
    signIns: () => readDemoPeople(config.demoDir),
    load: async () => {
      await loadDemo(db, config.demoDir, identity);
      process.send?.({ demoSignIns: await readDemoPeople(config.demoDir) });
    },
  };
  const shop = await new ShopStore(db.manager).findWithKind();
  if (!isLoopback(config.host)) requireRealOwner(config.host, shop);
  else if (!shop && config.startsDemo) await loadDemo(db, config.demoDir, identity);
  else if (shop?.isDemo) await addDemoPeople(db, config.demoDir, identity);

  const feed = new ChangeFeed(db, config.databaseUrl, log);
  await feed.start();
  const backups = backupsOf(config, identity.now);
  const nightWork = backups && new NightWork(db, backups, log, identity.now, identity.newId);
  nightWork?.start();
  const app = createApp({
    feed,
    backups,
    db,
    log,
    ...identity,
    webDir: config.webDir,
    demo: isLoopback(config.host) ? demo : null,
  });
  const server = app.listen(config.port, config.host);
  await new Promise<void>((resolve, reject) => {
    server.once('listening', resolve);
    server.once('error', reject);
  });
  const url = `http://${config.host.includes(':') ? `[${config.host}]` : config.host}:${(server.address() as AddressInfo).port}`;
  log.info({ url }, 'listening');
  const isDemo = (await new ShopStore(db.manager).findWithKind())?.isDemo ?? false;
  process.send?.({ listening: url, demoSignIns: isDemo ? await demo.signIns() : null });

  let closing = false;
  const close = async () => {
    if (closing) return;
    closing = true;
    // Browsers keep connections open; those without a request on them are closed at once, the others get some time.
    nightWork?.stop();
    await feed.stop();
    server.closeIdleConnections();
    const late = setTimeout(() => server.closeAllConnections(), CLOSE_TIMEOUT_MS);
    await new Promise((resolve) => server.close(resolve));
    clearTimeout(late);
    await db.destroy().catch((error: unknown) => log.warn({ err: error }, 'the database was gone already'));
    log.info('closed');
    if (process.connected) process.disconnect();
  };
  process.on('SIGTERM', close);
  process.on('SIGINT', close);
  // The script that started this server is gone: nobody is left to stop it.
  process.on('disconnect', close);
}

function backupsOf({ backupDir, postgresDir, databaseUrl }: Config, now: () => Date): BackupService | null {
  return backupDir === null ? null : new BackupService({ dir: backupDir, binDir: postgresDir, databaseUrl }, now);
}

/** What `npm run backup` and `npm run restore` ask for; true when that was all. */
async function backUpOrRestore(config: Config, now: () => Date): Promise<boolean> {
  const [wish, file] = process.argv.slice(2);
  if (wish !== '--backup' && wish !== '--restore') return false;
  const backups = backupsOf(config, now);
  if (!backups || !config.backupDir) throw new Error('LQ_BACKUP_DIR is not set: it says where backups are.');
  if (wish === '--backup') {
    const { name, bytes } = await backups.make('asked');
    process.stdout.write(`${path.join(config.backupDir, name)} (${bytes} bytes)\n`);
  } else if (file) {
    const { manifest, keptAs } = await backups.restore(file);
    process.stdout.write(
      `The shop "${manifest.shopName}" is what it was on ${manifest.madeAt}. What was there before is kept as ${path.join(config.backupDir, keptAs)}.\n`,
    );
  } else throw new Error('Which backup? Give its file: npm run restore -- FILE');
  return true;
}

/** Brings the database up to date as its owner; true when that was all that was asked. */
async function prepareDatabase(config: Config, log: Logger, identity: Identity): Promise<boolean> {
  const owner = createOwnerDataSource(config.databaseUrl);
  await connect(owner, log);
  try {
    await owner.runMigrations();
    await prepareAppRole(owner);
    if (!process.argv.includes('--reset-demo')) return false;
    await resetDemo(owner, config.demoDir, identity);
    log.info('The demo shop is as new.');
    return true;
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

async function connect(db: DataSource, log: Logger): Promise<void> {
  const until = Date.now() + CONNECT_PATIENCE_MS;
  for (;;) {
    try {
      await db.initialize();
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
