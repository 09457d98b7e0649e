/** A throw-away PostgreSQL, and what tests and benchmarks are told of it. */
import { chmodSync, mkdtempSync, rmSync } from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { startPostgres } from './postgres.mjs';
import { DEMO_DIR, SERVER_MAIN, STARTER_DIR, WEB_DIST } from './project.mjs';

/**
 * @param work is given the environment for test runners, and a folder for what they leave; both are gone afterwards
 * @returns what the work gives
 */
export async function withTestCluster(work) {
  const dir = mkdtempSync(path.join(os.tmpdir(), 'low-quarry-test-'));
  chmodSync(dir, 0o755);
  const cluster = await startPostgres({ dir, durable: false });
  const env = {
    ...process.env,
    LQ_TEST_DATABASE_URL: cluster.adminUrl('postgres'),
    LQ_TEST_OWNER_URL: cluster.ownerUrl('postgres'),
    LQ_TEST_APP_URL: cluster.appUrl('postgres'),
    LQ_PG_BIN: cluster.binDir,
    LQ_DEMO_DIR: DEMO_DIR,
    LQ_STARTER_DIR: STARTER_DIR,
    LQ_WEB_DIR: WEB_DIST,
    LQ_SERVER_MAIN: SERVER_MAIN,
    LQ_TEST_RESULTS: dir,
  };
  // Ctrl-C ends the test runners by itself, being sent to all of them; the database is ended here.
  for (const signal of ['SIGINT', 'SIGTERM']) process.once(signal, () => void cluster.stop());
  try {
    return await work(env, dir);
  } finally {
    await cluster.stop();
    rmSync(dir, { recursive: true, force: true });
  }
}
