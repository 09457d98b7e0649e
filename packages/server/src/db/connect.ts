/** Opens a database that may only just be starting. */
import { setTimeout as sleep } from 'node:timers/promises';
import type { Logger } from 'pino';
import type { DataSource } from 'typeorm';
import { isDatabaseAway } from '../http/isDatabaseAway';

/** A database that is only just starting, or a busy machine, is waited for so long. */
const CONNECT_PATIENCE_MS = 30_000;
const CONNECT_AGAIN_MS = 500;

export async function connect(db: DataSource, log: Logger): Promise<void> {
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
