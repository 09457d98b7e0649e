/** Opens the database, brings it up to date, loads the demo shop into a new one, and serves. */
import { randomUUID } from 'node:crypto';
import type { AddressInfo } from 'node:net';
import { setTimeout as sleep } from 'node:timers/promises';
import { type Logger, pino } from 'pino';
import type { DataSource } from 'typeorm';
import { createApp } from './app';
import { readConfig } from './config';
import { createDataSource } from './db/dataSource';
import { loadDemo, resetDemo } from './demo/loadDemo';
import { ShopStore } from './features/shop/ShopStore';
import { isDatabaseAway } from './http/isDatabaseAway';

const HOST = '127.0.0.1';
const CLOSE_TIMEOUT_MS = 5000;
/** A database that is only just starting, or a busy machine, is waited for so long. */
const CONNECT_PATIENCE_MS = 30_000;
const CONNECT_AGAIN_MS = 500;

async function main(): Promise<void> {
  const config = readConfig(process.env);
  const log = pino({ level: config.logLevel });
  const db = createDataSource(config.databaseUrl);
  await connect(db, log);
  await db.runMigrations();
  const identity = { now: () => new Date(), newId: randomUUID };
  if (process.argv.includes('--reset-demo')) {
    await resetDemo(db, config.demoDir, identity);
    log.info('The demo shop is as new.');
    await db.destroy();
    return;
  }
  if (!(await new ShopStore(db.manager).find())) {
    await loadDemo(db, config.demoDir, identity);
    log.info('The database is new: the demo shop was loaded.');
  }

  const server = createApp({ db, log, ...identity, webDir: config.webDir }).listen(config.port, HOST);
  await new Promise<void>((resolve, reject) => {
    server.once('listening', resolve);
    server.once('error', reject);
  });
  const url = `http://${HOST}:${(server.address() as AddressInfo).port}`;
  log.info({ url }, 'listening');
  process.send?.({ listening: url });

  let closing = false;
  const close = async () => {
    if (closing) return;
    closing = true;
    // Browsers keep connections open; those without a request on them are closed at once, the others get some time.
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
