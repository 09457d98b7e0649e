/**
 * A database of its own for each test file, copied from a template that has every migration and the demo shop. The
 * first file to ask makes the template, under a lock, so that files may run side by side.
 */
import { randomBytes } from 'node:crypto';
import path from 'node:path';
import pg from 'pg';
import { pino } from 'pino';
import type { DataSource } from 'typeorm';
import { prepareAppRole } from '../db/appRole';
import { createDataSource, createOwnerDataSource } from '../db/dataSource';
import type { Addresses } from '../db/ShopDatabases';
import { prepareWorkQueue } from '../db/workQueue';
import { type Demo, loadDemo } from '../demo/loadDemo';
import { readTemplates } from '../features/vehicles/readTemplates';

const TEMPLATE = 'lq_template';
const LOCK = 4780;

export const DEMO_DIR = process.env.LQ_DEMO_DIR ?? path.resolve('demo');
export const STARTER_DIR = process.env.LQ_STARTER_DIR ?? path.resolve('starter');
/** Set so that days and times in answers are known. */
export const NOW = new Date('2026-03-02T10:00:00.000Z');

export type TestDatabase = {
  /** As the running server. */
  readonly db: DataSource;
  /** As the database's owner. */
  readonly owner: DataSource;
  readonly addresses: Addresses;
  readonly name: string;
  readonly drop: () => Promise<void>;
};

/** A migrated database: with the demo shop, or empty; with the queue of work where something is done outside requests. */
export async function createTestDatabase({ empty = false, hasQueue = false } = {}): Promise<TestDatabase> {
  const name = `lq_test_${randomBytes(6).toString('hex')}`;
  await asAdmin(async (admin) => {
    await admin.query('SELECT pg_advisory_lock($1)', [LOCK]);
    if (!empty) await ensureTemplate(admin);
    await admin.query(`CREATE DATABASE ${name} OWNER ${ownerName()}${empty ? '' : ` TEMPLATE ${TEMPLATE}`}`);
  });
  const addresses = { ownerUrl: urlOf('LQ_TEST_OWNER_URL', name), appUrl: urlOf('LQ_TEST_APP_URL', name) };
  const owner = createOwnerDataSource(addresses.ownerUrl);
  await owner.initialize();
  if (empty) await owner.runMigrations();
  await prepareAppRole(owner, addresses.appUrl);
  if (hasQueue) await prepareWorkQueue(addresses.ownerUrl, addresses.appUrl);
  const db = createDataSource(addresses.appUrl);
  await db.initialize();
  return {
    db,
    owner,
    addresses,
    name,
    drop: async () => {
      for (const each of [db, owner]) if (each.isInitialized) await each.destroy();
      await asAdmin((admin) => admin.query(`DROP DATABASE IF EXISTS ${name} WITH (FORCE)`));
    },
  };
}

/** Runs something on the server's own database. */
export async function asAdmin<T>(work: (admin: pg.Client) => Promise<T>): Promise<T> {
  const admin = new pg.Client({ connectionString: required('LQ_TEST_DATABASE_URL') });
  await admin.connect();
  try {
    return await work(admin);
  } finally {
    await admin.end();
  }
}

/** Identities in a row: 00000000-0000-4000-8000-000000000001 and on. */
export function countingIds(): () => string {
  let next = 0;
  return () => `00000000-0000-4000-8000-${String(++next).padStart(12, '0')}`;
}

/** Without photos: they are files beside the database. */
export async function testDemo(): Promise<Demo> {
  return {
    dir: DEMO_DIR,
    goods: null,
    templates: await readTemplates(STARTER_DIR, pino({ level: 'silent' })),
    pictures: null,
  };
}

async function ensureTemplate(admin: pg.Client): Promise<void> {
  const { rowCount } = await admin.query('SELECT 1 FROM pg_database WHERE datname = $1', [TEMPLATE]);
  if (rowCount) return;
  const making = `${TEMPLATE}_making`;
  await admin.query(`DROP DATABASE IF EXISTS ${making}`);
  await admin.query(`CREATE DATABASE ${making} OWNER ${ownerName()}`);
  const db = createOwnerDataSource(urlOf('LQ_TEST_OWNER_URL', making));
  await db.initialize();
  await db.runMigrations();
  await loadDemo(db, await testDemo(), { now: () => NOW, newId: countingIds() });
  await db.destroy();
  await admin.query(`ALTER DATABASE ${making} RENAME TO ${TEMPLATE}`);
}

/** The login that owns a shop's database. */
export function ownerName(): string {
  return new URL(required('LQ_TEST_OWNER_URL')).username;
}

function required(name: string): string {
  const value = process.env[name];
  if (!value) throw new Error(`${name} is not set; run the server tests with: npm test -- unit`);
  return value;
}

/** A database as one of the logins of the environment reaches it. */
export function urlOf(login: string, database: string): string {
  const url = new URL(required(login));
  url.pathname = `/${database}`;
  return url.href;
}
