import { afterAll, beforeAll, expect, test } from '@jest/globals';
import { createTestDatabase, type TestDatabase } from '../testing/testDatabase';

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
