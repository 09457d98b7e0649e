/** Parts as they are looked for: by any of their names and numbers, with slips, by kind. */
import { afterAll, beforeAll, describe, expect, test } from '@jest/globals';
import type { PartRecord } from '@low-quarry/core/catalogue';
import type { FoundPart } from '@low-quarry/core/contracts/library';
import { seededRandom } from '@low-quarry/core/math';
import { largeParts } from '@low-quarry/core/testing/largeCatalogue';
import { offered } from '@low-quarry/core/testing/offers';
import { createTestApp, type TestApp } from '../../testing/testApp';

const [CAIRN, ...REST] = largeParts({ speakers: 300, brackets: 40, seed: 3 }).filter(
  ({ kind }) => kind !== 'harnessAdapter',
) as [PartRecord, ...PartRecord[]];
const MARKED: PartRecord = {
  ...CAIRN,
  ...{ id: 'spk-marked', maker: 'Corbreck', name: 'Cairn 65', number: 'CB-7741', aliases: ['Cairnet 6.5', 'KB7741'] },
  offers: [...offered(2, 9900, { supplier: 'Hillfoot Stores', number: 'HS-30912' })],
};

let app: TestApp;
beforeAll(async () => {
  app = await createTestApp();
  const pack = { format: 'parts', version: 2, parts: [MARKED, ...REST], connectors: [] };
  await app.http.post('/api/parts/imports').send({ name: 'search.json', pack }).expect(200);
});
afterAll(() => app.drop());

const search = async (query: object) =>
  (await app.http.get('/api/parts').query(query).expect(200)).body as {
    found: FoundPart[];
    total: number;
    isLike: boolean;
  };

describe('a part is found by', () => {
  test.each([
    ['its name and maker', 'cairn corbreck'],
    ['its maker’s number', 'cb-7741'],
    ['another name', 'cairnet'],
    ['another number', 'KB7741'],
    ['who sells it', 'hillfoot cairn'],
    ['a supplier’s number', 'hs-30912'],
  ])('%s', async (_, find) => {
    const { found, total, isLike } = await search({ find });
    expect({ ids: found.map(({ id }) => id), total, isLike }).toEqual({ ids: [MARKED.id], total: 1, isLike: false });
  });

  test('a name that was renamed is found by the new one alone', async () => {
    const { body } = await app.http.get(`/api/parts/${MARKED.id}`).expect(200);
    const put = (record: object, version: number) =>
      app.http.put(`/api/parts/${MARKED.id}`).send({ version, record }).expect(200);
    await put({ ...body.record, aliases: ['Tarnet'] }, body.version);
    expect((await search({ find: 'tarnet' })).total).toBe(1);
    expect((await search({ find: 'kb7741' })).total).toBe(0);
    await put(body.record, body.version + 1);
  });
});

describe('with a slip', () => {
  test.each(['corbrek cairn', 'corbrcek', 'hilfoot cairnett'])(
    '%s finds it first, and says that it is only like it',
    async (find) => {
      const { found, isLike } = await search({ find });
      expect([found[0]?.id, isLike]).toEqual([MARKED.id, true]);
    },
  );

  test('a number is another one with another figure, and nothing is like two letters', async () => {
    for (const find of ['cb-7742', 'xq'])
      expect(await search({ find })).toEqual({ found: [], total: 0, isLike: false });
  });

  test('of a hundred names with one letter wrong, ninety-five are on the first page', async () => {
    const random = seededRandom(11);
    const pick = <Item>(list: readonly Item[]) => list[Math.floor(random() * list.length)] as Item;
    const { found: speakers } = await search({ find: '', kind: 'speaker' });
    let hits = 0;
    for (let tried = 0; tried < 100; tried++) {
      const { id, label } = pick(speakers);
      const words = label.split(' ');
      const at = words.findIndex((word) => /^[A-Za-z]{5,}$/.test(word));
      if (at < 0) {
        hits++;
        continue;
      }
      const word = words[at] as string;
      const place = 1 + Math.floor(random() * (word.length - 2));
      words[at] = word.slice(0, place) + pick([...'aeiourstn']) + word.slice(place + 1);
      if ((await search({ find: words.join(' ') })).found.some((each) => each.id === id)) hits++;
    }
    expect(hits).toBeGreaterThanOrEqual(95);
  });
});

test('of one kind only, all of them, counted', async () => {
  const { total } = await search({ find: '', kind: 'bracket' });
  const [{ count }] = await app.db.query(`SELECT count(*)::int AS "count" FROM "part" WHERE "kind" = 'bracket'`);
  expect(total).toBe(count);
  expect((await search({ find: 'corbreck', kind: 'bracket' })).total).toBe(0);
  await app.http.get('/api/parts').query({ kind: 'lamp' }).expect(400);
});

test('the whole catalogue goes out as a pack, and is the same in another shop', async () => {
  const { body: pack } = await app.http.get('/api/parts/pack').expect(200);
  const [{ count }] = await app.db.query('SELECT count(*)::int AS "count" FROM "part"');
  expect(pack.parts).toHaveLength(count);
  expect(pack.parts.find(({ id }: PartRecord) => id === MARKED.id)).toMatchObject({
    name: MARKED.name,
    offers: MARKED.offers,
  });
  const other = await createTestApp({ empty: true });
  try {
    const { http } = other;
    const own = { kind: 'own', shopName: 'Boathouse', name: 'Tamsin', password: 'three short words' };
    const { body: state } = await http.post('/api/first-start').send(own).expect(200);
    await other.owner.query('DELETE FROM "part"');
    const bringing = http.post('/api/parts/imports').set('LQ-Person', state.me.id).send({ name: 'all.json', pack });
    const { body } = await bringing.expect(200);
    expect(body).toMatchObject({ added: count, changed: 0, same: 0 });
    expect((await http.get('/api/parts/pack').expect(200)).body).toEqual(pack);
  } finally {
    await other.drop();
  }
});

describe('by what is open', () => {
  const change = async (id: string, changes: object) => {
    const { body } = await app.http.get(`/api/parts/${id}`).expect(200);
    return (
      await app.http
        .put(`/api/parts/${id}`)
        .send({ version: body.version, record: { ...body.record, ...changes } })
        .expect(200)
    ).body;
  };
  const doubt = (value: number, settled: object | null) => ({
    ...{ figure: 'depth', value, words: 'It is deeper than its class.', proposes: null, chance: 0.9, settled },
  });
  const idsOf = async (query: object) => (await search(query)).found.map(({ id }) => id);

  test('a speaker that lacks a figure, until it has it', async () => {
    expect(await idsOf({ open: 'lacking' })).toEqual([]);
    await change(MARKED.id, { magnetDiameterMm: null });
    expect(await idsOf({ open: 'lacking' })).toEqual([MARKED.id]);
    expect(await idsOf({ open: 'lacking', find: 'cairn', kind: 'speaker' })).toEqual([MARKED.id]);
    await change(MARKED.id, { magnetDiameterMm: 80 });
    expect(await idsOf({ open: 'lacking' })).toEqual([]);
  });

  test('a speaker of which a figure is doubted, until it is settled or another one', async () => {
    const { body } = await app.http.get(`/api/parts/${MARKED.id}`).expect(200);
    const depth: number = body.record.mountingDepthMm;
    await change(MARKED.id, { doubts: [doubt(depth, null)] });
    expect(await idsOf({ open: 'doubted' })).toEqual([MARKED.id]);
    const settled = { how: 'measured', words: 'Calliper, 3 pieces', by: 'Okke', on: '2031-05-02' };
    await change(MARKED.id, { doubts: [doubt(depth, settled)] });
    expect(await idsOf({ open: 'doubted' })).toEqual([]);
    await change(MARKED.id, { doubts: [doubt(depth, null)] });
    const { record } = await change(MARKED.id, { mountingDepthMm: depth + 1 });
    expect(record.doubts).toEqual([]);
    expect(await idsOf({ open: 'doubted' })).toEqual([]);
  });
});
