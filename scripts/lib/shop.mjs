/** What start, dev and reset-demo share: the shop's own database, and a lock so that only one of them uses it. */
import { mkdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import path from 'node:path';
import { startPostgres } from './postgres.mjs';
import { DATA_DIR, Stop } from './project.mjs';

const LOCK = path.join(DATA_DIR, 'in-use');

/** The database to work with: the one of DATABASE_URL, or the private one of the data folder. */
export async function openShopDatabase() {
  if (process.env.DATABASE_URL) return { url: process.env.DATABASE_URL, stop: async () => {}, onExit: () => {} };
  const unlock = lock();
  try {
    const cluster = await startPostgres({ dir: DATA_DIR, durable: true });
    await cluster.createDatabase('lowquarry');
    const stop = async () => {
      await cluster.stop();
      unlock();
    };
    return { url: cluster.url('lowquarry'), stop, onExit: cluster.onExit };
  } catch (error) {
    unlock();
    throw error;
  }
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

/** Alive, and one of our scripts: a pid may have been given to another program since. */
function isRunning(pid) {
  try {
    process.kill(pid, 0);
    const command = readFileSync(`/proc/${pid}/cmdline`, 'utf8');
    return /scripts\/(start|dev|reset-demo)\.mjs/.test(command);
  } catch {
    return false;
  }
}
