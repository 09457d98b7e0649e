import { afterAll, beforeAll, describe, expect, test } from '@jest/globals';
import { createDataSource } from '../db/dataSource';
import { createTestApp, type TestApp } from '../testing/testApp';
import { databaseProblem } from './databaseProblem';
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
  let locked = 0;
  let meet = () => {};
  const met = new Promise<void>((resolve) => {
    meet = resolve;
  });
  const both = (first: string, second: string, what: string) =>
    inTransaction(app.db, async (manager) => {
      runs++;
      const touch = (id: string) =>
        manager.query(
          `UPDATE "opening" SET "record" = jsonb_set("record", '{note}', to_jsonb($2::text)) WHERE "id" = $1`,
          [id, what],
        );
      await touch(first);
      // Until each has locked what the other wants next: however slow the machine is, they meet.
      locked++;
      if (locked === 2) meet();
      await met;
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
    await db.destroy();
  });

  test('what takes too long is cut off, told as that, and not done again', async () => {
    let runs = 0;
    const failure: unknown = await inTransaction(app.heavy, async (manager) => {
      runs++;
      await manager.query(`SET LOCAL statement_timeout = '200ms'`);
      await manager.query('SELECT pg_sleep(30)');
    }).then(
      () => null,
      (error: unknown) => error,
    );
    expect(databaseProblem(failure)).toMatchObject({ status: 422, code: 'too-slow' });
    expect(runs).toBe(1);
  });
});
