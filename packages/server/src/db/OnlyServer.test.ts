import { setTimeout as sleep } from 'node:timers/promises';
import { afterAll, beforeAll, expect, test } from '@jest/globals';
import { pino } from 'pino';
import { asAdmin, createTestDatabase, type TestDatabase } from '../testing/testDatabase';
import { OnlyServer } from './OnlyServer';

const log = pino({ level: 'silent' });
let database: TestDatabase;
beforeAll(async () => {
  database = await createTestDatabase({ empty: true });
});
afterAll(() => database.drop());

test('a second server waits for the first to end, and does not work beside it', async () => {
  const [first, second] = [
    new OnlyServer(database.addresses.appUrl, log),
    new OnlyServer(database.addresses.appUrl, log),
  ];
  await first.start();
  let isSecondIn = false;
  const starting = second.start().then(() => {
    isSecondIn = true;
  });
  await sleep(600);
  expect(isSecondIn).toBe(false);
  await first.stop();
  await starting;
  await second.stop();
});

test('a lock whose connection was cut is taken again', async () => {
  const server = new OnlyServer(database.addresses.appUrl, log);
  await server.start();
  const holders = () =>
    asAdmin(async (admin) => {
      const { rows } = await admin.query(
        `SELECT pid FROM pg_locks WHERE locktype = 'advisory' AND objid = 4784
          AND database = (SELECT oid FROM pg_database WHERE datname = $1)`,
        [database.name],
      );
      return rows.map(({ pid }) => pid as number);
    });
  const [before] = await holders();
  await asAdmin((admin) => admin.query('SELECT pg_terminate_backend($1)', [before]));
  let after: number | undefined;
  for (let waited = 0; waited < 5000 && (after === undefined || after === before); waited += 50) {
    await sleep(50);
    [after] = await holders();
  }
  expect(after).toBeDefined();
  expect(after).not.toBe(before);
  await server.stop();
});
