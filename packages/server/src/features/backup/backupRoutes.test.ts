import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { afterAll, beforeAll, describe, expect, test } from '@jest/globals';
import type { Backup } from '@low-quarry/core/contracts/backup';
import { pack } from 'tar-stream';
import { asPerson, createTestApp, type TestApp } from '../../testing/testApp';
import { untilOver } from '../../testing/untilOver';
import type { WorkQueue } from '../../work/WorkQueue';
import { type Manifest, readArchive } from './archive';
import { TABLES } from './tables';

let app: TestApp;
let dir: string;
beforeAll(async () => {
  dir = mkdtempSync(path.join(os.tmpdir(), 'low-quarry-backups-'));
  app = await createTestApp({ backupDir: dir });
});
afterAll(async () => {
  await app.drop();
  rmSync(dir, { recursive: true, force: true });
});

const everything = async () => {
  const { body } = await (await app.signedIn('Okke')).get('/api/export').expect(200);
  return body;
};
const make = async () => {
  const { body } = await (await app.signedIn('Okke')).post('/api/backups').send({}).expect(200);
  const { state, askedBy, result } = await untilOver(app.work as WorkQueue, body.id);
  expect({ state, askedBy }).toEqual({ state: 'done', askedBy: 'Okke' });
  const { body: listed } = await (await app.signedIn('Okke')).get('/api/backups').expect(200);
  // The clock of the test stands still: which one is the newest is told by its name only.
  return listed.backups.find(({ name }: Backup) => result === `${name} is in the list.`) as Backup;
};
const fileOf = (name: string) => path.join(dir, name);
const upload = async (bytes: Buffer) =>
  (await app.signedIn('Okke')).post('/api/backups/upload').set('Content-Type', 'application/octet-stream').send(bytes);
const restore = async (name: string, shopName = 'Slipway Nine') =>
  (await app.signedIn('Okke')).post(`/api/backups/${name}/restore`).send({ shopName });

test('a backup brings back everything that was there, and keeps what was there in between', async () => {
  const before = await everything();
  const backup = await make();
  const owner = await app.signedIn('Okke');
  const job = { vehicleId: 'veh-ostrand-longshore', customer: 'Later', registration: '', wants: '', dueOn: null };
  await owner.post('/api/jobs').send(job).expect(200);
  const later = await everything();
  expect(later).not.toEqual(before);

  const { body } = await restore(backup.name);
  expect(body.madeAt).toBe(backup.madeAt.replace('Z', '.000Z'));
  // Nobody is signed in any more; with the same passwords they come in again.
  await owner.get('/api/jobs').expect(401);
  expect(await everything()).toEqual(before);
  // And the role of the server is what it was.
  await expect(app.db.query('DELETE FROM "change"')).rejects.toThrow('permission denied');

  await restore(body.keptAs).then(({ status }) => expect(status).toBe(200));
  expect(await everything()).toEqual(later);
});

test('sessions and answers to lost requests are not in it', async () => {
  const { name } = await make();
  const into = mkdtempSync(path.join(os.tmpdir(), 'low-quarry-look-'));
  const manifest = await readArchive(fileOf(name), into);
  expect(manifest).toMatchObject({ shopName: 'Slipway Nine', version: 3 });
  const tables = (manifest as Extract<Manifest, { version: 3 }>).parts.map(({ table }) => table);
  expect(tables).toEqual([...TABLES]);
  for (const left of ['session', 'done_once', 'attempt']) expect(tables).not.toContain(left);
  await restore(name);
  expect(await app.owner.query('SELECT count(*)::int AS n FROM "session"')).toEqual([{ n: 0 }]);
  rmSync(into, { recursive: true });
});

describe('what is refused before anything is touched', () => {
  const archive = async (manifest: object, parts: Readonly<Record<string, string>> = {}) => {
    const tar = pack();
    tar.entry({ name: 'manifest.json' }, JSON.stringify(manifest));
    for (const [name, text] of Object.entries(parts)) tar.entry({ name }, text);
    tar.finalize();
    const chunks: Buffer[] = [];
    for await (const chunk of tar) chunks.push(chunk as Buffer);
    return Buffer.concat(chunks);
  };
  const manifest = {
    format: 'low-quarry-backup',
    version: 1,
    madeAt: '2026-03-02T10:00:00.000Z',
    shopName: 'Slipway Nine',
    schema: 'History1764300000000',
    parts: [],
  };
  const empty = 'e3b0c44298fc1c149afbf4c8996fb92427ae41e4649b934ca495991b7852b855';
  const dump = { name: 'database.dump', bytes: 0, sha256: empty };

  test.each([
    ['another file', async () => Buffer.from('PK not a tar at all'.repeat(100)), 'damaged'],
    ['nothing', async () => Buffer.from(''), 'it is empty'],
    ['a newer archive', () => archive({ ...manifest, version: 4 }), 'newer program (version 4'],
    ['a newer database', () => archive({ ...manifest, schema: 'Later1999' }), 'does not know "Later1999"'],
    ['a manifest without a date', () => archive({ ...manifest, madeAt: 'soon' }), 'manifest, madeAt'],
    ['a part that is missing', () => archive({ ...manifest, parts: [dump] }), '"database.dump" is missing'],
    ['a part too many', () => archive(manifest, { extra: 'x' }), '"extra" does not belong'],
    [
      'a path out of the folder',
      () => archive({ ...manifest, parts: [{ ...dump, name: '../../etc/x' }] }),
      'manifest, parts.0.name',
    ],
    [
      'a part that was changed',
      () => archive({ ...manifest, parts: [{ ...dump, bytes: 1 }] }, { 'database.dump': 'x' }),
      'not as it was written',
    ],
    [
      'a dump that is none',
      () => archive({ ...manifest, parts: [dump] }, { 'database.dump': '' }),
      'its database cannot be read',
    ],
  ])('%s', async (_, bytes, says) => {
    const before = await everything();
    const { status, body } = await upload(await bytes());
    expect([status, body.detail]).toEqual([422, expect.stringContaining(says)]);
    expect(body.detail).toContain('Nothing was changed.');
    expect(await everything()).toEqual(before);
  });

  test('one byte that is not as it was, wherever it is, and an end that is missing', async () => {
    const before = await everything();
    const { name } = await make();
    const whole = readFileSync(fileOf(name));
    for (let at = 600; at < whole.length - 2048; at += Math.ceil(whole.length / 12)) {
      const bad = Buffer.from(whole);
      bad[at] = (bad[at] as number) ^ 0xff;
      writeFileSync(fileOf(name), bad);
      const { status } = await restore(name);
      expect([at, status]).toEqual([at, 422]);
    }
    for (const part of [0.2, 0.6, 0.95]) {
      writeFileSync(fileOf(name), whole.subarray(0, Math.floor(whole.length * part)));
      expect((await restore(name)).status).toBe(422);
    }
    expect(await everything()).toEqual(before);
    writeFileSync(fileOf(name), whole);
    expect((await restore(name)).status).toBe(200);
    expect(await everything()).toEqual(before);
  });

  test('without the name of the shop, and under a name that is a path', async () => {
    const { name } = await make();
    const { body } = await restore(name, 'another');
    expect(body.errors[0].path).toBe('shopName');
    const owner = await app.signedIn('Okke');
    await owner.post('/api/backups/..%2F..%2Fetc%2Fpasswd/restore').send({ shopName: 'Slipway Nine' }).expect(404);
    await owner.get('/api/backups/..%2Fsecret/file').expect(404);
  });
});

test('an uploaded backup is kept, listed and handed out as a file to keep', async () => {
  const { name } = await make();
  const { body } = await upload(readFileSync(fileOf(name)));
  expect(body).toMatchObject({ why: 'upload' });
  const owner = await app.signedIn('Okke');
  const { body: listed } = await owner.get('/api/backups').expect(200);
  expect(listed.backups.map((each: Backup) => each.name)).toEqual(expect.arrayContaining([name, body.name]));
  const file = await owner.get(`/api/backups/${body.name}/file`).buffer(true).expect(200);
  expect(file.headers['content-disposition']).toContain('attachment');
  expect(file.headers['content-type']).toContain('application/octet-stream');
  expect(Number(file.headers['content-length'] ?? body.bytes)).toBe(body.bytes);
});

test('the whole shop as an open file: out, into a new shop, and out again equal', async () => {
  const owner = await app.signedIn('Okke');
  const [job] = await app.listJobs(owner);
  const lot = { partId: 'spk-skerrivar-tide-6-half', place: 'A3', pieces: 4, from: 'Northmole', jobId: job?.id };
  await owner.post('/api/shelf').send(lot).expect(200);
  const out = await everything();
  const fresh = await createTestApp({ empty: true, backupDir: path.join(dir, 'fresh') });
  try {
    const own = { kind: 'own', shopName: 'Boathouse', name: 'Okke', password: 'three short words' };
    asPerson(fresh.http, (await fresh.http.post('/api/first-start').send(own).expect(200)).body.me);
    const broken = { ...out, jobs: [{ ...out.jobs[0], number: 'one' }] };
    const refusal = await fresh.http.post('/api/import').send(broken).expect(400);
    expect(refusal.body.errors[0].path).toBe('jobs.0.number');
    await fresh.http.post('/api/import').send(out).expect(200);
    asPerson(fresh.http, (await fresh.http.get('/api/session').expect(200)).body.me);
    const again = (await fresh.http.get('/api/export').expect(200)).body;
    const people = ({ people: list }: typeof out) => list.map(({ name }: { name: string }) => name).sort();
    expect(again.shelf).toMatchObject([{ ...lot, number: 1 }]);
    expect({ ...again, people: [] }).toEqual({ ...out, people: [] });
    expect(people(again)).toEqual(people(out));
    await fresh.http.post('/api/import').send(out).expect(409);
    // What comes next goes on counting where the file ended.
    const more = await fresh.http
      .post('/api/shelf')
      .send({ ...lot, jobId: null })
      .expect(200);
    expect(more.body.number).toBe(2);
    const job = { vehicleId: 'veh-ostrand-longshore', customer: 'Next', registration: '', wants: '', dueOn: null };
    const { body } = await fresh.http.post('/api/jobs').send(job).expect(200);
    const made = (await fresh.http.get(`/api/jobs/${body.jobId}`).expect(200)).body;
    expect(made.job.number).toBe(Math.max(...out.jobs.map(({ number }: { number: number }) => number)) + 1);
    // Nobody of the file can sign in before the owner gives them a password.
    await fresh.browser().post('/api/session').send({ name: 'Rieke', password: 'slipway fitter demo' }).expect(401);
  } finally {
    await fresh.drop();
  }
});

test('a shop that was brought in keeps numbers, ids and links, and everything in it can be saved again', async () => {
  const owner = await app.signedIn('Okke');
  const shop = (await owner.get('/api/settings').expect(200)).body;
  const settings = { ...shop.settings, minuteCostMinor: 111 };
  await owner.put('/api/settings').send({ version: shop.version, settings }).expect(200);
  const part = (await owner.get('/api/parts/spk-wrackline-shoal-65').expect(200)).body;
  await owner
    .put('/api/parts/spk-wrackline-shoal-65')
    .send({ version: part.version, record: { ...part.record, rmsW: 61 } })
    .expect(200);
  const { body: undoable } = await owner.get('/api/undo').expect(200);
  await owner
    .post('/api/undo')
    .send({ changeIds: undoable.changes.map(({ id }: { id: number }) => id) })
    .expect(200);
  const out = await everything();
  const undoing = out.history.filter(({ undoes }: { undoes: number | null }) => undoes !== null);
  expect(undoing.length).toBeGreaterThan(0);
  // As a file may come: with gaps in its numbers, the last first.
  const jumbled = { ...out, jobs: [...out.jobs].reverse().map((job, at) => ({ ...job, number: 1000 - 7 * at })) };
  for (const file of [out, jumbled, versionOne(out)]) {
    const fresh = await createTestApp({ empty: true, backupDir: path.join(dir, 'numbers') });
    try {
      const own = { kind: 'own', shopName: 'Boathouse', name: 'Tamsin', password: 'three short words' };
      asPerson(fresh.http, (await fresh.http.post('/api/first-start').send(own).expect(200)).body.me);
      const { body } = await fresh.http.post('/api/import').send(file).expect(200);
      expect(body.findings).toEqual([]);
      // Still signed in, and an owner beside those of the file.
      const again = (await fresh.http.get('/api/export').expect(200)).body;
      const byNumber = (jobs: { number: number }[]) => [...jobs].sort((a, b) => a.number - b.number);
      expect(again.jobs).toEqual(byNumber(file.jobs));
      expect(again.history).toEqual(file.history);
      expect(again.versions).toEqual(out.versions);
      const now = (await fresh.http.get('/api/settings').expect(200)).body;
      await fresh.http.put('/api/settings').send({ version: now.version, settings: now.settings }).expect(200);
      const speaker = (await fresh.http.get('/api/parts/spk-wrackline-shoal-65').expect(200)).body;
      await fresh.http.put('/api/parts/spk-wrackline-shoal-65').send(speaker).expect(200);
    } finally {
      await fresh.drop();
    }
  }
}, 120_000);

/** As the first version wrote it. */
function versionOne({
  versions: _,
  ...file
}: Record<string, unknown> & { jobs: { number: number }[]; history: unknown }) {
  return { ...file, version: 1 };
}

test('an import while somebody begins to work: either it is refused, or they are told to come again; nothing is lost', async () => {
  const out = await everything();
  const fresh = await createTestApp({ empty: true, backupDir: path.join(dir, 'under-load') });
  try {
    const own = { kind: 'own', shopName: 'Boathouse', name: 'Tamsin', password: 'three short words' };
    asPerson(fresh.http, (await fresh.http.post('/api/first-start').send(own).expect(200)).body.me);
    let isOver = false;
    const importing = fresh.http
      .post('/api/import')
      .send(out)
      .then(({ status }) => {
        isOver = true;
        return status;
      });
    const acknowledged: string[] = [];
    for (let at = 0; !isOver && at < 400; at++) {
      const name = `Hand ${at}`;
      // Nobody at first, so that the import finds a new shop; then, at some moment of it, one after the other.
      await new Promise((resolve) => setTimeout(resolve, at === 0 ? 250 : 5));
      const { status } = await fresh.http
        .post('/api/people')
        .send({ name, roles: ['fitter'], password: 'three short words' });
      if (status === 200) acknowledged.push(name);
      else expect(status).toBe(503);
    }
    expect([200, 409]).toContain(await importing);
    asPerson(fresh.http, (await fresh.http.get('/api/session').expect(200)).body.me);
    const { body } = await fresh.http.get('/api/people').expect(200);
    const names = body.people.map(({ name }: { name: string }) => name);
    expect(names).toEqual(expect.arrayContaining(acknowledged));
  } finally {
    await fresh.drop();
  }
});

test('a file that refers to what is not in it is refused with the place', async () => {
  const owner = await app.signedIn('Okke');
  const [job] = await app.listJobs(owner);
  const lot = { partId: 'spk-skerrivar-tide-6-half', place: 'B1', pieces: 1, from: '', jobId: null };
  await owner.post('/api/shelf').send(lot).expect(200);
  const out = await everything();
  const fresh = await createTestApp({ empty: true, backupDir: path.join(dir, 'refused') });
  try {
    const own = { kind: 'own', shopName: 'Boathouse', name: 'Tamsin', password: 'three short words' };
    asPerson(fresh.http, (await fresh.http.post('/api/first-start').send(own).expect(200)).body.me);
    const at = out.jobs.findIndex(({ openings }: { openings: { choice: unknown }[] }) =>
      openings.some(({ choice }) => choice !== null),
    );
    const place = out.jobs[at].openings.findIndex(({ choice }: { choice: unknown }) => choice !== null);
    const choice = out.jobs[at].openings[place].choice;
    const withChoice = (change: object) => {
      const file = structuredClone(out);
      file.jobs[at].openings[place].choice = { ...choice, ...change };
      return file;
    };
    for (const [file, where] of [
      [withChoice({ layerIds: ['brk-of-nobody'] }), `jobs.${at}.openings.${place}.choice.layerIds.0`],
      [withChoice({ speakerId: 'spk-of-nobody' }), `jobs.${at}.openings.${place}.choice.speakerId`],
      [{ ...out, shelf: [{ ...out.shelf[0], partId: 'spk-of-nobody' }] }, 'shelf.0.partId'],
      [{ ...out, shelf: [{ ...out.shelf[0], jobId: '00000000-0000-4000-8000-00000000dead' }] }, 'shelf.0.jobId'],
      [{ ...out, shelf: [...out.shelf, { ...out.shelf[0], id: job?.id }] }, `shelf.${out.shelf.length}`],
      [{ ...out, vehicles: [] }, 'jobs.0.vehicleId'],
      [{ ...out, jobs: [...out.jobs, out.jobs[0]] }, `jobs.${out.jobs.length}`],
      [{ ...out, history: [{ ...out.history[0], undoes: 999_999 }] }, 'history.0.undoes'],
    ] as const) {
      const { body } = await fresh.http.post('/api/import').send(file).expect(400);
      expect(body.errors[0].path).toBe(where);
    }
    expect((await fresh.http.get('/api/jobs').expect(200)).body.jobs).toEqual([]);
  } finally {
    await fresh.drop();
  }
});

test('a history of thousands of lines goes out bit by bit, as JSON and as a table', async () => {
  await app.db.query(
    `INSERT INTO "change" ("at", "batch", "person_name", "device_name", "kind", "record_id", "label", "action", "version", "after")
      SELECT now(), gen_random_uuid(), 'Okke', 'x', 'job', 'r' || n, 'line ' || n, 'created', 1, jsonb_build_object('wants', repeat('w', 500))
      FROM generate_series(1, 5000) AS n`,
  );
  const out = await everything();
  expect(out.history.length).toBeGreaterThan(5000);
  const owner = await app.signedIn('Okke');
  const { text } = await owner.get('/api/export/history.csv').expect(200);
  expect(text.split('\r\n').length).toBe(out.history.length + 2);
  // Whoever leaves in the middle leaves no connection behind.
  const session = await app.db.query(
    `SELECT count(*)::int AS n FROM pg_stat_activity WHERE state LIKE 'idle in transaction%' AND datname = current_database()`,
  );
  expect(session[0].n).toBe(0);
});

test('and as tables', async () => {
  const owner = await app.signedIn('Okke');
  for (const table of ['jobs', 'openings', 'parts', 'history']) {
    const { text, headers } = await owner.get(`/api/export/${table}.csv`).expect(200);
    expect(headers['content-disposition']).toContain(`${table}.csv`);
    expect(text.split('\r\n').length).toBeGreaterThan(5);
  }
  await owner.get('/api/export/person.csv').expect(404);
});
