/** A catalogue is read page by page and change by change: nothing that anybody commits is missed, in whatever order they do. */
import { afterAll, beforeAll, describe, expect, test } from '@jest/globals';
import type { PartRecord } from '@low-quarry/core/catalogue';
import type { CatalogueChanges, CataloguePlace } from '@low-quarry/core/contracts/catalogue';
import { largeParts } from '@low-quarry/core/testing/largeCatalogue';
import { createTestApp, type TestApp } from '../../testing/testApp';
import { PartsStore } from './PartsStore';

let app: TestApp;
let store: PartsStore;
beforeAll(async () => {
  app = await createTestApp();
  store = new PartsStore(app.db.manager);
});
afterAll(() => app.drop());

const idsOf = ({ parts }: Pick<CatalogueChanges, 'parts'>) => parts.map((part) => (part as { id: string }).id);

/** Everything after a place, page after page. */
async function readAll(after: CataloguePlace | null, most = 50) {
  const ids: string[] = [];
  let place = after;
  for (;;) {
    const page = await store.listChanges(place, most);
    ids.push(...idsOf(page));
    place = page.at;
    if (!page.hasMore) return { ids, at: page.at, gone: page.gone };
  }
}

const correct = async (id: string, change: Partial<PartRecord>) => {
  const { body } = await app.http.get(`/api/parts/${id}`).expect(200);
  await app.http
    .put(`/api/parts/${id}`)
    .send({ version: body.version, record: { ...body.record, ...change } })
    .expect(200);
};

describe('changes of the catalogue', () => {
  test('everything comes once, page by page, and then nothing until something changes', async () => {
    const { ids, at } = await readAll(null);
    const rows: { id: string }[] = await app.db.query('SELECT "id" FROM "part"');
    expect([...ids].sort()).toEqual(rows.map(({ id }) => id).sort());
    expect(await store.listChanges(at, 50)).toMatchObject({
      isWhole: false,
      parts: [],
      connectors: [],
      hasMore: false,
    });
    const [first] = ids as [string];
    await correct(first, { name: 'Corrected' });
    const { body } = await app.http.get('/api/catalogue/changes').query(at).expect(200);
    expect(idsOf(body)).toEqual([first]);
    expect(body).toMatchObject({ isWhole: false, toCome: 0, hasMore: false });
    expect((await store.listChanges(body.at, 50)).parts).toEqual([]);
  });

  test('a part that is taken away is told as gone, one that comes back as a part', async () => {
    const [part] = largeParts({ speakers: 1, brackets: 0, seed: 4 }) as [PartRecord];
    const before = await readAll(null);
    await store.saveParts([part]);
    const there = await readAll(before.at);
    expect(there.ids).toEqual([part.id]);
    await app.db.query('DELETE FROM "part" WHERE "id" = $1', [part.id]);
    const taken = await readAll(there.at);
    expect(taken).toMatchObject({ ids: [], gone: [part.id] });
    await store.saveParts([part]);
    expect(await readAll(taken.at)).toMatchObject({ ids: [part.id], gone: [] });
    await app.db.query('DELETE FROM "part" WHERE "id" = $1', [part.id]);
  });

  test('who knows another catalogue gets this one from its beginning', async () => {
    const { at, ids } = await readAll(null);
    const other = { ...at, epoch: '00000000-0000-4000-8000-00000000abcd' };
    const page = await store.listChanges(other, 1000);
    expect(page.isWhole).toBe(true);
    expect(idsOf(page).sort()).toEqual([...ids].sort());
  });

  test('of two that change it at once the later sees the earlier: who reads between them misses neither', async () => {
    const { at, ids } = await readAll(null);
    const [first, second] = ids as [string, string];
    const touch = `UPDATE "part" SET "version" = "version" WHERE "id" = $1`;
    const slow = app.db.createQueryRunner();
    await slow.startTransaction();
    await slow.query(touch, [first]);
    let isQuickDone = false;
    const quick = app.db.query(touch, [second]).then(() => {
      isQuickDone = true;
    });
    await new Promise((resolve) => setTimeout(resolve, 100));
    expect(isQuickDone).toBe(false);
    const between = await readAll(at);
    expect(between.ids).toEqual([]);
    await slow.commitTransaction();
    await slow.release();
    await quick;
    expect((await readAll(between.at)).ids.sort()).toEqual([first, second].sort());
  });

  test('more parts than one statement takes parameters for come in at once', async () => {
    const many = largeParts({ speakers: 25_000, brackets: 0, seed: 9 }).filter(({ kind }) => kind === 'speaker');
    const { at } = await readAll(null);
    await app.db.transaction((manager) => new PartsStore(manager).saveParts(many));
    expect((await readAll(at, 4000)).ids).toHaveLength(many.length);
    await app.owner.query(`DELETE FROM "part" WHERE "id" = ANY($1)`, [many.map(({ id }) => id)]);
  });

  test.each([
    ['epoch', { epoch: 'yesterday' }],
    ['revision', { epoch: '00000000-0000-4000-8000-00000000abcd', revision: -1 }],
    ['revision', { epoch: '00000000-0000-4000-8000-00000000abcd', revision: 'many' }],
  ])('a place with a wrong %s is no place', async (path, place) => {
    const { body } = await app.http.get('/api/catalogue/changes').query(place).expect(400);
    expect(body.errors).toEqual([expect.objectContaining({ path })]);
  });
});

describe('searching', () => {
  const found = async (find: string, page = 1) => {
    const { body } = await app.http.get('/api/parts').query({ find, page }).expect(200);
    return body as { found: { id: string; label: string }[]; total: number };
  };

  test('every word anywhere in what a part is called, in whatever order and case, by name', async () => {
    const { found: parts, total } = await found('65 SHOAL');
    expect(total).toBe(parts.length);
    expect(parts.length).toBeGreaterThan(0);
    for (const { id, label } of parts) expect(`${id} ${label}`.toLowerCase()).toMatch(/shoal.*65|65.*shoal/);
    const labels = parts.map(({ label }) => label);
    expect(labels).toEqual([...labels].sort((a, b) => (a < b ? -1 : 1)));
  });

  test('what looks like a pattern is looked for as it is', async () => {
    for (const find of ['%', '_', '\\', "'; DROP TABLE part; --"]) expect((await found(find)).total).toBe(0);
  });

  test('pages go on where the one before ended', async () => {
    const [first, second] = [await found(''), await found('', 2)];
    expect(first.found).toHaveLength(50);
    expect(second.total).toBe(first.total);
    expect(second.found.some(({ id }) => first.found.some((each) => each.id === id))).toBe(false);
    expect((await found('', 1000)).found).toEqual([]);
  });
});

test('adapters over a further connector are found, those of others are not', async () => {
  const adapters = await store.listAdaptersFrom(['con-of-nobody']);
  expect(adapters).toEqual([]);
  const all: { id: string; from: string; to: string | null }[] = await app.db.query(
    `SELECT "id", "from_connector_id" AS "from", "to_connector_id" AS "to" FROM "part" WHERE "from_connector_id" IS NOT NULL`,
  );
  const [start] = all as [(typeof all)[number]];
  const reached = new Set([start.from]);
  for (let before = 0; before !== reached.size; ) {
    before = reached.size;
    for (const { from, to } of all) if (to !== null && reached.has(from)) reached.add(to);
  }
  const expected = all.filter(({ from }) => reached.has(from)).map(({ id }) => id);
  expect((await store.listAdaptersFrom([start.from])).map(({ id }) => id)).toEqual(expected.sort());
});
