/**
 * Archives and shop files changed at random: each comes to an end, in an answer or in a refusal that says what is wrong, and none runs
 * anything. `npm run faults` does it with a hundred thousand of them.
 */
import { createHash } from 'node:crypto';
import { existsSync, mkdirSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { setTimeout as sleep } from 'node:timers/promises';
import { afterAll, beforeAll, expect, test } from '@jest/globals';
import { seededRandom } from '@low-quarry/core/math/seededRandom';
import { AppError } from '../../http/AppError';
import { tellFigures } from '../../testing/figures';
import { mendTar, mutateBytes, mutateJson, type Random } from '../../testing/mutations';
import { createTestApp, type TestApp } from '../../testing/testApp';
import { readShopFile } from '../shopFile/importShopFile';
import { ArchiveError, readArchive } from './archive';
import type { BackupService } from './BackupService';
import { readDump } from './readDump';

const TRIES = Number(process.env.LQ_MUTATIONS ?? 1500);
const SAMPLE_1 = path.resolve(import.meta.dirname, '../../../../../samples/versions/backup-1.lqbackup');
/** What takes longer hangs. */
const PATIENCE_MS = 20_000;
const HOURS_MS = 3 * 3_600_000;

let app: TestApp;
let dir: string;
let backups: BackupService;
let marker: string;
beforeAll(async () => {
  dir = mkdtempSync(path.join(os.tmpdir(), 'low-quarry-mutations-'));
  marker = path.join(dir, 'ran');
  app = await createTestApp({ backupDir: dir });
  backups = app.backups as BackupService;
});
afterAll(async () => {
  await app.drop();
  rmSync(dir, { recursive: true, force: true });
});

const figures = { archivesMutated: 0, archiveHangs: 0, commandsRun: 0, taken: 0, loaded: 0, faults: 0 };

/** Does one, and counts what became of it. */
async function tryOne(work: () => Promise<unknown>): Promise<boolean> {
  figures.archivesMutated++;
  const late = new AbortController();
  const hangs = sleep(PATIENCE_MS, 'hangs', { signal: late.signal }).catch(() => 'stopped');
  const done = work().then(
    () => 'taken',
    (error: unknown) => {
      if (error instanceof ArchiveError || error instanceof AppError) return 'refused';
      throw error;
    },
  );
  const became = await Promise.race([done, hangs]);
  late.abort();
  if (became === 'hangs') figures.archiveHangs++;
  if (became === 'taken') figures.taken++;
  if (existsSync(marker)) {
    figures.commandsRun++;
    rmSync(marker);
  }
  return became === 'taken';
}

test(
  'archives',
  async () => {
    const { name } = await backups.make('asked');
    const bases = [readFileSync(path.join(dir, name)), readFileSync(SAMPLE_1)];
    const random = seededRandom(7);
    const into = path.join(dir, 'into');
    for (let tries = 0; tries < TRIES / 2; tries++) {
      const mutated = mutateBytes(bases[tries % 2] as Buffer, random);
      const bytes = random() < 0.7 ? mendTar(mutated) : mutated;
      const file = path.join(dir, `asked-20260101-000000-${tries}.lqbackup`);
      writeFileSync(file, bytes);
      rmSync(into, { recursive: true, force: true });
      mkdirSync(into);
      await tryOne(() => readArchive(file, into));
      rmSync(file);
    }
    expect(figures).toMatchObject({ archiveHangs: 0, commandsRun: 0 });
  },
  HOURS_MS,
);

test(
  'dumps of the first version with commands in them, sums and sizes right',
  async () => {
    const into = path.join(dir, 'dump');
    mkdirSync(into);
    await readArchive(SAMPLE_1, into);
    const dump = readFileSync(path.join(into, 'database.dump'));
    const random = seededRandom(8);
    for (let tries = 0; tries < Math.max(40, TRIES / 200); tries++) {
      writeFileSync(path.join(into, 'database.dump'), withCommands(mutateDump(dump, random), random));
      await tryOne(() => readDump({ binDir: process.env.LQ_PG_BIN ?? null }, path.join(into, 'database.dump'), into));
    }
    expect(figures).toMatchObject({ archiveHangs: 0, commandsRun: 0 });
  },
  HOURS_MS,
);

test(
  'tables whose values were changed, sums and sizes right, are brought in or refused; the shop stays',
  async () => {
    const { body: before } = await (await app.signedIn('Okke')).get('/api/jobs').expect(200);
    const into = path.join(dir, 'values');
    mkdirSync(into);
    await readArchive(SAMPLE_1, into);
    const dump = readFileSync(path.join(into, 'database.dump'));
    const random = seededRandom(9);
    for (let tries = 0; tries < Math.max(6, TRIES / 2000); tries++) {
      const bytes = mutateDump(dump, random);
      const name = `asked-20260101-000000-${tries}.lqbackup`;
      writeFileSync(path.join(dir, name), archiveOf(bytes));
      const backup = { name, madeAt: '2026-01-01T00:00:00.000Z', bytes: bytes.length, why: 'asked' } as const;
      // What is wrong with it is told by the trial in words.
      if (
        await tryOne(() =>
          backups.tryOut(backup).catch((error: Error) => Promise.reject(new ArchiveError(error.message))),
        )
      )
        figures.loaded++;
      rmSync(path.join(dir, name));
    }
    const { body: after } = await (await app.signedIn('Okke')).get('/api/jobs').expect(200);
    expect(after).toEqual(before);
    expect(figures).toMatchObject({ archiveHangs: 0, commandsRun: 0 });
  },
  HOURS_MS,
);

test(
  'shop files',
  async () => {
    const whole = (await (await app.signedIn('Okke')).get('/api/export').expect(200)).body;
    const base = {
      ...whole,
      jobs: whole.jobs.slice(0, 1),
      vehicles: whole.vehicles.slice(0, 2),
      parts: whole.parts
        .filter(({ kind }: { kind: string }, at: number) => at % 9 === 0 || kind === 'bracket')
        .slice(0, 12),
      history: whole.history.slice(0, 6),
    };
    const random = seededRandom(10);
    for (let tries = 0; tries < TRIES / 2; tries++) {
      const mutated = mutateJson(tries % 3 === 0 ? { ...base, version: 1, versions: undefined } : base, random);
      await tryOne(async () => readShopFile(mutated));
    }
    expect(figures).toMatchObject({ archiveHangs: 0, commandsRun: 0 });
    expect(figures.archivesMutated).toBeGreaterThanOrEqual(TRIES);
    tellFigures({ what: 'mutated archives and shop files', ...figures });
  },
  HOURS_MS,
);

/** Changed in its values only: what is written by the dump's own format stays readable. */
function mutateDump(dump: Buffer, random: Random): Buffer {
  const made = Buffer.from(dump);
  for (let time = 0; time < 1 + random() * 4; time++)
    made[Math.floor(random() * made.length)] = Math.floor(random() * 256);
  return made;
}

/** A statement of the dump replaced by a command of the same length. */
function withCommands(dump: Buffer, random: Random): Buffer {
  const made = Buffer.from(dump);
  const begins = ['COPY public.', 'CREATE TABLE public.', 'ALTER TABLE ONLY public.'][
    Math.floor(random() * 3)
  ] as string;
  for (let at = made.indexOf(begins); at !== -1; at = made.indexOf(begins, at + 1)) {
    const end = made.indexOf(';', at);
    const command = `COPY (SELECT 1) TO PROGRAM 'touch ${marker}';`;
    if (end - at + 1 >= command.length && random() < 0.7) made.write(command.padEnd(end - at + 1), at, 'latin1');
  }
  return made;
}

/** An archive of the first version around a dump, as a program would write it. */
function archiveOf(dump: Buffer): Buffer {
  const manifest = JSON.stringify({
    format: 'low-quarry-backup',
    version: 1,
    madeAt: '2026-01-01T00:00:00.000Z',
    shopName: 'x',
    schema: 'LibraryVersions1764400000000',
    parts: [{ name: 'database.dump', bytes: dump.length, sha256: createHash('sha256').update(dump).digest('hex') }],
  });
  const entry = (name: string, bytes: Buffer) => {
    const header = Buffer.alloc(512);
    header.write(name, 0, 'latin1');
    header.write('0000600\0', 100, 'latin1');
    header.write(`${bytes.length.toString(8).padStart(11, '0')}\0`, 124, 'latin1');
    header.write('0', 156, 'latin1');
    header.write('ustar\0', 257, 'latin1');
    return Buffer.concat([header, bytes, Buffer.alloc((512 - (bytes.length % 512)) % 512)]);
  };
  return mendTar(
    Buffer.concat([entry('manifest.json', Buffer.from(manifest)), entry('database.dump', dump), Buffer.alloc(1024)]),
  );
}
