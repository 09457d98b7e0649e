/** What was measured in hand, over HTTP: it is counted with, says how far its maker lies off, and goes with undo as it came. */
import { afterAll, beforeAll, expect, test } from '@jest/globals';
import type { MakersBias, SpeakerRecord } from '@low-quarry/core/catalogue';
import { createTestApp, type TestApp } from '../../testing/testApp';

let app: TestApp;
beforeAll(async () => {
  app = await createTestApp();
});
afterAll(() => app.drop());

type Got = { readonly version: number; readonly record: SpeakerRecord };
const get = async (id: string): Promise<Got> => (await app.http.get(`/api/parts/${id}`).expect(200)).body;
const put = async (id: string, change: Partial<SpeakerRecord>): Promise<Got> => {
  const { version, record } = await get(id);
  const { body } = await app.http
    .put(`/api/parts/${id}`)
    .send({ version, record: { ...record, ...change } })
    .expect(200);
  return body;
};
const MEASURED = ['spk-wrackline-shoal-65', 'spk-wrackline-shoal-52', 'spk-wrackline-shoal-40'];
const OTHER = 'spk-wrackline-shoal-69';
const STRANGER = 'spk-dunmarrow-fendrel-65';

/** Reads a depth that is off by so much. */
const readDepth = async (id: string, offMm: number) => {
  const { record } = await get(id);
  const pieces = [[(record.mountingDepthMm ?? 0) + offMm]];
  return put(id, { inHand: [{ figure: 'depth', pieces, halfWidthMm: 0.2, by: 'Okke', on: '2031-05-02' }] });
};
const revision = async (): Promise<number> => (await app.db.query('SELECT "version" FROM "catalogue"'))[0].version;

test('from three of a maker’s parts on it counts for his others, without a version of theirs; devices are told', async () => {
  const other = await get(OTHER);
  const stranger = await get(STRANGER);
  await readDepth(MEASURED[0] as string, 1.1);
  await readDepth(MEASURED[1] as string, 1.3);
  expect((await get(OTHER)).record.makersBias).toEqual([]);
  const [{ epoch }] = await app.db.query('SELECT "epoch" FROM "catalogue"');
  const before = await revision();
  const last = await readDepth(MEASURED[2] as string, 0.9);
  const bias: MakersBias = { figure: 'depth', biasMm: 1.1, uncertaintyMm: 0.231, parts: 3 };
  expect(last.record.makersBias).toEqual([bias]);
  expect(await get(OTHER)).toEqual({ version: other.version, record: { ...other.record, makersBias: [bias] } });
  expect(await get(STRANGER)).toEqual(stranger);
  const { body } = await app.http.get('/api/catalogue/changes').query({ epoch, revision: before, id: '' }).expect(200);
  const told = body.parts as SpeakerRecord[];
  expect(told.map(({ id }) => id)).toContain(OTHER);
  expect(told.every(({ maker }) => maker === 'Wrackline')).toBe(true);
});

test('who saves a part with what was said of its maker before does not write over it, and nobody types it', async () => {
  const { version, record } = await get(OTHER);
  const typed = [{ figure: 'depth' as const, biasMm: 40, uncertaintyMm: 0, parts: 9 }];
  const { body } = await app.http
    .put(`/api/parts/${OTHER}`)
    .send({ version, record: { ...record, number: 'W-69', makersBias: typed } })
    .expect(200);
  expect(body.record.makersBias).toEqual(record.makersBias);
  expect((await get(OTHER)).record.makersBias).toEqual(record.makersBias);
});

test('new parts of the maker come in with it; another shop’s word of a maker does not come in at all', async () => {
  const { record } = await get(OTHER);
  const theirs = [{ figure: 'magnet', biasMm: 5, uncertaintyMm: 0.1, parts: 4 }];
  const fresh = { ...record, id: 'spk-wrackline-new', name: 'New', number: '', makersBias: theirs };
  const unknown = { ...fresh, id: 'spk-stray-new', maker: 'Straymoor' };
  const pack = { format: 'parts', version: 2, parts: [fresh, unknown], connectors: [] };
  await app.http.post('/api/parts/imports').send({ name: 'new.json', pack }).expect(200);
  expect((await get(fresh.id)).record.makersBias).toEqual(record.makersBias);
  expect((await get(unknown.id)).record.makersBias).toEqual([]);
  // Brought in again it is nothing new, though it says something else of its maker.
  const { body } = await app.http.post('/api/parts/imports').send({ name: 'again.json', pack }).expect(200);
  expect(body).toMatchObject({ added: 0, changed: 0, same: 2 });
});

test('taken back, it counts no more; an import is taken back though what is said of its maker changed since', async () => {
  const { body: imports } = await app.http.get('/api/history').query({ kind: 'partsImport' }).expect(200);
  const [imported] = imports.changes;
  const id = MEASURED[2] as string;
  const { body: history } = await app.http.get('/api/history').query({ kind: 'part', record: id }).expect(200);
  const [change] = history.changes;
  await app.http.post(`/api/history/${change.id}/bring-back`).send({ to: 'before' }).expect(200);
  expect((await get(id)).record.inHand).toEqual([]);
  expect((await get(OTHER)).record.makersBias).toEqual([]);
  await app.http.post(`/api/history/${imported.id}/bring-back`).send({ to: 'before' }).expect(200);
  await app.http.get('/api/parts/spk-wrackline-new').expect(404);
});

test('a doubt about what was measured is settled by it', async () => {
  const id = 'spk-oxlode-w-165-plain';
  const { record } = await get(id);
  const doubt = { figure: 'depth', value: record.mountingDepthMm, words: 'It is no such speaker.', proposes: null };
  await put(id, { doubts: [{ ...doubt, chance: 0.9, settled: null } as never] });
  await readDepth(id, 3);
  expect((await get(id)).record.doubts).toMatchObject([{ ...doubt, settled: { how: 'measured', by: 'Okke' } }]);
});
