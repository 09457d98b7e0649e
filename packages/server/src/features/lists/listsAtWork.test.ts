/** Lists that are brought in as pieces of work: whoever asked may go, and what is broken off is begun again, or leaves nothing. */
import { mkdtempSync, rmSync } from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { afterAll, beforeAll, expect, test } from '@jest/globals';
import type { ListAtWork } from '@low-quarry/core/contracts/supplierLists';
import { createTestApp, type TestApp } from '../../testing/testApp';
import { untilOver } from '../../testing/untilOver';
import type { WorkQueue } from '../../work/WorkQueue';

const HEADINGS = 'Art. no.;Brand;Description;Height, mm;Inside;Outside;Net';

let app: TestApp;
let dir: string;
beforeAll(async () => {
  dir = mkdtempSync(path.join(os.tmpdir(), 'low-quarry-lists-'));
  app = await createTestApp({ backupDir: dir });
});
afterAll(async () => {
  await app.drop();
  rmSync(dir, { recursive: true, force: true });
});

const queue = () => app.work as WorkQueue;
const listOf = (...rings: readonly string[]) =>
  [HEADINGS, ...rings.map((name) => `R-${name};Kelpstone;Ring ${name};10;142;170;4,00`)].join('\n');
const ask = async (text: string): Promise<string> => {
  const list = { name: 'rings.csv', supplier: 'Quayside Trade', columns: null, day: '2026-11-28' };
  const base64 = Buffer.from(text).toString('base64');
  const { body } = await app.http
    .post('/api/parts/imports/lists/work')
    .send({ ...list, base64 })
    .expect(200);
  return body.listId;
};
const find = async (listId: string): Promise<ListAtWork> => {
  const { body } = await app.http.get('/api/parts/imports/lists/work').expect(200);
  return body.lists.find(({ id }: ListAtWork) => id === listId);
};
const over = async (listId: string): Promise<ListAtWork> => {
  await untilOver(queue(), (await find(listId)).work?.id as string);
  return find(listId);
};
const isThere = async (name: string) => (await app.http.get(`/api/parts/spc-kelpstone-ring-${name}`)).status === 200;

test('a list is brought in, and what it brought is told to whoever asked', async () => {
  const listId = await ask(`${listOf('w1')}\nR-2;Kelpstone;Ring w2;tall;142;170;4,00`);
  const done = await over(listId);
  expect(done).toMatchObject({
    ...{ name: 'rings.csv', supplier: 'Quayside Trade' },
    answer: { of: 'spacer', newParts: 1, keptOut: 1, found: 1 },
    work: { kind: 'list', askedBy: 'Okke', state: 'done', share: 1 },
  });
  expect(done.work?.result).toBe(
    'rings.csv of Quayside Trade: new or changed parts 1, offers 0; rows that stayed out 1.',
  );
  expect(await isThere('w1')).toBe(true);
  // What is told of single rows is asked for by itself: it may be long.
  expect(done.answer).not.toHaveProperty('toMend');
  const { body: whole } = await app.http.get(`/api/parts/imports/lists/work/${listId}`).expect(200);
  expect(whole).toMatchObject({
    newParts: 1,
    findings: [{ line: 3, column: 3 }],
    toMend: expect.stringContaining('tall'),
  });
  // One line of the history, of the person who asked; the file is needed no more.
  const { body } = await app.http.get('/api/history').query({ kind: 'partsImport' }).expect(200);
  expect(body.changes[0]).toMatchObject({ label: 'Quayside Trade: rings.csv', personName: 'Okke' });
  expect(await app.db.query('SELECT "file" FROM "list_asked" WHERE "id" = $1', [listId])).toEqual([{ file: null }]);
});

test('a file that is no list fails with its reason, and is not tried again', async () => {
  const failed = await over(await ask('PK\u0003\u0004 and no more'));
  expect(failed).toMatchObject({ answer: null, work: { state: 'failed', tries: 1 } });
  expect(failed.work?.fault).toMatch(/workbook|spreadsheet|XLSX|ODS|file/i);
});

test('what the server broke off is begun again when it is there', async () => {
  const listId = await ask(listOf('w3'));
  const { work } = await find(listId);
  await queue().stop();
  // As a server that was killed leaves it: begun, nothing written, and not over.
  await app.db.query(`DELETE FROM "part" WHERE "id" = 'spc-kelpstone-ring-w3'`);
  await app.db.query(
    `UPDATE "work" SET "state" = 'running', "tries" = 1, "ended_at" = NULL, "result" = NULL WHERE "id" = $1`,
    [work?.id],
  );
  await app.db.query(`UPDATE "list_asked" SET "answer" = NULL, "file" = $2 WHERE "id" = $1`, [
    listId,
    Buffer.from(listOf('w3')),
  ]);
  await queue().start();
  expect(await over(listId)).toMatchObject({ work: { state: 'done' }, answer: { newParts: 1 } });
  expect(await isThere('w3')).toBe(true);
});

test('one that waits is stopped, and leaves nothing', async () => {
  // Three are asked for at once; the last of them waits for the others.
  const [, , listId = ''] = await Promise.all([ask(listOf('w4')), ask(listOf('w5')), ask(listOf('w6'))]);
  const { body } = await app.http.post(`/api/parts/imports/lists/work/${listId}/stop`).send({}).expect(200);
  expect(body.lists.map(({ id }: ListAtWork) => id)).toContain(listId);
  const ended = await over(listId);
  expect(await isThere('w6')).toBe(ended.work?.state === 'done');
});

test('a list of nobody, or of somebody else, is none', async () => {
  const none = '00000000-0000-4000-8000-000000000009';
  await app.http.post(`/api/parts/imports/lists/work/${none}/stop`).send({}).expect(404);
  await app.http.get(`/api/parts/imports/lists/work/${none}`).expect(404);
  const other = await app.signedIn('Merle');
  await other.get('/api/parts/imports/lists/work').expect(403);
});
