import { setTimeout as sleep } from 'node:timers/promises';
import { afterAll, beforeAll, expect, test } from '@jest/globals';
import { createTestDatabase, type TestDatabase } from '../testing/testDatabase';
import { createOwnerDataSource } from './dataSource';

let database: TestDatabase;
beforeAll(async () => {
  database = await createTestDatabase({ empty: true });
});
afterAll(() => database.drop());

test('the migrations make just the schema that the entities describe', async () => {
  const { upQueries } = await database.owner.driver.createSchemaBuilder().log();
  expect(upQueries.map(({ query }) => query)).toEqual([]);
});

test('every migration can be undone and done again', async () => {
  for (const _ of database.owner.migrations) await database.owner.undoLastMigration();
  const tables = await database.owner.query(
    `SELECT table_name FROM information_schema.tables WHERE table_schema = 'public'`,
  );
  expect(tables).toEqual([{ table_name: 'migrations' }]);
  await database.owner.runMigrations();
  expect(await database.owner.showMigrations()).toBe(false);
});

test('the database itself refuses a second shop and an opening without a job', async () => {
  await database.owner.query(`INSERT INTO shop (id, settings) VALUES (1, '{}')`);
  await expect(database.owner.query(`INSERT INTO shop (id, settings) VALUES (2, '{}')`)).rejects.toThrow('one_shop');
  const orphan = `INSERT INTO opening (id, job_id, position, record) VALUES (gen_random_uuid(), gen_random_uuid(), 0, '{}')`;
  await expect(database.owner.query(orphan)).rejects.toThrow('opening_of_job');
});

test('a migration that is cut off in the middle leaves nothing behind, and the next start does it whole', async () => {
  const half = await createTestDatabase({ empty: true });
  try {
    const tables = async () =>
      (await half.owner.query(`SELECT 1 FROM information_schema.tables WHERE table_name = 'change'`)).length;
    while ((await tables()) > 0) await half.owner.undoLastMigration();
    // Somebody reads the shop's table: the migration has made its own and waits to change that one.
    const reader = half.owner.createQueryRunner();
    await reader.startTransaction();
    await reader.query('SELECT * FROM "shop"');
    const starting = createOwnerDataSource(half.addresses.ownerUrl);
    await starting.initialize();
    const running = starting.runMigrations().then(
      () => 'done',
      (error: Error) => error.message,
    );
    const isWaiting = async () => {
      const [found] = await reader.query(
        `SELECT pid FROM pg_stat_activity WHERE datname = current_database() AND wait_event_type = 'Lock'`,
      );
      return found?.pid ?? null;
    };
    while ((await isWaiting()) === null) await sleep(50);
    await reader.query('SELECT pg_terminate_backend($1)', [await isWaiting()]);
    expect(await running).toMatch(/terminat/);
    await reader.rollbackTransaction();
    await reader.release();
    await starting.destroy();

    expect(await tables()).toBe(0);
    await half.owner.runMigrations();
    expect(await tables()).toBe(1);
    expect(await half.owner.showMigrations()).toBe(false);
  } finally {
    await half.drop();
  }
});
