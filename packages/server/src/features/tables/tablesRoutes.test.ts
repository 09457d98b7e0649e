/** Lists as files: the same rows as the screen's answer, as CSV and as a workbook that gnumeric reads. */
import { execFileSync } from 'node:child_process';
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { afterAll, beforeAll, expect, test } from '@jest/globals';
import { TABLES_OUT } from '@low-quarry/core/contracts/tables';
import { parse } from 'csv-parse/sync';
import { createTestApp, type TestApp } from '../../testing/testApp';

const SPEAKER = 'spk-skerrivar-tide-6-half';

let app: TestApp;
let dir: string;
beforeAll(async () => {
  app = await createTestApp();
  dir = mkdtempSync(path.join(os.tmpdir(), 'low-quarry-tables-'));
  const { job } = await app.jobNumber(3);
  const put = (lot: object) =>
    app.http
      .post('/api/shelf')
      .send({ partId: SPEAKER, place: 'A3', pieces: 6, from: '=1+1', jobId: null, ...lot })
      .expect(200);
  await put({});
  await put({ place: 'B1', pieces: 2, jobId: job.id });
  const { body } = await app.http.get(`/api/parts/${SPEAKER}`).expect(200);
  const claims = [
    {
      vehicleId: 'veh-brackwell-ferryman',
      place: null,
      says: 'fitsNot',
      by: 'A list',
      notedBy: 'Okke',
      on: '2026-01-02',
    },
  ];
  await app.http
    .put(`/api/parts/${SPEAKER}`)
    .send({ version: body.version, record: { ...body.record, claims } })
    .expect(200);
});
afterAll(async () => {
  await app.drop();
  rmSync(dir, { recursive: true, force: true });
});

const bytesOf = async (query: object): Promise<Buffer> =>
  (
    await app.http
      .get('/api/tables')
      .query({ ...query, format: 'xlsx' })
      .responseType('blob')
      .expect(200)
  ).body;
const textOf = async (query: object): Promise<string> =>
  (
    await app.http
      .get('/api/tables')
      .query({ ...query, format: 'csv' })
      .expect(200)
  ).text;
const csvOf = async (query: object): Promise<Record<string, string>[]> =>
  parse(await textOf(query), { bom: true, columns: true });

test('the shelf: each lot a row, for whom, and nothing in it runs as a formula', async () => {
  const rows = await csvOf({ list: 'shelf' });
  expect(rows).toMatchObject([
    { Lot: 'S1', Place: 'A3', Pieces: '6', Part: 'Skerrivar Tide 6½', From: "'=1+1", 'Put aside for job': '' },
    { Lot: 'S2', Place: 'B1', Pieces: '2', 'Put aside for job': '3 FERRY 16' },
  ]);
  expect(await csvOf({ list: 'shelf', find: 'b1' })).toMatchObject([{ Lot: 'S2' }]);
});

test('where a part fits, what to keep, the jobs: as many rows as the screen has, with its words', async () => {
  const { body: places } = await app.http.get(`/api/parts/${SPEAKER}/places`).expect(200);
  const rows = await csvOf({ list: 'places', id: SPEAKER });
  expect(rows).toHaveLength(places.places.length);
  expect(new Set(rows.map(({ Verdict }) => Verdict))).toContain('Clears');
  const { body: serving } = await app.http.get('/api/parts/serving').query({ by: 'measure' }).expect(200);
  const kept = await csvOf({ list: 'serving', by: 'measure' });
  expect(kept.map((row) => row['Part id'])).toEqual(serving.chosen.map(({ id }: { id: string }) => id));
  const open = await app.listJobs();
  expect((await csvOf({ list: 'jobs' })).map(({ Job }) => Number(Job))).toEqual(open.map(({ number }) => number));
  expect(await csvOf({ list: 'jobs', find: 'ferry' })).toMatchObject([{ Job: '3', Registration: 'FERRY 16' }]);
  expect(await csvOf({ list: 'jobs', jobs: 'ended', find: 'ferry' })).toEqual([]);
});

test('claims that the geometry contradicts are rows, and what they cost is a number', async () => {
  const { body } = await app.http.get('/api/disagreements').expect(200);
  const rows = await csvOf({ list: 'disagreements' });
  expect(rows).toHaveLength(body.claimed.length + body.read.length);
  expect(rows.length).toBeGreaterThan(0);
  for (const row of rows) expect(row['Price of a piece, EUR']).toMatch(/^(\d+(\.\d+)?)?$/);
});

test.each(TABLES_OUT)('%s as a workbook has the same cells, read by gnumeric', async (list) => {
  const file = path.join(dir, `${list}.xlsx`);
  writeFileSync(file, await bytesOf({ list, id: SPEAKER }));
  execFileSync('ssconvert', ['--export-type=Gnumeric_stf:stf_csv', file, path.join(dir, 'out.csv')], {
    stdio: 'ignore',
  });
  const read: string[][] = parse(readFileSync(path.join(dir, 'out.csv')), { relax_column_count: true });
  const csv: string[][] = parse(await textOf({ list, id: SPEAKER }), { bom: true });
  expect(read).toHaveLength(csv.length);
  expect(read[0]).toEqual(csv[0]);
  const words = (rows: string[][]) => rows.map((row) => row.map((cell) => cell.replace(/^'/, '').replace(/\.0+$/, '')));
  expect(words(read)).toEqual(words(csv));
});

test('an order list as a workbook; a part and a list that are none', async () => {
  const { job } = await app.jobNumber(3);
  const answer = await app.http.get(`/api/jobs/${job.id}/order.xlsx`).responseType('blob').expect(200);
  expect(answer.headers['content-disposition']).toContain('order-job-3.xlsx');
  expect((answer.body as Buffer).subarray(0, 2).toString()).toBe('PK');
  await app.http.get('/api/tables').query({ list: 'places', id: 'spk-nobody-has', format: 'csv' }).expect(404);
  await app.http.get('/api/tables').query({ list: 'secrets', format: 'csv' }).expect(400);
});

test('a shelf of more lots than a file takes is refused, not cut off', async () => {
  await app.db.query(
    `INSERT INTO "shelf_lot" ("id", "part_id", "place", "pieces", "from_order", "counted_at", "counted_by")
      SELECT gen_random_uuid(), $1, 'bulk', 1, '', now(), 'Okke' FROM generate_series(1, 20000)`,
    [SPEAKER],
  );
  const { body } = await app.http.get('/api/tables').query({ list: 'shelf', format: 'csv' }).expect(422);
  expect(body.detail).toBe('20002 lots are found, and a file takes 20000. Find fewer of them first.');
  expect(await csvOf({ list: 'shelf', find: 'b1' })).toMatchObject([{ Lot: 'S2' }]);
});
