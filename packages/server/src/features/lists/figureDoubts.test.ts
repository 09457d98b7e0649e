/** Looking through the figures of a library: what is there already is doubted too, put on hold as one change, and taken back as one. */
import { afterAll, beforeAll, expect, test } from '@jest/globals';
import type { SpeakerRecord } from '@low-quarry/core/catalogue';
import type { FiguresDoubted } from '@low-quarry/core/contracts/libraryDoubts';
import { ABOVE, dirtyList } from '@low-quarry/core/testing/dirtyList';
import { dirtySpeakers } from '@low-quarry/core/testing/dirtySpeakers';
import { stringify } from 'csv-stringify/sync';
import { createTestApp, type TestApp } from '../../testing/testApp';

let app: TestApp;
beforeAll(async () => {
  app = await createTestApp();
});
afterAll(() => app.drop());

const look = async (hold = false): Promise<FiguresDoubted> =>
  (await app.http.post('/api/parts/doubts').send({ hold }).expect(200)).body;
const recordOf = async (id: string) => {
  const { body } = await app.http.get(`/api/parts/${id}`).expect(200);
  return body as { version: number; record: SpeakerRecord };
};
const change = async (id: string, changes: Partial<SpeakerRecord>) => {
  const { version, record } = await recordOf(id);
  await app.http
    .put(`/api/parts/${id}`)
    .send({ version, record: { ...record, ...changes } })
    .expect(200);
};

test('the demo’s own speakers are borne out by each other, or said to be too few', async () => {
  const { speakers, found, notCompared } = await look();
  expect(speakers).toBeGreaterThan(50);
  expect(found).toBe(0);
  expect(notCompared).toBeLessThan(speakers);
});

test('a depth that somebody typed in centimetres is doubted, held, and let go once it is settled', async () => {
  const dirty = dirtySpeakers({ rows: 300, slips: 0, seed: 8 });
  const text = stringify([...ABOVE.map((row) => [...row]), ...dirtyList(dirty, 9)], { delimiter: ';' });
  const list = { name: 'x.csv', supplier: 'Hillfoot Stores', columns: null, day: '2026-11-28' };
  await app.http
    .post('/api/parts/imports/lists')
    .send({ ...list, base64: Buffer.from(text).toString('base64') })
    .expect(200);
  const { body } = await app.http.get('/api/parts').query({ find: 'line 1', kind: 'speaker' }).expect(200);
  const { id } = body.found[0];
  const before = await look();
  const depth = (await recordOf(id)).record.mountingDepthMm as number;
  await change(id, { mountingDepthMm: depth / 10 });
  const found = await look();
  expect(found.found).toBe(before.found + 1);
  expect(found.doubted.find((each) => each.id === id)).toMatchObject({ figure: 'depth', isHeld: false });
  expect((await recordOf(id)).record.doubts).toEqual([]);

  const held = await look(true);
  expect(held).toMatchObject({ held: found.found, found: found.found });
  expect((await recordOf(id)).record.doubts).toMatchObject([{ figure: 'depth', value: depth / 10, settled: null }]);
  expect(await look(true)).toMatchObject({ held: 0 });
  const { body: history } = await app.http.get('/api/history').query({ kind: 'partsImport' }).expect(200);
  expect(history.changes[0]).toMatchObject({
    label: 'Doubts of figures',
    after: { added: 0, changed: found.found },
  });

  await change(id, { mountingDepthMm: depth });
  expect((await recordOf(id)).record.doubts).toEqual([]);
  expect((await look()).doubted.map((each) => each.id)).not.toContain(id);
});

test('is for who may change the library', async () => {
  await (await app.signedIn('Rieke')).post('/api/parts/doubts').send({}).expect(403);
});
