/** The shelf over HTTP: counted, put aside, taken off, and what an order list makes of it. */
import { afterAll, beforeAll, describe, expect, test } from '@jest/globals';
import type { OrderAnswer } from '@low-quarry/core/contracts/orders';
import type { ListedLot, ShelfLot } from '@low-quarry/core/contracts/shelf';
import { parse } from 'csv-parse/sync';
import { createTestApp, type Http, type TestApp } from '../../testing/testApp';

const SPEAKER = 'spk-skerrivar-tide-6-half';
const LEAD = 'adp-f2-to-spades-2-8-4-8';

let app: TestApp;
beforeAll(async () => {
  app = await createTestApp();
});
afterAll(() => app.drop());

type Asked = { readonly find?: string; readonly part?: string; readonly job?: string; readonly page?: number };
const list = async (asked: Asked = {}): Promise<{ lots: ListedLot[]; total: number }> =>
  (await app.http.get('/api/shelf').query(asked).expect(200)).body;
const put = async (state: Partial<ShelfLot>, http: Http = app.http): Promise<ShelfLot> =>
  (
    await http
      .post('/api/shelf')
      .send({ partId: SPEAKER, place: 'A3', pieces: 6, from: 'Northmole, 12 November', jobId: null, ...state })
      .expect(200)
  ).body;
const order = async (jobId: string): Promise<OrderAnswer> =>
  (await app.http.get(`/api/jobs/${jobId}/order`).expect(200)).body;
const emptied = async () => {
  for (let { lots } = await list(); lots.length > 0; { lots } = await list())
    for (const { id, version } of lots) await app.http.post(`/api/shelf/${id}/remove`).send({ version }).expect(200);
};

describe('lots', () => {
  test('a fitter counts; who counted and when stands with it, and each lot has the next number', async () => {
    const tove = await app.signedIn('Jory');
    const first = await put({}, tove);
    const second = await put({ partId: LEAD, place: 'van, left box', pieces: 0, from: '' }, tove);
    expect(first).toMatchObject({ version: 1, pieces: 6, countedBy: 'Jory', countedAt: '2026-03-02T10:00:00.000Z' });
    expect(second.number).toBe(first.number + 1);
    expect((await list()).lots.map(({ id }) => id)).toEqual([first.id, second.id]);
    await emptied();
  });

  test('found by place, by part, by order and by number; of one part; page after page', async () => {
    const tide = await put({});
    const lead = await put({ partId: LEAD, place: 'B1', from: 'left over from 1039' });
    const found = async (find: string) => (await list({ find })).lots.map(({ id }) => id);
    expect(await found('a3')).toEqual([tide.id]);
    expect(await found('tide skerrivar')).toEqual([tide.id]);
    expect(await found('1039')).toEqual([lead.id]);
    expect(await found(`S${lead.number}`)).toEqual([lead.id]);
    expect(await found('%')).toEqual([]);
    expect((await list({ part: LEAD })).lots).toMatchObject([{ id: lead.id, kind: 'harnessAdapter', job: null }]);
    for (let at = 0; at < 50; at++) await put({ place: `C${at}`, pieces: at });
    expect(await list({ page: 2 })).toMatchObject({ total: 52, lots: [{}, {}] });
    await emptied();
  });

  test.each<[string, object, string, string]>([
    ['no place', { place: ' ' }, 'place', 'Say where it lies, such as A3.'],
    ['half a piece', { pieces: 1.5 }, 'pieces', 'Type a whole number of pieces.'],
    ['fewer than none', { pieces: -1 }, 'pieces', 'Type 0 or more.'],
    ['a part of nobody', { partId: 'spk-nobody-has' }, 'partId', '"spk-nobody-has" is not a part of this shop.'],
    ['a job of nobody', { jobId: '00000000-0000-4000-8000-00000000dead' }, 'jobId', 'No such job is open'],
  ])('%s is refused at its field, and nothing is on the shelf', async (_, wrong, path, message) => {
    const state = { partId: SPEAKER, place: 'A3', pieces: 6, from: '', jobId: null, ...wrong };
    const { status, body } = await app.http.post('/api/shelf').send(state);
    expect([400, 422]).toContain(status);
    expect(body.errors).toMatchObject([{ path, message: expect.stringContaining(message) }]);
    expect((await list()).total).toBe(0);
  });

  test('two people count the same lot: the second is told, and neither figure is lost', async () => {
    const { id, version, place, from } = await put({});
    const count = (pieces: number) =>
      app.http.put(`/api/shelf/${id}`).send({ version, place, pieces, from, jobId: null });
    await count(5).expect(200);
    const { body } = await count(4).expect(409);
    expect(body.current).toMatchObject({ version: 2, pieces: 5 });
    const { body: history } = await app.http.get('/api/history').query({ kind: 'shelf', record: id }).expect(200);
    expect(history.changes).toMatchObject([
      { action: 'changed', before: { pieces: 6 }, after: { pieces: 5 } },
      { action: 'created' },
    ]);
    await emptied();
  });

  test('taken off, it comes back with its number by undo and by its history', async () => {
    const lot = await put({});
    await app.http.post(`/api/shelf/${lot.id}/remove`).send({ version: 1 }).expect(200);
    expect((await list()).total).toBe(0);
    const { body: undoable } = await app.http.get('/api/undo').expect(200);
    await app.http
      .post('/api/undo')
      .send({ changeIds: undoable.changes.map(({ id }: { id: number }) => id) })
      .expect(200);
    expect((await list()).lots).toMatchObject([{ id: lot.id, number: lot.number, version: 3, pieces: 6 }]);
    await emptied();
  });
});

describe('for a job', () => {
  test('what is put aside is not bought; what is free says so; too many are named', async () => {
    const { job } = await app.jobNumber(3);
    const before = await order(job.id);
    expect(before.lines).toMatchObject([
      { partId: SPEAKER, pieces: 2, aside: 0, lots: [], taken: { packs: 1 } },
      { partId: LEAD, pieces: 2 },
    ]);
    const lot = await put({});
    app.wait(3_600_000);
    expect((await order(job.id)).lines[0]).toMatchObject({ aside: 0, lots: [{ id: lot.id }], taken: { packs: 1 } });
    const aside = (pieces: number, version = 1) =>
      app.http.post(`/api/shelf/${lot.id}/aside`).send({ version, jobId: job.id, pieces });
    expect((await aside(7).expect(422)).body.detail).toContain('6 are there');
    const { body: taken } = await aside(2).expect(200);
    expect(taken).toMatchObject({ place: 'A3', pieces: 2, jobId: job.id, from: 'Northmole, 12 November' });
    // Nobody counted anew: what is taken and what is left were counted when the whole was.
    for (const each of (await list()).lots) expect(each).toMatchObject({ countedAt: lot.countedAt, countedBy: 'Okke' });
    const after = await order(job.id);
    expect(after.lines[0]).toMatchObject({ pieces: 2, aside: 2, taken: null, others: [] });
    expect(after.lines[0]?.lots).toMatchObject([{ pieces: 4 }, { pieces: 2 }]);
    expect(after.totalMinor).toBe(before.totalMinor - (before.lines[0]?.taken?.costMinor ?? 0));
    expect(after.notInTotal).toBe(0);
    const [, line] = parse((await app.http.get(`/api/jobs/${job.id}/order.csv`).expect(200)).text, {
      bom: true,
    }) as string[][];
    expect([line?.[0], line?.[5], line?.[6], line?.[7]]).toEqual(['all on the shelf', '2', '2', `S${taken.number} A3`]);
    // Two more than it needs, and a part that it does not need at all.
    await aside(2, 2).expect(200);
    await put({ partId: 'spk-wrackline-shoal-65', pieces: 1, jobId: job.id });
    expect((await order(job.id)).asideTooMany).toMatchObject([
      { label: 'Skerrivar Tide 6½', tooMany: 2, lot: { pieces: 2 } },
      { label: 'Wrackline Shoal 65', tooMany: 1 },
    ]);
    expect((await list({ job: job.id })).lots).toHaveLength(3);
    await emptied();
  });

  test('of one put aside already nothing is put aside again, and no job in the bin has anything put aside', async () => {
    const { job } = await app.jobNumber(3);
    const lot = await put({ jobId: job.id });
    const aside = (jobId: string) => app.http.post(`/api/shelf/${lot.id}/aside`).send({ version: 1, jobId, pieces: 1 });
    expect((await aside(job.id).expect(422)).body.detail).toContain('put aside for a job already');
    const { job: other } = await app.jobNumber(5);
    await app.http.post(`/api/jobs/${other.id}/delete`).send({ version: other.version }).expect(200);
    await app.http
      .put(`/api/shelf/${lot.id}`)
      .send({ version: 1, place: 'A3', pieces: 6, from: '', jobId: other.id })
      .expect(422);
    await emptied();
  });
});

test('a part that lies on the shelf is not taken away with its pack; one that lay there is', async () => {
  const part = {
    kind: 'tool',
    id: 'tool-trial',
    maker: 'Invented',
    name: 'Trim wedge',
    type: 'trimTool',
    size: '',
    offers: [],
  };
  const bringIn = async () => {
    const pack = { format: 'parts', version: 2, parts: [part], connectors: [] };
    await app.http.post('/api/parts/imports').send({ name: 'A pack', pack }).expect(200);
    const { body } = await app.http.get('/api/undo').expect(200);
    return body.changes.map(({ id }: { id: number }) => id) as number[];
  };
  const changes = await bringIn();
  const lot = await put({ partId: part.id });
  const [created] = (await app.http.get('/api/history').query({ kind: 'partsImport' }).expect(200)).body.changes;
  const undo = () => app.http.post(`/api/history/${created.id}/bring-back`).send({ to: 'before' });
  expect(changes).toEqual([created.id]);
  expect((await undo().expect(422)).body.detail).toContain('1 lot of its parts on the shelf; take them off first');
  await app.http.post(`/api/shelf/${lot.id}/remove`).send({ version: 1 }).expect(200);
  await undo().expect(200);
  await app.http.get(`/api/parts/${part.id}`).expect(404);
});
