/** A throw-away PostgreSQL, and what tests and benchmarks are told of it. */
import { chmodSync, mkdtempSync, rmSync, statfsSync } from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { startPostgres } from './postgres.mjs';
import { DEMO_DIR, SERVER_MAIN, STARTER_DIR, WEB_DIST } from './project.mjs';

/** Linux's file system in memory: each test's database is some 300 files, which took 350 ms to make on a disk, and 20 here. */
const IN_MEMORY = '/dev/shm';
/** What a whole run leaves there at most, and more; bytes. */
const ROOM = 6 * 2 ** 30;

function memoryDir() {
  try {
    const { bavail, bsize } = statfsSync(IN_MEMORY);
    return bavail * bsize > ROOM ? IN_MEMORY : os.tmpdir();
  } catch {
    return os.tmpdir();
  }
}

/**
 * @param work is given the environment for test runners, and a folder for what they leave; both are gone afterwards
 * @param options `inMemory`: not on a disk, where there is room for it; what is measured is measured on a disk
 * @returns what the work gives
 */
export async function withTestCluster(work, { inMemory = false } = {}) {
  const dir = mkdtempSync(path.join(inMemory ? memoryDir() : os.tmpdir(), 'low-quarry-test-'));
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
