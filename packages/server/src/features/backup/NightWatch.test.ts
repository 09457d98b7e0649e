import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { afterAll, beforeAll, beforeEach, expect, test } from '@jest/globals';
import { pino } from 'pino';
import { createTestApp, type TestApp } from '../../testing/testApp';
import { untilOver } from '../../testing/untilOver';
import type { WorkQueue } from '../../work/WorkQueue';
import type { BackupService } from './BackupService';
import { NightWatch } from './NightWatch';

const DAY_MS = 86_400_000;
let app: TestApp;
let dir: string;
let backups: BackupService;
let work: WorkQueue;
let watch: NightWatch;
beforeAll(async () => {
  dir = mkdtempSync(path.join(os.tmpdir(), 'low-quarry-nights-'));
  app = await createTestApp({ backupDir: dir });
  backups = app.backups as BackupService;
  const log = pino({ level: 'silent' });
  work = app.work as WorkQueue;
  watch = new NightWatch({ db: app.db, backups, work, log, now: app.now });
});
afterAll(async () => {
  await app.drop();
  rmSync(dir, { recursive: true, force: true });
});
beforeEach(() => app.wait(2 * DAY_MS));

/** Whether the night's work was asked for; then it has ended. */
const look = async () => {
  const asked = await watch.look();
  if (asked) await untilOver(work, asked.id);
  return asked !== null;
};
const nightly = async () => (await backups.list()).filter(({ why }) => why === 'nightly').length;

test('is done once a night, tries the backup out, and tidies up', async () => {
  const before = await nightly();
  expect(await look()).toBe(true);
  expect(await look()).toBe(false);
  expect(await nightly()).toBe(before + 1);
  expect(await backups.lastTrial()).toMatchObject({ fault: null });
});

test('a file that is dated ahead, or that somebody named by hand, does not stop it', async () => {
  const [good] = await backups.list();
  const bytes = readFileSync(path.join(dir, good?.name ?? ''));
  writeFileSync(path.join(dir, 'nightly-20991231-235959.lqbackup'), bytes);
  writeFileSync(path.join(dir, 'nightly-copy of yesterday.lqbackup'), bytes);
  expect(await look()).toBe(true);
  expect(await look()).toBe(false);
  app.wait(2 * DAY_MS);
  expect(await look()).toBe(true);
});

test('a clock that was set back a year and forward again costs at most a night twice', async () => {
  expect(await look()).toBe(true);
  app.wait(-365 * DAY_MS);
  expect(await look()).toBe(true);
  app.wait(365 * DAY_MS);
  expect(await look()).toBe(false);
});

test('when the backup fails, what is over goes all the same, and the fault is told to the owner', async () => {
  await app.db.query(`INSERT INTO "attempt" ("key", "failures", "at") VALUES ('address:x', 3, $1)`, [new Date(0)]);
  await app.owner.query('ALTER TABLE "choice" RENAME TO "gone"');
  try {
    expect(await look()).toBe(true);
  } finally {
    await app.owner.query('ALTER TABLE "gone" RENAME TO "choice"');
  }
  expect(await app.db.query(`SELECT * FROM "attempt" WHERE "key" = 'address:x'`)).toEqual([]);
  // It is tried again by itself, and not asked for once more meanwhile.
  const failed = await work.last('nightly');
  expect(failed).toMatchObject({
    state: 'waiting',
    tries: 1,
    fault: expect.any(String),
    nextTryAt: expect.any(String),
  });
  expect(await watch.look()).toBeNull();
  const { body } = await (await app.signedIn('Okke')).get('/api/backups').expect(200);
  expect(body.nightlyFault).toBe(failed?.fault);
});
