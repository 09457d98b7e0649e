/** Restoring while people write, archives that were tampered with, and archives of the first version. */
import { execFileSync } from 'node:child_process';
import { createHash } from 'node:crypto';
import { existsSync, mkdtempSync, readdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { request as httpRequest } from 'node:http';
import os from 'node:os';
import path from 'node:path';
import { setTimeout as sleep } from 'node:timers/promises';
import { gzipSync } from 'node:zlib';
import { afterAll, afterEach, beforeAll, describe, expect, test } from '@jest/globals';
import type { Backup } from '@low-quarry/core/contracts/backup';
import type { FoundPart } from '@low-quarry/core/contracts/findParts';
import type { JobInList } from '@low-quarry/core/contracts/jobs';
import pg from 'pg';
import { pack } from 'tar-stream';
import { MIGRATION_NAMES } from '../../db/dataSource';
import { createTestApp, type Http, type TestApp } from '../../testing/testApp';
import { asAdmin, urlOf } from '../../testing/testDatabase';
import { type Manifest, readArchive } from './archive';
import type { BackupService } from './BackupService';
import { readDump } from './readDump';
import { TABLES } from './tables';

const VERSIONS = path.resolve(import.meta.dirname, '../../../../../samples/versions');
const SAMPLE_1 = path.join(VERSIONS, 'backup-1.lqbackup');

let app: TestApp;
let dir: string;
let backups: BackupService;
beforeAll(async () => {
  dir = mkdtempSync(path.join(os.tmpdir(), 'low-quarry-restoring-'));
  app = await createTestApp({ backupDir: dir });
  backups = app.backups as BackupService;
});
afterAll(async () => {
  await app.drop();
  rmSync(dir, { recursive: true, force: true });
});
/** Whatever happened, no database is left over beside the shop's. */
afterEach(async () => {
  const left = await asAdmin((admin) =>
    admin.query('SELECT datname FROM pg_database WHERE datname LIKE $1', [`${app.name}_%`]),
  );
  expect(left.rows).toEqual([]);
});

const customers = async () => {
  const jobs = await app.listJobs(await app.signedIn('Okke'));
  return jobs.map(({ customer }) => customer);
};
const bookIn = (customer: string) => ({
  vehicleId: 'veh-ostrand-longshore',
  customer,
  registration: '',
  wants: '',
  dueOn: null,
});

test('nothing that was acknowledged is lost: it is in the backup that was made at rest, or came after the change', async () => {
  const { name } = await backups.make('asked');
  const acknowledged: string[] = [];
  let refusals = 0;
  let done = false;
  const writer = async (who: number) => {
    let http = await app.signedIn('Jory');
    for (let step = 0; !done; step++) {
      const customer = `load ${who}-${step}`;
      const { status, body } = await http.post('/api/jobs').send(bookIn(customer));
      if (status === 200) acknowledged.push(customer);
      else {
        // Held, or signed out by the change: what a page does then, it does here.
        expect([503, 401]).toContain(status);
        if (status === 503) expect(body.type).not.toBe('/problems/fault');
        refusals++;
        await sleep(20);
        if (status === 401) http = await app.signedIn('Jory').catch(() => http);
      }
    }
  };
  const writers = [0, 1, 2, 3].map(writer);
  await sleep(300);
  const { keptAs } = await backups.restore(path.join(dir, name));
  await sleep(300);
  done = true;
  await Promise.all(writers);
  expect(acknowledged.length).toBeGreaterThan(10);
  expect(refusals).toBeGreaterThan(0);
  const after = new Set(await customers());
  await backups.restore(path.join(dir, keptAs));
  const before = new Set(await customers());
  expect(acknowledged.filter((customer) => !before.has(customer) && !after.has(customer))).toEqual([]);
  expect(acknowledged.some((customer) => before.has(customer))).toBe(true);
}, 60_000);

test('several at once come one after the other, each whole', async () => {
  const { name } = await backups.make('asked');
  const answers = await Promise.all([1, 2, 3].map(() => backups.restore(path.join(dir, name))));
  expect(new Set(answers.map(({ keptAs }) => keptAs)).size).toBe(3);
  expect((await customers()).length).toBeGreaterThan(3);
});

test('one that fails in the middle leaves the shop open as it was', async () => {
  const before = await customers();
  const { name } = await backups.make('asked');
  const parts = await unpack(path.join(dir, name));
  const change = parts.find(({ name: part }) => part === 'change.copy.gz') as Unpacked;
  for (const [what, text] of [
    ['a value that is none', '1\tyesterday\n'],
    ['a row too short', '1\n'],
    ['text that is no JSON', Buffer.alloc(100, 65).toString()],
  ] as const) {
    const bad = { ...change, contents: gzipSync(text), plainBytes: text.length, rows: 1 };
    const file = path.join(dir, 'asked-20260101-000000-1.lqbackup');
    writeFileSync(file, await repack(parts, bad));
    await expect(backups.restore(file)).rejects.toThrow('table change cannot be read');
    expect([what, await customers()]).toEqual([what, before]);
    await (await app.signedIn('Okke')).post('/api/jobs').send(bookIn(what)).expect(200);
    before.push(what);
  }
});

test('another program that has the database open keeps it from being exchanged, and is named; the shop goes on', async () => {
  const { name } = await backups.make('asked');
  await asAdmin(async (admin) => {
    const other = new pg.Client({ connectionString: urlOf('LQ_TEST_DATABASE_URL', app.name) });
    await other.connect();
    const http = await app.signedIn('Okke');
    const { body } = await http.post(`/api/backups/${name}/restore`).send({ shopName: 'Slipway Nine' }).expect(409);
    expect(body).toMatchObject({ type: '/problems/in-use', detail: expect.stringContaining('Nothing was changed') });
    await http.post('/api/jobs').send(bookIn('goes on')).expect(200);
    await other.end();
    expect((await admin.query('SELECT 1')).rowCount).toBe(1);
  });
});

test.each([
  ['more rows than it says', { rows: 1 }, 'and 1 were written'],
  ['more bytes than it says', { plainBytes: 10 }, 'longer than it says'],
  ['a column that is not there', { columns: ['id', 'settings; DROP TABLE job'] }, 'manifest'],
  ['a column of nobody', { columns: ['id', 'nobody'] }, 'has no "nobody"'],
])('%s is refused', async (_, lie, says) => {
  const { name } = await backups.make('asked');
  const parts = await unpack(path.join(dir, name));
  const part = parts.find(({ name: each }) => each === 'part.copy.gz') as Unpacked;
  const file = path.join(dir, 'asked-20260101-000000-2.lqbackup');
  writeFileSync(file, await repack(parts, { ...part, ...lie }));
  await expect(backups.restore(file)).rejects.toThrow(says);
});

test('a table that is left out is missed', async () => {
  const { name } = await backups.make('asked');
  const parts = (await unpack(path.join(dir, name))).filter(({ table }) => table !== 'change');
  const file = path.join(dir, 'asked-20260101-000000-3.lqbackup');
  writeFileSync(file, await repack(parts));
  await expect(backups.restore(file)).rejects.toThrow('table change is missing');
});

/** Of the demo shop, each made by the program of its time. */
test.each<[string, string, number?, string[]?]>([
  ['guards', 'Guards1764500000000'],
  ['layers', 'Layers1764600000000'],
  ['answers', 'Answers1764700000000'],
  ['works', 'Works1764800000000'],
  ['packs', 'PartsImports1764900300000'],
  ['work', 'Work1764900400000'],
  ['questions', 'Questions1764900800000'],
  ['suppliers', 'Facts1764901000000', 11],
  ['offers', 'Offers1764901100000', 11],
  // Its pictures are with it, and this shop has no place for them.
  ['lists', 'ListsAsked1764901400000', 11, ['3 pictures were left where they are: no folder for photos was set']],
  [
    'amplifiers',
    'AmplifierPlans1764901500000',
    11,
    ['3 pictures were left where they are: no folder for photos was set'],
  ],
  [
    'boxes',
    'CrossoversAndBoxes1764901600000',
    11,
    ['3 pictures were left where they are: no folder for photos was set'],
  ],
  ['bay', 'Bay1764901700000', 11],
  ['week', 'Bookings1764901800000', 12, ['3 pictures were left where they are: no folder for photos was set']],
])(
  'a backup of an earlier program, schema %s, is restored, and nothing in it is unreadable',
  async (name, schema, jobs = 6, said = []) => {
    const { manifest, findings } = await backups.restore(path.join(VERSIONS, `backup-${name}.lqbackup`));
    expect({ schema: manifest.schema, findings }).toEqual({ schema, findings: said });
    const owner = await app.signedIn('Okke');
    const { body } = await owner.get('/api/jobs').expect(200);
    expect(body.jobs).toHaveLength(jobs);
    const states = body.jobs.flatMap(({ openings }: JobInList) => openings.map(({ state }) => state.kind));
    expect(states).toContain('chosen');
    for (const none of ['unreadable', 'cannotJudge']) expect(states).not.toContain(none);
    for (const { id } of body.jobs) await owner.get(`/api/jobs/${id}/order`).expect(200);
    const { body: library } = await owner.get('/api/parts').expect(200);
    expect(library.found.filter(({ unreadable }: FoundPart) => unreadable !== null)).toEqual([]);
    expect((await owner.get('/api/history').expect(200)).body.changes.length).toBeGreaterThan(10);
    await owner.post('/api/jobs').send(bookIn('after an old backup')).expect(200);
  },
);

describe('an archive of the first version', () => {
  test('is restored, and its records are read in today’s form', async () => {
    const { manifest, findings } = await backups.restore(SAMPLE_1);
    expect(manifest.version).toBe(1);
    expect(findings).toEqual([]);
    const owner = await app.signedIn('Okke');
    const { body } = await owner.get('/api/jobs').expect(200);
    expect(body.jobs).toHaveLength(6);
    const states = body.jobs.flatMap(({ openings }: JobInList) => openings.map(({ state }) => state.kind));
    expect(states).toContain('chosen');
    expect(states).not.toContain('unreadable');
    expect(states).not.toContain('cannotJudge');
    expect((await owner.get('/api/history').expect(200)).body.changes.length).toBeGreaterThan(10);
    await owner.post('/api/jobs').send(bookIn('after the old backup')).expect(200);
  });

  test('gives the tables that pg_restore lists in it, each with as many rows', async () => {
    const into = mkdtempSync(path.join(os.tmpdir(), 'low-quarry-list-'));
    await readArchive(SAMPLE_1, into);
    const dump = path.join(into, 'database.dump');
    const binDir = process.env.LQ_PG_BIN ?? null;
    const pgRestore = (...args: string[]) =>
      execFileSync(binDir ? path.join(binDir, 'pg_restore') : 'pg_restore', args, { encoding: 'utf8' });
    const listed = [...pgRestore('--list', dump).matchAll(/TABLE DATA public (\w+)/g)].map(
      ([, table]) => table as string,
    );
    const found = await readDump({ binDir }, dump, into);
    expect(found.map(({ table }) => table).sort()).toEqual(
      listed.filter((table) => TABLES.some((each) => each === table)).sort(),
    );
    for (const { table, file } of found) {
      const script = pgRestore('--data-only', '--table', table, '--file', '-', dump);
      const rows = script.slice(script.indexOf('FROM stdin;\n') + 12, script.indexOf('\n\\.\n') + 1);
      expect([table, readFileSync(file, 'utf8')]).toEqual([table, rows === '\n' ? '' : rows]);
    }
    rmSync(into, { recursive: true });
  });

  test('whose dump holds commands runs none of them', async () => {
    const marker = path.join(os.tmpdir(), `low-quarry-ran-${process.pid}`);
    const into = mkdtempSync(path.join(os.tmpdir(), 'low-quarry-look-'));
    const manifest = await readArchive(SAMPLE_1, into);
    const dump = readFileSync(path.join(into, 'database.dump'));
    const statements = ['COPY public.', 'CREATE TABLE public.', 'ALTER TABLE ONLY public.'];
    let patched = 0;
    for (const begins of statements) {
      const bad = Buffer.from(dump);
      for (let at = bad.indexOf(begins); at !== -1; at = bad.indexOf(begins, at + 1)) {
        const end = bad.indexOf(';', at);
        const command = `COPY (SELECT 1) TO PROGRAM 'touch ${marker}';`.padEnd(end - at + 1, ' ');
        if (command.length > end - at + 1) continue;
        bad.write(command, at, 'latin1');
        patched++;
      }
      const sha256 = createHash('sha256').update(bad).digest('hex');
      const file = path.join(dir, 'asked-20260101-000000-4.lqbackup');
      const said = { ...manifest, parts: [{ name: 'database.dump', bytes: bad.length, sha256 }] };
      writeFileSync(
        file,
        await tarOf([
          ['manifest.json', Buffer.from(JSON.stringify(said))],
          ['database.dump', bad],
        ]),
      );
      await backups.restore(file).catch((error: Error) => expect(error.message).toContain('damaged'));
      expect(existsSync(marker)).toBe(false);
    }
    expect(patched).toBeGreaterThan(10);
    rmSync(into, { recursive: true });
    await backups.restore(SAMPLE_1);
  }, 120_000);
});

test('where others reach the server, the demo shop does not come in by a backup', async () => {
  const open = await createTestApp({ backupDir: path.join(dir, 'open'), mayBeDemo: false });
  try {
    const { name } = await (open.backups as BackupService).make('asked');
    const restoring = (open.backups as BackupService).restore(path.join(dir, 'open', name));
    await expect(restoring).rejects.toThrow('It is the demo shop');
    await open.http.get('/api/jobs').expect(200);
  } finally {
    await open.drop();
  }
});

test('the login of the server is no superuser, owns nothing, and is a member of nothing', async () => {
  const [who] = await app.db.query(`SELECT current_user AS "user", session_user AS "session"`);
  expect(who).toEqual({ user: 'low_quarry_app', session: 'low_quarry_app' });
  await app.db.query('SET ROLE NONE');
  for (const statement of [
    'DELETE FROM "change"',
    'UPDATE "change" SET "label" = $$x$$',
    'CREATE TABLE "mine" ()',
    'SET ROLE "low_quarry_owner"',
    `COPY (SELECT 1) TO PROGRAM 'true'`,
    'DELETE FROM "migrations"',
    'ALTER TABLE "change" DISABLE TRIGGER ALL',
    'CREATE ROLE "another"',
  ])
    await expect(app.db.query(statement)).rejects.toThrow(/permission denied|must be owner|must be superuser/);
  const roles = await asAdmin((admin) =>
    admin.query(`SELECT rolname, rolsuper, rolcreaterole FROM pg_roles WHERE rolname LIKE 'low\\_quarry\\_%'`),
  );
  expect(roles.rows.every(({ rolsuper, rolcreaterole }) => !rolsuper && !rolcreaterole)).toBe(true);
});

test('an upload that is cut short leaves nothing behind, and what a killed program left is taken away', async () => {
  const http = await app.signedIn('Okke');
  const session = (http as unknown as { jar: { getCookies: (access: object) => { toValueString: () => string } } }).jar;
  const cookies = session.getCookies({ path: '/', domain: '127.0.0.1', secure: false, script: false }).toValueString();
  const { hostname, port } = new URL(app.origin);
  const upload = httpRequest({
    hostname,
    port,
    method: 'POST',
    path: '/api/backups/upload',
    headers: {
      Origin: app.origin,
      Cookie: cookies,
      'LQ-Person': await personId(http),
      'Content-Type': 'application/octet-stream',
      'Content-Length': 1_000_000,
    },
  });
  upload.on('error', () => {});
  upload.write(Buffer.alloc(100_000, 7));
  const hidden = () => readdirSync(dir).filter((name) => name.startsWith('.upload'));
  for (let waited = 0; hidden().length === 0 && waited < 5000; waited += 20) await sleep(20);
  expect(hidden()).toHaveLength(1);
  upload.destroy();
  for (let waited = 0; hidden().length > 0 && waited < 5000; waited += 20) await sleep(20);
  expect(hidden()).toEqual([]);
  writeFileSync(path.join(dir, '.upload-abcdef'), 'x');
  writeFileSync(path.join(dir, 'asked-20260101-000000-9.lqbackup.partial'), 'x');
  await asAdmin((admin) => admin.query(`CREATE DATABASE ${app.name}_incoming_00000000 OWNER low_quarry_owner`));
  await backups.cleanUp();
  expect(readdirSync(dir).filter((name) => /partial|^\.upload/.test(name))).toEqual([]);
});

test('a backup is restored for trial; one that could not be is told, with the age of the last good one', async () => {
  const good = await backups.nightly();
  expect(await backups.lastTrial()).toMatchObject({ name: good.name, fault: null, lastGoodMadeAt: good.madeAt });
  app.wait(86_400_000);
  const bad = await backups.make('nightly');
  writeFileSync(path.join(dir, bad.name), readFileSync(path.join(dir, bad.name)).subarray(0, 5000));
  await expect(backups.tryOut(bad)).rejects.toThrow('for trial');
  expect(await backups.lastTrial()).toMatchObject({
    name: bad.name,
    fault: expect.stringContaining('damaged'),
    lastGoodMadeAt: good.madeAt,
  });
  const { body } = await (await app.signedIn('Okke')).get('/api/backups').expect(200);
  expect(body.lastTrial.lastGoodMadeAt).toBe(good.madeAt);
});

test('files with other names in the folder are no backups', async () => {
  writeFileSync(path.join(dir, 'nightly-99999999-999999.lqbackup'), 'x');
  writeFileSync(path.join(dir, 'copy of nightly.lqbackup'), 'x');
  writeFileSync(path.join(dir, 'other-20260101-000000.lqbackup'), 'x');
  const names = (await backups.list()).map(({ name }: Backup) => name);
  expect(names).not.toContain('nightly-99999999-999999.lqbackup');
  expect(names).not.toContain('other-20260101-000000.lqbackup');
});

const personId = async (http: Http) => (await http.get('/api/session').expect(200)).body.me.id as string;

type Unpacked = Extract<Manifest, { version: 3 }>['parts'][number] & { readonly contents: Buffer };

async function unpack(file: string): Promise<Unpacked[]> {
  const into = mkdtempSync(path.join(os.tmpdir(), 'low-quarry-look-'));
  const manifest = await readArchive(file, into);
  if (manifest.version !== 3) throw new Error('expected an archive of today');
  expect(manifest.parts.map(({ table }) => table)).toEqual([...TABLES]);
  const parts = manifest.parts.map((part) => ({ ...part, contents: readFileSync(path.join(into, part.name)) }));
  rmSync(into, { recursive: true });
  return parts;
}

/** As the program writes it, with one part exchanged; sizes and sums agree, as whoever tampers with it sees to. */
async function repack(parts: readonly Unpacked[], exchanged?: Unpacked): Promise<Buffer> {
  const written = parts.map((part) => {
    const { contents: bytes, ...rest } = part.name === exchanged?.name ? exchanged : part;
    return { said: { ...rest, bytes: bytes.length, sha256: createHash('sha256').update(bytes).digest('hex') }, bytes };
  });
  const manifest = {
    format: 'low-quarry-backup',
    version: 3,
    madeAt: '2026-03-02T10:00:00.000Z',
    shopName: 'Slipway Nine',
    schema: MIGRATION_NAMES.at(-1),
    parts: written.map(({ said }) => said),
    pictures: [],
  };
  return tarOf([
    ['manifest.json', Buffer.from(JSON.stringify(manifest))],
    ...written.map(({ said, bytes }) => [said.name, bytes] as const),
  ]);
}

async function tarOf(entries: readonly (readonly [string, Buffer])[]): Promise<Buffer> {
  const tar = pack();
  for (const [name, bytes] of entries) tar.entry({ name }, bytes);
  tar.finalize();
  const chunks: Buffer[] = [];
  for await (const chunk of tar) chunks.push(chunk as Buffer);
  return Buffer.concat(chunks);
}
