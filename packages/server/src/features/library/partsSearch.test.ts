/** Parts as they are looked for: by any of their names and numbers, with slips, by kind. */
import { afterAll, beforeAll, describe, expect, test } from '@jest/globals';
import { type PartRecord, RANGED } from '@low-quarry/core/catalogue';
import type { FoundPart } from '@low-quarry/core/contracts/findParts';
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

describe('narrowed by figures', () => {
  const all = async (query: object) => {
    const found: FoundPart[] = [];
    for (let page = 1; ; page++) {
      const { found: more, total } = await search({ ...query, page });
      found.push(...more);
      if (found.length >= total || more.length === 0) return found;
    }
  };

  test('the database reads every figure as the core does, measured in hand or not', async () => {
    const read = [
      { figure: 'depth', pieces: [[61, 62], [63.4]], halfWidthMm: 0.2, by: 'Okke', on: '2031-05-02' },
      { figure: 'cutout', pieces: [[127.25]], halfWidthMm: 0.2, by: 'Okke', on: '2031-05-02' },
    ];
    const { body } = await app.http.get(`/api/parts/${MARKED.id}`).expect(200);
    const { version, record } = body;
    await app.http
      .put(`/api/parts/${MARKED.id}`)
      .send({ version, record: { ...record, massG: 820, inHand: read } })
      .expect(200);
    const parts = await all({});
    for (const ranged of RANGED) {
      const sql = ranged === 'cost' ? 'part_cost("record")' : `part_figure("record", '${ranged}')`;
      const rows: { id: string; value: string | null }[] = await app.db.query(
        `SELECT "id", ${sql} AS "value" FROM "part"`,
      );
      const inDatabase = new Map(rows.map(({ id, value }) => [id, value === null ? undefined : Number(value)]));
      let known = 0;
      for (const { id, figures } of parts) {
        const [expected, found] = [figures[ranged], inDatabase.get(id)];
        if (expected === undefined) expect({ id, ranged, found }).toEqual({ id, ranged, found: undefined });
        else expect(found).toBeCloseTo(expected, 6);
        known += expected === undefined ? 0 : 1;
      }
      expect([ranged, known > 0]).toEqual([ranged, true]);
    }
    expect(parts.find(({ id }) => id === MARKED.id)?.figures).toMatchObject({
      depth: (61.5 + 63.4) / 2,
      cutout: 127.25,
    });
  });

  test('just those whose figure is known and lies so; several at once; with words', async () => {
    const parts = await all({ kind: 'speaker' });
    const within = (least: number, most: number) =>
      parts.filter(({ figures: { depth = -1 } }) => depth >= least && depth <= most);
    const ids = (found: readonly FoundPart[]) => found.map(({ id }) => id).sort();
    expect(ids(await all({ within: 'depth:40-60' }))).toEqual(ids(within(40, 60)));
    expect(within(40, 60).length).toBeGreaterThan(20);
    const both = await all({ within: 'depth:40-60,cutout:-130' });
    expect(ids(both)).toEqual(ids(within(40, 60).filter(({ figures: { cutout = 999 } }) => cutout <= 130)));
    expect((await all({ find: 'cairn corbreck', within: 'depth:-60' })).map(({ id }) => id)).toEqual([]);
    expect((await all({ within: 'cost:-2000' })).some(({ kind }) => kind !== 'speaker')).toBe(true);
  });

  test('in order of a figure, up and down, and what is not known comes last', async () => {
    const figuresOf = async (order: string) =>
      (await all({ kind: 'speaker', by: 'magnet', order })).map(({ figures }) => figures.magnet);
    for (const [order, way] of [
      ['up', 1],
      ['down', -1],
    ] as const) {
      const magnets = await figuresOf(order);
      const known = magnets.filter((each): each is number => each !== undefined);
      expect(known).toEqual([...known].sort((a, b) => way * (a - b)));
      expect(magnets.slice(0, known.length)).toEqual(known);
    }
  });

  test('by size, kind of speaker, and whether it is still made', async () => {
    const sizes = await all({ size: '6.5 in', speakerKind: 'coaxial' });
    expect(sizes.length).toBeGreaterThan(3);
    for (const { says } of sizes) expect(says).toMatch(/coaxial/);
    const { body } = await app.http.get(`/api/parts/${MARKED.id}`).expect(200);
    await app.http
      .put(`/api/parts/${MARKED.id}`)
      .send({ version: body.version, record: { ...body.record, isDiscontinued: true } })
      .expect(200);
    expect(await search({ find: 'cb-7741', made: 'still' })).toMatchObject({ total: 0 });
    expect(await search({ find: 'cb-7741' })).toMatchObject({ total: 1 });
  });

  test('what is no range is refused, and says what was read', async () => {
    const { body } = await app.http.get('/api/parts').query({ within: 'depth:63-40' }).expect(400);
    expect(body.errors).toMatchObject([{ path: 'within', message: expect.stringContaining('“depth:63-40” was read') }]);
  });

  test('a list that is narrowed and in order is found by an index, and goes out as a file as it is', async () => {
    // Of parts that nobody counted yet the planner takes any of the indexes.
    await app.owner.query('ANALYZE "part"');
    const [plan] = await app.db.transaction(async (manager) => {
      await manager.query('SET LOCAL enable_seqscan = off');
      return manager.query(
        `EXPLAIN (FORMAT JSON) SELECT "id" FROM "part" WHERE "kind" = 'speaker' AND part_figure("record", 'depth') <= 50`,
      );
    });
    expect(JSON.stringify(plan)).toContain('part_by_depth');
    const { text } = await app.http
      .get('/api/parts/table')
      .query({ format: 'csv', within: 'depth:40-60', by: 'depth', order: 'down' })
      .expect(200);
    const wanted = await all({ within: 'depth:40-60', by: 'depth', order: 'down' });
    const rows = text.split('\r\n').slice(1);
    expect(wanted.map(({ id }) => rows.findIndex((row) => row.includes(id)))).not.toContain(-1);
    expect(rows.findIndex((row) => row.includes(wanted[0]?.id ?? ''))).toBe(0);
  });

  test('a record that is none, or has figures that are none, is refused by no index', async () => {
    for (const record of [
      {},
      { kind: 'speaker', mountingDepthMm: 'deep', basket: 3, inHand: 4, offers: 'none' },
      { kind: 'speaker', rmsW: 1e300 },
    ])
      await app.db.transaction(async (manager) => {
        await manager.query(`INSERT INTO "part" ("id", "kind", "record") VALUES ('broken', 'speaker', $1)`, [record]);
        await manager.query(`DELETE FROM "part" WHERE "id" = 'broken'`);
      });
  });
});
