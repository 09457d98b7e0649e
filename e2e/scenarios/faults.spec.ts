/**
 * Faults, tried for real: what was acknowledged is there afterwards, once, and the history has no gap. `npm run faults` runs
 * these with many more writes and prints the figures of docs/reliability.md.
 */
import { randomBytes } from 'node:crypto';
import { chmodSync, mkdtempSync, rmSync } from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { setTimeout as sleep } from 'node:timers/promises';
import { tellFigures } from '../driver/figures';
import { type Cluster, Shop } from '../driver/Shop';
import { expect, test } from '../driver/test';
import { type Figures, Writers } from '../driver/Writers';

const TIMES = Number(process.env.LQ_FAULT_TIMES ?? 1);
const PEOPLE = 8;
// A few in the tests, which run often; many in `npm run faults`.
const EACH = TIMES === 1 ? 8 : 38 * TIMES;
const FAULTS = TIMES === 1 ? 2 : 4 * TIMES;

test.describe.configure({ mode: 'serial', ...(TIMES > 1 ? { timeout: 30 * 60_000 } : {}) });

function tell(what: string, faults: number, figures: Figures): void {
  tellFigures({ what, faults, ...figures });
}

/** Disturbs until the writing is done; at least once, however quick it is. */
async function whileWriting(writers: Writers, disturb: () => Promise<void>): Promise<number> {
  let done = false;
  let faults = 0;
  const writing = writers.write(PEOPLE, EACH).finally(() => {
    done = true;
  });
  // A failure is told below, after the fault that is going on: so that what was started is also stopped.
  writing.catch(() => {});
  while (faults === 0 || (!done && faults < FAULTS)) {
    await sleep(200 + Math.random() * 500);
    await disturb();
    faults++;
  }
  await writing;
  return faults;
}

type Started = Record<keyof Cluster, (database: string) => string>;

function clusterOf({ adminUrl, ownerUrl, appUrl }: Started): Cluster {
  return { adminUrl: adminUrl('postgres'), ownerUrl: ownerUrl('postgres'), appUrl: appUrl('postgres') };
}

/** What a killed PostgreSQL leaves running holds its memory for a moment: as the shop's own script does, it is tried again. */
async function startAgain<Cluster>(start: () => Promise<Cluster>): Promise<Cluster> {
  for (let tries = 1; ; tries++) {
    try {
      return await start();
    } catch (error) {
      if (tries === 20) throw error;
      await sleep(500);
    }
  }
}

function expectWhole(figures: Figures): void {
  expect(figures).toMatchObject({ lost: 0, doubled: 0, misattributed: 0, gaps: 0 });
  expect(figures.acknowledged).toBe(figures.tried);
  expect(figures.tried).toBeGreaterThanOrEqual(PEOPLE * EACH);
}

test('the server is killed again and again while eight people write', async ({ shop }) => {
  const writers = await Writers.comeIn(shop);
  const faults = await whileWriting(writers, async () => {
    await shop.kill();
    await shop.start();
  });
  const figures = await writers.count();
  tell('server killed (SIGKILL)', faults, figures);
  expectWhole(figures);
});

test('PostgreSQL is killed and started again while eight people write', async () => {
  const { startPostgres } = await import(path.resolve('scripts/lib/postgres.mjs'));
  const dir = mkdtempSync(path.join(os.tmpdir(), 'low-quarry-faults-'));
  chmodSync(dir, 0o755);
  // Durable: what is acknowledged must be on the disk.
  let cluster = await startPostgres({ dir, durable: true });
  const name = `lq_faults_${randomBytes(4).toString('hex')}`;
  await cluster.createDatabase(name);
  const shop = new Shop(name, clusterOf(cluster));
  try {
    await shop.start();
    const writers = await Writers.comeIn(shop);
    const faults = await whileWriting(writers, async () => {
      await cluster.kill();
      cluster = await startAgain(() => startPostgres({ dir, durable: true, port: cluster.port }));
    });
    const figures = await writers.count();
    tell('PostgreSQL killed (SIGKILL) and restarted', faults, figures);
    expectWhole(figures);
  } finally {
    await shop.kill();
    await cluster.stop();
    rmSync(dir, { recursive: true, force: true });
  }
});

test('connections are cut while eight people write', async ({ shop }) => {
  const writers = await Writers.comeIn(shop);
  const faults = await whileWriting(writers, async () => {
    await shop.stopDatabase();
    await sleep(300);
    await shop.startDatabase();
  });
  const figures = await writers.count();
  tell('database connections cut', faults, figures);
  expectWhole(figures);
});

test('every connection of the pool is held up: others are told to come again, and afterwards everything is there', async ({
  shop,
}) => {
  const writers = await Writers.comeIn(shop);
  const told = await shop.inDatabase(async (client) => {
    await client.query('BEGIN');
    await client.query('LOCK TABLE "opening" IN ACCESS EXCLUSIVE MODE');
    // More than the pool has connections; each waits for the lock.
    const held = Array.from({ length: 15 }, () => writers.listJobs());
    const writing = writers.write(30, 2);
    await sleep(1000);
    const statuses = await Promise.all(
      Array.from({ length: 5 }, () => fetch(`${shop.url}/api/health`).then(({ status }) => status)),
    );
    await client.query('COMMIT');
    await Promise.all([...held, writing]);
    return statuses;
  });
  // Nobody waits without an end: each is answered, or told to come again.
  for (const status of told) expect([200, 503]).toContain(status);
  expect((await fetch(`${shop.url}/api/health`)).status).toBe(200);
  const figures = await writers.count();
  tell('connection pool full', 1, figures);
  expect(figures).toMatchObject({ lost: 0, doubled: 0, gaps: 0, acknowledged: figures.tried });
});
