/** What start, dev, reset-demo, backup and restore share: the shop's own database, and a lock so that only one of them uses it. */
import { mkdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import path from 'node:path';
import { setTimeout as sleep } from 'node:timers/promises';
import { findBinaries, runningPostgres, startPostgres } from './postgres.mjs';
import { DATA_DIR, Stop, say } from './project.mjs';

const LOCK = path.join(DATA_DIR, 'in-use');

/** Beside the database, so that a copy of the data folder has them too. */
const BACKUP_DIR = process.env.LQ_BACKUP_DIR ?? path.join(DATA_DIR, 'backups');
const PHOTO_DIR = process.env.LQ_PHOTO_DIR ?? path.join(DATA_DIR, 'photos');

/** What a server is told of the shop's database and of where backups and photos go. */
export function shopEnv(database) {
  const binDir = process.env.LQ_PG_BIN ?? findBinaries();
  return {
    DATABASE_URL: database.ownerUrl,
    ...(database.appUrl ? { LQ_APP_DATABASE_URL: database.appUrl } : {}),
    LQ_BACKUP_DIR: BACKUP_DIR,
    LQ_PHOTO_DIR: PHOTO_DIR,
    ...(binDir ? { LQ_PG_BIN: binDir } : {}),
  };
}

/** The shop's database whether a shop is running on it or not; only for what a running shop is not disturbed by. */
export async function reachShopDatabase() {
  if (!process.env.DATABASE_URL && isInUse()) {
    const running = await runningPostgres(DATA_DIR);
    if (running) return { ...addressesIn(running), stop: async () => {} };
  }
  return openShopDatabase();
}

/** The shop is to be back within seconds: the first try follows at once, and each failed one is followed a little later. */
const RESTART_MS = 100;
const SLOWEST_RESTART_MS = 10_000;

const NAME = 'lowquarry';

function addressesIn(cluster) {
  return { ownerUrl: cluster.ownerUrl(NAME), appUrl: cluster.appUrl(NAME) };
}

/**
 * The database to work with: the one of DATABASE_URL, or the private one of the data folder. Should the private one end
 * by itself, it is started again on the same port, so that server and pages find it where it was.
 */
export async function openShopDatabase() {
  if (process.env.DATABASE_URL) return { ownerUrl: process.env.DATABASE_URL, stop: async () => {} };
  const unlock = lock();
  let stopping = false;
  let cluster = null;
  let restarting = Promise.resolve();
  const start = async (port) => {
    cluster = await startPostgres({ dir: DATA_DIR, durable: true, port });
    cluster.onExit(() => {
      if (!stopping) restarting = restart(cluster.port);
    });
  };
  const restart = async (port) => {
    say('The database stopped. Starting it again …');
    for (let wait = RESTART_MS; !stopping; wait = Math.min(wait * 2, SLOWEST_RESTART_MS)) {
      await sleep(wait);
      try {
        if (!stopping) await start(port);
        return;
      } catch (error) {
        say(error.message);
      }
    }
  };
  try {
    await start(undefined);
    await cluster.createDatabase(NAME);
  } catch (error) {
    stopping = true;
    await cluster?.stop();
    unlock();
    throw error;
  }
  const stop = async () => {
    stopping = true;
    await restarting;
    await cluster.stop();
    unlock();
  };
  return { ...addressesIn(cluster), stop };
}

function lock() {
  mkdirSync(DATA_DIR, { recursive: true });
  for (;;) {
    try {
      writeFileSync(LOCK, String(process.pid), { flag: 'wx' });
      return () => rmSync(LOCK, { force: true });
    } catch (error) {
      if (error.code !== 'EEXIST') throw error;
      const pid = Number(readFileSync(LOCK, 'utf8'));
      if (isRunning(pid))
        throw new Stop(
          `Low Quarry is already running on ${DATA_DIR} (process ${pid}). Stop it first, or set LQ_DATA_DIR to another folder.`,
        );
      rmSync(LOCK, { force: true });
    }
  }
}

function isInUse() {
  try {
    return isRunning(Number(readFileSync(LOCK, 'utf8')));
  } catch {
    return false;
  }
}

/** Alive, and one of our scripts: a pid may have been given to another program since. */
function isRunning(pid) {
  try {
    process.kill(pid, 0);
    const command = readFileSync(`/proc/${pid}/cmdline`, 'utf8');
    return /scripts\/(start|dev|reset-demo|backup|restore)\.mjs/.test(command);
  } catch {
    return false;
  }
}
