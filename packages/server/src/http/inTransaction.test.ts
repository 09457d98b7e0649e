import { setTimeout as sleep } from 'node:timers/promises';
import { afterAll, beforeAll, describe, expect, test } from '@jest/globals';
import { createDataSource } from '../db/dataSource';
import { createTestApp, type TestApp } from '../testing/testApp';
import { inTransaction } from './inTransaction';

let app: TestApp;
beforeAll(async () => {
  app = await createTestApp();
});
afterAll(() => app.drop());

test('two that lock each other out are both done: the one that was broken off is done again', async () => {
  const [a, b] = (await app.db.query('SELECT "id" FROM "opening" ORDER BY "id" LIMIT 2')).map(
    ({ id }: { id: string }) => id,
  ) as [string, string];
  let runs = 0;
  const both = (first: string, second: string, what: string) =>
    inTransaction(app.db, async (manager) => {
      runs++;
      const touch = (id: string) =>
        manager.query(
          `UPDATE "opening" SET "record" = jsonb_set("record", '{note}', to_jsonb($2::text)) WHERE "id" = $1`,
          [id, what],
        );
      await touch(first);
      await sleep(150);
      await touch(second);
      return what;
    });
  expect(await Promise.all([both(a, b, 'one'), both(b, a, 'two')])).toEqual(['one', 'two']);
  expect(runs).toBeGreaterThan(2);
});

test('any other fault is thrown at once', async () => {
  let runs = 0;
  const failing = inTransaction(app.db, async () => {
    runs++;
    throw new Error('no');
  });
  await expect(failing).rejects.toThrow('no');
  expect(runs).toBe(1);
});

describe('every wait has an end', () => {
  test.each([
    ['work', '15s'],
    ['heavy', '20s'],
  ] as const)('on connections for %s', async (kind, longest) => {
    const db = await createDataSource(app.addresses.appUrl, kind).initialize();
    const [{ statement_timeout }] = await db.query('SHOW statement_timeout');
    expect(statement_timeout).toBe(longest);
    expect((await db.query('SHOW lock_timeout'))[0].lock_timeout).toBe('5s');
    expect((await db.query('SHOW idle_in_transaction_session_timeout'))[0]).not.toEqual({
      idle_in_transaction_session_timeout: '0',
    });
    await db.query(`SET statement_timeout = '100ms'`);
    await db.destroy();
  });

  test('what takes too long is told as that, and is not asked for again and again', async () => {
    await app.heavy.query('SELECT 1');
    const [{ find }] = await app.db.query(`SELECT repeat('x', 3) AS find`);
    expect(find).toBe('xxx');
    await app.owner.query(
      `CREATE FUNCTION "slow"() RETURNS text LANGUAGE plpgsql AS $$ BEGIN PERFORM pg_sleep(30); RETURN ''; END $$`,
    );
    await expect(
      inTransaction(app.heavy, async (manager) => {
        await manager.query(`SET LOCAL statement_timeout = '200ms'`);
        await manager.query('SELECT "slow"()');
      }),
    ).rejects.toMatchObject({ driverError: { code: '57014' } });
  });
});
