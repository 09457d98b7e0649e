/** Parts out as CSV and as a workbook: read again here, and by gnumeric. */
import { execFileSync } from 'node:child_process';
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { afterAll, beforeAll, describe, expect, test } from '@jest/globals';
import { outHeadings } from '@low-quarry/core/lists';
import { parse } from 'csv-parse/sync';
import { stringify } from 'csv-stringify/sync';
import { createTestApp, type TestApp } from '../../testing/testApp';
import { readTable } from './readTable';

const FORMULA = '=1+1 Shoal';
const dir = mkdtempSync(path.join(tmpdir(), 'low-quarry-out-'));
let app: TestApp;
beforeAll(async () => {
  app = await createTestApp();
});
afterAll(async () => {
  await app.drop();
  rmSync(dir, { recursive: true });
});

const file = async (query: object): Promise<Buffer> => {
  const { body } = await app.http.get('/api/parts/table').query(query).buffer(true).responseType('blob').expect(200);
  return body;
};
const csv = async (query: object = {}): Promise<string[][]> =>
  parse(await file({ format: 'csv', ...query }), { bom: true });
const HEADINGS = outHeadings('speaker');
const at = (row: readonly string[] | undefined, heading: string) => row?.[HEADINGS.indexOf(heading)];
const change = async (id: string, fields: object) => {
  const { body } = await app.http.get(`/api/parts/${id}`).expect(200);
  await app.http
    .put(`/api/parts/${id}`)
    .send({ version: body.version, record: { ...body.record, ...fields } })
    .expect(200);
};

describe('as CSV', () => {
  test('every part is there, in the order of the list, a row for each offer', async () => {
    const [heads, ...rows] = await csv();
    expect(heads).toEqual(HEADINGS);
    const kept: { id: string; offers: number }[] = await app.db.query(
      `SELECT "id", greatest(jsonb_array_length("record" -> 'offers'), 1) AS "offers" FROM "part" ORDER BY "label", "id"`,
    );
    expect(kept.length).toBeGreaterThan(100);
    expect(rows.map((row) => row[0])).toEqual(kept.flatMap(({ id, offers }) => Array(offers).fill(id)));
  });

  test('it has what was asked for alone, also where that was typed wrong', async () => {
    const { body } = await app.http.get('/api/parts').query({ find: 'shaol', kind: 'speaker' }).expect(200);
    expect(body).toMatchObject({ isLike: true });
    const [, ...rows] = await csv({ find: 'shaol', kind: 'speaker' });
    expect([...new Set(rows.map((row) => row[0]))]).toEqual(body.found.map(({ id }: { id: string }) => id));
    expect(await csv({ find: 'nothing of that name 77' })).toEqual([HEADINGS]);
  });

  test('what starts like a formula is no formula', async () => {
    await change('spk-wrackline-shoal-65-slim', { name: FORMULA });
    const [, row] = await csv({ find: 'shoal 65 slim wrackline' }).then(async (found) =>
      found.length > 1 ? found : csv({ find: 'spk-wrackline-shoal-65-slim' }),
    );
    expect(at(row, 'Name')).toBe(`'${FORMULA}`);
  });

  test('what cannot be read has its row, and says why', async () => {
    await app.db.query(`UPDATE "part" SET "record" = "record" - 'heightMm' WHERE "id" = (
      SELECT "id" FROM "part" WHERE "kind" = 'spacer' ORDER BY "id" LIMIT 1)`);
    const [, ...rows] = await csv({ kind: 'spacer' });
    expect(rows.filter((row) => /^cannot be read: .*heightMm/.test(at(row, 'In words') ?? ''))).toHaveLength(1);
  });
});

describe('as a workbook', () => {
  test('it holds what the CSV holds, numbers as numbers, as it is read here', async () => {
    const [heads, ...rows] = await csv({ kind: 'speaker' });
    const read = readTable(await file({ format: 'xlsx', kind: 'speaker' }), 1000);
    if (!read.ok) throw new Error(read.failure);
    expect(read.value.readAs).toBe('XLSX, sheet “Parts”');
    const [bookHeads, ...bookRows] = read.value.table;
    expect(bookHeads).toEqual(heads);
    const padded = bookRows.map((row) => HEADINGS.map((_, each) => row[each] ?? ''));
    expect(padded).toEqual(rows.map((row) => row.map((cell) => (cell === `'${FORMULA}` ? FORMULA : cell))));
  });

  test('gnumeric reads the same', async () => {
    const [from, to] = [path.join(dir, 'parts.xlsx'), path.join(dir, 'parts.csv')];
    writeFileSync(from, await file({ format: 'xlsx', kind: 'bracket' }));
    execFileSync('ssconvert', [from, to], { stdio: 'ignore' });
    const ours = await csv({ kind: 'bracket' });
    const theirs: string[][] = parse(readFileSync(to));
    const asRead = (rows: readonly (readonly string[])[]) => rows.map((row) => row.map((cell) => cell || ''));
    expect(asRead(theirs)).toEqual(asRead(ours));
  });
});

test('a supplier’s rows that come in again as his list of the same day change no offer and no figure', async () => {
  const records = async () => {
    const rows: { record: object }[] = await app.db.query('SELECT "record" FROM "part" ORDER BY "id"');
    // What the list says is noted as such beside the figures.
    return rows.map(({ record }) => ({ ...record, listed: null }));
  };
  const before = await records();
  const [heads = [], ...rows] = await csv();
  const supplier = 'Quayside Trade';
  const his = rows.filter((row) => at(row, 'Supplier') === supplier);
  expect(his.length).toBeGreaterThan(20);
  const [day] = his.map((row) => at(row, 'Stock as of')).filter(Boolean);
  const base64 = Buffer.from(stringify([heads, ...his])).toString('base64');
  const { body } = await app.http
    .post('/api/parts/imports/lists')
    .send({ name: 'parts.csv', supplier, columns: null, day, base64 })
    .expect(200);
  expect(body).toMatchObject({ added: 0, changed: 0, unknown: 0, newParts: 0, findings: [] });
  expect(await records()).toEqual(before);
});

test('a format that is none is refused by name', async () => {
  const { body } = await app.http.get('/api/parts/table').query({ format: 'pdf' }).expect(400);
  expect(body.errors[0].path).toBe('format');
});

test('nobody who is not signed in gets it', async () => {
  await app.browser().get('/api/parts/table').query({ format: 'csv' }).expect(401);
});
