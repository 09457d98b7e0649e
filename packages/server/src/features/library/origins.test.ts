/** Where the values of a part come from, over HTTP: typed, from a pack, from a supplier's list, from the beginning. */
import { afterAll, beforeAll, expect, test } from '@jest/globals';
import type { ValueOrigin } from '@low-quarry/core/records';
import { createTestApp, type TestApp } from '../../testing/testApp';

let app: TestApp;
beforeAll(async () => {
  app = await createTestApp();
});
afterAll(() => app.drop());

const SHOAL = 'spk-wrackline-shoal-65';
const origin = async (id: string, path: string): Promise<ValueOrigin | undefined> => {
  const { body } = await app.http.get(`/api/parts/${id}/origins`).expect(200);
  return body.values.find((each: ValueOrigin) => each.path === path);
};
const change = async (id: string, next: object) => {
  const { version, record } = (await app.http.get(`/api/parts/${id}`).expect(200)).body;
  await app.http
    .put(`/api/parts/${id}`)
    .send({ version, record: { ...record, ...next } })
    .expect(200);
  return record;
};
const bringIn = (name: string, part: object) =>
  app.http
    .post('/api/parts/imports')
    .send({ name, pack: { format: 'parts', version: 2, parts: [part], connectors: [] } })
    .expect(200);

test('typed, brought in, measured: each value says whose word it is', async () => {
  expect(await origin(SHOAL, 'rmsW')).toMatchObject({ grade: 'unknown', by: null, at: null });
  const record = await change(SHOAL, { number: 'W-65' });
  expect(await origin(SHOAL, 'number')).toMatchObject({ grade: 'typed', by: 'Okke', words: 'W-65', from: '' });
  expect(await origin(SHOAL, 'rmsW')).toMatchObject({ grade: 'unknown' });
  await bringIn('A friend’s pack', { ...record, number: 'W-65', rmsW: 71 });
  expect(await origin(SHOAL, 'rmsW')).toMatchObject({
    ...{ grade: 'pack', by: 'Okke', from: 'A friend’s pack', words: '71' },
    at: '2026-03-02T10:00:00.000Z',
  });
  expect(await origin(SHOAL, 'number')).toMatchObject({ grade: 'typed' });
  await bringIn('Typed by hand', { ...record, id: 'spk-wrackline-typed', name: 'Typed' });
  expect(await origin('spk-wrackline-typed', 'rmsW')).toMatchObject({ grade: 'typed', from: '' });
});

test('undone, a value comes from whoever undid it', async () => {
  const id = 'spk-wrackline-shoal-52';
  const { rmsW } = await change(id, { rmsW: 33 });
  const { body } = await app.http.get('/api/undo').expect(200);
  await app.http
    .post('/api/undo')
    .send({ changeIds: body.changes.map((each: { id: number }) => each.id) })
    .expect(200);
  expect(await origin(id, 'rmsW')).toMatchObject({ grade: 'typed', by: 'Okke', words: String(rmsW) });
});

test('of a part that is not there nothing is said', async () => {
  await app.http.get('/api/parts/spk-nobody-has/origins').expect(404);
});
